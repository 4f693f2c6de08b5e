import { expect } from 'chai';
import fc from 'fast-check';
import type { StyledParagraph, StyledRun } from '../../../src/core/model/composed/styled';
import { cutWidths, glyphAt, lineGlyphs, shapeParagraph } from '../../../src/core/shape';
import { newContext, readAsset } from '../../build/assets';

const { library } = newContext();
for (const id of ['eb-garamond/400', 'eb-garamond/400i', 'amiri/400'])
  library.add(id, readAsset(`fonts/${library.record(id).file}`));

function styled(text: string, parts: Partial<StyledRun>[] = [{}]): StyledParagraph {
  let from = 0;
  const runs = parts.map((part, index): StyledRun => {
    const to = part.to ?? (index === parts.length - 1 ? text.length : from);
    const run = {
      from,
      to,
      face: 'eb-garamond/400',
      size: 10,
      features: '',
      language: 'en',
      rise: 0,
      tracking: 0,
      ...part,
    };
    from = to;
    return { ...run, from: run.from, to };
  });
  return {
    text,
    runs,
    source: null,
    notes: [],
    stream: 'd1',
    block: 'p1',
    tail: '',
    missing: [],
    lacking: [],
    unpaired: [],
    isRtl: false,
    shapeKey: text,
    style: {} as never,
  };
}

const width = (advances: ArrayLike<number>) => Array.from(advances).reduce((sum, advance) => sum + advance, 0);

describe('shaping', () => {
  it('makes ligatures, and says that they may not be cut', () => {
    const shaped = shapeParagraph(styled('office fjord'), library);
    expect(shaped.count).to.be.below('office fjord'.length);
    expect([...shaped.clusters]).to.deep.equal([...shaped.clusters].sort((a, b) => a - b));
  });

  it('shapes runs apart and keeps text order', () => {
    const shaped = shapeParagraph(styled('one two', [{ to: 4 }, { face: 'eb-garamond/400i' }]), library);
    expect([...shaped.runStarts]).to.deep.equal([0, 4, 7]);
    expect([...shaped.clusters]).to.deep.equal([0, 1, 2, 3, 4, 5, 6]);
  });

  it('draws spaces that the face may lack, in em of its own', () => {
    const shaped = shapeParagraph(styled('a\u2003b\u202fc\u200bd'), library);
    const at = (offset: number) => shaped.advances[glyphAt(shaped, offset)];
    expect(at(1)).to.equal(1000);
    expect(at(3)).to.equal(160);
    expect(at(5)).to.equal(0);
    expect([...shaped.glyphs]).to.not.include(0);
  });

  it('sets the no-break hyphen as a hyphen', () => {
    const hyphen = shapeParagraph(styled('a\u2010b'), library).glyphs[1];
    expect(shapeParagraph(styled('a\u2011b'), library).glyphs[1]).to.equal(hyphen);
  });

  it('applies features, and capitals for faces without small ones', () => {
    const plain = shapeParagraph(styled('abc 12'), library);
    const small = shapeParagraph(styled('abc 12', [{ features: 'smcp,onum' }]), library);
    expect([...small.glyphs]).to.not.deep.equal([...plain.glyphs]);
    const upper = shapeParagraph(styled('straße', [{ upper: true }]), library);
    const wanted = shapeParagraph(styled('STRAßE'), library);
    expect([...upper.glyphs]).to.deep.equal([...wanted.glyphs]);
  });

  it('gives the same width cut anywhere as shaping both sides by themselves', () => {
    const text = 'office waffles fjord Av To, affix “Why” fifth';
    const whole = styled(text);
    const shaped = shapeParagraph(whole, library);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: text.length - 1 }), (offset) => {
        const cut = cutWidths(whole, shaped, offset, library);
        const lineWidth = (from: number, to: number) =>
          lineGlyphs(whole, shaped, from, to, library).reduce(
            (sum, run) => sum + width([...run.advances.subarray(run.first, run.end)]) * 0.01,
            0,
          );
        const middle = glyphAt(shaped, offset);
        const before = width(shaped.advances.slice(0, middle)) * 0.01 + cut.before;
        const after = width(shaped.advances.slice(middle)) * 0.01 + cut.after;
        expect(lineWidth(0, offset)).to.be.closeTo(before, 1e-6);
        expect(lineWidth(offset, text.length)).to.be.closeTo(after, 1e-6);
        expect(lineWidth(0, offset)).to.be.closeTo(
          width(shapeParagraph(styled(text.slice(0, offset)), library).advances) * 0.01,
          0.02,
        );
      }),
    );
  });

  it('gives every character of a stretch to exactly one line when it is cut in two', () => {
    const text = 'waffles and office fjords';
    const whole = styled(text);
    const shaped = shapeParagraph(whole, library);
    for (let cut = 1; cut < text.length; cut += 1) {
      const clustersOf = (from: number, to: number) =>
        lineGlyphs(whole, shaped, from, to, library).flatMap((run) => [...run.clusters.subarray(run.first, run.end)]);
      const [first, second] = [clustersOf(0, cut), clustersOf(cut, text.length)];
      expect(Math.max(...first)).to.be.below(cut);
      expect(Math.min(...second)).to.equal(cut);
    }
  });
});
