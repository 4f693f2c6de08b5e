// How a figure stands on the page, chosen by a person or as it came.
import type { InkUse } from '../spec/inks';
import type { Edition } from './editions';
import type { Pt } from '../spec/length';

/**
 * Where a figure stands, seen from its mark. `here`: at the mark, or at the head of the next page where there is no room; `beside`: beside the text
 * of its paragraph; `head`, `foot`: at the head or the foot of a page, that of the mark or a later one; `next`: at the head of a page after that of
 * the mark; `page`: on a page of its own; `spread`: over two facing pages of its own.
 */
export const FIGURE_PLACES = ['here', 'beside', 'head', 'foot', 'next', 'page', 'spread'] as const;
export type FigurePlace = (typeof FIGURE_PLACES)[number];

/**
 * `shown`: as its files show it, never wider than the column; `column`: as wide as the column; `margin`: into the outer margin, half of which stays
 * white; `trim`: from trim to trim, and into the bleed. The last two are for pages of one column and figures of one part; elsewhere they are the
 * column's. Else points.
 */
export const FIGURE_WIDTHS = ['shown', 'column', 'margin', 'trim'] as const;
export type FigureWidth = (typeof FIGURE_WIDTHS)[number] | Pt;

/** Where the caption and the credit line of a figure stand; those of a figure beside text are always below. */
export const CAPTION_SIDES = ['below', 'above', 'beside'] as const;
export type CaptionSide = (typeof CAPTION_SIDES)[number];

export interface FigureSetting {
  readonly place: FigurePlace;
  readonly width: FigureWidth;
  /** Absent: below. */
  readonly captionAt?: CaptionSide;
  /** Of a picture over two pages: points of it that both pages have at the fold, where some is lost in the binding; absent: 0. */
  readonly fold?: Pt;
  /** Absent: PLAIN_FRAME. */
  readonly frame?: Frame;
  /** How text goes round a figure beside it; absent: PLAIN_AROUND. */
  readonly around?: Around;
  /** Left out of the other edition; absent: in both. */
  readonly onlyIn?: Edition;
}

export const FRAME_SHAPES = ['rectangle', 'rounded', 'ellipse'] as const;
export type FrameShape = (typeof FRAME_SHAPES)[number];

/** What the pictures of a figure stand in, each in one of its own. */
export interface Frame {
  readonly shape: FrameShape;
  /** Radius of rounded corners, in points. */
  readonly radius: Pt;
  /** Height to width; null: that of the picture. */
  readonly ratio: number | null;
  /** A line on the frame's edge, inside and outside by half; null: none. */
  readonly border: { readonly width: Pt; readonly ink: InkUse } | null;
}

export const PLAIN_FRAME: Frame = { shape: 'rectangle', radius: 6, ratio: null, border: null };

/** How a picture stands in its frame, which hides what reaches beyond it. */
export interface Crop {
  /** 1: the picture, before it is turned, just fills its frame; less leaves white. */
  readonly zoom: number;
  /** From the middle of the frame to that of the picture, in shares of the frame's width and height. */
  readonly across: number;
  readonly down: number;
  /** Degrees clockwise. */
  readonly turn: number;
  /** Left for right, and head for foot. */
  readonly mirrored: boolean;
  readonly upended: boolean;
}

export const PLAIN_CROP: Crop = { zoom: 1, across: 0, down: 0, turn: 0, mirrored: false, upended: false };

/** Where text stands beside a figure: on its wider side, on both; `none`: over or under it, as if it were not there. */
export const TEXT_AROUND = ['wider', 'both', 'none'] as const;
export type TextAround = (typeof TEXT_AROUND)[number];

/** The edge of the column at which a figure stands; `outer` and `inner` change with the side of the page. */
export const FIGURE_SIDES = ['outer', 'inner', 'left', 'right'] as const;
export type FigureSide = (typeof FIGURE_SIDES)[number];

/** Corners of a closed line around what a picture shows, in shares of the width and height of its frame from its upper left corner. */
export type Contour = readonly (readonly [number, number])[];

export interface Around {
  readonly text: TextAround;
  /** Lines follow the contour, or the shape of the frame where there is none; else its box. */
  readonly outline: boolean;
  /** Traced round the picture, or drawn; for figures of one part. */
  readonly contour?: Contour;
  readonly side: FigureSide;
  /** From that edge to the figure, in points; into the margin where it is less than 0. */
  readonly inset: Pt;
  /** Lines of the text from the first of its paragraph to the one with which the figure begins. */
  readonly from: number;
  /** White between the figure and the text, in points. */
  readonly above: Pt;
  readonly beside: Pt;
  readonly below: Pt;
}

export const PLAIN_AROUND: Around = {
  ...{ text: 'wider', outline: false, side: 'outer' },
  ...{ inset: 0, from: 0, above: 0, beside: 12, below: 6 },
};

/** What can be set of these, in points, lines, degrees and shares. */
export const FIGURE_LIMITS = {
  inset: [-2000, 2000],
  from: [0, 200],
  white: [0, 200],
  fold: [0, 72],
  radius: [0, 500],
  ratio: [0.05, 20],
  border: [0.1, 24],
  zoom: [0.05, 20],
  shift: [-20, 20],
  turn: [-180, 180],
  corners: [3, 240],
  corner: [-0.5, 1.5],
} as const;

/** Most parts of a figure. */
export const MOST_PARTS = 12;

/** How a figure stands of which nobody said anything. */
export const PLAIN_FIGURE: FigureSetting = { place: 'here', width: 'shown' };

/** Nothing but how a figure stands, of what has that and more. */
export function settingOf({ place, width, captionAt, fold, frame, around, onlyIn }: FigureSetting): FigureSetting {
  return {
    place,
    width,
    ...(captionAt === undefined ? {} : { captionAt }),
    ...(fold === undefined ? {} : { fold }),
    ...(frame === undefined ? {} : { frame }),
    ...(around === undefined ? {} : { around }),
    ...(onlyIn === undefined ? {} : { onlyIn }),
  };
}
