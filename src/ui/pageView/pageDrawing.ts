// With what a page is drawn.
import type { GlyphOutline } from '../../core/model/composed/displayList';
import type { WantedPicture } from '../../state/compose/screenCopies';

/** Where outlines come from; undefined while one has not arrived. */
export type OutlineSource = (face: string, glyph: number) => GlyphOutline | undefined;

/** A picture that can be drawn; undefined until it is here, and for one that cannot be shown. */
export type PictureSource = (wanted: WantedPicture) => CanvasImageSource | undefined;

/** Where and with what a page is drawn. */
export interface PageDrawing {
  readonly outlines: OutlineSource;
  readonly pictures?: PictureSource | undefined;
  /** Its top left corner on the canvas, in device pixels. */
  readonly x: number;
  readonly y: number;
  /** Device pixels a point. */
  readonly scale: number;
  /** CSS colour of what has no ink of its own. */
  readonly ink: string;
}
