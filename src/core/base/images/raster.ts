// Pixels of a picture, whatever file they came from.

/**
 * Eight bits a channel, rows from the top: grey, red, green and blue, or cyan, magenta, yellow and black (255: all of the ink); `alpha` one byte a
 * pixel, null when nothing shows through.
 */
export interface Raster {
  readonly width: number;
  readonly height: number;
  readonly channels: 1 | 3 | 4;
  readonly data: Uint8Array;
  readonly alpha: Uint8Array | null;
}

/** No picture of a book has more pixels; a file that says so is made to fill memory. */
export const MOST_PIXELS = 120_000_000;

/** Grey or red, green and blue; the four inks as they would look without a profile. */
export function inRgb(raster: Raster): Raster & { readonly channels: 1 | 3 } {
  const { width, height, channels, data, alpha } = raster;
  if (channels !== 4) return { ...raster, channels };
  const rgb = new Uint8Array(width * height * 3);
  for (let k = 0; k < width * height; k += 1) {
    const light = 255 - data[k * 4 + 3];
    for (let c = 0; c < 3; c += 1) rgb[k * 3 + c] = Math.round(((255 - data[k * 4 + c]) * light) / 255);
  }
  return { width, height, channels: 3, data: rgb, alpha };
}

/** Red, green, blue and alpha apart. */
export function rasterOf(rgba: Uint8Array | Uint8ClampedArray, width: number, height: number): Raster {
  const raster = separate(new Uint8Array(rgba.buffer, rgba.byteOffset, rgba.length), width, height, 4, undefined, 8);
  const { data } = raster;
  for (let k = 0; k < data.length; k += 3) if (data[k] !== data[k + 1] || data[k] !== data[k + 2]) return raster;
  // What holds no colour is grey, and takes no ink but black.
  const grey = new Uint8Array(width * height);
  for (let k = 0; k < grey.length; k += 1) grey[k] = data[k * 3];
  return { ...raster, channels: 1, data: grey };
}

/** Colours and alpha apart. `keys`: a colour that nothing shows of (PNG 11.3.2.1), in the depth of the file. */
export function separate(
  data: Uint8Array,
  width: number,
  height: number,
  channels: number,
  keys: Uint16Array | undefined,
  depth: number,
): Raster {
  const pixels = width * height;
  const colours = channels >= 3 ? 3 : 1;
  const hasAlpha = channels === 2 || channels === 4;
  if (!hasAlpha && keys === undefined)
    return { width, height, channels: colours, data: data.subarray(0, pixels * colours), alpha: null };
  const plain = new Uint8Array(pixels * colours);
  const alpha = new Uint8Array(pixels);
  const key = Array.from({ length: colours }, (_, c) => keyByte(keys?.[c] ?? 0, depth));
  let isSolid = true;
  for (let k = 0; k < pixels; k += 1) {
    let isKey = keys !== undefined;
    for (let c = 0; c < colours; c += 1) {
      const value = data[k * channels + c];
      plain[k * colours + c] = value;
      if (value !== key[c]) isKey = false;
    }
    alpha[k] = hasAlpha ? data[k * channels + channels - 1] : isKey ? 0 : 255;
    if (alpha[k] !== 255) isSolid = false;
  }
  return { width, height, channels: colours, data: plain, alpha: isSolid ? null : alpha };
}

const keyByte = (value: number, depth: number) =>
  depth === 16 ? value >> 8 : depth < 8 ? Math.round((value * 255) / ((1 << depth) - 1)) : value;
