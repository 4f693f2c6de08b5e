// Figures: pictures with what is said of them. Each is a record of the book that one mark in the copy (an inline object) leads to.
import type { Crop, FigureSetting } from './figureSetting';
import type { Block, FigureId, PictureFacts, StreamId } from './streams';

export interface FigurePart {
  readonly picture: PictureFacts;
  /** Absent: PLAIN_CROP. */
  readonly crop?: Crop;
}

/** A text of a figure; none where it has no blocks. */
export interface FigureText {
  readonly id: StreamId;
  readonly blocks: readonly Block[];
}

export interface Figure extends FigureSetting {
  readonly id: FigureId;
  /** At least one, in the order in which they stand side by side. */
  readonly parts: readonly FigurePart[];
  readonly caption: FigureText;
  readonly credit: FigureText;
}

export type Figures = Readonly<Record<FigureId, Figure>>;

/** The texts of a figure, in the order in which they stand. */
export const FIGURE_TEXTS = ['caption', 'credit'] as const;
export type FigureTextRole = (typeof FIGURE_TEXTS)[number];

export const figureTexts = (figure: Figure): readonly FigureText[] => FIGURE_TEXTS.map((role) => figure[role]);
