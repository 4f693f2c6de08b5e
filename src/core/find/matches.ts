// What a query matches in the streams of a book: words, patterns, looks, values and paragraphs without words.
import { NotLinearError, ValueError } from '../base/errors';
import { linearPattern, type PatternMatch } from '../base/linearPattern';
import { valueStretches } from '../looks/valueStretches';
import { EMPTY_PARAGRAPH, FIND_TOKENS, type FindLook, type FindQuery, type FindRange } from '../model/answers/find';
import { eachStream, textsOfObject, type Book } from '../model/copy/book';
import type { Block, Paragraph, StreamId } from '../model/copy/streams';
import type { Spec } from '../model/spec/spec';
import { linearText, PARAGRAPH_END, paragraphRuns } from './linear';

/** How a pattern is matched: in one pass, or NotLinearError is thrown; or by an engine that may run for ever. */
export type FindEngine = 'linear' | 'any';

/** Matches of a text that are not empty, in order. */
type Finder = (text: string) => Iterable<PatternMatch>;

/** Throws ValueError for a pattern that is none; NotLinearError, at once or for a text, where the engine may not run it. */
export function finderOf({ words, isPattern, wholeWords, matchCase }: FindQuery, engine: FindEngine): Finder {
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

export function withTokens(words: string): string {
  return words.replace(/\{[a-z -]+\}/g, (token) => FIND_TOKENS[token] ?? token);
}

/** One run of paragraphs of a stream as one text. */
export interface Stretch {
  readonly stream: StreamId;
  /** Of the division in which it stands. */
  readonly language: string;
  /** Index of its first block, and offset of its first character in the stream's text. */
  readonly index: number;
  readonly start: number;
  readonly paragraphs: readonly Paragraph[];
  readonly text: string;
}

export function* stretchesOf(book: Book, division: StreamId | null): Generator<Stretch> {
  const wanted = division === null ? null : streamsOf(book, division);
  const languages = languagesOf(book);
  for (const { stream, blocks } of eachStream(book)) {
    if (wanted !== null && !wanted.has(stream)) continue;
    const language = languages.get(stream) ?? book.particulars.language;
    let start = 0;
    for (const { at, paragraphs } of paragraphRuns(blocks)) {
      const text = paragraphs.map(linearText).join(PARAGRAPH_END);
      yield { stream, language, index: at, start, paragraphs, text };
      start += text.length + 1;
    }
  }
}

/** Languages of the streams of divisions that have one of their own. */
function languagesOf(book: Book): Map<StreamId, string> {
  const found = new Map<StreamId, string>();
  for (const { id, language } of book.divisions)
    if (language !== undefined) for (const stream of streamsOf(book, id)) found.set(stream, language);
  return found;
}

/** A division, the cells of its tables, its notes, and the texts of its figures. */
export function streamsOf(book: Book, division: StreamId): Set<StreamId> {
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
        for (const { id, blocks } of textsOfObject(book, object)) {
          if (found.has(id)) continue;
          found.add(id);
          visit(blocks);
        }
      }
    }
  };
  visit(book.divisions.find((one) => one.id === division)?.blocks ?? []);
  return found;
}

export interface Match {
  readonly from: number;
  readonly to: number;
  readonly groups: PatternMatch['groups'];
  readonly paragraph: number;
}

/** Where each paragraph of a stretch begins in its text. */
export function startsOf(paragraphs: readonly Paragraph[]): number[] {
  const starts: number[] = [];
  let at = 0;
  for (const { text } of paragraphs) {
    starts.push(at);
    at += text.length + 1;
  }
  return starts;
}

export function* matchesIn(stretch: Stretch, finder: Finder, query: FindQuery, spec: Spec): Generator<Match, void> {
  const starts = startsOf(stretch.paragraphs);
  const looks = query.look === null ? null : lookIntervals(stretch, starts, query.look, spec);
  const within = query.within === null ? null : rangeIntervals(stretch.paragraphs, starts, query.within);
  if (findsEmpty(query)) {
    yield* emptyParagraphs(stretch, starts, query, within);
    if (query.words !== '') return;
  }
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

/** Whether paragraphs without words are among what is asked for. */
const findsEmpty = ({ words, look }: FindQuery) => words.trim() === EMPTY_PARAGRAPH || (words === '' && look === null);

function* emptyParagraphs(
  { paragraphs }: Stretch,
  starts: readonly number[],
  { style }: FindQuery,
  within: readonly Interval[] | null,
): Generator<Match, void> {
  for (const [paragraph, block] of paragraphs.entries()) {
    if (block.text !== '' || (style !== null && block.style !== style)) continue;
    const from = starts[paragraph];
    if (within === null || isInside(within, from, from)) yield { from, to: from, groups: [''], paragraph };
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
function lookIntervals(
  { paragraphs, language }: Stretch,
  starts: readonly number[],
  look: FindLook,
  spec: Spec,
): Interval[] {
  const intervals: Interval[] = [];
  if (look.kind === 'value') {
    paragraphs.forEach((block, k) => {
      for (const [from, to] of valueStretches(block, { spec, language }, look.value))
        join(intervals, starts[k] + from, starts[k] + to);
    });
    return intervals;
  }
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

/** Groups of a pattern in what is put: `$1` to `$99`, `$&` for all of it, `$$` for the sign itself (ECMA-262, 22.1.3.19.1). */
export function expand(words: string, groups: Match['groups']): string {
  return words.replace(/\$(\$|&|\d{1,2})/g, (whole, key: string) =>
    key === '$' ? '$' : key === '&' ? groups[0]! : Number(key) < groups.length ? (groups[Number(key)] ?? '') : whole,
  );
}

/** Nothing is asked for: no words, no look, no style. */
export const asksNothing = ({ words, look, style }: FindQuery) => words === '' && look === null && style === null;
