// Small real pictures for tests.
import { encode } from 'fast-png';
import { encode as encodeJpeg } from 'jpeg-js';
import { pictureOf } from '../../src/core/copy/pictureOf';
import { OBJECT_CHARACTER, paragraph, type Paragraph, type PictureFacts } from '../../src/core/model/copy/streams';

/** A PNG of so many channels whose values run from dark to light; the last of two or four is its alpha. */
export function pngOf(width: number, height: number, channels: 1 | 2 | 3 | 4 = 1, seed = 0): Uint8Array {
  const data = Uint8Array.from({ length: width * height * channels }, (_, k) => (k * 7 + seed) % 256);
  return new Uint8Array(encode({ width, height, data, channels, depth: 8 }));
}

export function jpegOf(width: number, height: number): Uint8Array {
  const data = Uint8Array.from({ length: width * height * 4 }, (_, k) => (k * 5) % 256);
  return new Uint8Array(encodeJpeg({ data, width, height }, 70).data);
}

/** One black pixel that is seen through (GIF89a). */
export const GIF = Uint8Array.from([
  ...[0x47, 0x49, 0x46, 0x38, 0x39, 0x61, 1, 0, 1, 0, 0x80, 0, 0, 0, 0, 0, 0xff, 0xff, 0xff],
  ...[0x21, 0xf9, 4, 1, 0, 0, 0, 0, 0x2c, 0, 0, 0, 0, 1, 0, 1, 0, 0, 2, 2, 0x44, 1, 0, 0x3b],
]);

export function factsOf(bytes: Uint8Array, name = 'weir.png', alt = 'A weir', width = 0, height = 0): PictureFacts {
  return pictureOf(bytes, { name, width: 0, height: 0, alt }, { width, height });
}

/** A paragraph that is the picture. */
export function picture(id: string, facts: PictureFacts, style = 'TX'): Paragraph {
  return paragraph(id, style, OBJECT_CHARACTER, { objects: [{ ...facts, at: 0 }] });
}
