// The arithmetic of a page: what trim, margins and leading leave for type (house rules, section 1).
import type { Pt } from '../model/spec/length';
import type { PageSpec } from '../model/spec/spec';

/** The type area of a page: from the cap height of its first line to the baseline of its last. */
export interface TypeArea {
  readonly measure: Pt;
  /** Depth that the margins leave. */
  readonly room: Pt;
  /** Whole grid lines that fit in it, at least 0. */
  readonly lines: number;
  /** Depth of those lines: (lines - 1) x leading + cap height. */
  readonly depth: Pt;
  /** What is left over at the foot, from 0 to less than one leading. */
  readonly left: Pt;
}

/** Slack against rounding of typed values, in points: a thousandth of a point never costs a line. */
const SLACK = 0.05;

/** Works out the type area; `capHeight` and `leading` in points. */
export function typeArea(page: PageSpec, capHeight: Pt, leading: Pt): TypeArea {
  const { trim, margins } = page;
  const measure = trim.width.pt - margins.back.pt - margins.foreEdge.pt;
  const room = trim.height.pt - margins.head.pt - margins.foot.pt;
  const lines = room + SLACK < capHeight ? 0 : Math.floor((room + SLACK - capHeight) / leading) + 1;
  const depth = lines === 0 ? 0 : (lines - 1) * leading + capHeight;
  return { measure, room, lines, depth, left: Math.max(0, room - depth) };
}
