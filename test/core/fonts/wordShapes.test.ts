// Words shaped once and put together must be what HarfBuzz makes of the whole run, in every array, for every face that
// says it allows it; and a face allows it by its rules, not by luck.
import { expect } from 'chai';
import fc from 'fast-check';
import { wordsStandApart } from '../../../src/core/fonts/wordsApart';
import { WordShapes } from '../../../src/core/fonts/wordShapes';
import type { ShapedGlyphs } from '../../../src/core/fonts/glyphArrays';
import { faceTable, newContext, readAsset } from '../../build/assets';

const { library } = newContext();
for (const face of faceTable) library.add(face.id, readAsset(`fonts/${face.file}`));
const spaceOf = (id: string) => library.marks(id).spaceGlyph;
const allows = (id: string, features = '') => wordsStandApart(library.font(id).bytes, spaceOf(id), features);

const ARRAYS = ['glyphs', 'clusters', 'advances', 'xOffsets', 'yOffsets', 'unsafe'] as const;
const plain = (shaped: ShapedGlyphs) => ARRAYS.map((key) => [...shaped[key]]);

/** Pieces that ligatures, kerning, contexts and localised forms act on. */
const PIECES =
  'f fi ffi fl Th Qu T Ty V W A “ ” ‘ ’ — – - . , 1 2 1/2 3rd é ß ſ gy j ( ) ? … y w o a e ct st sp & § ½ ft tt fb ç LA RO IJ l·l N° ª'.split(
    ' ',
  );
const word = fc.array(fc.constantFrom(...PIECES), { minLength: 1, maxLength: 4 }).map((parts) => parts.join(''));
const run = fc
  .tuple(fc.boolean(), fc.array(word, { minLength: 1, maxLength: 12 }), fc.boolean())
  .map(([before, words, after]) => (before ? ' ' : '') + words.join(' ') + (after ? ' ' : ''));
const FEATURES = ['', 'onum,pnum', 'smcp,c2sc', 'dlig,hlig', 'frac', 'sups', '-liga', '-kern', 'ss01,ss02,swsh,salt'];

describe('words shaped apart', () => {
  it('give the run that HarfBuzz gives, in every face that allows it', () => {
    let compared = 0;
    for (const { id } of faceTable) {
      const property = fc.property(
        fc.constantFrom(...FEATURES),
        fc.constantFrom('en', 'tr', 'ro', 'nl'),
        run,
        (features, language, text) => {
          const joined = library.words(id, features, language)?.shape(text);
          if (joined === undefined) return;
          compared += 1;
          const whole = library.harfBuzz.shape(library.font(id), text, features, language);
          expect(plain(joined), `${id} ${features} “${text}”`).to.deep.equal(plain(whole));
        },
      );
      fc.assert(property, { numRuns: 60, seed: 11 });
    }
    expect(compared).to.be.above(1200);
  });

  it('are allowed for the faces of the starting specs, whose kerning reaches to a space and no further', () => {
    for (const id of ['eb-garamond/400', 'eb-garamond/400i', 'source-serif-4/400', 'spectral/400', 'source-sans-3/600'])
      expect(allows(id, 'onum,pnum'), id).to.equal(true);
    // This face kerns a space with what follows it: the same word has another space before it after a kerned one.
    const shape = (text: string) => library.harfBuzz.shape(library.font('libre-caslon-text/400'), text, '', 'en');
    expect(shape('a wall').advances[1]).to.not.equal(shape('a hall').advances[1]);
    expect(allows('libre-caslon-text/400')).to.equal(true);
  });

  it('are not allowed where a rule sees across a space', () => {
    expect(allows('amiri/400')).to.equal(false);
    expect(allows('source-serif-4/400', 'frac')).to.equal(false);
    const shape = (text: string) => library.harfBuzz.shape(library.font('source-serif-4/400'), text, 'frac', 'en');
    // Between figures the space becomes a thin one: it takes both sides to know.
    expect(shape('1 1/2').glyphs[1]).to.not.equal(shape(' 1/2').glyphs[0]);
  });

  it('are not allowed for a file that is cut short inside its rules', () => {
    const { bytes } = library.font('eb-garamond/400');
    const view = new DataView(bytes.buffer, bytes.byteOffset);
    const entry = Array.from({ length: view.getUint16(4) }, (_, k) => 12 + k * 16).find(
      (at) => String.fromCharCode(...bytes.subarray(at, at + 4)) === 'GSUB',
    )!;
    const cut = bytes.slice();
    new DataView(cut.buffer).setUint32(entry + 12, 400);
    expect(wordsStandApart(cut, spaceOf('eb-garamond/400'), '')).to.equal(false);
  });

  it('give the same after all of them were forgotten for their number', () => {
    const font = library.font('source-serif-4/400');
    const few = new WordShapes(library.harfBuzz, font, 'onum', 'en', 200);
    const property = fc.property(run, (text) => {
      const joined = few.shape(text);
      if (joined !== undefined)
        expect(plain(joined)).to.deep.equal(plain(library.harfBuzz.shape(font, text, 'onum', 'en')));
      const sum = few.advance(text, 0, text.length);
      if (sum !== undefined) expect(sum).to.equal(joined!.advances.reduce((a, b) => a + b, 0));
    });
    fc.assert(property, { numRuns: 300 });
  });

  it('leave to HarfBuzz what is not plain Latin with single spaces', () => {
    const words = library.words('eb-garamond/400', '', 'en')!;
    const whole = ['two  spaces', 'e\u0301tude', 'Ελλάδα', '1 2 3', '1\u20442', '', ' ', 'x'.repeat(61)];
    for (const text of whole) expect(words.shape(text), `“${text}”`).to.equal(undefined);
    expect(words.shape('two spaces')).to.not.equal(undefined);
  });
});
