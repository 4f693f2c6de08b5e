// The edges of an outline at a height: how far its ink reaches to the right between two heights.

/** Straight pieces that a curve is taken for. */
const PIECES = 8;

/**
 * Right edge of an outline between two heights, in font units; -Infinity where it has no ink. `path`: 0 move, 1 line,
 * 2 quadratic, 3 cubic, 4 close, each with its coordinates.
 */
export function inkRight(path: ArrayLike<number>, low: number, high: number): number {
  let right = -Infinity;
  let [x, y] = [0, 0];
  const lineTo = (toX: number, toY: number) => {
    right = Math.max(right, rightOfLine(x, y, toX, toY, low, high));
    [x, y] = [toX, toY];
  };
  for (let k = 0; k < path.length;) {
    const op = path[k];
    const [x0, y0] = [x, y];
    if (op === 0) [x, y] = [path[k + 1], path[k + 2]];
    else if (op === 1) lineTo(path[k + 1], path[k + 2]);
    else if (op === 2 || op === 3) {
      for (let piece = 1; piece <= PIECES; piece += 1) {
        const t = piece / PIECES;
        const u = 1 - t;
        if (op === 2)
          lineTo(
            u * u * x0 + 2 * u * t * path[k + 1] + t * t * path[k + 3],
            u * u * y0 + 2 * u * t * path[k + 2] + t * t * path[k + 4],
          );
        else
          lineTo(
            u * u * u * x0 + 3 * u * u * t * path[k + 1] + 3 * u * t * t * path[k + 3] + t * t * t * path[k + 5],
            u * u * u * y0 + 3 * u * u * t * path[k + 2] + 3 * u * t * t * path[k + 4] + t * t * t * path[k + 6],
          );
      }
    }
    k += OPERANDS[op] + 1;
  }
  return right;
}

const OPERANDS = [2, 2, 4, 6, 0] as const;

function rightOfLine(x0: number, y0: number, x1: number, y1: number, low: number, high: number): number {
  if (Math.max(y0, y1) < low || Math.min(y0, y1) > high) return -Infinity;
  const at = (y: number) => x0 + ((x1 - x0) * (y - y0)) / (y1 - y0);
  const inside = (x: number, y: number) => (y > high ? at(high) : y < low ? at(low) : x);
  return Math.max(inside(x0, y0), inside(x1, y1));
}

/** An outline turned over from left to right: its left edge is the right edge of this, times -1. */
export function mirrored(path: ArrayLike<number>): number[] {
  const turned: number[] = [];
  for (let k = 0; k < path.length;) {
    const op = path[k];
    turned.push(op);
    for (let n = 1; n <= OPERANDS[op]; n += 1) turned.push(n % 2 === 1 ? -path[k + n] : path[k + n]);
    k += OPERANDS[op] + 1;
  }
  return turned;
}
