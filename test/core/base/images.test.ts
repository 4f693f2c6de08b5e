import { expect } from 'chai';
import fc from 'fast-check';
import { encode } from 'fast-png';
import { fromBase64, toBase64 } from '../../../src/core/base/base64';
import { imageFormat } from '../../../src/core/base/images/imageSize';
import { Coverage } from '../../../src/core/base/images/coverage';
import { indexedPng } from '../../../src/core/base/images/indexedPng';
import { decodeGif, decodePng } from '../../../src/core/base/images/pngAndGif';
import { GIF, jpegOf, pngOf } from '../../build/pictures';

describe('base64', () => {
  it('comes back as the same bytes, and is what Node makes of them', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => {
        expect(toBase64(bytes)).to.equal(Buffer.from(bytes).toString('base64'));
        expect(fromBase64(toBase64(bytes))).to.deep.equal(bytes);
      }),
    );
    const long = new Uint8Array(40_000).map((_, k) => k);
    expect(fromBase64(toBase64(long))).to.deep.equal(long);
  });

  it('is read over line ends and what is no sign of it', () =>
    expect(fromBase64('AQ\n ID\u00e9*==')).to.deep.equal(Uint8Array.of(1, 2, 3)));
});

describe('pictures decoded', () => {
  it('are told apart by their first bytes', () => {
    expect(
      [pngOf(2, 2), jpegOf(2, 2), GIF, Uint8Array.of(0x42, 0x4d), new Uint8Array(0)].map(imageFormat),
    ).to.deep.equal(['png', 'jpeg', 'gif', 'bmp', 'other']);
  });

  it('have the pixels that went in, with alpha apart', () => {
    const grey = decodePng(pngOf(5, 3, 1))!;
    expect(grey).to.include({ width: 5, height: 3, channels: 1, alpha: null });
    expect([...grey.data.slice(0, 4)]).to.deep.equal([0, 7, 14, 21]);
    const coloured = decodePng(pngOf(4, 2, 4))!;
    expect([...coloured.data.slice(0, 6)]).to.deep.equal([0, 7, 14, 28, 35, 42]);
    expect([...coloured.alpha!.slice(0, 2)]).to.deep.equal([21, 49]);
    expect([...decodePng(pngOf(3, 1, 2))!.alpha!]).to.deep.equal([7, 21, 35]);
  });

  it('of sixteen bits are brought to eight, solid alpha is none', () => {
    const data = Uint16Array.of(0x1234, 0xffff, 0x8000, 0xffff);
    const made = decodePng(new Uint8Array(encode({ width: 2, height: 1, data, channels: 2, depth: 16 })))!;
    expect([...made.data]).to.deep.equal([0x12, 0x80]);
    expect(made.alpha).to.equal(null);
  });

  it('of a GIF have their first frame', () => {
    const made = decodeGif(GIF)!;
    expect(made).to.include({ width: 1, height: 1, channels: 3 });
    expect([...made.alpha!]).to.deep.equal([0]);
  });

  it('that are cut short, damaged or enormous are null', () => {
    fc.assert(
      fc.property(fc.nat(60), fc.uint8Array({ maxLength: 80 }), (cut, noise) => {
        const bytes = pngOf(6, 6, 3).slice(0, cut);
        expect(decodePng(bytes)).to.equal(null);
        decodePng(Uint8Array.from([...pngOf(2, 2).slice(0, 30), ...noise]));
        decodeGif(Uint8Array.from([...GIF.slice(0, 20), ...noise]));
      }),
      { numRuns: 300 },
    );
    const enormous = pngOf(2, 2);
    new DataView(enormous.buffer).setUint32(16, 60_000);
    new DataView(enormous.buffer).setUint32(20, 60_000);
    expect(decodePng(enormous)).to.equal(null);
  });
});

describe('shapes of one ink', () => {
  it('cover as much of each pixel as they lie in, holes left out', () => {
    const corner = fc.double({ min: -3, max: 19, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.tuple(corner, corner), { minLength: 3, maxLength: 3 }), (corners) => {
        const shapes = new Coverage(16, 12);
        corners.forEach(([x, y], k) => (k === 0 ? shapes.move(x, y) : shapes.line(x, y)));
        shapes.close();
        const pixels = shapes.pixels();
        // 12 by 12 points in each pixel, asked one by one.
        const side = (px: number, py: number, k: number) => {
          const [[ax, ay], [bx, by]] = [corners[k], corners[(k + 1) % 3]];
          return (bx - ax) * (py - ay) - (by - ay) * (px - ax);
        };
        for (let y = 0; y < 12; y += 1)
          for (let x = 0; x < 16; x += 1) {
            let inside = 0;
            for (let k = 0; k < 144; k += 1) {
              const [px, py] = [x + ((k % 12) + 0.5) / 12, y + (Math.floor(k / 12) + 0.5) / 12];
              const sides = [0, 1, 2].map((edge) => side(px, py, edge));
              if (sides.every((own) => own >= 0) || sides.every((own) => own <= 0)) inside += 1;
            }
            expect(pixels[y * 16 + x] / 255).to.be.closeTo(inside / 144, 0.09);
          }
      }),
      { numRuns: 60 },
    );
    const frame = new Coverage(10, 10);
    frame.rectangle(1, 1, 8, 8);
    frame.hole(3, 3, 4, 4);
    const pixels = frame.pixels();
    expect([pixels[22], pixels[55], pixels[0]]).to.deep.equal([255, 0, 0]);
  });

  it('are written as a PNG with a palette that reads as its colours', () => {
    const pixels = Uint8Array.of(0, 1, 2, 1);
    const palette = Uint8Array.of(10, 20, 30, 40, 50, 60, 70, 80, 90);
    const { width, height, data } = decodePng(indexedPng(pixels, { width: 2, height: 2 }, palette))!;
    expect([width, height]).to.deep.equal([2, 2]);
    expect([...data.slice(0, 12)]).to.deep.equal([10, 20, 30, 40, 50, 60, 70, 80, 90, 40, 50, 60]);
  });
});
