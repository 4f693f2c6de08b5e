// Where a stretch goes when blocks of its stream are replaced. It hangs on its first and last letter: where both stand before and after,
// the way back is exact. Blocks that merge or divide are compared as one text.
import { commonEnds } from '../../base/commonEnds';
import type { Block, BlockId } from '../../model/copy/streams';

export interface Stretch {
  readonly block: BlockId;
  readonly from: number;
  readonly to: number;
}

/** The end of a block is a letter of its own: a place may hang on it. */
const END = '\n';

export const textOf = (block: Block): string => (block.kind === 'paragraph' ? block.text : '');

/** The stretch after the change; null when its first or last letter goes, or when they come to stand in different blocks. */
export function mapStretch(stretch: Stretch, removed: readonly Block[], inserted: readonly Block[]): Stretch | null {
  const before = removed.find(({ id }) => id === stretch.block);
  const same = inserted.find(({ id }) => id === stretch.block);
  if (before === undefined) return stretch;
  if (same !== undefined && textOf(same) === textOf(before)) return stretch;
  const [from, to] = groupsOf(removed, inserted).find(([group]) => group.includes(before))!;
  return throughText(stretch, from, to);
}

type Group = readonly [removed: readonly Block[], inserted: readonly Block[]];

/**
 * What is compared as one text: a block that stands in both lists, and those after it that stand in one. The same for the way back.
 * When blocks changed places, each is compared with itself.
 */
function groupsOf(removed: readonly Block[], inserted: readonly Block[]): Group[] {
  const [before, after] = [
    new Map(removed.map((block) => [block.id, block])),
    new Map(inserted.map((block) => [block.id, block])),
  ];
  const kept = removed.filter(({ id }) => after.has(id));
  const keptAfter = inserted.filter(({ id }) => before.has(id));
  if (kept.some(({ id }, k) => keptAfter[k].id !== id))
    return removed.map((block) => [[block], after.has(block.id) ? [after.get(block.id)!] : []]);
  const cut = (blocks: readonly Block[], k: number) => {
    const start = k === 0 ? 0 : blocks.findIndex(({ id }) => id === kept[k].id);
    const end = k + 1 < kept.length ? blocks.findIndex(({ id }) => id === kept[k + 1].id) : blocks.length;
    return blocks.slice(start, end);
  };
  if (kept.length === 0) return [[removed, inserted]];
  return kept.map((_, k): Group => [cut(removed, k), cut(inserted, k)]);
}

function throughText(stretch: Stretch, removed: readonly Block[], inserted: readonly Block[]): Stretch | null {
  const [before, after] = [joined(removed), joined(inserted)];
  const [start, end] = commonEnds(before.text, after.text);
  const letter = (offset: number) => {
    if (offset < start) return offset;
    return offset >= before.text.length - end ? offset + after.text.length - before.text.length : -1;
  };
  const base = before.starts.get(stretch.block)!;
  const first = letter(base + stretch.from);
  const last = stretch.to > stretch.from ? letter(base + stretch.to - 1) : first;
  if (first < 0 || last < 0) return null;
  const [block, from] = placeIn(inserted, after.starts, first);
  const [lastBlock, to] = placeIn(inserted, after.starts, last);
  if (block !== lastBlock) return null;
  return { block, from, to: stretch.to > stretch.from ? to + 1 : to };
}

function joined(blocks: readonly Block[]): { readonly text: string; readonly starts: ReadonlyMap<BlockId, number> } {
  let text = '';
  const starts = new Map<BlockId, number>();
  for (const block of blocks) {
    starts.set(block.id, text.length);
    text += textOf(block) + END;
  }
  return { text, starts };
}

/** The block in which a letter of the joined text stands, and its offset there. */
function placeIn(blocks: readonly Block[], starts: ReadonlyMap<BlockId, number>, at: number): [BlockId, number] {
  const block = blocks.findLast(({ id }) => starts.get(id)! <= at)!;
  return [block.id, at - starts.get(block.id)!];
}
