// Finds words and patterns in the streams of a book, and replaces them with edits that touch only their paragraphs.
import { append } from '../base/append';
import { NotLinearError, ValueError } from '../base/errors';
import { linearPattern, type PatternMatch } from '../base/linearPattern';
import { eachStream, type Book } from '../model/copy/book';
import type { BookEdit } from '../model/copy/bookEdit';
import {
  FIND_TOKENS,
  type FindHit,
  type FindLook,
  type FindQuery,
  type FindRange,
  type FindReplacement,
} from '../model/answers/find';
import type { Block, Paragraph, StreamId } from '../model/copy/streams';
import { editLinear, linearText, PARAGRAPH_END, paragraphRuns, type LinearEdit } from './linear';

/** Most hits that are looked for. */
export const MOST_HITS = 20_000;
/** Characters of its surroundings that a hit is shown with. */
const AROUND = 28;

/** How a pattern is matched: in one pass, or NotLinearError is thrown; or by an engine that may run for ever. */
export type FindEngine = 'linear' | 'any';

/** Matches of a text that are not empty, in order. */
type Finder = (text: string) => Iterable<PatternMatch>;

/** Throws ValueError for a pattern that is none; NotLinearError, at once or for a text, where the engine may not run it. */
function finderOf({ words, isPattern, wholeWords, matchCase }: FindQuery, engine: FindEngine): Finder {
  const plain = isPattern ? withTokens(words) : escapeRegExp(withTokens(words));
  const whole = wholeWords ? `(?<![\\p{L}\\p{N}\\p{M}])(?:${plain})(?![\\p{L}\\p{N}\\p{M}])` : plain;
  let native: RegExp;
  try {
    native = new RegExp(whole, matchCase ? 'gmu' : 'gimu');
  } catch (error) {
    throw new ValueError('words', `This is not a pattern: ${(error as Error).message.replace(/^.*: /, '')}.`);
  }
  if (!isPattern) return (text) => nativeMatches(native, text);
  const linear = linearPattern(plain, { ignoreCase: !matchCase, whole: wholeWords });
  if (linear === null && engine === 'linear') throw new NotLinearError();
  return (text) => {
    const found = linear?.matchesIn(text);
    if (found) return found;
    if (engine === 'linear') throw new NotLinearError();
    return nativeMatches(native, text);
  };
}

function* nativeMatches(pattern: RegExp, text: string): Generator<PatternMatch, void> {
  for (const match of text.matchAll(pattern))
    if (match[0] !== '') yield { index: match.index, end: match.index + match[0].length, groups: [...match] };
}

function escapeRegExp(text: string): string {
  return text.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&');
}

function withTokens(words: string): string {
  return words.replace(/\{[a-z -]+\}/g, (token) => FIND_TOKENS[token] ?? token);
}

/** One run of paragraphs of a stream as one text. */
interface Stretch {
  readonly stream: StreamId;
  /** Index of its first block, and offset of its first character in the stream's text. */
  readonly index: number;
  readonly start: number;
  readonly paragraphs: readonly Paragraph[];
  readonly text: string;
}

function* stretchesOf(book: Book, division: StreamId | null): Generator<Stretch> {
  const wanted = division === null ? null : streamsOf(book, division);
  for (const { stream, blocks } of eachStream(book)) {
    if (wanted !== null && !wanted.has(stream)) continue;
    let start = 0;
    for (const { at, paragraphs } of paragraphRuns(blocks)) {
      const text = paragraphs.map(linearText).join(PARAGRAPH_END);
      yield { stream, index: at, start, paragraphs, text };
      start += text.length + 1;
    }
  }
}

/** A division, the cells of its tables, and its notes. */
function streamsOf(book: Book, division: StreamId): Set<StreamId> {
  const found = new Set<StreamId>([division]);
  const visit = (blocks: readonly Block[]) => {
    for (const block of blocks) {
      if (block.kind === 'table') {
        for (const cell of block.rows.flat()) {
          found.add(cell.id);
          visit(cell.blocks);
        }
        continue;
      }
      for (const object of block.objects) {
        if (object.kind !== 'note' || found.has(object.note)) continue;
        found.add(object.note);
        visit(book.notes[object.note]?.blocks ?? []);
      }
    }
  };
  visit(book.divisions.find((one) => one.id === division)?.blocks ?? []);
  return found;
}

interface Match {
  readonly from: number;
  readonly to: number;
  readonly groups: PatternMatch['groups'];
  readonly paragraph: number;
}

/** Where each paragraph of a stretch begins in its text. */
function startsOf(paragraphs: readonly Paragraph[]): number[] {
  const starts: number[] = [];
  let at = 0;
  for (const { text } of paragraphs) {
    starts.push(at);
    at += text.length + 1;
  }
  return starts;
}

function* matchesIn(stretch: Stretch, finder: Finder, query: FindQuery): Generator<Match, void> {
  const starts = startsOf(stretch.paragraphs);
  const looks = query.look === null ? null : lookIntervals(stretch.paragraphs, starts, query.look);
  const within = query.within === null ? null : rangeIntervals(stretch.paragraphs, starts, query.within);
  const found =
    query.words !== ''
      ? finder(stretch.text)
      : (looks ?? wholeParagraphs(stretch.paragraphs, starts)).map(([from, to]) => wholeMatch(stretch.text, from, to));
  let paragraph = 0;
  for (const { index: from, end: to, groups } of found) {
    if (from === to) continue;
    while (paragraph + 1 < starts.length && starts[paragraph + 1] <= from) paragraph += 1;
    if (query.style !== null && stretch.paragraphs[paragraph].style !== query.style) continue;
    if ((looks !== null && !isInside(looks, from, to)) || (within !== null && !isInside(within, from, to))) continue;
    yield { from, to, groups, paragraph };
  }
}

/** From, to: sorted, apart. */
type Interval = readonly [number, number];

function isInside(intervals: readonly Interval[], from: number, to: number): boolean {
  let [low, high] = [0, intervals.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (intervals[middle][0] <= from) low = middle + 1;
    else high = middle;
  }
  return low > 0 && to <= intervals[low - 1][1];
}

const wholeMatch = (text: string, from: number, to: number): PatternMatch => ({
  index: from,
  end: to,
  groups: [text.slice(from, to)],
});

function wholeParagraphs(paragraphs: readonly Paragraph[], starts: readonly number[]): Interval[] {
  return paragraphs.map(({ text }, k): Interval => [starts[k], starts[k] + text.length]);
}

/** The stretches of a look, those that touch joined. */
function lookIntervals(paragraphs: readonly Paragraph[], starts: readonly number[], look: FindLook): Interval[] {
  const intervals: Interval[] = [];
  paragraphs.forEach(({ spans }, k) => {
    for (const { from, to, style, touches } of spans) {
      if (look.kind === 'style' ? style !== look.style : !touches?.[look.touch]) continue;
      join(intervals, starts[k] + from, starts[k] + to);
    }
  });
  return intervals;
}

/** Ranges of paragraphs; one that goes to the end of its paragraph goes on in the next when that begins one too. */
function rangeIntervals(
  paragraphs: readonly Paragraph[],
  starts: readonly number[],
  ranges: readonly FindRange[],
): Interval[] {
  const places = new Map(paragraphs.map(({ id }, k) => [id, k]));
  const own = ranges.flatMap(({ block, from, to }): Interval[] => {
    const k = places.get(block);
    if (k === undefined) return [];
    const isWhole = to >= paragraphs[k].text.length;
    return [[starts[k] + from, starts[k] + Math.min(to, paragraphs[k].text.length) + (isWhole ? 1 : 0)]];
  });
  const intervals: Interval[] = [];
  for (const [from, to] of own.sort((a, b) => a[0] - b[0])) join(intervals, from, to);
  return intervals;
}

function join(intervals: Interval[], from: number, to: number): void {
  const last = intervals[intervals.length - 1];
  if (last !== undefined && last[1] >= from) intervals[intervals.length - 1] = [last[0], Math.max(last[1], to)];
  else intervals.push([from, to]);
}

/** Nothing is asked for: no words, no look, no style. */
const asksNothing = ({ words, look, style }: FindQuery) => words === '' && look === null && style === null;

/** Matches after which the work may be stopped, inside a long stretch too. */
const MATCHES_PER_STEP = 200;

/**
 * All hits in the order of the book, at most MOST_HITS. Yields the share of the text that is looked through. Throws ValueError,
 * and NotLinearError where the engine is `linear` and cannot run the pattern.
 */
export function* findAll(book: Book, query: FindQuery, engine: FindEngine = 'any'): Generator<number, FindHit[]> {
  const hits: FindHit[] = [];
  if (asksNothing(query)) return hits;
  const finder = finderOf(query, engine);
  const progress = new Progress(book, query);
  for (const stretch of stretchesOf(book, query.division)) {
    const starts = startsOf(stretch.paragraphs);
    for (const { from, to, paragraph } of matchesIn(stretch, finder, query)) {
      if (hits.length >= MOST_HITS) return hits;
      hits.push({
        stream: stretch.stream,
        block: stretch.paragraphs[paragraph].id,
        at: stretch.start + from,
        length: to - from,
        offset: from - starts[paragraph],
        before: stretch.text.slice(Math.max(0, from - AROUND), from),
        found: stretch.text.slice(from, to),
        after: stretch.text.slice(to, to + AROUND),
      });
      if (hits.length % MATCHES_PER_STEP === 0) yield progress.at(to);
    }
    yield progress.done(stretch.text.length);
  }
  return hits;
}

/** How much of the text of a query is looked through. */
class Progress {
  private readonly total: number;
  private before = 0;

  constructor(book: Book, { division }: FindQuery) {
    let total = 0;
    const wanted = division === null ? null : streamsOf(book, division);
    for (const { stream, blocks } of eachStream(book))
      if (wanted?.has(stream) ?? true)
        for (const block of blocks) if (block.kind === 'paragraph') total += block.text.length + 1;
    this.total = Math.max(1, total);
  }

  at(offset: number): number {
    return Math.min(1, (this.before + offset) / this.total);
  }

  done(length: number): number {
    this.before += length;
    return this.at(0);
  }
}

export interface Replaced {
  readonly edits: readonly BookEdit[];
  readonly count: number;
}

/** Replaces hits; `only`: the places that are taken, as `stream at`; all when it is not given. Yields and throws as findAll. */
export function* replaceAll(
  book: Book,
  query: FindQuery,
  replacement: FindReplacement,
  only?: ReadonlySet<string>,
  engine: FindEngine = 'any',
): Generator<number, Replaced> {
  const edits: BookEdit[] = [];
  let count = 0;
  let nextId = book.nextId;
  if (asksNothing(query)) return { edits, count };
  const finder = finderOf(query, engine);
  const progress = new Progress(book, query);
  const words = replacement.words === null ? null : withTokens(replacement.words);
  /** How many blocks each stream has more than it had: runs behind shift by it. */
  const shifts = new Map<StreamId, number>();
  for (const stretch of stretchesOf(book, query.division)) {
    const taken: Match[] = [];
    for (const match of matchesIn(stretch, finder, query)) {
      if (only?.has(`${stretch.stream} ${stretch.start + match.from}`) ?? true) taken.push(match);
      if (taken.length % MATCHES_PER_STEP === MATCHES_PER_STEP - 1) yield progress.at(match.to);
    }
    count += taken.length;
    const shift = shifts.get(stretch.stream) ?? 0;
    const made = editsOf(
      stretch,
      taken,
      (groups) => (words !== null && query.isPattern ? expand(words, groups) : words),
      replacement,
      shift,
      () => `p${nextId++}`,
    );
    append(edits, made.edits);
    shifts.set(stretch.stream, shift + made.more);
    yield progress.done(stretch.text.length);
  }
  if (nextId !== book.nextId) edits.push({ kind: 'setNextId', from: book.nextId, to: nextId });
  return { edits, count };
}

/** One edit for each group of paragraphs that hang together by what is replaced in them. */
function editsOf(
  { stream, index, paragraphs }: Stretch,
  matches: readonly Match[],
  textOf: (groups: Match['groups']) => string | null,
  { style, paragraphStyle }: FindReplacement,
  shift: number,
  takeId: () => string,
): { edits: BookEdit[]; more: number } {
  const starts: number[] = [0];
  for (const { text } of paragraphs) starts.push(starts[starts.length - 1] + text.length + 1);
  const lastOf = ({ to, paragraph }: Match) => {
    let last = paragraph;
    while (last + 1 < paragraphs.length && starts[last + 1] <= to) last += 1;
    return last;
  };
  const edits: BookEdit[] = [];
  let more = 0;
  for (let k = 0; k < matches.length;) {
    const first = matches[k].paragraph;
    let last = lastOf(matches[k]);
    let end = k + 1;
    while (end < matches.length && matches[end].paragraph <= last) last = Math.max(last, lastOf(matches[end++]));
    const own = matches.slice(k, end);
    const removed = paragraphs.slice(first, last + 1);
    const linear = own.map(({ from, to, groups }): LinearEdit => ({
      from: from - starts[first],
      to: to - starts[first],
      text: textOf(groups),
      style,
    }));
    const edited = editLinear(removed, linear, takeId);
    const inserted =
      paragraphStyle === null ? edited : edited.map((paragraph) => ({ ...paragraph, style: paragraphStyle }));
    edits.push({ kind: 'replaceBlocks', stream, at: index + first + shift + more, removed, inserted });
    more += inserted.length - removed.length;
    k = end;
  }
  return { edits, more };
}

/** Groups of a pattern in what is put: `$1` to `$99`, `$&` for all of it, `$$` for the sign itself (ECMA-262, 22.1.3.19.1). */
function expand(words: string, groups: Match['groups']): string {
  return words.replace(/\$(\$|&|\d{1,2})/g, (whole, key: string) =>
    key === '$' ? '$' : key === '&' ? groups[0]! : Number(key) < groups.length ? (groups[Number(key)] ?? '') : whole,
  );
}
