// How a figure stands on the page, chosen by a person or as it came.
import type { Pt } from '../spec/length';

/**
 * Where a figure stands, seen from its mark. `here`: at the mark, or at the head of the next page where there is no room; `head`, `foot`: at the
 * head or the foot of a page, that of the mark or a later one; `next`: at the head of a page after that of the mark; `page`: on a page of its own.
 */
export const FIGURE_PLACES = ['here', 'head', 'foot', 'next', 'page'] as const;
export type FigurePlace = (typeof FIGURE_PLACES)[number];

/**
 * `shown`: as its files show it, never wider than the column; `column`: as wide as the column; `margin`: into the outer margin, half of which stays
 * white; `trim`: from trim to trim, and into the bleed. The last two are for pages of one column and figures of one part; elsewhere they are the
 * column's. Else points.
 */
export const FIGURE_WIDTHS = ['shown', 'column', 'margin', 'trim'] as const;
export type FigureWidth = (typeof FIGURE_WIDTHS)[number] | Pt;

export interface FigureSetting {
  readonly place: FigurePlace;
  readonly width: FigureWidth;
}

/** Most parts of a figure. */
export const MOST_PARTS = 12;

/** How a figure stands of which nobody said anything. */
export const PLAIN_FIGURE: FigureSetting = { place: 'here', width: 'shown' };
