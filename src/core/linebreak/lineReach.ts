// Whether the rest of a paragraph can be set in just so many lines: bounds on sums of widths, by which a search for a given
// count of lines leaves out what cannot come to it. Exact: nothing is left out that could.
import { LINE_END } from '../model/composed/broken';
import type { Opportunities } from './opportunities';
import type { FitSettings } from './fitSettings';
import type { BreakWidths } from './widths';

const EPSILON = 1e-3;

export class LineReach {
  /** Widths of lines [k, wanted) together. */
  private readonly room: Float64Array;

  constructor(
    private readonly widths: BreakWidths,
    private readonly last: number,
    settings: FitSettings,
    private readonly wanted: number,
    private readonly tolerance: number,
    /** What a line end takes off at most, its space and what hangs out, and at least: less than nothing for a hyphen. */
    private readonly mostLost: number,
    private readonly leastLost: number,
  ) {
    this.room = new Float64Array(wanted + 1);
    for (let line = wanted - 1; line >= 0; line -= 1)
      this.room[line] = this.room[line + 1] + (settings.firstWidths[line] ?? settings.width);
  }

  /**
   * True unless the text from start element `s` on is surely too long or too short for the lines from number `line` on,
   * which are all full but the last.
   */
  holds(s: number, line: number): boolean {
    const { widths, last, room } = this;
    const natural = widths.end[last] - widths.start[s];
    const played = widths.endPlayed[last] - widths.startPlayed[s];
    const shrink = widths.endShrink[last] - widths.startShrink[s] + played;
    const breaks = this.wanted - line - 1;
    if (natural - breaks * this.mostLost - shrink > room[line] + EPSILON) return false;
    const stretch = played + this.tolerance * (widths.endStretch[last] - widths.startStretch[s]);
    const full = room[line] - room[this.wanted - 1];
    return natural - breaks * this.leastLost + stretch >= full - EPSILON;
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
  return new LineReach(widths, last, settings, wanted, tolerance, mostLost, leastLost);
}
