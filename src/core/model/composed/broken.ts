// A paragraph broken into lines: packed arrays, one element per line.
import type { Pt } from '../spec/length';

/** How a line ends. */
export const LINE_END = { space: 0, hyphen: 1, dash: 2, forced: 3, last: 4, emergency: 5 } as const;

export interface BrokenParagraph {
  readonly count: number;
  /** Width that a drop capital takes from the first line; 0 without one. */
  readonly initial: Pt;
  /** What the lines cost together (linebreak/totalFit); only differences between settings of one paragraph mean something. */
  readonly demerits: number;
  /** Set text of each line: `from` inclusive, `to` exclusive, without the space at its end. */
  readonly from: Uint32Array;
  readonly to: Uint32Array;
  /** Left edge of the line from the left edge of the column, and the width that it fills, in points. */
  readonly x: Float32Array;
  readonly width: Float32Array;
  /** What is added to each word space of the line, in points (negative: tighter). */
  readonly spaceDelta: Float32Array;
  /** Horizontal scale of the played letters of the line; 1 as designed. */
  readonly scale: Float32Array;
  /** What is added after each played letter of the line, in em of its size. */
  readonly letterSpace: Float32Array;
  /** Mean word space of the line in em; 0 for a line without one. */
  readonly spaceEm: Float32Array;
  /** Word spaces of the line. */
  readonly spaceCount: Uint16Array;
  readonly end: Uint8Array;
  /** Width of the text as set, hyphen included. */
  readonly textWidth: Float32Array;
  /** Points by which the text is too wide for the line; 0 when it fits. */
  readonly over: Float32Array;
  /** Null for a paragraph without tabs. */
  readonly tabs: SetTabs | null;
  /** There were more ways near the best than were looked at: faults may stand that another way would not have. */
  readonly isUnweighed?: true;
}

/** The tabs of a paragraph in text order: their widths in points, and what is repeated over each; empty: white. */
export interface SetTabs {
  readonly widths: Float32Array;
  readonly leaders: string[];
}

/**
 * What lines are broken to, besides the style: the width of the column; or, for a paragraph that goes on in columns of
 * other widths, the widths of its first lines and that of all others.
 */
export interface Measure {
  readonly first: readonly Pt[];
  readonly width: Pt;
  /** From the column's left edge to that of each of the first lines, beside a figure; absent: 0. */
  readonly inset?: readonly Pt[];
}

/** A column of one width. */
export function column(width: Pt): Measure {
  return { first: NO_WIDTHS, width };
}

const NO_WIDTHS: readonly Pt[] = [];

export function sameMeasure(a: Measure, b: Measure): boolean {
  return a.width === b.width && a.first.length === b.first.length && a.first.every((width, k) => width === b.first[k]);
}
