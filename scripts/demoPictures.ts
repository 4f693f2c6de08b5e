// The pictures of the demonstration manuscripts, drawn here: no picture of anybody's is needed. Grey values by pixel, smooth at
// edges; one becomes a PNG and one a JPEG, so that both kinds occur.
import { encode as encodePng } from 'fast-png';
import { encode as encodeJpeg } from 'jpeg-js';

export interface DemoPicture {
  readonly bytes: Uint8Array;
  readonly type: 'png' | 'jpg';
  readonly width: number;
  readonly height: number;
}

/** Share of a pixel that is inside, from its distance to an edge, inside positive. */
const inside = (distance: number) => Math.min(1, Math.max(0, distance + 0.5));
const over = (below: number, grey: number, share: number) => below + (grey - below) * share;

/** The water at a post through a day and a half, and the heights of three plots. */
function tides(x: number, y: number): number {
  const [width, height] = [1170, 560];
  const levelAt = (at: number) =>
    height * 0.5 - 150 * Math.cos((at / width) * Math.PI * 6) - 55 * Math.cos((at / width) * Math.PI * 3 + 0.6);
  const level = levelAt(x);
  const slope = levelAt(x + 1) - level;
  const depth = (y - level) / Math.hypot(1, slope);
  let grey = over(255, 222, inside(depth));
  for (const [plot, dash] of [
    [0.3, 26],
    [0.47, 14],
    [0.64, 6],
  ]) {
    const isOn = x % (dash * 2) < dash;
    if (isOn) grey = over(grey, 90, inside(1.4 - Math.abs(y - height * plot)));
  }
  grey = over(grey, 25, inside(3.2 - Math.abs(depth)));
  // The frame, and a tick every three hours.
  grey = over(grey, 25, inside(2 - Math.min(x, y, width - 1 - x, height - 1 - y)));
  const tick = Math.abs((((x / width) * 12) % 1) - 0.5) > 0.5 - 1.6 / (width / 12);
  return tick && y > height - 20 ? 25 : grey;
}

/** A section through a plot: sky, a wall of stones, the ground behind it and the water before it. */
function section(x: number, y: number): number {
  const height = 640;
  let grey = 250 - (y / height) * 26;
  const ground = 430 - 60 * Math.exp(-(((x - 700) / 330) ** 2)) + (x < 420 ? (420 - x) * 0.22 : 0);
  const water = 392 + 5 * Math.sin(x / 31) + 3 * Math.sin(x / 13);
  if (x < 470) grey = over(grey, 205 - 20 * Math.sin((y - water) / 15), inside(y - water));
  const soil = 120 + 18 * Math.sin(x / 7 + Math.sin(y / 5) * 2) + 10 * Math.sin(y / 4 + x / 19);
  grey = over(grey, soil, inside(y - ground));
  for (let row = 0; row < 5; row += 1) {
    for (let k = 0; k < 2; k += 1) {
      const [cx, cy] = [432 + k * 66 + (row % 2) * 30 - 14, 468 - row * 34];
      const distance = (1 - Math.hypot((x - cx) / 36, (y - cy) / 19)) * 19;
      grey = over(grey, 70, inside(distance + 2.5));
      grey = over(grey, 168 + 22 * Math.sin((x + y * 2) / 17 + row) - (y - cy) * 1.4, inside(distance));
    }
  }
  // Beds: leaves on stems behind the wall.
  for (let plant = 0; plant < 7; plant += 1) {
    const px = 600 + plant * 68;
    const foot = 430 - 60 * Math.exp(-(((px - 700) / 330) ** 2));
    const high = 62 + 20 * Math.sin(plant * 2.1);
    if (y < foot && y > foot - high)
      grey = over(grey, 45, inside(2 - Math.abs(x - px - Math.sin((foot - y) / 20) * 4)));
    for (let leaf = 0; leaf < 4; leaf += 1) {
      const side = leaf % 2 === 0 ? 1 : -1;
      const [lx, ly] = [px + side * 15, foot - 18 - leaf * (high / 4.6)];
      const turned = (x - lx) * 0.86 + side * (y - ly) * 0.5;
      const across = -side * (x - lx) * 0.5 + (y - ly) * 0.86;
      grey = over(grey, 62 + leaf * 12, inside((1 - Math.hypot(turned / 17, across / 6)) * 6));
    }
  }
  return grey;
}

function raster(width: number, height: number, at: (x: number, y: number) => number): Uint8Array {
  const grey = new Uint8Array(width * height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) grey[y * width + x] = Math.max(0, Math.min(255, Math.round(at(x, y))));
  return grey;
}

function png(width: number, height: number, at: (x: number, y: number) => number): DemoPicture {
  const bytes = encodePng({ width, height, data: raster(width, height, at), channels: 1, depth: 8 });
  return { bytes, type: 'png', width, height };
}

function jpeg(width: number, height: number, at: (x: number, y: number) => number): DemoPicture {
  const grey = raster(width, height, at);
  const data = new Uint8Array(width * height * 4);
  grey.forEach((value, k) => data.set([value, value, value, 255], k * 4));
  return { bytes: new Uint8Array(encodeJpeg({ data, width, height }, 82).data), type: 'jpg', width, height };
}

/** By the name under which the source asks for it. */
export const DEMO_PICTURES: Readonly<Record<string, () => DemoPicture>> = {
  'tides.png': () => png(1170, 560, tides),
  'section.jpg': () => jpeg(1170, 640, section),
};
