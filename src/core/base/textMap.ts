// Where an offset of a text goes when the text becomes another.

/**
 * The common start and end keep their places; what lies in the changed middle goes to its start, or to its end when the
 * offset sticks to what follows (`side` 1).
 */
export function mapTextOffset(from: string, to: string, offset: number, side: -1 | 1): number {
  const shared = Math.min(from.length, to.length);
  let start = 0;
  while (start < shared && from[start] === to[start]) start += 1;
  let end = 0;
  while (end < shared - start && from[from.length - 1 - end] === to[to.length - 1 - end]) end += 1;
  if (offset < start) return offset;
  if (offset > from.length - end) return offset + to.length - from.length;
  if (offset === start && side < 0) return start;
  return side < 0 ? start : to.length - end;
}
