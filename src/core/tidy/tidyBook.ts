// Tidy jobs over a book: what each would do, and the edits that do it. Untouched paragraphs are in no edit.
import { append } from '../base/append';
import { eachStream, type Book } from '../model/copy/book';
import type { BookEdit } from '../model/copy/bookEdit';
import type { ParagraphStyle } from '../model/spec/spec';
import type { Block, StreamId, StyleTag } from '../model/copy/streams';
import type { TidyChange, TidyOffer, TidyPlace } from '../model/answers/tidy';
import { TIDY_JOBS, tidyStreams } from './tidy';
import type { TidyContext, TidyJob } from './types';

/** Places of a job that are told; its count is of all. */
const MOST_PLACES = 300;

/** Each job by itself over the book as it is; those that it does not need are left out. */
export function* offersOf(book: Book): Generator<void, TidyOffer[]> {
  const offers: TidyOffer[] = [];
  for (const job of TIDY_JOBS) {
    const places = job.runAll === undefined ? yield* placesOf(book, job) : (yield* runJobs(book, [job])).changes;
    const { id, name, kind } = job;
    if (places.length > 0) offers.push({ id, name, kind, count: places.length, places: places.slice(0, MOST_PLACES) });
  }
  return offers;
}

interface KnownPlaces {
  readonly language: string;
  readonly styles: unknown;
  readonly places: readonly TidyPlace[];
}

/** What each job found in a list of blocks: after an edit only the stream that changed is looked through again. */
const found = new WeakMap<readonly Block[], Map<string, KnownPlaces>>();

function* placesOf(book: Book, job: TidyJob): Generator<void, TidyChange[]> {
  const { language } = book.particulars;
  const { styles } = book.spec;
  const changes: TidyChange[] = [];
  for (const { stream, blocks } of eachStream(book)) {
    let ofJobs = found.get(blocks);
    if (ofJobs === undefined) found.set(blocks, (ofJobs = new Map()));
    let known = ofJobs.get(job.id);
    if (known?.language !== language || known.styles !== styles) {
      const { places } = job.run(blocks, { ...contextOf(book), accepts: () => true });
      ofJobs.set(job.id, (known = { language, styles, places }));
      yield;
    }
    append(
      changes,
      known.places.map((place) => ({ ...place, job: job.id, stream })),
    );
  }
  return changes;
}

export interface TidiedBook {
  readonly edits: readonly BookEdit[];
  readonly changes: readonly TidyChange[];
}

/** Runs jobs by their ids. `accepts`: the places that are taken; all of them when it is not given. */
export function* tidyBook(
  book: Book,
  ids: readonly string[],
  accepts?: TidyContext['accepts'],
): Generator<void, TidiedBook> {
  const jobs = TIDY_JOBS.filter((job) => ids.includes(job.id) && job.kind !== 'tell');
  const { before, streams, notes, changes, nextId } = yield* runJobs(book, jobs, accepts);
  const edits = [...streams].flatMap(([stream, blocks]) => editsBetween(stream, before.get(stream)!, blocks));
  const kinds = Object.keys(book.spec.notes.kinds);
  const kind = kinds.includes('endnote') ? 'endnote' : kinds[0];
  for (const [id, blocks] of notes) edits.push({ kind: 'setNote', id, from: null, to: { id, kind, blocks } });
  if (edits.length > 0 && nextId !== book.nextId) edits.push({ kind: 'setNextId', from: book.nextId, to: nextId });
  return { edits, changes };
}

function* runJobs(book: Book, jobs: readonly TidyJob[], accepts?: TidyContext['accepts']) {
  const before = new Map<StreamId, readonly Block[]>();
  for (const { stream, blocks } of eachStream(book)) before.set(stream, blocks);
  const context = contextOf(book);
  const tidied = yield* tidyStreams(before, jobs, { ...context, ...(accepts ? { accepts } : {}) });
  return { before, ...tidied, nextId: context.nextId() };
}

function contextOf(book: Book) {
  let { nextId } = book;
  return {
    language: book.particulars.language,
    takeId: () => `p${nextId++}`,
    takeNote: () => `n${nextId++}`,
    nextId: () => nextId,
    texts: book.divisions.map(({ id }) => id),
    isItalic: (style: StyleTag) => isItalicStyle(book, style),
  };
}

/** A style's own word on italics, or that of the styles it is based on. */
function isItalicStyle({ spec }: Book, style: StyleTag): boolean {
  const seen = new Set<StyleTag>();
  for (let tag: StyleTag | undefined = style; tag !== undefined && !seen.has(tag);) {
    seen.add(tag);
    const own: ParagraphStyle | undefined = spec.styles[tag];
    if (own?.italic !== undefined) return own.italic;
    tag = own?.basedOn ?? undefined;
  }
  return false;
}

/** Edits from one list of blocks to another that keeps what did not change as the same objects, in the same order. */
function editsBetween(stream: StreamId, before: readonly Block[], after: readonly Block[]): BookEdit[] {
  if (before === after) return [];
  const kept = new Set(after);
  const edits: BookEdit[] = [];
  let [i, j] = [0, 0];
  while (i < before.length || j < after.length) {
    if (i < before.length && before[i] === after[j]) {
      [i, j] = [i + 1, j + 1];
      continue;
    }
    const at = j;
    const from = i;
    while (i < before.length && !kept.has(before[i])) i += 1;
    while (j < after.length && after[j] !== before[i]) j += 1;
    edits.push({ kind: 'replaceBlocks', stream, at, removed: before.slice(from, i), inserted: after.slice(at, j) });
  }
  return edits;
}
