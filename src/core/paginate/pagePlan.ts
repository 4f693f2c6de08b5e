// How a reach is divided: the regions that it is poured into, and what is asked of their ends.
import type { PageSide } from '../model/composed/pages';
import type { KeepRules } from './flow';
import type { RegionSequence } from './regions';

export interface PagePlan {
  /** Of one stream; the columns of a page, one to sixteen of them, stand side by side. */
  readonly regions: RegionSequence;
  readonly firstSide: PageSide;
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
