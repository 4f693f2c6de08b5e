// The contour of a figure's picture as it stands in its frame: round what is not see-through, or not paper white where nothing is.
import type { PictureItem } from '../../../core/model/composed/displayList';
import type { Contour } from '../../../core/model/copy/figureSetting';
import { traceContour } from '../../../core/looks/traceContour';
import { drawPicture } from '../../pageView/drawPicture';

/** Pixels across the frame, at which it is looked at. */
const ACROSS = 240;
/** As light as paper, and as good as see-through, of 255. */
const [LIGHT, SHEER] = [242, 24];

/** `image`: the picture as decoded. Null where a line round the picture is that round its box. */
export function traceFigure(item: PictureItem, image: CanvasImageSource): Contour | null {
  const scale = ACROSS / item.width;
  const [width, height] = [ACROSS, Math.max(1, Math.round(item.height * scale))];
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true }) as unknown as CanvasRenderingContext2D;
  const { frame, clip: _, ...rest } = item;
  const plain = frame === undefined ? {} : { frame: { ...frame, border: null } };
  const drawing = { outlines: () => undefined, pictures: () => image, x: 0, y: 0, scale, ink: '#000' };
  drawPicture(context, { ...rest, ...plain, x: 0, y: 0 }, { ...drawing, width: item.width });
  const { data } = context.getImageData(0, 0, width, height);
  const alphaAt = (x: number, y: number) => data[(y * width + x) * 4 + 3];
  const isSeen = (x: number, y: number) => alphaAt(x, y) > SHEER;
  const isInked = (x: number, y: number) => {
    const at = (y * width + x) * 4;
    return isSeen(x, y) && Math.min(data[at], data[at + 1], data[at + 2]) < LIGHT;
  };
  const traced = traceContour(width, height, isSeen);
  // A picture that fills its frame may still stand on white.
  return traced !== null && frame?.shape !== 'ellipse' && frame?.shape !== 'rounded'
    ? traced
    : (traceContour(width, height, isInked) ?? traced);
}

export async function decodedImage(address: string): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = address;
  await image.decode();
  return image;
}
