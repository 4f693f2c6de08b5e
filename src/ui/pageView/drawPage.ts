// Draws a display list on a canvas: glyph outlines at their places, so that a page is sharp at any zoom.
import type { DisplayList, GlyphOutline, RuleItem, TextItem } from '../../core/model/composed/displayList';
import { paintLayers } from '../../core/model/composed/paintLayers';
import { drawPicture } from './drawPicture';
import type { PageDrawing } from './pageDrawing';

const paths = new WeakMap<GlyphOutline, Path2D>();

export function drawPage(context: CanvasRenderingContext2D, list: DisplayList, drawing: PageDrawing): void {
  // Title pages kept on the Shelf by an earlier version say nothing of pictures.
  for (const layer of paintLayers({ ...list, pictures: list.pictures ?? [] })) {
    if (layer.kind === 'pictures')
      for (const picture of layer.pictures) drawPicture(context, picture, { ...drawing, width: list.width });
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
