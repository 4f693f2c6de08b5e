// What lines cost: how a line's stretch becomes its badness, and what its ending and its neighbours add.

/** Costs, Badness is 100 |r|^3 as in the paper; a demerit is (LINE + badness)^2 and what its ending adds. */
export const COST = {
  LINE: 10,
  /**
   * Badness of a line at its limit. A tight one shows less than a wide one, and the mean stays nearer to the wish; but where
   * letters give nothing all of it falls on the spaces, and lines are evener when few come near their least.
   */
  TIGHT: 55,
  TIGHT_SPACES: 200,
  WIDE: 100,
  HYPHEN: 40,
  /** A divided name, while its line without it would not be torn apart. */
  DEAR_HYPHEN: 100,
  /** Ragged lines need no hyphens to be even: their demerits times this. */
  RAGGED_HYPHENS: 3,
  DASH: 30,
  EMERGENCY: 900,
  /** A ragged line that ends in a word of one or two letters, a line of a head in an article or the like. */
  WEAK_END: 80,
  /** Neighbouring lines more than one fitness class apart; for each class more as much again. */
  JUMP: 6000,
  SECOND_HYPHEN: 6000,
  /** The line before the last ends in a hyphen. */
  LAST_HYPHEN: 4000,
  SHORT_LAST: 60000,
} as const;

/** A line stretched by more than this is torn apart: 0.36 em of a face whose spaces may open from 0.2 to 0.3 em. */
export const TORN = 1.6;
/** Fitness classes of neighbouring lines that differ by more are a jump. */
export const MOST_JUMP = 3;

/** Fitness class of a ratio: tight, decent, loose, very loose. */
export function fitnessOf(ratio: number): number {
  if (ratio < -0.5) return 0;
  if (ratio <= 0.5) return 1;
  return ratio <= 1 ? 2 : 3;
}

/**
 * How far a line is stretched: up to 1 letters and spaces grow together, beyond it only the spaces do, since letters
 * have reached their limit. `stretch` is what the spaces can take, `played` what the letters can.
 */
export function stretchRatio(gap: number, stretch: number, played: number): number {
  const together = stretch + played;
  return gap <= together ? gap / Math.max(together, 1e-9) : (gap - played) / Math.max(stretch, 1e-9);
}
