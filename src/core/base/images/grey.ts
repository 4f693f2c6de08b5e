// Pictures in black alone: as dark as their colours look, with as much ink as a tone curve says.
import type { Raster } from './raster';

/** Percent of ink at even steps of darkness in a picture, from none to all. */
type Curve = readonly number[];

/** Of red, green and blue in what an eye sees as light (Rec. ITU-R BT.709, 3.2), as for inks on the black plate. */
const LUMA = [0.2126, 0.7152, 0.0722];

const tables = new Map<string, Uint8Array>();

/** The value on the page, by that in the picture, 0 black to 255 white. */
export function toneTable(curve: Curve): Uint8Array {
  const key = curve.join();
  let table = tables.get(key);
  if (table === undefined) {
    table = Uint8Array.from({ length: 256 }, (_, value) => 255 - Math.round(2.55 * inkAt(curve, 1 - value / 255)));
    tables.set(key, table);
  }
  return table;
}

/** Percent of ink for what is so dark, from 0 to 1: a smooth curve through the points that rises where they do (Fritsch and Carlson 1980). */
export function inkAt(curve: Curve, darkness: number): number {
  const last = curve.length - 1;
  const at = Math.min(1, Math.max(0, darkness)) * last;
  const k = Math.min(last - 1, Math.floor(at));
  const t = at - k;
  const [a, b] = [slopeAt(curve, k), slopeAt(curve, k + 1)];
  const [t2, t3] = [t * t, t * t * t];
  return curve[k] * (2 * t3 - 3 * t2 + 1) + a * (t3 - 2 * t2 + t) + curve[k + 1] * (3 * t2 - 2 * t3) + b * (t3 - t2);
}

/** The steepness at a point: the harmonic mean of those beside it, so that no curve between runs past its points. */
function slopeAt(curve: Curve, k: number): number {
  if (k === 0) return curve[1] - curve[0];
  if (k === curve.length - 1) return curve[k] - curve[k - 1];
  const [before, after] = [curve[k] - curve[k - 1], curve[k + 1] - curve[k]];
  return before <= 0 || after <= 0 ? 0 : (2 * before * after) / (before + after);
}

/** The picture in one channel. */
export function inGrey({ width, height, channels, data, alpha }: Raster, curve: Curve): Raster {
  const table = toneTable(curve);
  const grey = new Uint8Array(width * height);
  for (let k = 0, at = 0; k < grey.length; k += 1, at += channels) grey[k] = table[lightAt(data, at, channels)];
  return { width, height, channels: 1, data: grey, alpha };
}

/** How light a pixel looks, from 0 to 255. */
function lightAt(data: Uint8Array, at: number, channels: Raster['channels']): number {
  if (channels === 1) return data[at];
  if (channels === 3) return Math.round(LUMA[0] * data[at] + LUMA[1] * data[at + 1] + LUMA[2] * data[at + 2]);
  // Each plate takes its share of the light.
  const light = (c: number) => 255 - data[at + c];
  return Math.round(((LUMA[0] * light(0) + LUMA[1] * light(1) + LUMA[2] * light(2)) * light(3)) / 255);
}

/** One colour of red, green and blue. */
export const greyOf = (colour: readonly [number, number, number], curve: Curve): number =>
  toneTable(curve)[lightAt(Uint8Array.from(colour), 0, 3)];

/** Red, green, blue and alpha in place, for a canvas. */
export function greyPixels(rgba: Uint8ClampedArray, curve: Curve): void {
  const table = toneTable(curve);
  for (let k = 0; k < rgba.length; k += 4) {
    const value = table[Math.round(LUMA[0] * rgba[k] + LUMA[1] * rgba[k + 1] + LUMA[2] * rgba[k + 2])];
    rgba[k] = value;
    rgba[k + 1] = value;
    rgba[k + 2] = value;
  }
}
