// Draws the marks of a page over it: grid, type area, guides, bleed.
import { MARK_COLOURS, type MarkBox, type PageMarks } from './pageMarks';

export interface MarksPlace {
  readonly x: number;
  readonly y: number;
  /** Device pixels a point, and a CSS pixel. */
  readonly scale: number;
  readonly ratio: number;
  readonly width: number;
  readonly height: number;
}

export function drawMarks(context: CanvasRenderingContext2D, marks: PageMarks, place: MarksPlace): void {
  const { x, y, scale, ratio, width, height } = place;
  const { area, baselines, guides } = marks;
  context.save();
  context.lineWidth = ratio;
  const line = (x1: number, y1: number, x2: number, y2: number) => {
    context.moveTo(x1, y1);
    context.lineTo(x2, y2);
  };
  const stroke = (style: string, alpha: number, path: () => void) => {
    context.strokeStyle = style;
    context.globalAlpha = alpha;
    context.beginPath();
    path();
    context.stroke();
  };
  const sharp = (at: number) => Math.round(at) + 0.5;
  stroke(MARK_COLOURS.leaf, 0.25, () => {
    for (const baseline of baselines)
      line(
        x + area.x * scale,
        sharp(y + baseline * scale),
        x + (area.x + area.width) * scale,
        sharp(y + baseline * scale),
      );
  });
  stroke(MARK_COLOURS.leaf, 0.9, () => box(context, area, place));
  stroke(MARK_COLOURS.guide, 0.9, () => {
    for (const guide of guides)
      if ('x' in guide) line(sharp(x + guide.x * scale), y, sharp(x + guide.x * scale), y + height);
      else line(x, sharp(y + guide.y * scale), x + width, sharp(y + guide.y * scale));
  });
  context.restore();
  drawBleed(context, marks, place);
}

/** The edge of what is cut away: a broken line outside the trim. */
export function drawBleed(context: CanvasRenderingContext2D, { bleed }: PageMarks, place: MarksPlace): void {
  if (bleed === null) return;
  context.save();
  context.lineWidth = place.ratio;
  context.strokeStyle = MARK_COLOURS.bleed;
  context.setLineDash([3 * place.ratio, 3 * place.ratio]);
  context.beginPath();
  box(context, bleed, place);
  context.stroke();
  context.restore();
}

function box(context: CanvasRenderingContext2D, of: MarkBox, { x, y, scale }: MarksPlace): void {
  context.rect(x + of.x * scale, y + of.y * scale, of.width * scale, of.height * scale);
}
