// Tidy jobs over a book: what each would do, and the edits that do it. Untouched paragraphs are in no edit.
import { eachStream, type Book } from '../model/copy/book';
import type { BookEdit } from '../model/copy/bookEdit';
import type { ParagraphStyle } from '../model/spec/spec';
import type { Block, StreamId, StyleTag } from '../model/copy/streams';
import type { TidyChange, TidyOffer } from '../model/answers/tidy';
import { TIDY_JOBS, tidyStreams } from './tidy';
import type { TidyContext, TidyJob } from './types';

/** Places of a job that are told; its count is of all. */
const MOST_PLACES = 300;

/** Each job by itself over the book as it is; those that it does not need are left out. */
export function* offersOf(book: Book): Generator<void, TidyOffer[]> {
  const offers: TidyOffer[] = [];
  for (const job of TIDY_JOBS) {
    const { counts, changes } = yield* runJobs(book, [job]);
    if (counts[0].count > 0) offers.push({ ...counts[0], places: changes.slice(0, MOST_PLACES) });
  }
  return offers;
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
  let nextId = book.nextId;
  const before = new Map<StreamId, readonly Block[]>();
  for (const { stream, blocks } of eachStream(book)) before.set(stream, blocks);
  const context = {
    language: book.particulars.language,
    takeId: () => `p${nextId++}`,
    takeNote: () => `n${nextId++}`,
    texts: book.divisions.map(({ id }) => id),
    isItalic: (style: StyleTag) => isItalicStyle(book, style),
    ...(accepts ? { accepts } : {}),
  };
  const tidied = yield* tidyStreams(before, jobs, context);
  return { before, ...tidied, nextId };
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
