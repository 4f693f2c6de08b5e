// What is pasted or dropped into the galley comes without ids, so that it gets its own, and without touches of pages.
import { Fragment, Slice, type Node } from 'prosemirror-model';

/** The slice with no block's id. */
export function withoutIds(slice: Slice): Slice {
  return new Slice(stripped(slice.content), slice.openStart, slice.openEnd);
}

function stripped(content: Fragment): Fragment {
  const nodes: Node[] = [];
  content.forEach((node) => {
    if (node.isText || node.isAtom) nodes.push(node);
    else
      nodes.push(
        node.type.create(
          'id' in node.attrs ? { ...node.attrs, id: null } : node.attrs,
          stripped(node.content),
          node.marks,
        ),
      );
  });
  return Fragment.from(nodes);
}
