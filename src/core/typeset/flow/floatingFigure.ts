// A figure taken out of the text.
import type { FigurePlace } from '../../model/copy/figureSetting';
import type { Paragraph } from '../../model/copy/streams';

/** A figure with a place of its own: the paragraphs of its pictures and of what stands under them. */
export interface FloatingFigure {
  readonly place: Exclude<FigurePlace, 'here'>;
  readonly blocks: readonly Paragraph[];
}
