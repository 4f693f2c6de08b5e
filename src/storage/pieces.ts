// The blocks of a long division are kept in pieces, so that a letter typed in it writes one piece again and not the whole
// (a division of 500,000 words takes 250 ms to hand over to the database; a piece a few). Pure: says what is to be written.
import { commonEnds } from '../core/base/commonEnds';
import type { Block } from '../core/model/copy/streams';

/** How a division's blocks lie in pieces, in order. Numbers are keys that are never used again in the division. */
export interface PieceLayout {
  readonly pieces: readonly { readonly number: number; readonly count: number }[];
  readonly nextNumber: number;
}

/** What must be written and taken away so that the pieces hold the blocks. */
export interface PieceChange {
  readonly layout: PieceLayout;
  readonly written: readonly { readonly number: number; readonly blocks: readonly Block[] }[];
  readonly gone: readonly number[];
}

/** Most blocks of a piece, and how many one gets when it is cut, which leaves room for more. */
export const MOST_BLOCKS = 300;
const CUT_BLOCKS = 200;

/** Pieces of a division that had none. */
export function firstPieces(blocks: readonly Block[]): PieceChange {
  return changed({ pieces: [], nextNumber: 1 }, [], blocks);
}

/** Pieces after the blocks changed; blocks are compared by identity, and a piece whose blocks stayed is not written. */
export function changed(layout: PieceLayout, before: readonly Block[], after: readonly Block[]): PieceChange {
  const [from, end] = commonEnds(before, after);
  if (from === before.length && from === after.length) return { layout, written: [], gone: [] };
  // Pieces wholly before or after the change stay as they are.
  let [first, start] = [0, 0];
  const { pieces } = layout;
  while (first < pieces.length && start + pieces[first].count <= from) start += pieces[first++].count;
  let [last, stop] = [pieces.length, before.length];
  while (last > first && stop - pieces[last - 1].count >= before.length - end) stop -= pieces[--last].count;
  const own = after.slice(start, after.length - (before.length - stop));
  let { nextNumber } = layout;
  const old = pieces.slice(first, last).map(({ number }) => number);
  const written: { number: number; blocks: readonly Block[] }[] = [];
  const size = own.length > MOST_BLOCKS ? CUT_BLOCKS : MOST_BLOCKS;
  for (let at = 0; at < own.length; at += size)
    written.push({ number: old.shift() ?? nextNumber++, blocks: own.slice(at, at + size) });
  const made = written.map(({ number, blocks }) => ({ number, count: blocks.length }));
  return {
    layout: { pieces: [...pieces.slice(0, first), ...made, ...pieces.slice(last)], nextNumber },
    written,
    gone: old,
  };
}
