// The room that a drop capital takes from each line beside it: the lines follow its outline, so that the first comes close
// to an A or an L, and none stands further out than the one below it, under an arm.
import type { ShapedParagraph } from '../model/composed/shaped';
import type { StyledParagraph } from '../model/composed/styled';
import type { WidthContext } from './widths';

/** White between a drop capital and the lines beside it, in em of the text, and in points at least. */
const BESIDE_INITIAL = { em: 0.17, least: 1.5 };
/** Band of a line that the letter must not enter, in em of the text: from its descenders to its ascenders. */
const BAND = { below: 0.22, above: 0.7 };
/** Share of the letter's width that every line leaves it. */
const LEAST_SHARE = 0.35;

/** Points taken from each line beside the drop capital, first line first; empty without one. */
export function initialWidths(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  context: WidthContext,
): readonly number[] {
  const { style, runs, text } = styled;
  const index = runs.findIndex((run) => run.initial === 'letter');
  if (index < 0 || style.initial === null) return NONE;
  const { face, size, to } = runs[index];
  const scale = size / context.unitsPerEm(face);
  const [first, end] = [shaped.runStarts[index], shaped.runStarts[index + 1]];
  const left = context.ink(face, shaped.glyphs[first]).left;
  /** Right edge of the letters' ink between two heights above their baseline, in font units. */
  const reach = (low: number, high: number): number => {
    let pen = 0;
    let right = -Infinity;
    for (let k = first; k < end; k += 1) {
      right = Math.max(right, pen + inkRight(context.outline(face, shaped.glyphs[k]), low, high));
      pen += shaped.advances[k];
    }
    return right;
  };
  const whole = reach(-Infinity, Infinity) - left;
  const { lines } = style.initial;
  const white = Math.max(BESIDE_INITIAL.em * style.size, BESIDE_INITIAL.least);
  const widths: number[] = [];
  let widest = whole * LEAST_SHARE;
  for (let line = 0; line < lines; line += 1) {
    const baseline = (lines - 1 - line) * style.leading;
    const low = (baseline - BAND.below * style.size) / scale;
    const high = (baseline + BAND.above * style.size) / scale;
    widest = Math.max(widest, reach(low, high) - left);
    widths.push(widest * scale + white);
  }
  // A letter that is a word, such as I or A, keeps a word space.
  if (/\s/.test(text[to] ?? '')) widths[0] += style.wordSpace.wished * style.size;
  return widths;
}

const NONE: readonly number[] = [];
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
