// What is pasted or dropped into the galley comes without ids, so that it gets its own, and without touches of pages.
import { Fragment, Slice, type Node } from 'prosemirror-model';
import { pastedFigure, schema } from '../../../../galley';

/** The slice with no block's id, and figures as they are called in the book. */
export function withoutIds(slice: Slice, bookId: string): Slice {
  return new Slice(stripped(slice.content, bookId), slice.openStart, slice.openEnd);
}

function stripped(content: Fragment, bookId: string): Fragment {
  const nodes: Node[] = [];
  content.forEach((node) => {
    if (node.type === schema.nodes.figure)
      nodes.push(node.type.create({ figure: pastedFigure(node.attrs.figure as string, bookId) }, null, node.marks));
    else if (node.isText || node.isAtom) nodes.push(node);
    else
      nodes.push(
        node.type.create(
          'id' in node.attrs ? { ...node.attrs, id: null } : node.attrs,
          stripped(node.content, bookId),
          node.marks,
        ),
      );
  });
  return Fragment.from(nodes);
}
