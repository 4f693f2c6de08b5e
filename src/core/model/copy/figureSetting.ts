// How a figure stands on the page, chosen by a person or as it came.
import type { Pt } from '../spec/length';

/**
 * Where a figure stands, seen from its mark. `here`: at the mark, or at the head of the next page where there is no room; `head`, `foot`: at the
 * head or the foot of a page; `page`: on a page of its own.
 */
export const FIGURE_PLACES = ['here', 'head', 'foot', 'page'] as const;
export type FigurePlace = (typeof FIGURE_PLACES)[number];

/** `shown`: as its files show it, never wider than the column; `column`: as wide as the column; else points. */
export type FigureWidth = 'shown' | 'column' | Pt;

export interface FigureSetting {
  readonly place: FigurePlace;
  readonly width: FigureWidth;
}

/** Most parts of a figure. */
export const MOST_PARTS = 12;

/** How a figure stands of which nobody said anything. */
export const PLAIN_FIGURE: FigureSetting = { place: 'here', width: 'shown' };
