import { expect } from 'chai';
import { ImportError } from '../../../src/core/base/errors';
import { readSfnt } from '../../../src/core/fonts/sfnt';
import { covers, maybeFace, wordSpaceAlone, wordSpaceOf } from '../../../src/core/model/spec/faces';
import { faceTable, newContext, newSubsetter, readAsset } from '../../build/assets';

const bytes = readAsset('fonts/EBGaramond_400Regular.ttf');

describe('fonts', () => {
  it('reads the facts that HarfBuzz has too', () => {
    const facts = readSfnt(bytes);
    const context = newContext();
    context.library.add('eb-garamond/400', bytes);
    const font = context.library.font('eb-garamond/400');
    expect(facts.unitsPerEm).to.equal(font.unitsPerEm);
    expect(facts.postScriptName).to.equal('EBGaramond-Regular');
    expect(facts.features).to.include.members(['smcp', 'onum', 'liga', 'kern']);
    for (const code of [0x41, 0xe9, 0x2014, 0x3042]) {
      const covered = covers({ ...facts } as never, code);
      expect(covered).to.equal(context.library.harfBuzz.nominalGlyph(font, code) !== 0);
    }
  });

  it('refuses a cut font with a sentence', () => {
    expect(() => readSfnt(bytes.slice(0, 300))).to.throw(ImportError);
    expect(() => readSfnt(new Uint8Array(40))).to.throw(ImportError);
  });

  it('finds the nearest face of a family: slope before weight', () => {
    expect(maybeFace(faceTable, 'eb-garamond', 800, true)?.id).to.equal('eb-garamond/700i');
    expect(maybeFace(faceTable, 'amiri', 600, false)?.weight).to.be.oneOf([400, 700]);
    expect(maybeFace(faceTable, 'no-such-family', 400, false)).to.equal(undefined);
  });

  it('ships faces that may be embedded, each with a cap height', () => {
    for (const face of faceTable) {
      expect(face.embedding, face.id).to.be.oneOf([0, 8]);
      expect(face.unitsPerEm, face.id).to.be.above(0);
    }
  });

  it('keeps glyph ids when a font is cut down, and makes it much smaller', () => {
    const context = newContext();
    context.library.add('eb-garamond/400', bytes);
    const font = context.library.font('eb-garamond/400');
    const glyph = context.library.harfBuzz.nominalGlyph(font, 0x41);
    const small = newSubsetter().subset(bytes, [glyph]);
    expect(small.length).to.be.below(bytes.length / 4);
    const again = context.library.harfBuzz.openFont(small);
    expect([...context.library.harfBuzz.outlineOf(again, glyph)]).to.deep.equal([
      ...context.library.harfBuzz.outlineOf(font, glyph),
    ]);
  });

  it('gives outlines as closed paths', () => {
    const context = newContext();
    context.library.add('eb-garamond/400', bytes);
    const font = context.library.font('eb-garamond/400');
    const outline = context.library.harfBuzz.outlineOf(font, context.library.harfBuzz.nominalGlyph(font, 0x6f));
    expect(outline[0]).to.equal(0);
    expect(outline[outline.length - 1]).to.equal(4);
    expect(
      context.library.harfBuzz.outlineOf(font, context.library.marks('eb-garamond/400').spaceGlyph),
    ).to.have.length(0);
  });

  it('has measured word spaces, and makes limits for other faces', () => {
    expect(wordSpaceOf('eb-garamond', 0.9)).to.deep.equal({ least: 0.15, wished: 0.2, most: 0.3 });
    expect(wordSpaceOf('other', 0.25).most).to.be.closeTo(0.3625, 1e-9);
    expect(wordSpaceAlone(0.2)).to.deep.equal({ least: 0.13, wished: 0.22, most: 0.32 });
  });
});
