// A paragraph broken into lines: packed arrays, one element per line.
import type { Pt } from './length';

/** How a line ends. */
export const LINE_END = { space: 0, hyphen: 1, dash: 2, forced: 3, last: 4, emergency: 5 } as const;

export interface BrokenParagraph {
  readonly count: number;
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
  /** Mean word space of the line in em; 0 for a line without one. */
  readonly spaceEm: Float32Array;
  readonly end: Uint8Array;
  /** Width of the text as set, hyphen included. */
  readonly textWidth: Float32Array;
  /** Points by which the text is too wide for the line; 0 when it fits. */
  readonly over: Float32Array;
}

/** What a line may be broken to, besides the style: the width of the column. */
export type Measure = Pt;
