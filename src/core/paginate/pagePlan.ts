// The regions that a reach is poured into: pages of equal columns one after another, the first below its opener.
import type { Pt } from '../model/spec/length';
import type { PageSide } from '../model/composed/pages';
import type { KeepRules } from './flow';

export interface PlanColumn {
  /** Left edge from the left edge of the type area. */
  readonly x: Pt;
  readonly width: Pt;
}

export interface PagePlan {
  /** Grid lines of a page, and of the first page below its opener. */
  readonly lines: number;
  readonly firstLines: number;
  readonly firstSide: PageSide;
  /** One to four. */
  readonly columns: readonly PlanColumn[];
  /** Whether the columns of the last page end level. */
  readonly balance: boolean;
  /** Least grid lines between text and notes, rule included. */
  readonly noteGap: number;
  readonly keeps: KeepRules;
  /** Least lines of a last page. */
  readonly chapterEnd: number;
  /** Price of a spread one line short, and long, in units; null: never. */
  readonly short: number | null;
  readonly long: number | null;
  /** Pages whose foot is free: verse, workbooks, display pages. */
  readonly exempt: boolean;
}
