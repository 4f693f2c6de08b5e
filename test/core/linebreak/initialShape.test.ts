import { expect } from 'chai';
import fc from 'fast-check';
import { inkRight } from '../../../src/core/base/inkEdges';

/** A triangle with its point at the top, like an A; a box with a foot, like an L; a disc. */
const TRIANGLE = [0, 0, 0, 1, 50, 100, 1, 100, 0, 4];
const FOOTED = [0, 0, 0, 1, 0, 100, 1, 20, 100, 1, 20, 20, 1, 80, 20, 1, 80, 0, 4];

describe('the right edge of a letter between two heights', () => {
  it('follows its outline', () => {
    expect(inkRight(TRIANGLE, -Infinity, Infinity)).to.equal(100);
    expect(inkRight(TRIANGLE, 80, 100)).to.be.closeTo(60, 1e-9);
    expect(inkRight(TRIANGLE, 40, 60)).to.be.closeTo(80, 1e-9);
    expect(inkRight(FOOTED, 60, 100)).to.equal(20);
    expect(inkRight(FOOTED, 0, 10)).to.equal(80);
  });

  it('is nowhere where there is no ink', () => {
    expect(inkRight(TRIANGLE, 120, 150)).to.equal(-Infinity);
    expect(inkRight([], 0, 1)).to.equal(-Infinity);
  });

  it('takes curves of both kinds', () => {
    const quadratic = [0, 0, 0, 2, 100, 50, 0, 100, 4];
    expect(inkRight(quadratic, 0, 100)).to.be.closeTo(50, 0.5);
    const cubic = [0, 0, 0, 3, 100, 0, 100, 100, 0, 100, 4];
    expect(inkRight(cubic, 0, 100)).to.be.closeTo(75, 0.5);
    expect(inkRight(cubic, 90, 100)).to.be.below(50);
  });

  it('never grows when the band shrinks', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 100 }), fc.integer({ min: 0, max: 100 }));
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 2, maxLength: 6 }),
        fc.integer({ min: 0, max: 50 }),
        fc.integer({ min: 0, max: 25 }),
        (points, low, by) => {
          const path = points.flatMap(([x, y], k) => [k === 0 ? 0 : 1, x, y]);
          const [wide, narrow] = [inkRight(path, low, low + 60), inkRight(path, low + by, low + 60 - by)];
          expect(narrow).to.be.at.most(wide + 1e-9);
        },
      ),
      { numRuns: 500 },
    );
  });
});
