// What a stretch of text takes in of each block.
import type { TextSelection } from '../model/copy/bookEdit';
import type { Block } from '../model/copy/streams';

/** What of one block is in a range. */
export interface BlockPart {
  readonly at: number;
  readonly block: Block;
  readonly from: number;
  readonly to: number;
  readonly isWhole: boolean;
}

const lengthOf = (block: Block) => (block.kind === 'paragraph' ? block.text.length : 0);

/** What of each block a range (its ends in either order) takes in, in order; nothing when an end is gone. Offsets past a text's end are its end. */
export function partsOfRange(blocks: readonly Block[], { anchor, head }: TextSelection): BlockPart[] {
  const ends = [anchor, head].map(({ block, offset }) => {
    const at = blocks.findIndex(({ id }) => id === block);
    return { at, offset: at < 0 ? 0 : Math.min(offset, lengthOf(blocks[at])) };
  });
  if (ends.some(({ at }) => at < 0)) return [];
  const [first, last] = ends.sort((a, b) => a.at - b.at || a.offset - b.offset);
  return blocks.slice(first.at, last.at + 1).map((block, k) => {
    const at = first.at + k;
    const from = at === first.at ? first.offset : 0;
    const to = at === last.at ? last.offset : lengthOf(block);
    return { at, block, from, to, isWhole: from === 0 && to === lengthOf(block) };
  });
}
