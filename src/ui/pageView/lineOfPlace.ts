// The line of a page on which a place of the text stands.
import type { DisplayList } from '../../core/model/composed/displayList';

/** Its baseline, in points from the head of the page: of the place, or of the middle line where none is said. Null: it is on another page. */
export function lineOfPlace(
  { items, sourceOffsets }: DisplayList,
  { stream, block, offset }: { readonly stream: string; readonly block: string; readonly offset?: number },
): number | null {
  const own = items.filter(({ source }) => source?.block === block && source.stream === stream);
  if (own.length === 0) return null;
  if (offset === undefined) return own[Math.floor(own.length / 2)].y;
  // A paragraph that goes over to the next page ends here before a place of its later lines.
  const last = own[own.length - 1];
  const begun = own.filter(({ first }) => sourceOffsets[first] <= offset);
  if (begun.length === 0) return null;
  const line = begun[begun.length - 1];
  const ends = sourceOffsets[last.first + last.count - 1];
  return line === last && offset > ends + 2 ? null : line.y;
}
