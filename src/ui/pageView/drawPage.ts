// Draws a display list on a canvas: glyph outlines at their places, so that a page is sharp at any zoom.
import type { DisplayList, GlyphOutline, PictureItem, RuleItem, TextItem } from '../../core/model/composed/displayList';
import { paintLayers } from '../../core/model/composed/paintLayers';
import { PRINTED } from '../../core/model/copy/pictureTypes';
import type { PictureKind } from '../../core/model/copy/streams';

/** Where outlines come from; undefined while one has not arrived. */
export type OutlineSource = (face: string, glyph: number) => GlyphOutline | undefined;

/** A picture that can be drawn; undefined until it is here, and for one that cannot be shown. */
export type PictureSource = (asset: string, format: PictureKind) => CanvasImageSource | undefined;

const FRAME_INK = '#8c8578';

const paths = new WeakMap<GlyphOutline, Path2D>();

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

export function drawPage(context: CanvasRenderingContext2D, list: DisplayList, drawing: PageDrawing): void {
  // Title pages kept on the Shelf by an earlier version say nothing of pictures.
  for (const layer of paintLayers({ ...list, pictures: list.pictures ?? [] })) {
    if (layer.kind === 'pictures') for (const picture of layer.pictures) drawPicture(context, picture, drawing);
    if (layer.kind === 'rules') for (const rule of layer.rules) drawRule(context, rule, drawing);
    if (layer.kind === 'text') for (const item of layer.items) drawItem(context, item, list, drawing);
  }
  context.setTransform(1, 0, 0, 1, 0, 0);
}

function drawRule(context: CanvasRenderingContext2D, rule: RuleItem, { x, y, scale, ink }: PageDrawing): void {
  const height = Math.max(rule.thickness * scale, 0.7);
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.fillStyle = rule.ink?.css ?? ink;
  context.fillRect(x + rule.x * scale, y + rule.y * scale - height / 2, rule.width * scale, height);
}

function drawItem(context: CanvasRenderingContext2D, item: TextItem, list: DisplayList, drawing: PageDrawing): void {
  const { outlines, x, y, scale, ink } = drawing;
  context.fillStyle = item.ink?.css ?? ink;
  for (let k = item.first; k < item.first + item.count; k += 1) {
    const outline = outlines(item.face, list.glyphs[k]);
    if (outline === undefined || outline.path.length === 0) continue;
    const em = (item.size * scale) / outline.unitsPerEm;
    context.setTransform(em * item.scaleX, 0, 0, -em, x + list.xs[k] * scale, y + (item.y - list.rises[k]) * scale);
    context.fill(pathOf(outline));
  }
}

/** The picture over its area; where it cannot be drawn, a frame with its name. */
function drawPicture(
  context: CanvasRenderingContext2D,
  { asset, format, name, x: left, y: top, width, height }: PictureItem,
  { x, y, scale, pictures }: PageDrawing,
): void {
  const image = PRINTED.has(format) ? pictures?.(asset, format) : undefined;
  context.setTransform(1, 0, 0, 1, x + left * scale, y + top * scale);
  const [w, h] = [width * scale, height * scale];
  if (image !== undefined) {
    context.imageSmoothingQuality = 'high';
    context.drawImage(image, 0, 0, w, h);
    return;
  }
  context.strokeStyle = FRAME_INK;
  context.lineWidth = Math.max(0.5 * scale, 1);
  context.strokeRect(0, 0, w, h);
  context.save();
  context.beginPath();
  context.rect(0, 0, w, h);
  context.clip();
  context.fillStyle = FRAME_INK;
  context.font = `${8 * scale}px sans-serif`;
  context.fillText(name || 'picture', 6 * scale, 14 * scale);
  context.restore();
}

function pathOf(outline: GlyphOutline): Path2D {
  const known = paths.get(outline);
  if (known !== undefined) return known;
  const path = new Path2D();
  const data = outline.path;
  for (let k = 0; k < data.length;) {
    switch (data[k]) {
      case 0:
        path.moveTo(data[k + 1], data[k + 2]);
        k += 3;
        break;
      case 1:
        path.lineTo(data[k + 1], data[k + 2]);
        k += 3;
        break;
      case 2:
        path.quadraticCurveTo(data[k + 1], data[k + 2], data[k + 3], data[k + 4]);
        k += 5;
        break;
      case 3:
        path.bezierCurveTo(data[k + 1], data[k + 2], data[k + 3], data[k + 4], data[k + 5], data[k + 6]);
        k += 7;
        break;
      default:
        path.closePath();
        k += 1;
    }
  }
  paths.set(outline, path);
  return path;
}
