// Contours: traced round what is seen, and how far they reach between two heights.
import { expect } from 'chai';
import fc from 'fast-check';
import { traceContour } from '../../../src/core/looks/traceContour';
import { FIGURE_LIMITS, type Contour } from '../../../src/core/model/copy/figureSetting';
import { contourBetween } from '../../../src/core/typeset/flow/contours';

describe('a contour', () => {
  it('reaches between two heights as far as any point of its line there', () => {
    const corner = fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }));
    const band = fc.tuple(
      fc.double({ min: -0.2, max: 1.2, noNaN: true }),
      fc.double({ min: 0, max: 0.5, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(corner, { minLength: 3, maxLength: 9 }), band, (contour, [top, deep]) => {
        const bottom = top + deep;
        const found = contourBetween(contour, top, bottom);
        let [from, to] = [Infinity, -Infinity];
        contour.forEach(([x0, y0], k) => {
          const [x1, y1] = contour[(k + 1) % contour.length];
          for (let t = 0; t <= 1; t += 1 / 400) {
            const y = y0 + (y1 - y0) * t;
            if (y < top || y > bottom) continue;
            const x = x0 + (x1 - x0) * t;
            [from, to] = [Math.min(from, x), Math.max(to, x)];
          }
        });
        if (from > to) return;
        expect(found).not.to.equal(null);
        expect(found!.from).to.be.at.most(from + 1e-9);
        expect(found!.to).to.be.at.least(to - 1e-9);
        expect(found!.from).to.be.at.least(Math.min(...contour.map(([x]) => x)) - 1e-9);
        expect(found!.to).to.be.at.most(Math.max(...contour.map(([x]) => x)) + 1e-9);
      }),
    );
    expect(
      contourBetween(
        [
          [0, 0],
          [1, 0],
          [0.5, 0.4],
        ],
        0.5,
        0.9,
      ),
    ).to.equal(null);
  });

  it('traced leaves nothing seen outside of it, and follows it closely', () => {
    const shape = fc.array(fc.tuple(fc.nat(39), fc.nat(59), fc.integer({ min: 1, max: 12 })), {
      minLength: 1,
      maxLength: 6,
    });
    fc.assert(
      fc.property(shape, (discs) => {
        const [width, height] = [40, 60];
        const isSeen = (x: number, y: number) => discs.some(([cx, cy, r]) => (x - cx) ** 2 + (y - cy) ** 2 <= r * r);
        const contour: Contour | null = traceContour(width, height, isSeen);
        if (contour === null) return;
        expect(contour.length).to.be.within(...FIGURE_LIMITS.corners);
        for (const [x, y] of contour) {
          expect(x).to.be.within(-0.03, 1.03);
          expect(y).to.be.within(0, 1);
        }
        for (let y = 0; y < height; y += 1) {
          const seen = Array.from({ length: width }, (_, x) => x).filter((x) => isSeen(x, y));
          if (seen.length === 0) continue;
          const reach = contourBetween(contour, (y + 0.4) / height, (y + 0.6) / height)!;
          expect(reach.from).to.be.at.most(seen[0] / width + 2e-3);
          expect(reach.to).to.be.at.least((seen[seen.length - 1] + 1) / width - 2e-3);
        }
      }),
      { numRuns: 200 },
    );
    // A disc: never further out than two strips and the slack would be.
    const disc = traceContour(100, 100, (x, y) => (x - 50) ** 2 + (y - 50) ** 2 < 49 ** 2)!;
    for (const at of [0.2, 0.35, 0.5, 0.8]) {
      const half = 0.49 * Math.sqrt(1 - ((at - 0.5) / 0.49) ** 2);
      expect(contourBetween(disc, at, at + 1e-6)!.to).to.be.within(0.5 + half - 0.005, 0.5 + half + 0.05);
    }
  });

  it('is none round nothing, and none round what fills its box', () => {
    expect(traceContour(30, 20, () => false)).to.equal(null);
    expect(traceContour(30, 20, () => true)).to.equal(null);
  });
});
