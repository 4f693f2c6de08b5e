// A ragged text that fits its first line whole, as most cells of tables do: it needs no search, and its line no arrays of its own but two. What comes of it is
// what the search would come to.
import { LINE_END, type BrokenParagraph, type Measure } from '../model/composed/broken';
import type { ShapedParagraph } from '../model/composed/shaped';
import type { StyledParagraph } from '../model/composed/styled';
import type { Opportunities } from './opportunities';
import { measureBreaks, type WidthContext } from './widths';

/** What ends, begins or parts a line before the text does; white at either end of it. */
const NOT_PLAIN = /[\u2028\t\u00AD]|^\s|\s$/;

/** Alike for every line: nobody writes into them. */
const [NOUGHT, ONE, NO_COUNT, NO_FROM] = [Float32Array.of(0), Float32Array.of(1), Uint16Array.of(0), Uint32Array.of(0)];
const LAST = Uint8Array.of(LINE_END.last);
const ends: Uint32Array[] = [];
const END: Opportunities = {
  count: 1,
  at: new Uint32Array(1),
  next: new Uint32Array(1),
  kind: LAST,
  dear: new Uint8Array(1),
};
let lastWidth: Float32Array = ONE;

function oneNumber(value: number): Float32Array {
  const array = new Float32Array(1);
  array[0] = value;
  return array;
}

/** Null where the text does not fit, or may be more than one plain line. */
export function oneLine(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  measure: Measure,
  context: WidthContext,
): BrokenParagraph | null {
  const { style, text, isRtl } = styled;
  if (style.align !== 'left' && style.align !== 'right') return null;
  if (isRtl || style.hangingPunctuation > 0 || style.initial !== null) return null;
  if (measure.first.length > 0 || measure.inset !== undefined || text === '' || NOT_PLAIN.test(text)) return null;
  const width = measure.width - style.leftIndent - style.rightIndent - style.firstIndent;
  END.at[0] = END.next[0] = text.length;
  const { end, endSpaces } = measureBreaks(styled, shaped, END, context);
  if (end[0] > width) return null;
  const spaces = endSpaces[0];
  if (lastWidth[0] !== Math.fround(width)) lastWidth = oneNumber(width);
  const left = style.leftIndent + style.firstIndent;
  // Summed up as the search does.
  const textWidth = oneNumber(width - (width - end[0]));
  const x = style.align === 'right' ? left + width - textWidth[0] : left;
  // Written out: it is made for each cell of a table.
  return {
    initial: 0,
    count: 1,
    demerits: 0,
    from: NO_FROM,
    to: (ends[text.length] ??= Uint32Array.of(text.length)),
    x: x === 0 ? NOUGHT : oneNumber(x),
    width: lastWidth,
    spaceDelta: NOUGHT,
    scale: ONE,
    letterSpace: NOUGHT,
    spaceEm: spaces > 0 ? oneNumber(style.wordSpace.wished) : NOUGHT,
    spaceCount: spaces > 0 ? Uint16Array.of(spaces) : NO_COUNT,
    end: LAST,
    textWidth,
    over: NOUGHT,
    tabs: null,
  };
}
