// A long stream is edited as several documents, one for each stretch of its blocks. Stretches follow the edits of the
// stream: the one that is typed in grows, the others stay, and one that has grown too long is cut.
import { commonEnds } from '../core/base/commonEnds';
import { countWords } from '../core/model/copy/book';
import type { Block } from '../core/model/copy/streams';

/** A run of blocks that is one document. */
export interface Stretch {
  /** Stays the same while the stretch lives. */
  readonly key: number;
  readonly count: number;
}

/** Most words of a stretch, and how many one gets when it is cut, which leaves room for typing. */
export const MOST_WORDS = 8000;
const CUT_WORDS = 6000;

const wordsOf = new WeakMap<Block, number>();

/** Words of a block, remembered. */
export function blockWords(block: Block): number {
  let words = wordsOf.get(block);
  if (words === undefined) {
    words =
      block.kind === 'paragraph'
        ? countWords(block.text)
        : block.rows.reduce((sum, row) => sum + row.reduce((own, cell) => own + sumOf(cell.blocks), 0), 0);
    wordsOf.set(block, words);
  }
  return words;
}

const sumOf = (blocks: readonly Block[]) => blocks.reduce((sum, block) => sum + blockWords(block), 0);

/** The stretches of a stream that is seen for the first time. There is always one. */
export function cutStretches(blocks: readonly Block[]): Stretch[] {
  return renewed([{ key: 0, count: blocks.length }], blocks, CUT_WORDS, 1);
}

/** The stretches after the blocks changed. */
export function followStretches(
  stretches: readonly Stretch[],
  before: readonly Block[],
  after: readonly Block[],
): readonly Stretch[] {
  if (before === after) return stretches;
  const [from, end] = commonEnds(before, after);
  const removedTo = before.length - end;
  let gained: number | null = after.length - end - from;
  const moved: Stretch[] = [];
  let start = 0;
  for (const [k, stretch] of stretches.entries()) {
    const stop = start + stretch.count;
    const lost = Math.max(0, Math.min(stop, removedTo) - Math.max(start, from));
    let count = stretch.count - lost;
    // What is put in at a border belongs to the stretch that lost something there, else to the one before it.
    const isHome = from < stop || (from === stop && (lost > 0 || from === removedTo)) || k === stretches.length - 1;
    if (gained !== null && from >= start && isHome) {
      count += gained;
      gained = null;
    }
    if (count > 0) moved.push(count === stretch.count ? stretch : { ...stretch, count });
    start = stop;
  }
  if (moved.length === 0) moved.push({ key: stretches[0]?.key ?? 0, count: 0 });
  const nextKey = 1 + Math.max(0, ...stretches.map(({ key }) => key));
  const cut = renewed(moved, after, MOST_WORDS, nextKey);
  const isSame = cut.length === stretches.length && cut.every((stretch, k) => stretch === stretches[k]);
  return isSame ? stretches : cut;
}

/** Cuts every stretch that has more words than it may. */
function renewed(stretches: readonly Stretch[], blocks: readonly Block[], most: number, nextKey: number): Stretch[] {
  const cut: Stretch[] = [];
  let start = 0;
  for (const stretch of stretches) {
    const own = blocks.slice(start, start + stretch.count);
    start += stretch.count;
    if (own.length < 2 || sumOf(own) <= most) {
      cut.push(stretch);
      continue;
    }
    let key = stretch.key;
    let [count, words] = [0, 0];
    for (const block of own) {
      if (count > 0 && words + blockWords(block) > CUT_WORDS) {
        cut.push({ key, count });
        key = nextKey;
        nextKey += 1;
        [count, words] = [0, 0];
      }
      count += 1;
      words += blockWords(block);
    }
    cut.push({ key, count });
  }
  return cut;
}
