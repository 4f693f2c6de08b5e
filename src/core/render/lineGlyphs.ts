// Glyphs of a stretch in one run, as rendering receives them from shaping.
import type { StyledRun } from '../model/composed/styled';

/**
 * Glyphs [first, end) of the arrays, which are mostly those of the whole paragraph. Font units; clusters are offsets in
 * the set text. `to` is where the stretch ends.
 */
export interface LineGlyphs {
  readonly run: StyledRun;
  readonly to: number;
  readonly first: number;
  readonly end: number;
  readonly glyphs: ArrayLike<number>;
  readonly clusters: ArrayLike<number>;
  readonly advances: ArrayLike<number>;
  readonly xOffsets: ArrayLike<number>;
  readonly yOffsets: ArrayLike<number>;
}
