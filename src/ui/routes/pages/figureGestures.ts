// What a drag, a handle or an arrow key makes of a figure. All lengths in points of the page.
import {
  FIGURE_LIMITS,
  PLAIN_AROUND,
  PLAIN_CROP,
  PLAIN_FRAME,
  type Around,
  type Contour,
  type Crop,
} from '../../../core/model/copy/figureSetting';
import type { Figure, FigurePart } from '../../../core/model/copy/figures';

/** A rectangle of a page from its upper left corner. */
export interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where a figure stands: its pictures, and the column beside whose text it is. */
export interface FigureStand {
  readonly area: Area;
  readonly column: { readonly left: number; readonly width: number };
  readonly leading: number;
  readonly isVerso: boolean;
}

/** Points that can be set as a width. */
const LEAST_WIDTH = 18;
const MOST_WIDTH = 20_000;

const within = (value: number, [least, most]: readonly [number, number]) => Math.min(most, Math.max(least, value));
const tenths = (value: number) => Math.round(value * 10) / 10;
const thousandths = (value: number) => Math.round(value * 1000) / 1000;

/**
 * A figure beside text moved across and down: it stands at the edge of the column that it is nearer to, and begins so many whole lines later or
 * earlier. An edge that changes with the side of the page still does.
 */
export function movedBeside(figure: Figure, stand: FigureStand, across: number, down: number): Figure {
  const around = figure.around ?? PLAIN_AROUND;
  const { area, column, leading, isVerso } = stand;
  const left = area.x + across - column.left;
  const right = column.width - left - area.width;
  const isLeft = left < right;
  const mirrors = around.side === 'outer' || around.side === 'inner';
  const side = mirrors ? (isLeft === isVerso ? 'outer' : 'inner') : isLeft ? 'left' : 'right';
  const inset = tenths(within(isLeft ? left : right, FIGURE_LIMITS.inset));
  const from = within(around.from + Math.round(down / leading), FIGURE_LIMITS.from);
  return { ...figure, around: { ...around, side, inset, from } };
}

/** The figure made as wide as its pictures are then; `height` of its frame, where that changes apart from the width. */
export function resized(figure: Figure, width: number, height: number | null): Figure {
  const wide = tenths(within(width, [LEAST_WIDTH, MOST_WIDTH]));
  if (height === null) return { ...figure, width: wide };
  const ratio = thousandths(within(height / wide, FIGURE_LIMITS.ratio));
  return { ...figure, width: wide, frame: { ...(figure.frame ?? PLAIN_FRAME), ratio } };
}

/** White between a figure and its text changed on one side. */
export function withWhite(figure: Figure, edge: 'above' | 'beside' | 'below', white: number): Figure {
  const around: Around = figure.around ?? PLAIN_AROUND;
  return { ...figure, around: { ...around, [edge]: tenths(within(white, FIGURE_LIMITS.white)) } };
}

/** The picture of a part in its frame: moved by shares of the frame, scaled, turned by degrees. */
export function cropped(
  figure: Figure,
  at: number,
  change: { readonly across?: number; readonly down?: number; readonly times?: number; readonly turn?: number },
): Figure {
  const { crop = PLAIN_CROP } = figure.parts[at];
  const turned = crop.turn + (change.turn ?? 0);
  const to: Crop = {
    ...crop,
    across: thousandths(within(crop.across + (change.across ?? 0), FIGURE_LIMITS.shift)),
    down: thousandths(within(crop.down + (change.down ?? 0), FIGURE_LIMITS.shift)),
    zoom: thousandths(within(crop.zoom * (change.times ?? 1), FIGURE_LIMITS.zoom)),
    turn: tenths(turned > 180 ? turned - 360 : turned < -180 ? turned + 360 : turned),
  };
  const parts = figure.parts.map((part, k): FigurePart => (k === at ? { ...part, crop: to } : part));
  return { ...figure, parts };
}

/** What an arrow key does: a point or a line, ten times as much with Shift; null for any other key. */
export function nudged(figure: Figure, stand: FigureStand, key: string, isLarge: boolean): Figure | null {
  const step = isLarge ? 10 : 1;
  const [across, down] = ARROWS[key] ?? [0, 0];
  if (across === 0 && down === 0) return null;
  if (figure.place === 'beside')
    return movedBeside(figure, stand, across * step, down * stand.leading * (isLarge ? 5 : 1));
  return across === 0 ? null : resized(figure, stand.area.width + across * step, null);
}

const ARROWS: Readonly<Record<string, readonly [number, number] | undefined>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The lines beside a figure follow a contour. */
export const withContour = (figure: Figure, contour: Contour): Figure => ({
  ...figure,
  around: { ...(figure.around ?? PLAIN_AROUND), outline: true, contour },
});

/** A corner moved by shares of the picture. */
export function withCorner(contour: Contour, at: number, across: number, down: number): Contour {
  const moved = (value: number, by: number) => within(thousandths(value + by), FIGURE_LIMITS.corner);
  return contour.map(([x, y], k) => (k === at ? ([moved(x, across), moved(y, down)] as const) : ([x, y] as const)));
}

/** A corner more, half way to the next. The same contour where it has as many as there may be. */
export function withCornerAfter(contour: Contour, at: number): Contour {
  if (contour.length >= FIGURE_LIMITS.corners[1]) return contour;
  const [[x0, y0], [x1, y1]] = [contour[at], contour[(at + 1) % contour.length]];
  const middle = [thousandths((x0 + x1) / 2), thousandths((y0 + y1) / 2)] as const;
  return [...contour.slice(0, at + 1), middle, ...contour.slice(at + 1)];
}

/** The same contour where it has no corner to spare. */
export const withoutCorner = (contour: Contour, at: number): Contour =>
  contour.length <= FIGURE_LIMITS.corners[0] ? contour : contour.filter((_, k) => k !== at);

/** Corners of the oval with which a contour begins where none can be traced. */
const OVAL = 12;

export const ovalContour = (): Contour =>
  Array.from({ length: OVAL }, (_, k) => {
    const angle = (k / OVAL) * 2 * Math.PI;
    return [thousandths(0.5 + Math.sin(angle) / 2), thousandths(0.5 - Math.cos(angle) / 2)] as const;
  });
