// How much of each line's adjustment its letters take: their share of what letters and spaces can give together, kept
// so that no two neighbouring lines differ visibly.

/** A line to be adjusted by `gap` points; what its spaces and letters can give, in points. */
export interface PlayedLine {
  readonly gap: number;
  readonly stretch: number;
  readonly shrink: number;
  readonly letters: number;
}

/** Neighbouring lines differ by at most this, as a share of the letters' width (house rules, section 3). */
const NEIGHBOURS = 0.02;
const PASSES = 4;

/** Horizontal scale of the letters of each line, 1 as designed. `play`: the largest change, such as 0.02. */
export function settlePlay(lines: readonly PlayedLine[], play: number): Float64Array {
  const scales = Float64Array.from(lines, (line) => 1 + shareOf(line, play));
  if (play * 2 <= NEIGHBOURS) return scales;
  for (let pass = 0; pass < PASSES; pass += 1) {
    for (let k = 1; k < lines.length; k += 1) {
      const difference = scales[k] - scales[k - 1];
      const excess = Math.abs(difference) - NEIGHBOURS;
      if (excess <= 1e-9) continue;
      const [wide, narrow] = difference > 0 ? [k, k - 1] : [k - 1, k];
      // The narrow line gives way as far as its spaces can still close; the wide one gives the rest.
      const raised = Math.min(scales[narrow] + excess / 2, highest(lines[narrow]));
      const given = Math.max(0, raised - scales[narrow]);
      scales[narrow] += given;
      scales[wide] -= excess - given;
    }
  }
  return scales;
}

/** The letters' part of a line's adjustment, as a share of their width. */
function shareOf({ gap, stretch, shrink, letters }: PlayedLine, play: number): number {
  const most = play * letters;
  if (most <= 0 || gap === 0) return 0;
  const together = most + (gap > 0 ? stretch : shrink);
  return play * Math.max(-1, Math.min(1, gap / together));
}

/** The largest scale at which the spaces of a line can still take what it must lose. */
function highest({ gap, shrink, letters }: PlayedLine): number {
  return gap >= 0 || letters <= 0 ? Infinity : 1 + Math.min(0, (gap + shrink) / letters);
}
