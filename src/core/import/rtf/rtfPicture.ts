// A picture of a rich text file (RTF 1.9.1, Pictures): hexadecimal or binary, with its size in pixels and in twips.
import { concat } from '../../base/bytes';
import type { PictureFacts } from '../../model/copy/streams';
import type { Incoming } from '../incoming';

const TWIPS = 20;

export class RtfPicture {
  private readonly parts: Uint8Array[] = [];
  private odd = '';
  private readonly sizes: Record<string, number> = {};

  /** Hexadecimal digits; other signs among them are passed over. */
  addHex(text: string): void {
    const digits = this.odd + text.replace(/[^0-9a-f]/gi, '');
    const bytes = new Uint8Array(digits.length >> 1);
    for (let k = 0; k < bytes.length; k += 1) bytes[k] = Number.parseInt(digits.slice(k * 2, k * 2 + 2), 16);
    this.odd = digits.length % 2 === 1 ? digits.slice(-1) : '';
    if (bytes.length > 0) this.parts.push(bytes);
  }

  addBytes(bytes: Uint8Array): void {
    this.parts.push(bytes);
  }

  /** A word of the picture's size: `picw` and `pich` in pixels, `picwgoal` and `pichgoal` in twips, scales in percent. */
  size(word: string, value: number): void {
    if (/^pic(w|h|wgoal|hgoal|scalex|scaley)$/.test(word)) this.sizes[word] = Math.max(0, value);
  }

  finish(incoming: Incoming): PictureFacts {
    const bytes = concat(this.parts);
    const { picw = 0, pich = 0, picwgoal = 0, pichgoal = 0, picscalex = 100, picscaley = 100 } = this.sizes;
    const name = `picture ${incoming.images.length + 1}`;
    const shown = { width: (picwgoal / TWIPS) * (picscalex / 100), height: (pichgoal / TWIPS) * (picscaley / 100) };
    return incoming.picture(
      bytes.length === 0 ? undefined : bytes,
      { name, width: picw, height: pich, alt: '' },
      shown,
    );
  }
}
