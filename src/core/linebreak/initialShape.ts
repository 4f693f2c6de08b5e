// The room that a drop capital takes from each line beside it: the lines follow its outline, so that the first comes close
// to an A or an L, and none stands further out than the one below it, under an arm.
import { inkRight } from '../base/inkEdges';
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
