// Where an offset of a text goes when the text becomes another.
import { commonEnds } from './commonEnds';

/**
 * The common start and end keep their places; what lies in the changed middle goes to its start, or to its end when the
 * offset sticks to what follows (`side` 1).
 */
export function mapTextOffset(from: string, to: string, offset: number, side: -1 | 1): number {
  const [start, end] = commonEnds(from, to);
  if (offset < start) return offset;
  if (offset > from.length - end) return offset + to.length - from.length;
  if (offset === start && side < 0) return start;
  return side < 0 ? start : to.length - end;
}
