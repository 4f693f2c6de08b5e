// WOFF2 files made by others, unpacked: every glyph and advance as in the TTF of the same font.
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import { ImportError } from '../../../src/core/base/errors';
import { HarfBuzz, ownFace, unpackWoff2 } from '../../../src/core/index';
import { unpackFont } from '../../../src/worker/unpackFont';
import { readAsset } from '../../build/assets';

const { resolve } = createRequire(import.meta.url);
const fileOf = (path: string) => new Uint8Array(readFileSync(resolve(`source-code-pro/${path}`)));
const brotli = (bytes: Uint8Array, size: number) =>
  new Uint8Array(brotliDecompressSync(bytes, { maxOutputLength: size }));
const harfBuzz = new HarfBuzz(readAsset('harfbuzz.wasm'));

/** Outlines and advances of the glyphs of a font, by their numbers. */
function glyphsOf(bytes: Uint8Array, count: number) {
  const font = harfBuzz.openFont(bytes);
  return Array.from({ length: count }, (_, glyph) => ({
    advance: harfBuzz.advanceOf(font, glyph),
    outline: [...harfBuzz.outlineOf(font, glyph)],
  }));
}

describe('a font packed as WOFF2', () => {
  for (const [packed, plain] of [
    ['WOFF2/TTF/SourceCodePro-Regular.ttf.woff2', 'TTF/SourceCodePro-Regular.ttf'],
    ['WOFF2/TTF/SourceCodePro-It.ttf.woff2', 'TTF/SourceCodePro-It.ttf'],
    ['WOFF2/OTF/SourceCodePro-Regular.otf.woff2', 'OTF/SourceCodePro-Regular.otf'],
  ] as const)
    it(`has the glyphs of ${plain}`, () => {
      const unpacked = unpackWoff2('mine.woff2', fileOf(packed), brotli);
      const original = fileOf(plain);
      const count = 700;
      expect(glyphsOf(unpacked, count)).to.deep.equal(glyphsOf(original, count));
      const [a, b] = [ownFace('a', unpacked), ownFace('b', original)];
      expect({ ...a, file: '' }).to.deep.equal({ ...b, file: '' });
    });

  it('is unpacked by the worker too, and left alone when it is no such file', async () => {
    const packed = fileOf('WOFF2/TTF/SourceCodePro-Regular.ttf.woff2');
    expect(await unpackFont('mine.woff2', packed)).to.deep.equal(unpackWoff2('mine.woff2', packed, brotli));
    const plain = fileOf('TTF/SourceCodePro-Regular.ttf');
    expect(await unpackFont('mine.ttf', plain)).to.equal(plain);
  });

  it('is not unpacked beyond what its tables say, however much its stream holds', () => {
    const packed = fileOf('WOFF2/TTF/SourceCodePro-Regular.ttf.woff2');
    const bomb = brotliCompressSync(Buffer.alloc(80 * 1024 * 1024));
    let most = 0;
    const watched = (_: Uint8Array, size: number) => {
      most = size;
      return brotli(bomb, size);
    };
    expect(() => unpackWoff2('mine.woff2', packed, watched)).to.throw(ImportError, 'mine.woff2 is damaged');
    expect(most).to.be.below(2_000_000);
  });

  it('is refused with a sentence wherever it is cut short or changed', async () => {
    const packed = fileOf('WOFF2/TTF/SourceCodePro-Regular.ttf.woff2');
    for (const length of [4, 30, 60, 200, 5000, packed.length - 40])
      expect(() => unpackWoff2('mine.woff2', packed.slice(0, length), brotli), `${length}`).to.throw(
        ImportError,
        'mine.woff2 is damaged',
      );
    const large = packed.slice();
    large.set([0x8f, 0xff, 0xff, 0xff, 0x7f], 49);
    expect(() => unpackWoff2('mine.woff2', large, brotli)).to.throw(ImportError, 'mine.woff2');
    const several = packed.slice();
    several.set([0x74, 0x74, 0x63, 0x66], 4);
    expect(() => unpackWoff2('mine.woff2', several, brotli)).to.throw(ImportError, 'several fonts');
    let problem: unknown;
    await unpackFont('mine.woff2', packed.slice(0, 3000)).catch((error: unknown) => (problem = error));
    expect(problem).to.be.instanceOf(ImportError);
  });
});
