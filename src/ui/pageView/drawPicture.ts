// Draws a picture of a page on a canvas: clipped to its frame, turned and flipped in it, with its border.
import type { PictureItem } from '../../core/model/composed/displayList';
import { PRINTED } from '../../core/model/copy/pictureTypes';
import type { PageDrawing } from './pageDrawing';

const FRAME_INK = '#8c8578';

/** The picture in its frame; where it cannot be drawn, a line round its place, with its name. */
export function drawPicture(
  context: CanvasRenderingContext2D,
  item: PictureItem,
  drawing: PageDrawing & { readonly width: number },
): void {
  const { x, y, scale } = drawing;
  if (item.clip !== undefined) {
    // The facing page has the other half.
    context.save();
    context.setTransform(1, 0, 0, 1, x, y);
    context.beginPath();
    context.rect(0, item.y * scale, drawing.width * scale, item.height * scale);
    context.clip();
  }
  drawInFrame(context, item, drawing);
  if (item.clip !== undefined) context.restore();
}

function drawInFrame(context: CanvasRenderingContext2D, item: PictureItem, drawing: PageDrawing): void {
  const { asset, format, frame, tone } = item;
  const { x, y, scale, pictures, ink } = drawing;
  const across = (frame ?? item).width * scale;
  const image = PRINTED.has(format) ? pictures?.({ asset, format, tone, across }) : undefined;
  context.setTransform(1, 0, 0, 1, x + item.x * scale, y + item.y * scale);
  const [width, height] = [item.width * scale, item.height * scale];
  if (image === undefined) drawPlace(context, item, scale);
  else if (frame === undefined) {
    context.imageSmoothingQuality = 'high';
    context.drawImage(image, 0, 0, width, height);
  } else {
    context.save();
    tracePath(context, item, scale);
    context.clip();
    context.translate(width / 2 + frame.across * scale, height / 2 + frame.down * scale);
    context.rotate((frame.turn * Math.PI) / 180);
    context.scale(frame.mirrored ? -1 : 1, frame.upended ? -1 : 1);
    context.imageSmoothingQuality = 'high';
    const [own, deep] = [frame.width * scale, frame.height * scale];
    context.drawImage(image, -own / 2, -deep / 2, own, deep);
    context.restore();
  }
  if (frame?.border == null) return;
  context.strokeStyle = frame.border.ink?.css ?? ink;
  context.lineWidth = frame.border.width * scale;
  tracePath(context, item, scale);
  context.stroke();
}

function tracePath(context: CanvasRenderingContext2D, { width, height, frame }: PictureItem, scale: number): void {
  const [w, h] = [width * scale, height * scale];
  context.beginPath();
  if (frame?.shape === 'ellipse') context.ellipse(w / 2, h / 2, w / 2, h / 2, 0, 0, 2 * Math.PI);
  else if (frame?.shape === 'rounded') context.roundRect(0, 0, w, h, frame.radius * scale);
  else context.rect(0, 0, w, h);
}

function drawPlace(context: CanvasRenderingContext2D, item: PictureItem, scale: number): void {
  context.strokeStyle = FRAME_INK;
  context.lineWidth = Math.max(0.5 * scale, 1);
  context.save();
  tracePath(context, item, scale);
  context.stroke();
  context.clip();
  context.fillStyle = FRAME_INK;
  context.font = `${8 * scale}px sans-serif`;
  // In the middle of an ellipse, whose corner is outside.
  const isRound = item.frame?.shape === 'ellipse';
  context.textAlign = isRound ? 'center' : 'left';
  const at = isRound ? { x: (item.width / 2) * scale, y: (item.height / 2) * scale } : { x: 6 * scale, y: 14 * scale };
  context.fillText(item.name || 'picture', at.x, at.y);
  context.restore();
}
