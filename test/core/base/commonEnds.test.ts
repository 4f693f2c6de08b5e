import { expect } from 'chai';
import fc from 'fast-check';
import { commonEnds, commonEndsBy } from '../../../src/core/base/commonEnds';

describe('what two texts have in common at both ends', () => {
  it('is as long as can be, and never counted twice', () => {
    const text = fc.string({ unit: fc.constantFrom('a', 'b'), maxLength: 8 });
    fc.assert(
      fc.property(text, text, (a, b) => {
        const [before, behind] = commonEnds(a, b);
        const most = Math.min(a.length, b.length);
        expect(before + behind).to.be.at.most(most);
        expect(a.slice(0, before)).to.equal(b.slice(0, before));
        expect(a.slice(a.length - behind)).to.equal(b.slice(b.length - behind));
        if (before < most) expect(a[before]).not.to.equal(b[before]);
        if (before + behind < most) expect(a[a.length - 1 - behind]).not.to.equal(b[b.length - 1 - behind]);
      }),
      { numRuns: 2000 },
    );
  });

  it('counts elements that are the same by a rule of their own', () => {
    const [a, b] = [
      [1, 2, 3, 4],
      [10, 2, 40],
    ];
    expect(commonEndsBy(a.length, b.length, (i, j) => a[i] % 10 === (b[j] / 10) % 10)).to.deep.equal([1, 1]);
    expect(commonEndsBy(0, 3, () => true)).to.deep.equal([0, 0]);
    expect(commonEnds('aa', 'aaa')).to.deep.equal([2, 0]);
  });
});
