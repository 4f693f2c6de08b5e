// How much of each line's adjustment its letters take, by their scale and the space between them: their share of what
// letters and spaces can give together, kept so that no two neighbouring lines differ visibly.

/** A line to be adjusted by `gap` points; what its spaces can give, and what its letters can, in points. */
export interface PlayedLine {
  readonly gap: number;
  readonly stretch: number;
  readonly shrink: number;
  readonly room: number;
}

/** Neighbouring lines differ by at most this, as a share of the letters' width (house rules, section 3). */
const NEIGHBOURS = 0.02;
const PASSES = 4;

/**
 * How far the letters of each line go towards their limit: 1 as wide as they may be, -1 as narrow. `scale`: the largest
 * change of their width, such as 0.02.
 */
export function settlePlay(lines: readonly PlayedLine[], scale: number): Float64Array {
  const ratios = Float64Array.from(lines, shareOf);
  const apart = scale > 0 ? NEIGHBOURS / scale : 2;
  if (apart >= 2) return ratios;
  for (let pass = 0; pass < PASSES; pass += 1) {
    for (let k = 1; k < lines.length; k += 1) {
      const difference = ratios[k] - ratios[k - 1];
      const excess = Math.abs(difference) - apart;
      if (excess <= 1e-9) continue;
      const [wide, narrow] = difference > 0 ? [k, k - 1] : [k - 1, k];
      // The narrow line gives way as far as its spaces can still close; the wide one gives the rest.
      const raised = Math.min(ratios[narrow] + excess / 2, highest(lines[narrow]));
      const given = Math.max(0, raised - ratios[narrow]);
      ratios[narrow] += given;
      ratios[wide] -= excess - given;
    }
  }
  return ratios;
}

function shareOf({ gap, stretch, shrink, room }: PlayedLine): number {
  if (room <= 0 || gap === 0) return 0;
  return Math.max(-1, Math.min(1, gap / (room + (gap > 0 ? stretch : shrink))));
}

/** The highest ratio at which the spaces of a line can still take what it must lose. */
function highest({ gap, shrink, room }: PlayedLine): number {
  return gap >= 0 || room <= 0 ? Infinity : Math.min(0, (gap + shrink) / room);
}
