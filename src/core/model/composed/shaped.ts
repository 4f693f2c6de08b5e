// A shaped paragraph: the glyphs of all runs, one after another. Independent of every size.
import type { FontUnit } from '../spec/length';

/** Arrays have one element per glyph, in text order. */
export interface ShapedParagraph {
  readonly count: number;
  readonly glyphs: Uint16Array;
  /** Offset in the set text of each glyph's cluster; never falls. */
  readonly clusters: Uint32Array;
  readonly advances: Int32Array & ArrayLike<FontUnit>;
  readonly xOffsets: Int16Array;
  readonly yOffsets: Int16Array;
  /** 1: not to be cut before this glyph without shaping again. */
  readonly unsafe: Uint8Array;
  /** Index of each run's first glyph, and the count at the end. */
  readonly runStarts: Uint32Array;
}
