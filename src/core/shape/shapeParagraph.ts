// Shapes the runs of a styled paragraph, each across its spaces, at units per em: no result depends on a size. Where the
// face allows it the run is put together from its words, with the same result (core/fonts/wordShapes).
import { table } from '../base/table';
import type { FaceLibrary } from '../fonts/faceLibrary';
import { makeGlyphArrays, type ShapedGlyphs } from '../fonts/glyphArrays';
import type { HarfBuzzFont } from '../fonts/harfbuzz';
import type { ShapedParagraph } from '../model/composed/shaped';
import { kernMarks } from './kernMarks';
import { isRtlRun, type StyledParagraph, type StyledRun } from '../model/composed/styled';

/**
 * Widths of the spaces that the engine draws itself, in em: several shipped faces lack the characters (house rules,
 * section 5). U+00A0 is elastic like a word space and is not here.
 */
const FIXED_SPACES: Readonly<Record<string, number>> = table({
  '\u2000': 0.5,
  '\u2001': 1,
  '\u2002': 0.5,
  '\u2003': 1,
  '\u2004': 0.333,
  '\u2005': 0.25,
  '\u2006': 0.167,
  '\u2007': 0.5,
  '\u2008': 0.25,
  '\u2009': 0.2,
  '\u200A': 0.083,
  '\u202F': 0.16,
  '\u205F': 0.222,
  '\u2028': 0,
  '\t': 0,
  '\u200B': 0,
  '\u2060': 0,
  '\uFEFF': 0,
  '\u00AD': 0,
});
const SET_AS_SPACE = /[\u2000-\u200B\u202F\u205F\u2028\u2060\uFEFF\u00AD\u00A0\t]/g;

/** Shapes all runs of the paragraph. The faces of its runs must have been given to the library. */
export function shapeParagraph(styled: StyledParagraph, library: FaceLibrary): ShapedParagraph {
  const { runs, text } = styled;
  if (runs.length === 1) {
    const glyphs = shapeRun(text, runs[0], library);
    const alone = { ...glyphs, runStarts: Uint32Array.of(0, glyphs.count) };
    kernMarks(styled, alone, library);
    return alone;
  }
  const parts = runs.map((run) => shapeRun(text, run, library));
  const count = parts.reduce((sum, part) => sum + part.count, 0);
  const whole = { ...makeGlyphArrays(count), runStarts: new Uint32Array(runs.length + 1) };
  let at = 0;
  parts.forEach((part, index) => {
    whole.runStarts[index] = at;
    for (const key of ['glyphs', 'clusters', 'advances', 'xOffsets', 'yOffsets', 'unsafe'] as const) {
      whole[key].set(part[key], at);
    }
    at += part.count;
  });
  whole.runStarts[runs.length] = count;
  partFaces(styled, whole, library);
  kernMarks(styled, whole, library);
  return whole;
}

/** Least white between the ink of two letters of different faces, in em. */
const BETWEEN_FACES = 0.045;

/** Italic meets roman: where the ink of two faces would touch, as in an italic f before a bracket, the first makes room. */
function partFaces({ text, runs }: StyledParagraph, shaped: ShapedParagraph, library: FaceLibrary): void {
  for (let k = 1; k < runs.length; k += 1) {
    const [before, after] = [runs[k - 1], runs[k]];
    const [last, first] = [shaped.runStarts[k] - 1, shaped.runStarts[k]];
    const isOther = before.face !== after.face && before.rise === after.rise && before.size === after.size;
    if (!isOther || isRtlRun(before) || isRtlRun(after) || last < shaped.runStarts[k - 1] || first >= shaped.count)
      continue;
    if (/\s/.test(text[before.to - 1]) || /\s/.test(text[after.from])) continue;
    const [font, next] = [library.font(before.face), library.font(after.face)];
    const { right } = library.harfBuzz.inkOf(font, shaped.glyphs[last]);
    const { left } = library.harfBuzz.inkOf(next, shaped.glyphs[first]);
    const white = (shaped.advances[last] - right) / font.unitsPerEm + left / next.unitsPerEm;
    if (white < BETWEEN_FACES) shaped.advances[last] += Math.round((BETWEEN_FACES - white) * font.unitsPerEm);
  }
}

function shapeRun(text: string, run: StyledRun, library: FaceLibrary): ShapedGlyphs {
  return shapeStretch(text, run.from, run.to, run, library);
}

/** Shapes text[from, to) by itself in the face of a run; clusters are offsets in `text`. */
export function shapeStretch(
  text: string,
  from: number,
  to: number,
  run: StyledRun,
  library: FaceLibrary,
): ShapedGlyphs {
  const font = library.font(run.face);
  const raw = text.slice(from, to);
  const set = replaceDrawnSpaces(run.upper ? capitals(raw) : raw, font, library);
  const isRtl = isRtlRun(run);
  const byWord = isRtl ? undefined : library.words(run.face, run.features, run.language)?.shape(set);
  const shaped = byWord ?? library.harfBuzz.shape(font, set, run.features, run.language, isRtl);
  const changed = set !== raw;
  for (let k = 0; k < shaped.count; k += 1) {
    if (changed) {
      const width = FIXED_SPACES[raw[shaped.clusters[k]]];
      if (width !== undefined) shaped.advances[k] = Math.round(width * font.unitsPerEm);
    }
    shaped.clusters[k] += from;
  }
  return shaped;
}

/** Advances of text[from, to), shaped by itself in the face of a run, together; font units. */
export function stretchAdvance(text: string, from: number, to: number, run: StyledRun, library: FaceLibrary): number {
  if (!run.upper && !isRtlRun(run)) {
    const known = library.words(run.face, run.features, run.language)?.advance(text, from, to);
    if (known !== undefined) return known;
  }
  const { advances, count } = shapeStretch(text, from, to, run, library);
  let sum = 0;
  for (let k = 0; k < count; k += 1) sum += advances[k];
  return sum;
}

/** Spaces that faces may lack become the space that all have; the no-break hyphen becomes the hyphen. */
function replaceDrawnSpaces(text: string, font: HarfBuzzFont, library: FaceLibrary): string {
  const set = text.replace(SET_AS_SPACE, ' ');
  if (!set.includes('\u2011')) return set;
  return set.replaceAll('\u2011', library.harfBuzz.nominalGlyph(font, 0x2010) ? '\u2010' : '-');
}

/** Capitals of the same length; a letter whose capital is longer (ß) stays. */
function capitals(text: string): string {
  let set = '';
  for (const char of text) {
    const upper = char.toUpperCase();
    set += upper.length === char.length ? upper : char;
  }
  return set;
}
