// Which blocks of three versions are the same one: the desk's by their ids, the author's by likeness, what was moved by its words.
import { OBJECT_CHARACTER, type Block } from '../../model/copy/streams';
import { isEmptyParagraph } from '../../copy/effectiveTag';
import { alignBlocks } from '../copy/align';

export interface Pairs {
  /** For each block of the author's its place in the base, -1 for none. */
  readonly toBase: Int32Array;
  /** Those among them that stand elsewhere in the order than they did. */
  readonly moved: ReadonlySet<number>;
}

/** Letters that a text must have for its place to be followed. */
const LEAST_MOVED = 12;
/** Heads are known by fewer. */
const HEADS: ReadonlySet<string> = new Set(['CT', 'PT', 'AH', 'BH']);

export function pairWithBase(base: readonly Block[], author: readonly Block[]): Pairs {
  const toBase = new Int32Array(author.length).fill(-1);
  const used = new Uint8Array(base.length);
  const pair = (i: number, j: number) => {
    toBase[j] = i;
    used[i] = 1;
  };
  const aligned = alignBlocks(base, author);
  for (const [i, j] of aligned) pair(i, j);
  // Empty paragraphs are alike by their place alone.
  let [i, j] = [0, 0];
  for (const [x, y] of [...aligned, [base.length, author.length] as const]) {
    const empties = (blocks: readonly Block[], from: number, to: number) =>
      Array.from({ length: to - from }, (_, k) => from + k).filter((k) => isEmptyParagraph(blocks[k]));
    const [own, theirs] = [empties(base, i, x), empties(author, j, y)];
    for (let k = 0; k < Math.min(own.length, theirs.length); k += 1) pair(own[k], theirs[k]);
    [i, j] = [x + 1, y + 1];
  }
  const moved = new Set<number>();
  const places = uniqueWords(base, (k) => used[k] === 0);
  for (const [words, at] of uniqueWords(author, (k) => toBase[k] < 0)) {
    const was = places.get(words);
    if (was === undefined || was < 0 || at < 0) continue;
    pair(was, at);
    moved.add(at);
  }
  return { toBase, moved };
}

/** Places of texts that stand once among some blocks; -1 for a text that stands more often. */
export function uniqueWords(blocks: readonly Block[], isOne: (place: number) => boolean): Map<string, number> {
  const places = new Map<string, number>();
  blocks.forEach((block, k) => {
    if (!isOne(k) || block.kind === 'table') return;
    const words = block.text.replaceAll(OBJECT_CHARACTER, ' ').replace(/\s+/g, ' ').trim();
    if (words.length >= (HEADS.has(block.style) ? 1 : LEAST_MOVED)) places.set(words, places.has(words) ? -1 : k);
  });
  return places;
}
