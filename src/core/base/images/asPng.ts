// Pictures as PNG, for readers that show no other kind of theirs.
import { encode } from 'fast-png';
import { decodePicture } from './decoders';
import { inRgb, type Raster } from './raster';

/** Pixels across at which drawings are drawn. */
const DRAWN = 1600;

const BLANK: Raster = { width: 1, height: 1, channels: 1, data: Uint8Array.of(255), alpha: null };

/** A blank one for what cannot be decoded. `kind`: one of `decodePicture`. */
export function pictureAsPng(bytes: Uint8Array, kind: string): Uint8Array {
  const { width, height, channels, data, alpha } = inRgb(decodePicture(bytes, kind, DRAWN) ?? BLANK);
  if (alpha === null) return encode({ width, height, channels, depth: 8, data });
  const mixed = new Uint8Array(width * height * (channels + 1));
  for (let k = 0; k < width * height; k += 1) {
    for (let c = 0; c < channels; c += 1) mixed[k * (channels + 1) + c] = data[k * channels + c];
    mixed[k * (channels + 1) + channels] = alpha[k];
  }
  return encode({ width, height, channels: (channels + 1) as 2 | 4, depth: 8, data: mixed });
}
