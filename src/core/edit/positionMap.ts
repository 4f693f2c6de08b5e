// Where a position goes when a stream's blocks are replaced: whatever is anchored in the text is mapped through edits.
import { mapTextOffset } from '../base/textMap';
import type { BookEdit } from '../model/copy/bookEdit';
import type { Block, Position } from '../model/copy/streams';

/** The position after the edit, or null when its text is gone. */
export function mapPosition(position: Position, edit: BookEdit): Position | null {
  if (edit.kind === 'removeDivision' && edit.division.id === position.stream) return null;
  if (edit.kind === 'setNote' && edit.id === position.stream && edit.to === null) return null;
  if (edit.kind !== 'replaceBlocks' || edit.stream !== position.stream) return position;
  const before = edit.removed.find((block) => block.id === position.block);
  if (before === undefined) return position;
  const after = edit.inserted.find((block) => block.id === position.block);
  if (after !== undefined) return { ...position, offset: mapOffset(before, after, position) };
  return mapIntoMerged(position, before, edit.inserted);
}

function mapOffset(before: Block, after: Block, position: Position): number {
  if (before.kind !== 'paragraph' || after.kind !== 'paragraph') return 0;
  return mapTextOffset(before.text, after.text, position.offset, position.side);
}

/** A merge keeps the first id: the text of the block that went is sought, whole, in the blocks put in. */
function mapIntoMerged(position: Position, before: Block, inserted: readonly Block[]): Position | null {
  if (before.kind !== 'paragraph' || before.text === '') return null;
  for (const block of inserted) {
    if (block.kind !== 'paragraph') continue;
    const at = block.text.indexOf(before.text);
    if (at >= 0) return { ...position, block: block.id, offset: at + position.offset };
  }
  return null;
}
