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

/** A WebP of 8 by 4 pixels, without loss, red at its head and blue at its foot. */
export const WEBP = Uint8Array.from(atob('UklGRigAAABXRUJQVlA4TBsAAAAvB8AAAB8QU/XV//kPJ4FAgDBp0qSNiP7HlwIA'), (char) =>
  char.charCodeAt(0),
);

/**
 * A TIFF 6.0 of one strip, not pressed, whose samples run from dark to light; of four samples they are inks. `isLittle`: its byte order;
 * `depth`: bits of a sample.
 */
export function tiffOf(
  width: number,
  height: number,
  samples: 1 | 3 | 4,
  isLittle = true,
  depth: 8 | 16 = 8,
): Uint8Array {
  const bytes = depth / 8;
  const data = new Uint8Array(width * height * samples * bytes);
  const tags: [number, number, number][] = [
    [256, 4, width],
    [257, 4, height],
    [258, 3, depth],
    [259, 3, 1],
    [262, 3, { 1: 1, 3: 2, 4: 5 }[samples]],
    [273, 4, 0],
    [277, 3, samples],
    [278, 4, height],
    [279, 4, data.length],
  ];
  const end = 8 + 2 + tags.length * 12 + 4;
  // The depths of several samples stand apart.
  const depths = samples * 2 > 4 ? end : 0;
  const strip = end + (depths > 0 ? samples * 2 : 0);
  const file = new Uint8Array(strip + data.length);
  const view = new DataView(file.buffer);
  file.set(isLittle ? [0x49, 0x49] : [0x4d, 0x4d]);
  view.setUint16(2, 42, isLittle);
  view.setUint32(4, 8, isLittle);
  view.setUint16(8, tags.length, isLittle);
  tags.forEach(([tag, type, value], k) => {
    const at = 10 + k * 12;
    view.setUint16(at, tag, isLittle);
    view.setUint16(at + 2, type, isLittle);
    view.setUint32(at + 4, tag === 258 ? samples : 1, isLittle);
    if (tag === 258 && depths > 0) view.setUint32(at + 8, depths, isLittle);
    else if (type === 3) view.setUint16(at + 8, value, isLittle);
    else view.setUint32(at + 8, tag === 273 ? strip : value, isLittle);
  });
  for (let k = 0; depths > 0 && k < samples; k += 1) view.setUint16(depths + k * 2, depth, isLittle);
  for (let k = 0; k < width * height * samples; k += 1) {
    const value = (k * 7) % 256;
    if (bytes === 1) file[strip + k] = value;
    else view.setUint16(strip + k * 2, value << 8, isLittle);
  }
  return file;
}

/** A JPEG with an Exif segment that says how it was held (1 to 8). */
export function heldJpeg(jpeg: Uint8Array, orientation: number, isLittle = true): Uint8Array {
  const exif = new Uint8Array(6 + 8 + 2 + 12 + 4);
  const view = new DataView(exif.buffer);
  exif.set([...'Exif'].map((char) => char.charCodeAt(0)));
  exif.set(isLittle ? [0x49, 0x49] : [0x4d, 0x4d], 6);
  view.setUint16(8, 42, isLittle);
  view.setUint32(10, 8, isLittle);
  view.setUint16(14, 1, isLittle);
  view.setUint16(16, 0x0112, isLittle);
  view.setUint16(18, 3, isLittle);
  view.setUint32(20, 1, isLittle);
  view.setUint16(24, orientation, isLittle);
  const head = Uint8Array.of(0xff, 0xe1, (exif.length + 2) >> 8, (exif.length + 2) & 255);
  return Uint8Array.from([...jpeg.subarray(0, 2), ...head, ...exif, ...jpeg.subarray(2)]);
}

export const svgOf = (inner: string, attributes = 'width="300" height="200"'): Uint8Array =>
  new TextEncoder().encode(`<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inner}</svg>`);
