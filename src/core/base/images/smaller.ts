// Pictures with fewer pixels, or without colours, for devices of which both are known.
import { encode as encodeJpeg } from 'jpeg-js';
import { encode as encodePng } from 'fast-png';
import { decodePicture } from './decoders';
import { inRgb, type Raster } from './raster';

/** Quality of JPEG, from 1 to 100: nothing is seen of it at arm's length. */
const QUALITY = 85;

export interface Smaller {
  /** Pixels along the longer side, at most. */
  readonly mostPixels: number;
  readonly isGrey: boolean;
  /** Of its file. */
  readonly mostBytes: number;
}

/** The size of a picture as it is made smaller. */
export function sizeWithin(width: number, height: number, most: number): { width: number; height: number } {
  const ratio = Math.min(1, most / Math.max(width, height, 1));
  return { width: Math.max(1, Math.round(width * ratio)), height: Math.max(1, Math.round(height * ratio)) };
}

/** The mean of the pixels that each new one covers; of colours, by how much of each shows. */
export function scaled(
  { width, height, channels, data, alpha }: Raster,
  to: { width: number; height: number },
): Raster {
  const out = new Uint8Array(to.width * to.height * channels);
  const outAlpha = alpha === null ? null : new Uint8Array(to.width * to.height);
  const sums = new Float64Array(channels);
  for (let y = 0; y < to.height; y += 1) {
    const [top, bottom] = [
      Math.floor((y * height) / to.height),
      Math.max(1, Math.ceil(((y + 1) * height) / to.height)),
    ];
    for (let x = 0; x < to.width; x += 1) {
      const [left, right] = [Math.floor((x * width) / to.width), Math.max(1, Math.ceil(((x + 1) * width) / to.width))];
      sums.fill(0);
      let weight = 0;
      for (let row = top; row < bottom; row += 1)
        for (let column = left; column < right; column += 1) {
          const at = row * width + column;
          const shows = alpha === null ? 255 : alpha[at];
          weight += shows;
          for (let c = 0; c < channels; c += 1) sums[c] += data[at * channels + c] * shows;
        }
      const at = y * to.width + x;
      for (let c = 0; c < channels; c += 1) out[at * channels + c] = weight === 0 ? 0 : Math.round(sums[c] / weight);
      if (outAlpha !== null) outAlpha[at] = Math.round(weight / ((bottom - top) * (right - left)));
    }
  }
  return { width: to.width, height: to.height, channels, data: out, alpha: outAlpha };
}

/** As light as its colours look (Rec. ITU-R BT.709, 3.2). */
function grey({ width, height, channels, data, alpha }: Raster): Raster {
  if (channels === 1) return { width, height, channels, data, alpha };
  const out = new Uint8Array(width * height);
  for (let k = 0; k < out.length; k += 1)
    out[k] = Math.round(0.2126 * data[k * 3] + 0.7152 * data[k * 3 + 1] + 0.0722 * data[k * 3 + 2]);
  return { width, height, channels: 1, data: out, alpha };
}

/** Qualities of JPEG that are tried where the first makes too large a file, before pixels are taken away. */
const LOWER = [75, 65, 55];
/** Pixels along the longer side to which a picture is brought for the size of its file, at least. */
const LEAST_SIDE = 200;

/** A JPEG as a JPEG, any other kind as a PNG: as good as fits. What cannot be decoded stays as it is. */
export function smallerPicture(
  bytes: Uint8Array,
  kind: string,
  { mostPixels, isGrey, mostBytes }: Smaller,
): Uint8Array {
  const decoded = decodePicture(bytes, kind, mostPixels);
  if (decoded === null) return bytes;
  const rgb = inRgb(decoded);
  const size = sizeWithin(rgb.width, rgb.height, mostPixels);
  const fitted = size.width === rgb.width && size.height === rgb.height ? rgb : scaled(rgb, size);
  const whole = isGrey ? grey(fitted) : fitted;
  let made = kind === 'jpeg' ? asJpeg(whole, QUALITY) : asPng(whole);
  if (kind === 'jpeg')
    for (let k = 0; made.length > mostBytes && k < LOWER.length; k += 1) made = asJpeg(whole, LOWER[k]);
  for (let side = Math.max(whole.width, whole.height); made.length > mostBytes && side > LEAST_SIDE;) {
    // Bytes go with the area, more or less.
    side = Math.max(LEAST_SIDE, Math.floor(side * Math.min(0.9, Math.sqrt(mostBytes / made.length))));
    const smaller = scaled(whole, sizeWithin(whole.width, whole.height, side));
    made = kind === 'jpeg' ? asJpeg(smaller, LOWER[LOWER.length - 1]) : asPng(smaller);
  }
  return made;
}

function asJpeg({ width, height, channels, data }: Raster, quality: number): Uint8Array {
  const rgba = new Uint8Array(width * height * 4).fill(255);
  for (let k = 0; k < width * height; k += 1)
    for (let c = 0; c < 3; c += 1) rgba[k * 4 + c] = data[k * channels + (channels === 1 ? 0 : c)];
  return withBuffers(() => new Uint8Array(encodeJpeg({ width, height, data: rgba }, quality).data));
}

/** The package hands its bytes over as a Buffer, which only Node has: anywhere else a plain array stands for one while it works. */
export function withBuffers<T>(work: () => T): T {
  const scope = globalThis as { Buffer?: unknown };
  if (scope.Buffer !== undefined) return work();
  scope.Buffer = { from: (bytes: ArrayLike<number>) => Uint8Array.from(bytes) };
  try {
    return work();
  } finally {
    delete scope.Buffer;
  }
}

export function asPng({ width, height, channels, data, alpha }: Raster): Uint8Array {
  const own = channels === 1 ? 1 : 3;
  if (alpha === null) return encodePng({ width, height, channels: own, depth: 8, data });
  const mixed = new Uint8Array(width * height * (own + 1));
  for (let k = 0; k < width * height; k += 1) {
    for (let c = 0; c < own; c += 1) mixed[k * (own + 1) + c] = data[k * own + c];
    mixed[k * (own + 1) + own] = alpha[k];
  }
  return encodePng({ width, height, channels: (own + 1) as 2 | 4, depth: 8, data: mixed });
}
