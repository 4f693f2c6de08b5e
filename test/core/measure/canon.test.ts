import { expect } from 'chai';
import {
  applyCanon,
  backForExtent,
  CANONS,
  canonState,
  followCanon,
  snapToLines,
  typeShare,
  withCanon,
} from '../../../src/core/measure/canon';
import { typeArea } from '../../../src/core/measure/typeArea';
import { length } from '../../../src/core/measure/units';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import type { Canon, PageSpec } from '../../../src/core/model/spec/pageSpec';
import type { Unit } from '../../../src/core/model/spec/length';

const page = (width: number, height: number, unit: Unit = 'in', allowance = 0): PageSpec => ({
  ...NOVEL_SPEC.page,
  trim: { width: length(width, unit), height: length(height, unit) },
  bindingAllowance: length(allowance, 'in'),
});
const facts = { capHeight: 7.5, leading: 14.5, pages: 196 };

/** Margins in inches to three places: back, fore-edge, head, foot. */
const inInches = (of: PageSpec, canon: Canon, pages = 196) => {
  const { back, foreEdge, head, foot } = applyCanon(of, canon, pages).margins;
  return [back, foreEdge, head, foot].map((pt) => Math.round((pt / 72) * 1000) / 1000);
};

describe('canons', () => {
  it('two thirds: the type area is as high as the page is wide', () => {
    expect(inInches(page(5, 8), CANONS.twoThirds)).to.deep.equal([0.625, 1.25, 1, 2]);
    const { steps } = applyCanon(page(5, 8), CANONS.twoThirds, 0);
    expect(steps.find(({ what }) => what === 'Type width')!.values[0] / 72).to.be.closeTo(3.125, 1e-9);
    // 5.06 · 5.06 ÷ 7.81 = 3.2783
    expect(inInches(page(5.06, 7.81), CANONS.twoThirds)).to.deep.equal([0.594, 1.188, 0.917, 1.833]);
  });

  it('two thirds with a binding allowance, which the back gets again', () => {
    expect(inInches(page(5.5, 8.5, 'in', 0.125), CANONS.twoThirds)).to.deep.equal([0.784, 1.317, 1.042, 2.083]);
  });

  it('ninths, and other parts', () => {
    expect(inInches(page(6, 9), CANONS.nths)).to.deep.equal([0.667, 1.333, 1, 2]);
    expect(inInches(page(6, 9), { kind: 'nths', parts: 12 })).to.deep.equal([0.5, 1, 0.75, 1.5]);
  });

  it('ratios, by a part that is given or a third of the width', () => {
    expect(
      inInches(page(6, 9), { kind: 'ratio', back: 1, head: 1, foreEdge: 1, foot: 2, part: length(0.75, 'in') }),
    ).to.deep.equal([0.75, 0.75, 0.75, 1.5]);
    expect(inInches(page(6, 9), CANONS.ratio)).to.deep.equal([0.667, 1.333, 1, 2]);
  });

  it('one margin all around', () => {
    expect(inInches(page(6, 9, 'in', 0.125), { kind: 'equal', margin: length(0.8, 'in') })).to.deep.equal([
      0.925, 0.8, 0.8, 0.8,
    ]);
  });

  it('the back by the extent, by a table of one’s own too, and sewn', () => {
    expect(
      [100, 200, 201, 320, 450, 451, 3000].map((pages) => Math.round(backForExtent(pages, 'adhesive') * 100) / 7200),
    ).to.deep.equal([0.7, 0.7, 0.8, 0.8, 0.85, 0.9, 0.9]);
    expect(backForExtent(300, 'sewn')).to.be.closeTo(0.7 * 72, 1e-9);
    const table = [
      { upTo: 100, back: length(10, 'mm') },
      { upTo: null, back: length(20, 'mm') },
    ];
    expect(backForExtent(101, 'adhesive', table)).to.be.closeTo(length(20, 'mm').pt, 1e-9);
    expect(inInches(page(6, 9), CANONS.bound, 330)[0]).to.equal(0.85);
    expect(inInches(page(6, 9), CANONS.bound, 330).slice(1)).to.deep.equal([0.75, 0.833, 1.319]);
  });

  it('leave margins that they do not change in the unit in which they were typed', () => {
    const made = withCanon(page(6, 9), CANONS.bound, facts, false);
    expect(made.margins.head).to.deep.equal(NOVEL_SPEC.page.margins.head);
    expect(made.margins.back.unit).to.equal('in');
  });

  it('refuse a page on which they leave nothing', () => {
    expect(() => applyCanon(page(9, 6), CANONS.twoThirds, 0)).to.throw('more than its height');
  });

  it('always leave the type area on the page, for every trim and rule', () => {
    for (let k = 0; k < 200; k += 1) {
      const of = page(3 + (k % 13) * 0.5, 6 + (k % 17) * 0.4, 'in', (k % 4) / 16);
      for (const canon of [CANONS.nths, CANONS.ratio, { kind: 'nths', parts: 6 + (k % 7) } as Canon]) {
        const { margins } = applyCanon(of, canon, k);
        expect(margins.back + margins.foreEdge).to.be.below(of.trim.width.pt);
        expect(margins.head + margins.foot).to.be.below(of.trim.height.pt + margins.foot);
        for (const pt of Object.values(margins)) expect(pt).to.be.above(0);
      }
    }
  });
});

describe('margins and their canon', () => {
  const fresh = withCanon(page(5.5, 8.5, 'in', 0.125), CANONS.twoThirds, facts, false);
  const state = (of: PageSpec) => canonState(of, facts.capHeight, facts.leading, facts.pages);

  it('hold while they are what it gives, in the unit of the trim', () => {
    expect(state(fresh)).to.equal('exact');
    expect(fresh.margins.back.unit).to.equal('in');
    expect(state({ ...fresh, canon: null })).to.equal('none');
  });

  it('hold when snapped to whole lines, with what was shifted', () => {
    const snapped = withCanon(fresh, CANONS.twoThirds, facts, true);
    expect(state(snapped)).to.equal('snapped');
    expect(typeArea(snapped, facts.capHeight, facts.leading).left).to.be.below(0.06);
    const { shift } = snapToLines(fresh, facts.capHeight, facts.leading);
    const depth = (of: PageSpec) => of.margins.head.pt + of.margins.foot.pt;
    expect(depth(snapped) - depth(fresh)).to.be.closeTo(shift, 1e-9);
    expect(snapped.margins.head.pt / snapped.margins.foot.pt).to.be.closeTo(0.5, 1e-9);
  });

  it('are changed by hand when one differs, or the trim does', () => {
    expect(state({ ...fresh, margins: { ...fresh.margins, head: length(1, 'in') } })).to.equal('changed');
    expect(state({ ...fresh, trim: page(6, 9).trim })).to.equal('changed');
    expect(state({ ...fresh, trim: page(9, 6).trim })).to.equal('changed');
  });

  it('tell what share of the page is type', () => {
    const of = withCanon(page(6, 9), CANONS.nths, facts, false);
    expect(typeShare(of, 6 * 72)).to.be.closeTo(4 / 9, 1e-9);
  });
});

describe('the binding of typed margins', () => {
  const typed: PageSpec = { ...page(6, 9), canon: null };
  const leading = 14.5;
  const with3 = { ...typed, bindingAllowance: length(3, 'mm') };

  it('is in the back margin, which is as much wider or narrower; nothing else moves', () => {
    const wider = followCanon({ page: typed, leading }, { page: with3, leading }, facts);
    const { back, ...others } = wider.margins;
    expect(back).to.deep.equal({ pt: typed.margins.back.pt + length(3, 'mm').pt, unit: typed.margins.back.unit });
    expect(others).to.deep.equal({
      ...{ head: typed.margins.head, foot: typed.margins.foot, foreEdge: typed.margins.foreEdge },
    });
    const again = followCanon(
      { page: wider, leading },
      { page: { ...wider, bindingAllowance: typed.bindingAllowance }, leading },
      facts,
    );
    expect(again.margins.back.pt).to.be.closeTo(typed.margins.back.pt, 1e-9);
  });

  it('leaves margins that were changed in the same step, and those that a canon gives', () => {
    const both = { ...with3, margins: { ...typed.margins, back: length(1, 'in') } };
    expect(followCanon({ page: typed, leading }, { page: both, leading }, facts)).to.equal(both);
    const nths = withCanon(page(6, 9), CANONS.nths, facts, false);
    const bound = followCanon(
      { page: nths, leading },
      { page: { ...nths, bindingAllowance: length(3, 'mm') }, leading },
      facts,
    );
    expect(bound).to.deep.equal(
      withCanon({ ...page(6, 9), bindingAllowance: length(3, 'mm') }, CANONS.nths, facts, false),
    );
  });
});
