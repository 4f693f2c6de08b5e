// PNG and GIF decoded to pixels, by package code. What cannot be decoded is null, never an error.
import { convertIndexedToRgb, decode } from 'fast-png';
import { GifReader } from 'omggif';
import { imageSize } from './imageSize';
import { MOST_PIXELS, separate, type Raster } from './raster';

export function decodePng(bytes: Uint8Array): Raster | null {
  const { width, height } = imageSize(bytes);
  if (width * height === 0 || width * height > MOST_PIXELS) return null;
  try {
    const png = decode(bytes);
    const palette = png.palette;
    const data = palette === undefined ? toBytes(unpackBits(png)) : convertIndexedToRgb(png);
    const channels = palette === undefined ? png.channels : palette[0]?.length === 4 ? 4 : 3;
    const keys = palette === undefined ? png.transparency : undefined;
    return separate(data as Uint8Array, width, height, channels, keys, png.depth);
  } catch {
    return null;
  }
}

/** The first frame, on nothing. */
export function decodeGif(bytes: Uint8Array): Raster | null {
  const { width, height } = imageSize(bytes);
  if (width * height === 0 || width * height > MOST_PIXELS) return null;
  try {
    const reader = new GifReader(bytes as unknown as ConstructorParameters<typeof GifReader>[0]);
    const rgba = new Uint8Array(reader.width * reader.height * 4);
    reader.decodeAndBlitFrameRGBA(0, rgba);
    return separate(rgba, reader.width, reader.height, 4, undefined, 8);
  } catch {
    return null;
  }
}

type Decoded = ReturnType<typeof decode>;

/** Grey of less than eight bits, spread to eight; rows of the file begin at whole bytes. */
function unpackBits({
  data,
  depth,
  width,
  height,
  channels,
}: Decoded): ArrayLike<number> & { readonly BYTES_PER_ELEMENT: number } {
  if (depth >= 8 || channels !== 1) return data;
  const spread = new Uint8Array(width * height);
  const rowBytes = Math.ceil((width * depth) / 8);
  const most = (1 << depth) - 1;
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const bit = x * depth;
      const value = (data[y * rowBytes + (bit >> 3)] >> (8 - depth - (bit & 7))) & most;
      spread[y * width + x] = Math.round((value * 255) / most);
    }
  return spread;
}

function toBytes(data: ArrayLike<number> & { readonly BYTES_PER_ELEMENT: number }): Uint8Array {
  const bytes = new Uint8Array(data.length);
  const shift = data.BYTES_PER_ELEMENT === 2 ? 8 : 0;
  for (let k = 0; k < data.length; k += 1) bytes[k] = data[k] >> shift;
  return bytes;
}
