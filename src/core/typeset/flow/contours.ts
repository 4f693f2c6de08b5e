// How far a contour reaches between two heights.
import type { Contour } from '../../model/copy/figureSetting';

/** From and to where something reaches across. */
export interface Reach {
  readonly from: number;
  readonly to: number;
}

/** The furthest that any stretch of a closed line reaches between two heights, in shares as its corners; null where none of it is. */
export function contourBetween(contour: Contour, top: number, bottom: number): Reach | null {
  let [from, to] = [Infinity, -Infinity];
  const see = (x: number) => {
    from = Math.min(from, x);
    to = Math.max(to, x);
  };
  contour.forEach(([x0, y0], k) => {
    const [x1, y1] = contour[(k + 1) % contour.length];
    const [high, low] = [Math.max(top, Math.min(y0, y1)), Math.min(bottom, Math.max(y0, y1))];
    if (high > low) return;
    if (y0 === y1) {
      see(x0);
      see(x1);
      return;
    }
    const xAt = (y: number) => x0 + ((x1 - x0) * (y - y0)) / (y1 - y0);
    see(xAt(high));
    see(xAt(low));
  });
  return from > to ? null : { from, to };
}
