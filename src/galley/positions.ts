// Between places of the galley's document and positions of the book: stream, block, offset in UTF-16 units.
import type { Node } from 'prosemirror-model';
import type { BlockId } from '../core/model/copy/streams';

/** A block of the document's top level and the offset in its text; 0 inside a table. */
export interface BlockPlace {
  readonly block: BlockId;
  readonly offset: number;
}

/** The block at a place of the document. */
export function placeAt(doc: Node, position: number): BlockPlace {
  const resolved = doc.resolve(position);
  const index = Math.min(resolved.index(0), doc.childCount - 1);
  const child = doc.child(index);
  const isInText = resolved.depth === 1 && child.isTextblock;
  return { block: child.attrs.id as BlockId, offset: isInText ? resolved.parentOffset : 0 };
}

/** Where a block's text begins, or the node itself for a table; null when the document has no such block. */
export function positionOf(doc: Node, { block, offset }: BlockPlace): number | null {
  let position = 0;
  for (let k = 0; k < doc.childCount; k += 1) {
    const child = doc.child(k);
    if (child.attrs.id === block)
      return child.isTextblock ? position + 1 + Math.min(offset, child.content.size) : position;
    position += child.nodeSize;
  }
  return null;
}
