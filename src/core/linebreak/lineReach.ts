// Whether the rest of a paragraph can be set in just so many lines: bounds on sums of widths, by which a search for a given
// count of lines leaves out what cannot come to it. Exact: nothing is left out that could.
import { LINE_END } from '../model/composed/broken';
import type { Opportunities } from './opportunities';
import type { FitSettings } from './fitSettings';
import type { BreakWidths } from './widths';

const EPSILON = 1e-3;

interface ReachGoal {
  /** The last opportunity, and how many lines are wanted. */
  readonly last: number;
  readonly wanted: number;
  readonly tolerance: number;
  /** What a line end takes off at most, its space and what hangs out, and at least: less than nothing for a hyphen. */
  readonly mostLost: number;
  readonly leastLost: number;
}

export class LineReach {
  /** Widths of lines [k, wanted) together. */
  private readonly room: Float64Array;

  constructor(
    private readonly widths: BreakWidths,
    settings: FitSettings,
    private readonly goal: ReachGoal,
  ) {
    const { wanted } = goal;
    this.room = new Float64Array(wanted + 1);
    for (let line = wanted - 1; line >= 0; line -= 1)
      this.room[line] = this.room[line + 1] + (settings.firstWidths[line] ?? settings.width);
  }

  /**
   * True unless the text from start element `s` on is surely too long or too short for the lines from number `line` on,
   * which are all full but the last.
   */
  holds(s: number, line: number): boolean {
    const { widths, room } = this;
    const { last } = this.goal;
    const natural = widths.end[last] - widths.start[s];
    const played = widths.endPlayed[last] - widths.startPlayed[s];
    const shrink = widths.endShrink[last] - widths.startShrink[s] + played;
    const breaks = this.goal.wanted - line - 1;
    if (natural - breaks * this.goal.mostLost - shrink > room[line] + EPSILON) return false;
    const stretch = played + this.goal.tolerance * (widths.endStretch[last] - widths.startStretch[s]);
    const full = room[line] - room[this.goal.wanted - 1];
    return natural - breaks * this.goal.leastLost + stretch >= full - EPSILON;
  }
}

/** Null for text whose lines need not be full, or whose widths are not sums: ragged, with tabs, with lines that a person ended. */
export function reachOf(
  breaks: Opportunities,
  widths: BreakWidths,
  settings: FitSettings,
  wanted: number,
  tolerance: number,
): LineReach | null {
  if (settings.mode !== 'justify' || widths.tabs !== null) return null;
  const last = breaks.count - 1;
  let mostLost = 0;
  let leastLost = 0;
  for (let k = 0; k < last; k += 1) {
    if (breaks.kind[k] === LINE_END.forced) return null;
    const lost = widths.start[k + 1] - widths.end[k];
    if (lost > mostLost) mostLost = lost;
    if (lost < leastLost) leastLost = lost;
  }
  return new LineReach(widths, settings, { last, wanted, tolerance, mostLost, leastLost });
}
