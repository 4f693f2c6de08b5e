// Pictures as PNG, for readers that show no other kind of theirs.
import { decodePicture } from './decoders';
import { inRgb, type Raster } from './raster';
import { asPng } from './smaller';

/** Pixels across at which drawings are drawn. */
const DRAWN = 1600;

const BLANK: Raster = { width: 1, height: 1, channels: 1, data: Uint8Array.of(255), alpha: null };

/** A blank one for what cannot be decoded. `kind`: one of `decodePicture`. */
export const pictureAsPng = (bytes: Uint8Array, kind: string): Uint8Array =>
  asPng(inRgb(decodePicture(bytes, kind, DRAWN) ?? BLANK));
