// Letters that lean over the mark beside them: an f before a quote or bracket, an italic j after one. Where their outlines come
// too close the first makes room; by the outlines and not by the boxes around them, since these overlap in good type.
import { inkRight, mirrored } from '../base/inkEdges';
import type { FaceLibrary } from '../fonts/faceLibrary';
import type { ShapedParagraph } from '../model/composed/shaped';
import { isRtlRun, type StyledParagraph } from '../model/composed/styled';

/** Pairs that most faces leave without a kern of their own. */
const PAIRS = /f(?=[’'!?)\]”"»])|[(\[“‘«"'](?=[jJ])/g;
/** Least white between two outlines at one height, in em. */
const LEAST = 0.04;
/** Bands of height in which outlines are compared, in em from the baseline. */
const BANDS = { low: -0.3, high: 0.9, step: 0.1 };

/** Makes room after letters that would touch the mark beside them. */
export function kernMarks({ text, runs }: StyledParagraph, shaped: ShapedParagraph, library: FaceLibrary): void {
  if (text.search(PAIRS) < 0) return;
  let glyph = 0;
  for (const { index } of text.matchAll(PAIRS)) {
    while (glyph < shaped.count && shaped.clusters[glyph] < index) glyph += 1;
    const run = runs.find(({ from, to }) => index >= from && index + 1 < to);
    // A ligature has both letters in one glyph.
    const isPair = shaped.clusters[glyph] === index && shaped.clusters[glyph + 1] === index + 1;
    if (run === undefined || isRtlRun(run) || !isPair) continue;
    const font = library.font(run.face);
    const [left, right] = [shaped.glyphs[glyph], shaped.glyphs[glyph + 1]];
    const white = whiteBetween(
      library.harfBuzz.outlineOf(font, left),
      library.harfBuzz.outlineOf(font, right),
      shaped.advances[glyph] + shaped.xOffsets[glyph + 1],
      font.unitsPerEm,
    );
    const wanted = LEAST * font.unitsPerEm;
    if (white < wanted) shaped.advances[glyph] += Math.round(wanted - white);
  }
}

/** Least white between two outlines over all heights, the second moved right by `advance`; Infinity where they share none. */
export function whiteBetween(
  left: ArrayLike<number>,
  right: ArrayLike<number>,
  advance: number,
  unitsPerEm: number,
): number {
  const turned = mirrored(right);
  let least = Infinity;
  for (let at = BANDS.low; at < BANDS.high; at += BANDS.step) {
    const [low, high] = [at * unitsPerEm, (at + BANDS.step) * unitsPerEm];
    // The left edge of an outline is the right edge of its mirror image.
    const white = advance - inkRight(turned, low, high) - inkRight(left, low, high);
    if (Number.isFinite(white)) least = Math.min(least, white);
  }
  return least;
}
