// Where a position goes when a stream's blocks are replaced: whatever is anchored in the text is mapped through edits.
import type { BookEdit } from '../model/bookEdit';
import type { Block, Position } from '../model/streams';

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

/**
 * The offset after a paragraph's text became another: the common start and end keep their places, what lies in the
 * changed middle goes to its start, or to its end for a position that sticks to what follows.
 */
function mapOffset(before: Block, after: Block, position: Position): number {
  if (before.kind !== 'paragraph' || after.kind !== 'paragraph') return 0;
  const from = before.text;
  const to = after.text;
  const shared = Math.min(from.length, to.length);
  let start = 0;
  while (start < shared && from[start] === to[start]) start += 1;
  let end = 0;
  while (end < shared - start && from[from.length - 1 - end] === to[to.length - 1 - end]) end += 1;
  if (position.offset < start) return position.offset;
  if (position.offset > from.length - end) return position.offset + to.length - from.length;
  if (position.offset === start && position.side < 0) return start;
  return position.side < 0 ? start : to.length - end;
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
