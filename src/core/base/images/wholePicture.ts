// Whether a file of a picture has the parts without which nothing shows it; it is not decoded. And pictures of nothing, in place of those that
// have not.
import { encode as encodeJpeg } from 'jpeg-js';
import { jpegFrame } from './imageSize';
import { withBuffers } from './smaller';
import { indexedPng } from './indexedPng';

/** `kind`: PNG (third edition, 5.6), JPEG (ITU T.81, B.2) and GIF (GIF89a, 20) are looked at; others are taken to be whole. */
export function isWholePicture(bytes: Uint8Array, kind: string): boolean {
  if (kind === 'png') return isWholePng(bytes);
  if (kind === 'jpeg') return hasScan(bytes);
  return kind !== 'gif' || (bytes.length > 14 && bytes.subarray(13).includes(0x2c));
}

/** Its chunks follow each other to the last one, and rows of pixels are among them. */
function isWholePng(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let hasPixels = false;
  for (let at = 8; at + 12 <= bytes.length;) {
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    if (type === 'IEND') return hasPixels;
    if (type === 'IDAT') hasPixels = true;
    at += 12 + view.getUint32(at);
  }
  return false;
}

/** It has a frame, and a scan after it. */
function hasScan(bytes: Uint8Array): boolean {
  const frame = jpegFrame(bytes);
  if (frame === null || frame.width * frame.height === 0) return false;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 2; at + 4 <= bytes.length && bytes[at] === 0xff; at += 2 + view.getUint16(at + 2))
    if (bytes[at + 1] === 0xda) return true;
  return false;
}

const WHITE = { width: 1, height: 1 };
const GIF = [
  0x47, 0x49, 0x46, 0x38, 0x39, 0x61, 1, 0, 1, 0, 0x80, 0, 0, 255, 255, 255, 0, 0, 0, 0x2c, 0, 0, 0, 0, 1, 0,
];

/** A white pixel as a file of a kind. */
export function blankPicture(kind: 'png' | 'jpeg' | 'gif'): Uint8Array {
  if (kind === 'gif') return Uint8Array.from([...GIF, 1, 0, 0, 2, 2, 0x44, 1, 0, 0x3b]);
  if (kind === 'png') return indexedPng(Uint8Array.of(0), WHITE, Uint8Array.of(255, 255, 255));
  return withBuffers(() => new Uint8Array(encodeJpeg({ ...WHITE, data: new Uint8Array(4).fill(255) }, 80).data));
}
