// Pictures as the press has them: drawings as paths, and in black alone by a tone; read back from the PDF with poppler.
import { expect } from 'chai';
import fc from 'fast-check';
import { greyPixels, inGrey, inkAt, toneTable } from '../../../src/core/base/images/grey';
import { decodeDrawing, decodePicture } from '../../../src/core/base/images/decoders';
import { fileBytes } from '../../../src/core/base/fileJob';
import { writePressPdf } from '../../../src/core/index';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { PLAIN_TONE, type PicturePress, type Tone } from '../../../src/core/model/spec/inks';
import { displayPage } from '../../../src/core/typeset';
import { loadDecoders } from '../../../src/decoders/loadDecoders';
import { compose, newContext, newSubsetter, readAsset } from '../../build/assets';
import { book, chapter, resetIds, words } from '../../build/book';
import { factsOf, jpegOf, picture, pngOf, svgOf, tiffOf, WEBP } from '../../build/pictures';
import { drawnPage, qpdfCheck, runOn } from '../../build/tools';

/** A book with one picture 200 points wide: where it stands, its page as poppler draws it, and its images in the file. */
function printed(file: Uint8Array, pictures: PicturePress) {
  resetIds();
  const facts = factsOf(file, 'a.svg', 'A weir', 200, 0);
  const one = chapter('One', words(60, 1));
  const spec = { ...NOVEL_SPEC, inks: { ...NOVEL_SPEC.inks, pictures } };
  const made = book([{ ...one, blocks: [...one.blocks, picture('p700', facts)] }], [], spec);
  const context = newContext();
  const composed = compose(made, context);
  const bytes = fileBytes(writePressPdf(made, composed, context, newSubsetter(), '2026-01-02T03:04:05Z'), {
    [facts.asset]: file,
  });
  qpdfCheck(bytes);
  const lists = composed.pages.map(({ index }) => displayPage(composed, index, context));
  const page = lists.findIndex((list) => list.pictures.length > 0);
  const images = runOn(bytes, '.pdf', 'pdfimages', (path) => ['-list', path])
    .split('\n')
    .slice(2)
    .filter((row) => row.trim() !== '')
    .map((row) => row.trim().split(/\s+/));
  return { at: lists[page].pictures[0], seen: drawnPage(bytes, page + 1), images, bytes };
}

const AS_THEY_CAME: PicturePress = { press: 'asis', tone: PLAIN_TONE };
const IN_BLACK: PicturePress = { press: 'grey', tone: PLAIN_TONE };

const luma = ([r, g, b]: readonly number[]) => 0.2126 * r + 0.7152 * g + 0.0722 * b;

describe('a tone', () => {
  it('goes through its points, never falls, and never runs past them', () => {
    const tone = fc
      .array(fc.integer({ min: 0, max: 100 }), { minLength: 5, maxLength: 5 })
      .map((list) => [...list].sort((a, b) => a - b));
    fc.assert(
      fc.property(tone, (curve) => {
        curve.forEach((ink, k) => expect(inkAt(curve, k / 4)).to.be.closeTo(ink, 1e-9));
        let before = curve[0];
        for (let k = 0; k <= 200; k += 1) {
          const ink = inkAt(curve, k / 200);
          expect(ink).to.be.at.least(before - 1e-9);
          expect(ink).to.be.within(
            curve[Math.floor(k / 50.0001)] - 1e-9,
            curve[Math.min(4, Math.floor(k / 50) + 1)] + 1e-9,
          );
          before = ink;
        }
      }),
    );
    // A straight one changes nothing.
    expect([...toneTable(PLAIN_TONE)]).to.deep.equal(Array.from({ length: 256 }, (_, k) => k));
  });

  it('makes the same of pixels on the screen and for the press', () => {
    const curve = [3, 20, 41, 68, 92];
    const data = Uint8Array.from({ length: 300 }, (_, k) => (k * 97) % 256);
    const press = inGrey({ width: 10, height: 10, channels: 3, data, alpha: null }, curve);
    const screen = new Uint8ClampedArray(400);
    for (let k = 0; k < 100; k += 1) screen.set([...data.subarray(k * 3, k * 3 + 3), 255], k * 4);
    greyPixels(screen, curve);
    expect(press.channels).to.equal(1);
    for (let k = 0; k < 100; k += 1)
      expect([...screen.subarray(k * 4, k * 4 + 4)]).to.deep.equal([...Array(3).fill(press.data[k]), 255]);
  });
});

describe('pictures in black alone', () => {
  before(() => loadDecoders(['webp', 'svg'], readAsset));

  it('hold no colour in the PDF, whatever their file; what is grey already goes in as it came', () => {
    const files = [jpegOf(90, 60), pngOf(90, 60, 3), pngOf(90, 60, 4), WEBP, tiffOf(60, 40, 4)];
    for (const file of files) {
      const { images } = printed(file, IN_BLACK);
      expect(images.length).to.be.above(0);
      for (const row of images) expect(row[5], row.join(' ')).to.equal('gray');
      expect(printed(file, AS_THEY_CAME).images[0][5]).to.be.oneOf(['rgb', 'cmyk']);
    }
    const grey = pngOf(90, 60, 1);
    const { bytes } = printed(grey, IN_BLACK);
    const stream = Buffer.from(grey).subarray(grey.indexOf(0x49, 30) + 4, grey.length - 20);
    expect(Buffer.from(bytes).includes(stream.subarray(0, 40))).to.equal(true);
  });

  it('are as dark as the tone says', () => {
    const tone: Tone = [10, 20, 30, 40, 50];
    for (const [fill, value] of [
      ['#ffffff', 10],
      ['#000000', 50],
      ['#808080', 30],
    ] as const) {
      const drawing = svgOf(`<rect width="300" height="200" fill="${fill}"/>`);
      const { at, seen } = printed(drawing, { press: 'grey', tone });
      const [r, g, b] = seen(at.x + at.width / 2, at.y + at.height / 2);
      expect([g, b]).to.deep.equal([r, r]);
      expect(r).to.be.closeTo(255 * (1 - value / 100), 3);
    }
  });
});

const SHAPES = `<defs><clipPath id="c"><circle cx="220" cy="60" r="40"/></clipPath></defs>
<style>.a{fill:#135;stroke:#c22;stroke-width:6}</style>
<g transform="rotate(8 60 60)"><rect class="a" x="20" y="20" width="90" height="70" rx="14"/></g>
<g clip-path="url(#c)"><rect x="170" y="0" width="120" height="60" fill="#282"/></g>
<path d="M20 180 Q60 100 100 180 T180 180 a20 20 0 0 1 40 0 z" fill="#f80" fill-rule="evenodd"/>
<g opacity="0.5"><rect x="150" y="90" width="60" height="60" fill="#00f"/><rect x="180" y="110" width="60" height="60" fill="#f00"/></g>
<path d="M240 100 h50 M240 120 h50" stroke="#000" stroke-width="8" stroke-dasharray="12 6" stroke-opacity="0.6" fill="none"/>
<text x="20" y="198" font-size="14">Weir</text>`;

const SHADED = `<defs><linearGradient id="g"><stop offset="0" stop-color="#f00"/><stop offset="1" stop-color="#00f"/></linearGradient></defs>
<rect width="300" height="200" fill="url(#g)"/>`;

describe('drawings in the press PDF', () => {
  before(() => loadDecoders(['svg'], readAsset));

  it('are paths, and look as they do as pixels', () => {
    for (const attributes of [
      'width="300" height="200"',
      'viewBox="0 0 300 200" width="600"',
      'viewBox="0 0 300 200" width="300" height="300"',
    ]) {
      const drawing = svgOf(SHAPES, attributes);
      const { at, seen, images } = printed(drawing, AS_THEY_CAME);
      expect(images).to.deep.equal([]);
      const pixels = decodePicture(drawing, 'svg', 600)!;
      const { width, height, channels, data, alpha } = pixels;
      const ofPixels = (u: number, v: number) => {
        const k = Math.floor(v * height) * width + Math.floor(u * width);
        const share = alpha === null ? 1 : alpha[k] / 255;
        return [0, 1, 2].map((c) => 255 + (data[k * channels + (channels < 3 ? 0 : c)] - 255) * share);
      };
      let [off, all] = [0, 0];
      for (let v = 0.02; v < 1; v += 0.02)
        for (let u = 0.02; u < 1; u += 0.02) {
          const [x, y] = [Math.round(at.x + u * at.width), Math.round(at.y + v * at.height)];
          const [from, to] = [ofPixels((x - at.x) / at.width, (y - at.y) / at.height), seen(x, y)];
          all += 1;
          // Edges fall on other pixels.
          if (from.some((value, c) => Math.abs(value - to[c]) > 90)) off += 1;
        }
      expect(off / all, attributes).to.be.below(0.06);
    }
  });

  it('in black alone are as dark as their colours look', () => {
    const drawing = svgOf('<rect width="300" height="200" fill="#246"/>');
    const { at, seen, images } = printed(drawing, IN_BLACK);
    expect(images).to.deep.equal([]);
    const [r, g, b] = seen(at.x + at.width / 2, at.y + at.height / 2);
    expect([g, b]).to.deep.equal([r, r]);
    expect(r).to.be.closeTo(luma([0x22, 0x44, 0x66]), 3);
  });

  it('that paths cannot show are drawn as pixels, and damaged ones are neither', () => {
    const { images } = printed(svgOf(SHADED), AS_THEY_CAME);
    expect(images.map((row) => row[2])).to.deep.equal(['image']);
    // 200 points at 600 pixels to the inch.
    expect(Number(images[0][12])).to.be.closeTo(600, 4);
    for (const inner of [
      SHADED,
      '<mask id="m"><rect width="9" height="9" fill="#fff"/></mask><rect mask="url(#m)" width="30" height="20"/>',
      '<filter id="f"><feGaussianBlur stdDeviation="2"/></filter><rect filter="url(#f)" width="30" height="20"/>',
    ])
      expect(decodeDrawing(svgOf(inner)), inner).to.equal(null);
    expect(decodeDrawing(new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg"><rect'))).to.equal(null);
    expect(decodeDrawing(svgOf('<rect width="1e999" height="20"/>', 'width="0" height="0"'))).to.equal(null);
  });
});
