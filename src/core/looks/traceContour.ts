// A contour round what a picture shows: how far it reaches, strip by strip, in as few corners as tell it.
import type { Contour } from '../model/copy/figureSetting';

/** Strips that are looked at from head to foot. */
const STRIPS = 40;
/** Shares by which a contour may leave what it was traced round. */
const SLACK = 0.016;

/**
 * The contour of the pixels that `isShown` says are seen, in their shares of width and height. Null where none is, and where they fill
 * their box: lines have nothing to follow there.
 */
export function traceContour(
  width: number,
  height: number,
  isShown: (x: number, y: number) => boolean,
): Contour | null {
  const strips = Math.min(STRIPS, height);
  const edgeOf = (k: number) => Math.floor((k * height) / strips);
  const reaches = Array.from({ length: strips }, (_, k) => reachIn(edgeOf(k), edgeOf(k + 1), width, isShown));
  const left: [number, number][] = [];
  const right: [number, number][] = [];
  // At the edge between two strips the line is as far out as the further of them: so it is nowhere inside of either.
  for (let k = 0; k <= strips; k += 1) {
    const beside = [reaches[k - 1], reaches[k]].filter((reach) => reach !== undefined && reach !== null);
    if (beside.length === 0) continue;
    const y = edgeOf(k) / height;
    left.push([Math.min(...beside.map(({ from }) => from)) / width, y]);
    right.push([Math.max(...beside.map(({ to }) => to)) / width, y]);
  }
  if (left.length === 0) return null;
  if (left.every(([x]) => x < SLACK) && right.every(([x]) => x > 1 - SLACK)) return null;
  const corners = [...eased(left, -1), ...eased(right, 1).reverse()].map(([x, y]) => [round(x), round(y)] as const);
  return corners.filter(([x, y], k) => k === 0 || x !== corners[k - 1][0] || y !== corners[k - 1][1]);
}

const round = (value: number) => Math.round(value * 1e4) / 1e4;

/** From and to where pixels of some rows are seen; null where none is. */
function reachIn(
  top: number,
  bottom: number,
  width: number,
  isShown: (x: number, y: number) => boolean,
): { readonly from: number; readonly to: number } | null {
  let [from, to] = [Infinity, -Infinity];
  for (let y = top; y < bottom; y += 1) {
    for (let x = 0; x < Math.min(from, width); x += 1) if (isShown(x, y)) from = x;
    for (let x = width - 1; x >= Math.max(to, 0); x -= 1) if (isShown(x, y)) to = x + 1;
  }
  return from > to ? null : { from, to };
}

/** A line of fewer corners that stays outside of the first and near it (Douglas and Peucker 1973). `side`: -1 where outside is to the left. */
function eased(line: readonly [number, number][], side: -1 | 1): [number, number][] {
  if (line.length < 3) return [...line];
  const [first, last] = [line[0], line[line.length - 1]];
  let [worst, furthest] = [0, 0];
  line.forEach(([x, y], k) => {
    const share = last[1] === first[1] ? 0 : (y - first[1]) / (last[1] - first[1]);
    const off = Math.abs(x - (first[0] + (last[0] - first[0]) * share));
    if (off > furthest) [worst, furthest] = [k, off];
  });
  if (furthest <= SLACK) {
    // What sticks out of it by less is given room.
    const by = side * furthest;
    return [
      [first[0] + by, first[1]],
      [last[0] + by, last[1]],
    ];
  }
  const [before, after] = [eased(line.slice(0, worst + 1), side), eased(line.slice(worst), side)];
  return [...before, ...after];
}
