// Arrays for the glyphs of a run: one stretch of memory for all of them. Six buffers of their own took as long to make as
// to fill, and the collector as long again.

/** Glyphs of one shaped run, in the order in which they are drawn. All arrays have `count` elements. */
export interface ShapedGlyphs {
  readonly count: number;
  readonly glyphs: Uint16Array;
  /** Offset in the shaped string, in UTF-16 units, of the first character of each glyph's cluster. */
  readonly clusters: Uint32Array;
  /** Font units. */
  readonly advances: Int32Array;
  readonly xOffsets: Int16Array;
  readonly yOffsets: Int16Array;
  /** 1: the text may not be cut before this glyph's cluster without shaping both sides again (HB_GLYPH_FLAG_UNSAFE_TO_BREAK). */
  readonly unsafe: Uint8Array;
}

/** Bytes of one glyph in all arrays. */
const BYTES = 15;

/** Empty arrays of `count` elements, views into one buffer of their own. */
export function makeGlyphArrays(count: number): ShapedGlyphs {
  const buffer = new ArrayBuffer(count * BYTES);
  return {
    count,
    glyphs: new Uint16Array(buffer, count * 8, count),
    clusters: new Uint32Array(buffer, 0, count),
    advances: new Int32Array(buffer, count * 4, count),
    xOffsets: new Int16Array(buffer, count * 10, count),
    yOffsets: new Int16Array(buffer, count * 12, count),
    unsafe: new Uint8Array(buffer, count * 14, count),
  };
}
