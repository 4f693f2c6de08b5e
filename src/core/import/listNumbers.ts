// Numbers of list items: what a file counts, told only where a list of ours would count otherwise.
import type { Block, BlockId } from '../model/copy/streams';

/** Largest number that an item can be given. */
const MOST = 9999;

/** Numbers that items have in their file, by their ids; of several the one that goes on is meant. */
export type ItemNumbers = ReadonlyMap<BlockId, readonly number[]>;

/** The blocks of a stream with `start` on the items that do not go on from the one before; streams inside are counted for themselves. */
export function withStarts(blocks: readonly Block[], numbers: ItemNumbers): readonly Block[] {
  if (numbers.size === 0) return blocks;
  let counts: number[] = [];
  const kinds: boolean[] = [];
  let isChanged = false;
  const counted = blocks.map((block): Block => {
    if (block.kind === 'table') {
      counts = [];
      const rows = block.rows.map((row) => row.map((cell) => ({ ...cell, blocks: withStarts(cell.blocks, numbers) })));
      isChanged = true;
      return { ...block, rows };
    }
    const { list } = block;
    if (list === undefined) {
      counts = [];
      return block;
    }
    counts.length = Math.min(counts.length, list.level + 1);
    if (kinds[list.level] !== list.ordered) counts[list.level] = 0;
    kinds[list.level] = list.ordered;
    const next = (counts[list.level] ?? 0) + 1;
    const said = list.ordered ? numbers.get(block.id) : undefined;
    const number = said === undefined || said.length === 0 || said.includes(next) ? next : said[0];
    counts[list.level] = number;
    if (number === next || number < 0 || number > MOST) return block;
    isChanged = true;
    return { ...block, list: { ...list, start: number } };
  });
  return isChanged ? counted : blocks;
}

const ROMAN = /^(?:m{0,3})(?:cm|cd|d?c{0,3})(?:xc|xl|l?x{0,3})(?:ix|iv|v?i{0,3})$/i;
const VALUES: Readonly<Record<string, number>> = { i: 1, v: 5, x: 10, l: 50, c: 100, d: 500, m: 1000 };

/** What a mark as it is typed counts: `4.`, `(d)`, `iv)`; empty for a bullet. */
export function numbersOfMark(mark: string): number[] {
  const sign = /^[\s\u00A0]*[([]?([\p{L}\d]{1,8})[.)\]:]?[\s\u00A0\t]*$/u.exec(mark)?.[1];
  if (sign === undefined) return [];
  if (/^\d{1,4}$/.test(sign)) return [Number(sign)];
  const letters = sign.toLowerCase();
  const found: number[] = [];
  if (ROMAN.test(letters)) found.push(ofRoman(letters));
  if (/^([a-z])\1{0,3}$/.test(letters)) found.push(letters.charCodeAt(0) - 96 + 26 * (letters.length - 1));
  return found;
}

function ofRoman(letters: string): number {
  let sum = 0;
  for (let k = 0; k < letters.length; k += 1) {
    const [own, next] = [VALUES[letters[k]], VALUES[letters[k + 1]] ?? 0];
    sum += own < next ? -own : own;
  }
  return sum;
}

/** Counts the items of lists as word processors do: by list, a deeper level begins again under each item. */
export class ListCounter {
  private readonly counts = new Map<string, number[]>();

  /** `first`: what a level of the list begins with; `restart`: this item begins it again. */
  next(list: string, level: number, first: number, restart: number | undefined): number {
    const counts = this.counts.get(list) ?? [];
    this.counts.set(list, counts);
    counts.length = Math.min(counts.length, level + 1);
    counts[level] = restart ?? (counts[level] ?? first - 1) + 1;
    return counts[level];
  }
}
