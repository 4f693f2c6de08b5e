// Cuts a shaped paragraph at a line end. Where HarfBuzz flags the place unsafe, or it lies inside a ligature, the
// stretch up to the nearest safe place is shaped again, and only there.
import { lastAtMost } from '../base/search';
import type { FaceLibrary } from '../fonts/faceLibrary';
import type { ShapedParagraph } from '../model/composed/shaped';
import type { StyledParagraph, StyledRun } from '../model/composed/styled';
import { shapeStretch, stretchAdvance } from './shapeParagraph';

/** What cutting at an offset adds to the width before it and after it, in points. */
export interface CutWidths {
  readonly before: number;
  readonly after: number;
}

const NO_CHANGE: CutWidths = { before: 0, after: 0 };

/** Index of the first glyph whose cluster is at or after the offset. */
export function glyphAt(shaped: ShapedParagraph, offset: number): number {
  return offset === 0 ? 0 : lastAtMost(shaped.clusters, offset - 1) + 1;
}

/** True when the glyphs may be divided at the offset as they are. */
function isSafe(shaped: ShapedParagraph, offset: number, textLength: number): boolean {
  if (offset === 0 || offset >= textLength) return true;
  const glyph = glyphAt(shaped, offset);
  return glyph < shaped.count && shaped.clusters[glyph] === offset && shaped.unsafe[glyph] === 0;
}

/** Nearest safe offsets around an unsafe one: a cluster start without the flag, or an end of the run. */
function safeAround(styled: StyledParagraph, shaped: ShapedParagraph, offset: number): [number, number, StyledRun] {
  const run = styled.runs.find((candidate) => offset > candidate.from && offset < candidate.to) ?? styled.runs[0];
  let low = glyphAt(shaped, offset);
  while (low > 0 && shaped.clusters[low - 1] >= run.from) {
    low -= 1;
    if (shaped.unsafe[low] === 0 && shaped.clusters[low] < offset) break;
  }
  let high = glyphAt(shaped, offset);
  while (
    high < shaped.count &&
    shaped.clusters[high] < run.to &&
    (shaped.unsafe[high] !== 0 || shaped.clusters[high] <= offset)
  )
    high += 1;
  const from = Math.max(run.from, low < shaped.count ? shaped.clusters[low] : run.from);
  const to = high < shaped.count ? Math.min(run.to, shaped.clusters[high]) : run.to;
  return [Math.min(from, offset), Math.max(to, offset), run];
}

/** How the widths on both sides change when the paragraph is cut at the offset. Zero where the place is safe. */
export function cutWidths(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  offset: number,
  library: FaceLibrary,
): CutWidths {
  if (isSafe(shaped, offset, styled.text.length)) return NO_CHANGE;
  const [from, to, run] = safeAround(styled, shaped, offset);
  const scale = run.size / library.font(run.face).unitsPerEm;
  const sum = (first: number, end: number) => {
    let width = 0;
    for (let k = first; k < end; k += 1) width += shaped.advances[k];
    return width;
  };
  const middle = glyphAt(shaped, offset);
  return {
    before: (stretchAdvance(styled.text, from, offset, run, library) - sum(glyphAt(shaped, from), middle)) * scale,
    after: (stretchAdvance(styled.text, offset, to, run, library) - sum(middle, glyphAt(shaped, to))) * scale,
  };
}

/** Glyphs [first, end) of a stretch in one run: of the paragraph's own arrays wherever nothing was shaped again. */
export interface LineRun {
  readonly run: StyledRun;
  /** Offset in the set text where the stretch ends. */
  readonly to: number;
  readonly first: number;
  readonly end: number;
  readonly glyphs: Uint16Array;
  readonly clusters: Uint32Array;
  readonly advances: Int32Array;
  readonly xOffsets: Int16Array;
  readonly yOffsets: Int16Array;
}

/** The glyphs of text[from, to) as they stand on a line of its own, cut at both ends, run by run. Font units. */
export function lineGlyphs(
  styled: StyledParagraph,
  shaped: ShapedParagraph,
  from: number,
  to: number,
  library: FaceLibrary,
): LineRun[] {
  const result: LineRun[] = [];
  const cutStart = isSafe(shaped, from, styled.text.length) ? from : Math.min(to, safeAround(styled, shaped, from)[1]);
  const cutEnd = isSafe(shaped, to, styled.text.length) ? to : Math.max(cutStart, safeAround(styled, shaped, to)[0]);
  for (const run of styled.runs) {
    if (run.from >= to) break;
    if (run.to <= from) continue;
    const [a, b] = [Math.max(run.from, from), Math.min(run.to, to)];
    const first = glyphAt(shaped, Math.max(a, cutStart));
    const end = Math.max(first, glyphAt(shaped, Math.min(b, cutEnd)));
    if (a >= cutStart && b <= cutEnd) {
      const { glyphs, clusters, advances, xOffsets, yOffsets } = shaped;
      result.push({ run, to: b, first, end, glyphs, clusters, advances, xOffsets, yOffsets });
      continue;
    }
    const parts: GlyphArrays[] = [];
    if (a < cutStart) parts.push(shapeStretch(styled.text, a, Math.min(b, cutStart), run, library));
    if (end > first) parts.push(viewOf(shaped, first, end));
    if (b > cutEnd) parts.push(shapeStretch(styled.text, Math.max(a, cutEnd), b, run, library));
    result.push({ run, to: b, ...joined(parts) });
  }
  return result;
}

type GlyphArrays = Pick<LineRun, 'glyphs' | 'clusters' | 'advances' | 'xOffsets' | 'yOffsets'>;

function viewOf(source: GlyphArrays, first: number, end: number): GlyphArrays {
  return {
    glyphs: source.glyphs.subarray(first, end),
    clusters: source.clusters.subarray(first, end),
    advances: source.advances.subarray(first, end),
    xOffsets: source.xOffsets.subarray(first, end),
    yOffsets: source.yOffsets.subarray(first, end),
  };
}

type Joined = GlyphArrays & Pick<LineRun, 'first' | 'end'>;

function joined(parts: readonly GlyphArrays[]): Joined {
  if (parts.length === 1) {
    const { glyphs, clusters, advances, xOffsets, yOffsets } = parts[0];
    return { first: 0, end: glyphs.length, glyphs, clusters, advances, xOffsets, yOffsets };
  }
  const count = parts.reduce((sum, part) => sum + part.glyphs.length, 0);
  const whole: GlyphArrays = {
    glyphs: new Uint16Array(count),
    clusters: new Uint32Array(count),
    advances: new Int32Array(count),
    xOffsets: new Int16Array(count),
    yOffsets: new Int16Array(count),
  };
  let at = 0;
  for (const part of parts) {
    for (const key of ['glyphs', 'clusters', 'advances', 'xOffsets', 'yOffsets'] as const)
      whole[key].set(part[key], at);
    at += part.glyphs.length;
  }
  return { first: 0, end: count, ...whole };
}

/** A text shaped by itself in the face of a run: the tail of a line. */
export function shapeAlone(text: string, run: StyledRun, library: FaceLibrary): LineRun {
  return { run, to: text.length, ...joined([shapeStretch(text, 0, text.length, run, library)]) };
}
