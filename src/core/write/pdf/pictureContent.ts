// Pictures in a content stream (ISO 32000-1, 8.5 and 8.9): clipped to their frames (8.5.4), turned and flipped in them, with borders.
import type { PictureItem } from '../../model/composed/displayList';
import type { SetFrame } from '../../model/composed/styled';
import type { ByteWriter } from './byteWriter';
import type { PictureUse, Turn } from './pictureUse';

/** Of a quarter circle as a cubic curve: the reach of its control points, in radii. */
const QUARTER = 0.5523;

/** Area on the page, from its foot. */
interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The picture in its frame; where it cannot be drawn, a thin line keeps its place. `strokeInk`: the operator that sets a colour for lines. */
export function drawPicture(
  out: ByteWriter,
  item: PictureItem,
  pageHeight: number,
  use: PictureUse,
  strokeInk: (ink: NonNullable<SetFrame['border']>['ink']) => string,
): void {
  const { x, y, width, height, frame, clip } = item;
  const area = { x, y: pageHeight - y - height, width, height };
  if (clip !== undefined) {
    out.text('q ').number(clip.x).space().number(area.y).space().number(clip.width).space();
    out.number(height).text(' re W n ');
  }
  const inner = frame ?? { width, height };
  const drawn = use.drawnAs(item, inner.width / inner.height);
  if (drawn === null) {
    out.text('/Artifact BMC q 0.5 w ');
    path(out, area, frame);
    out.text('S Q EMC\n');
  } else {
    out.text('q ');
    if (frame !== undefined) {
      path(out, area, frame);
      out.text('W n ');
    }
    for (const value of matrix(area, frame, drawn.turn)) out.number(value).space();
    out.text(`cm /${drawn.name} Do Q\n`);
  }
  if (frame?.border != null) {
    const { width: weight, ink } = frame.border;
    out
      .text('/Artifact BMC q ')
      .number(weight)
      .text(` w ${strokeInk(ink)} `);
    path(out, area, frame);
    out.text('S Q EMC\n');
  }
  if (clip !== undefined) out.text('Q\n');
}

/** From the unit square of a file's rows to the page. */
function matrix({ x, y, width, height }: Area, frame: SetFrame | undefined, [ux, vx, uy, vy, u, v]: Turn): number[] {
  // From the unit square of the picture as it is seen.
  let [a, b, c, d, e, f] = [width, 0, 0, height, x, y];
  if (frame !== undefined) {
    const angle = (-frame.turn * Math.PI) / 180;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const across = frame.mirrored ? -frame.width : frame.width;
    const up = frame.upended ? -frame.height : frame.height;
    [a, b, c, d] = [across * cos, across * sin, -up * sin, up * cos];
    e = x + width / 2 + frame.across - (a + c) / 2;
    f = y + height / 2 - frame.down - (b + d) / 2;
  }
  return [a * ux + c * vx, b * ux + d * vx, a * uy + c * vy, b * uy + d * vy, a * u + c * v + e, b * u + d * v + f];
}

/** The edge of a frame as a path. */
function path(out: ByteWriter, { x, y, width, height }: Area, frame: SetFrame | undefined): void {
  const put = (operator: string, ...values: number[]) => {
    for (const value of values) out.number(value).space();
    out.text(`${operator} `);
  };
  const shape = frame?.shape ?? 'rectangle';
  if (shape === 'rectangle') return put('re', x, y, width, height);
  const rx = shape === 'ellipse' ? width / 2 : frame!.radius;
  const ry = shape === 'ellipse' ? height / 2 : frame!.radius;
  const [right, top] = [x + width, y + height];
  const [kx, ky] = [rx * (1 - QUARTER), ry * (1 - QUARTER)];
  put('m', x + rx, y);
  put('l', right - rx, y);
  put('c', right - kx, y, right, y + ky, right, y + ry);
  put('l', right, top - ry);
  put('c', right, top - ky, right - kx, top, right - rx, top);
  put('l', x + rx, top);
  put('c', x + kx, top, x, top - ky, x, top - ry);
  put('l', x, y + ry);
  put('c', x, y + ky, x + kx, y, x + rx, y);
  put('h');
}
