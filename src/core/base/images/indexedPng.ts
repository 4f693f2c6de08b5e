// Pictures of few colours as PNG with a palette (PNG, third edition, 11.2): a byte for each pixel.
import { zlibSync } from 'fflate';
import { crc32 } from '../zipWriter';

const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];

function chunk(type: string, data: Uint8Array): Uint8Array {
  const out = new Uint8Array(data.length + 12);
  const view = new DataView(out.buffer);
  view.setUint32(0, data.length);
  for (let k = 0; k < 4; k += 1) out[4 + k] = type.charCodeAt(k);
  out.set(data, 8);
  view.setUint32(data.length + 8, crc32(out.subarray(4, data.length + 8)));
  return out;
}

/** `pixels`: an index for each, row by row; `palette`: red, green and blue of up to 256 colours. */
export function indexedPng(
  pixels: Uint8Array,
  { width, height }: { readonly width: number; readonly height: number },
  palette: Uint8Array,
): Uint8Array {
  const header = new Uint8Array(13);
  const view = new DataView(header.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  // 8 bits, indices into a palette; no interlacing.
  header.set([8, 3], 8);
  // Before each row the number of its filter: none.
  const rows = new Uint8Array((width + 1) * height);
  for (let row = 0; row < height; row += 1)
    rows.set(pixels.subarray(row * width, (row + 1) * width), row * (width + 1) + 1);
  const parts = [
    Uint8Array.from(SIGNATURE),
    chunk('IHDR', header),
    chunk('PLTE', palette),
    chunk('IDAT', zlibSync(rows, { level: 3 })),
    chunk('IEND', new Uint8Array(0)),
  ];
  const out = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}
