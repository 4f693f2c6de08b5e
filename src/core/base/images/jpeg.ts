// JPEG decoded to pixels, by package code, in the rows of the file: its orientation is not looked at. Null for what cannot be decoded.
import { decode } from 'jpeg-js';
import { jpegFrame } from './imageSize';
import { MOST_PIXELS, rasterOf, type Raster } from './raster';

/** Millions of bytes that a picture may take while it is decoded. */
const MOST_MEMORY = 3000;

export function decodeJpeg(bytes: Uint8Array): Raster | null {
  const frame = jpegFrame(bytes);
  if (frame === null || frame.width * frame.height === 0 || frame.width * frame.height > MOST_PIXELS) return null;
  const { data, width, height } = decode(bytes, {
    useTArray: true,
    formatAsRGBA: true,
    maxResolutionInMP: MOST_PIXELS / 1e6,
    maxMemoryUsageInMB: MOST_MEMORY,
  });
  return rasterOf(data, width, height);
}
