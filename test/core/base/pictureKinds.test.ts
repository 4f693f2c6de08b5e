// Pictures of every kind: known by their bytes, measured, decoded, cleaned.
import { expect } from 'chai';
import fc from 'fast-check';
import { decodePicture } from '../../../src/core/base/images/decoders';
import { imageFormat, imageSize, jpegFrame } from '../../../src/core/base/images/imageSize';
import { pictureAsPng } from '../../../src/core/base/images/asPng';
import { decodePng } from '../../../src/core/base/images/pngAndGif';
import { cleanSvg, svgSize } from '../../../src/core/base/images/svg';
import { loadDecoders } from '../../../src/decoders/loadDecoders';
import { readAsset } from '../../build/assets';
import { heldJpeg, jpegOf, svgOf, tiffOf, WEBP } from '../../build/pictures';

const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);

describe('TIFF pictures', () => {
  it('are measured and decoded in either byte order, and keep their inks', () => {
    for (const isLittle of [true, false])
      for (const samples of [1, 3, 4] as const)
        for (const depth of samples === 4 ? ([8, 16] as const) : ([8] as const)) {
          const bytes = tiffOf(5, 3, samples, isLittle, depth);
          expect([imageFormat(bytes), imageSize(bytes)]).to.deep.equal(['tiff', { width: 5, height: 3 }]);
          const raster = decodePicture(bytes, 'tiff', 0)!;
          expect(raster).to.include({ width: 5, height: 3, channels: samples, alpha: null });
          const values = Array.from({ length: 5 * 3 * samples }, (_, k) => (k * 7) % 256);
          expect([...raster.data]).to.deep.equal(values);
        }
  });

  it('that are damaged, cut or too large are none, and never an error', () => {
    const whole = tiffOf(9, 7, 3);
    fc.assert(
      fc.property(
        fc.nat({ max: whole.length }),
        fc.nat({ max: 255 }),
        fc.nat({ max: whole.length }),
        (at, value, cut) => {
          const bytes = whole.slice(0, cut);
          if (at < bytes.length) bytes[at] = value;
          const raster = decodePicture(bytes, 'tiff', 0);
          if (raster !== null) expect(raster.width * raster.height).to.be.above(0);
        },
      ),
      { numRuns: 400 },
    );
    const huge = tiffOf(2, 2, 1);
    new DataView(huge.buffer).setUint32(18, 200_000_000, true);
    expect(decodePicture(huge, 'tiff', 0)).to.equal(null);
  });
});

describe('a JPEG that was held sideways', () => {
  it('is as wide as it is seen, whichever byte order says so', () => {
    for (const isLittle of [true, false])
      for (let orientation = 1; orientation <= 8; orientation += 1) {
        const bytes = heldJpeg(jpegOf(16, 8), orientation, isLittle);
        expect(jpegFrame(bytes)).to.include({ width: 16, height: 8, orientation });
        expect(imageSize(bytes)).to.deep.equal(orientation > 4 ? { width: 8, height: 16 } : { width: 16, height: 8 });
      }
    expect(jpegFrame(heldJpeg(jpegOf(16, 8), 9))).to.include({ orientation: 1 });
  });
});

describe('drawings', () => {
  it('are known by their first element, and measured by width and height or the box of the view', () => {
    const prolog = new TextEncoder().encode(
      '\uFEFF<?xml version="1.0"?>\n<!-- made by hand -->\n<svg viewBox="0 0 40 30"/>',
    );
    expect([imageFormat(prolog), imageSize(prolog)]).to.deep.equal(['svg', { width: 40, height: 30 }]);
    const cases: [string, [number, number]][] = [
      ['width="300" height="200"', [300, 200]],
      ['width="2in" height="72pt"', [192, 96]],
      ['width="100" viewBox="0 0 50 25"', [100, 50]],
      ['height="10mm" viewBox="0 0 4 2"', [(2 * 960) / 25.4, 960 / 25.4 / 1]],
      ['width="100%" height="100%" viewBox="0,0,64,32"', [64, 32]],
      ['', [0, 0]],
    ];
    for (const [attributes, [width, height]] of cases) {
      const size = svgSize(svgOf('', attributes));
      expect(size.width, attributes).to.be.closeTo(attributes.includes('10mm') ? 75.59 : width, 0.01);
      expect(size.height, attributes).to.be.closeTo(attributes.includes('10mm') ? 37.8 : height, 0.01);
    }
    expect(imageFormat(new TextEncoder().encode('<html><svg width="3" height="4"></svg></html>'))).to.equal('other');
  });

  it('lose what runs, listens or reaches out, and keep the rest', () => {
    const dirty =
      svgOf(`<style>@import url(http://a.example/x.css); .a{fill:url(#g);stroke:url(http://a.example/b)}</style>
      <script>steal()</script><foreignObject><p xmlns="http://www.w3.org/1999/xhtml">hidden</p></foreignObject>
      <rect class="a" width="9" height="9" onclick="steal()" style="fill:url('http://a.example/c')"/>
      <image href="http://a.example/p.png"/><image xmlns:xlink="http://www.w3.org/1999/xlink" xlink:href="data:image/png;base64,AAAA"/>
      <a href="javascript:steal()"><text>Weed &amp; wrack</text></a><use href="#g"/>`);
    const clean = cleanSvg(text(dirty))!;
    expect(clean).to.not.match(/script|steal|foreignObject|hidden|example|onclick|import/i);
    expect(clean)
      .to.include('Weed &amp; wrack')
      .and.include('href="#g"')
      .and.include('data:image/png')
      .and.include('fill:url(#g)');
    expect(cleanSvg(clean)).to.equal(clean);
  });

  it('with entities of their own, too deep or not well formed are not drawn', () => {
    const bomb =
      '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"><text>&b;</text></svg>';
    expect(cleanSvg(bomb)).to.equal(null);
    expect(cleanSvg(`<svg>${'<g>'.repeat(5000)}${'</g>'.repeat(5000)}</svg>`)).to.equal(null);
    expect(cleanSvg('<svg><g></svg>')).to.equal(null);
    expect(cleanSvg('')).to.equal(null);
  });
});

describe('pictures decoded by compiled code', () => {
  before(() => loadDecoders(['webp', 'svg'], readAsset));

  it('come as pixels: WebP as it is, a drawing as many across as are asked for', () => {
    const webp = decodePicture(WEBP, 'webp', 0)!;
    expect(webp).to.include({ width: 8, height: 4, channels: 3 });
    const pixel = (k: number) => [...webp.data.subarray(k * 3, k * 3 + 3)];
    expect(pixel(0)[0]).to.be.above(200);
    expect(pixel(31)[2]).to.be.above(200);
    const drawing = svgOf('<rect x="150" width="150" height="200" fill="#ff0000"/>');
    const drawn = decodePicture(drawing, 'svg', 600)!;
    expect(drawn).to.include({ width: 600, height: 400 });
    // Nothing shows at the left, red at the right.
    expect([drawn.alpha![0], drawn.alpha![599], drawn.data[599 * 3]]).to.deep.equal([0, 255, 255]);
  });

  it('that are damaged are none, and as PNG a blank', () => {
    expect(decodePicture(WEBP.slice(0, 30), 'webp', 0)).to.equal(null);
    expect(decodePicture(svgOf('<g>'), 'svg', 100)).to.equal(null);
    expect(decodePng(pictureAsPng(WEBP.slice(0, 30), 'webp'))).to.include({ width: 1, height: 1 });
    expect(decodePng(pictureAsPng(WEBP, 'webp'))).to.include({ width: 8, height: 4 });
    expect(decodePng(pictureAsPng(tiffOf(4, 4, 4), 'tiff'))).to.include({ width: 4, height: 4, channels: 3 });
  });
});
