// Holding to a pull: where the pages of an earlier composed book began, found again in the text as it is now, and which
// pages moved all the same. Paragraphs are matched by what they say, so that a pull holds over a new import too.
import { editionOf } from '../../copy/editionOf';
import { flatBook } from '../../copy/figures/flatBook';
import { commonEnds, commonEndsBy } from '../../base/commonEnds';
import type { Book, Division } from '../../model/copy/book';
import type { Page, TypesetBook } from '../../model/composed/pages';
import type { PageTable } from '../../model/composed/pageTable';
import type { Paragraph } from '../../model/copy/streams';

/** Places at which held pages begin: offsets in the source text, by block. Blocks without one are there with none. */
export type HeldStarts = ReadonlyMap<string, readonly number[]>;

/** Page starts of `pull`, the pages of an earlier book, in the text of `book`. */
export function heldStarts(earlier: Book, pull: PageTable, book: Book): HeldStarts {
  const before = paragraphsOf(earlier);
  const after = paragraphsOf(book);
  const matches = matchParagraphs(before, after);
  const held = new Map<string, number[]>(after.map((paragraph) => [paragraph.id, []]));
  const indexOf = new Map(before.map((paragraph, index) => [paragraph.id, index]));
  for (const { start, role } of pull.pages) {
    const index = start === null || role === 'display' ? undefined : indexOf.get(start.block);
    const match = index === undefined ? -1 : matches[index];
    if (start === null || index === undefined || match < 0) continue;
    const offset = mapOffset(before[index].text, after[match].text, start.offset);
    if (offset !== null) held.get(after[match].id)!.push(offset);
  }
  return held;
}

/** Pages whose first text is another than in the pull, as runs of page indexes of the new book, last page included. */
export function movedPages(earlier: Book, pull: PageTable, book: Book, composed: TypesetBook): [number, number][] {
  const held = heldStarts(earlier, pull, book);
  const runs: [number, number][] = [];
  for (const page of composed.pages) {
    const start = startOf(page);
    if (start === null || page.role === 'display' || (held.get(start.block) ?? []).includes(start.offset)) continue;
    const last = runs[runs.length - 1];
    if (last !== undefined && last[1] === page.index - 1) last[1] = page.index;
    else runs.push([page.index, page.index]);
  }
  return runs;
}

/** `pages 45-47 change, in step again at 48`, by page numbers from 1. */
export function tellMoved(runs: readonly (readonly [number, number])[]): string {
  if (runs.length === 0) return 'no page start changes';
  const told = runs.map(([from, to]) => {
    const pages = from === to ? `page ${from + 1} changes` : `pages ${from + 1}-${to + 1} change`;
    return `${pages}, in step again at ${to + 2}`;
  });
  return told.join('; ');
}

/** First text of a page as it is written: block and offset in its source. */
function startOf(page: Page): { block: string; offset: number } | null {
  const first = page.fragments[0];
  if (first === undefined || page.role === 'display') return null;
  const { styled, broken } = first.paragraph;
  const at = broken.from[first.from];
  return { block: styled.block, offset: first.from === 0 ? 0 : (styled.source?.[at] ?? at) };
}

function paragraphsOf(book: Book): Paragraph[] {
  return flatBook(editionOf(book, 'print')).divisions.flatMap((division: Division) =>
    division.blocks.filter((block): block is Paragraph => block.kind === 'paragraph'),
  );
}

/** Most cells of the table by which a stretch of changed paragraphs is compared. */
const MOST_CELLS = 4_000_000;

/** For each paragraph before, the index of the one after that it became; -1 for none. */
function matchParagraphs(before: readonly Paragraph[], after: readonly Paragraph[]): Int32Array {
  const matches = new Int32Array(before.length).fill(-1);
  const [start, end] = commonEndsBy(before.length, after.length, (i, j) => before[i].text === after[j].text);
  for (let k = 0; k < start; k += 1) matches[k] = k;
  for (let k = 1; k <= end; k += 1) matches[before.length - k] = after.length - k;
  const [n, m] = [before.length - end - start, after.length - end - start];
  if (n > 0 && m > 0 && n * m <= MOST_CELLS) matchMiddle(before, after, start, n, m, matches);
  fillGaps(before, after, matches);
  return matches;
}

/** The longest common subsequence of a changed stretch. */
function matchMiddle(
  before: readonly Paragraph[],
  after: readonly Paragraph[],
  start: number,
  n: number,
  m: number,
  matches: Int32Array,
): void {
  const width = m + 1;
  const length = new Uint16Array((n + 1) * width);
  for (let a = n - 1; a >= 0; a -= 1) {
    for (let b = m - 1; b >= 0; b -= 1) {
      length[a * width + b] =
        before[start + a].text === after[start + b].text
          ? length[(a + 1) * width + b + 1] + 1
          : Math.max(length[(a + 1) * width + b], length[a * width + b + 1]);
    }
  }
  for (let a = 0, b = 0; a < n && b < m;) {
    if (before[start + a].text === after[start + b].text) matches[start + a++] = start + b++;
    else if (length[(a + 1) * width + b] >= length[a * width + b + 1]) a += 1;
    else b += 1;
  }
}

/** Paragraphs between two matches, as many after as before, became each other: they were edited in place. */
function fillGaps(before: readonly Paragraph[], after: readonly Paragraph[], matches: Int32Array): void {
  for (let a = 0; a < before.length; a += 1) {
    if (matches[a] >= 0) continue;
    let to = a;
    while (to < before.length && matches[to] < 0) to += 1;
    const from = a === 0 ? 0 : matches[a - 1] + 1;
    const until = to === before.length ? after.length : matches[to];
    if (until - from === to - a) for (let k = a; k < to; k += 1) matches[k] = from + k - a;
    a = to;
  }
}

/** An offset of the old text in the new one, by what both begin and end with; null inside what changed. */
function mapOffset(before: string, after: string, offset: number): number | null {
  if (before === after) return offset;
  const [head, tail] = commonEnds(before, after);
  if (offset <= head) return offset;
  return offset >= before.length - tail ? offset + after.length - before.length : null;
}
