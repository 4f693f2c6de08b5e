// What lines are fitted to, and what comes of it.
import type { TabRuler } from './tabs';

export interface FitSettings {
  /** Widths of the first lines that differ, in points: the indented one, those beside a drop capital or in another column. */
  readonly firstWidths: readonly number[];
  /** Width of all others. */
  readonly width: number;
  readonly mode: 'justify' | 'ragged' | 'balanced';
  /** Every line after a break that a person made has the width of the first: verse, whose turnovers are indented. */
  readonly restarts: boolean;
  /** Most hyphens running. */
  readonly running: number;
  /** Least width of the last line, in points. */
  readonly lastLine: number;
  /** Stops of a paragraph with tabs. */
  readonly ruler: TabRuler;
  /** Depth of the rag that costs as much as a line at its limit of stretch, in points. */
  readonly rag: number;
  /** Where lines begin, for the rest of a paragraph that goes on elsewhere; its lines before are none of these. */
  readonly begin?: Beginning;
}

export interface Beginning {
  /** The opportunity after which the first line starts; -1: at the paragraph's start. */
  readonly after: number;
  /** Number of that line in the paragraph, from 0. */
  readonly line: number;
}

export const PARAGRAPH: Beginning = { after: -1, line: 0 };

/** Lines and what they cost together. */
export interface FittedLines {
  /** The opportunities at which the lines end, in order; the last is the paragraph's end. */
  readonly ends: readonly number[];
  readonly demerits: number;
  /** There were more ways near the best than were looked at. */
  readonly isUnweighed?: true;
}
