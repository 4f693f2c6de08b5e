// Tables that go on: rows that no page end parts, their heads over them where they are first on a page.
import { expect } from 'chai';
import fc from 'fast-check';
import { EXACT, fillPages, makeFlow, traceRegions } from '../../../src/core/paginate';
import { drain } from '../../build/assets';
import { bruteForce } from '../../build/bruteForcePages';
import { flowOf, LEADING, planOf, type FlowParts } from '../../build/flow';
import { noted } from '../../build/flowParts';

const TWO_COLUMNS = [
  { x: 0, width: 45 },
  { x: 55, width: 45 },
];
const text = fc.integer({ min: 1, max: 5 }).map((lines): FlowParts => ({ lines, gap: 1 }));
const rows = fc.constantFrom(1, 2).chain((heads) =>
  fc.array(
    fc.constantFrom(10, 15, 20, 40).map((leading): FlowParts => ({ lines: 1, leading, heads })),
    { minLength: 2, maxLength: 4 },
  ),
);
const floating = text.map((own): FlowParts => ({ ...own, floats: [3] }));
const parts = (most: number) =>
  fc
    .array(
      fc.oneof(
        { weight: 3, arbitrary: text.map((own) => [own]) },
        { weight: 3, arbitrary: rows },
        { weight: 1, arbitrary: noted.map((own) => [own]) },
        { weight: 1, arbitrary: floating.map((own) => [own]) },
      ),
      { minLength: 1, maxLength: 3 },
    )
    .map((list) => list.flat().slice(0, most));

describe('tables that go on', () => {
  for (const columns of [undefined, TWO_COLUMNS])
    it(`are parted where brute force parts them, in ${columns === undefined ? 'one column' : 'two columns'}`, () => {
      fc.assert(
        fc.property(fc.integer({ min: 7, max: 11 }), parts(columns === undefined ? 7 : 6), (lines, list) => {
          const plan = planOf(lines, columns === undefined ? {} : { columns });
          const flow = makeFlow(flowOf([{ lines: 2 }, ...list, { lines: 3 }]), LEADING, { keeps: plan.keeps });
          const memory = drain(fillPages(flow, plan, undefined, EXACT));
          const best = bruteForce(flow, plan);
          expect(memory.cost).to.be.closeTo(best, 1e-6 * Math.max(1, best));
        }),
        { numRuns: 200, seed: 13 },
      );
    });

  it('have room for their heads where they go on, in order, no row lost', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 14 }),
        fc.array(parts(8), { minLength: 1, maxLength: 6 }),
        (lines, lists) => {
          const plan = planOf(lines);
          const flow = makeFlow(flowOf([{ lines: 1 }, ...lists.flat()]), LEADING, { keeps: plan.keeps });
          const regions = traceRegions(drain(fillPages(flow, plan)), plan);
          expect(
            regions
              .flatMap(({ stretches }) => stretches.map(({ item }) => item))
              .filter((item, k, all) => item !== all[k - 1]),
          ).to.deep.equal(flow.items.map((_, k) => k));
          for (const { stretches, floatFrom, floatTo } of regions) {
            const [first] = stretches;
            const top = first === undefined ? undefined : flow.items[first.item].source.rows?.top.depth;
            const above = flow.floats.slice(floatFrom, floatTo).reduce((sum, { height }) => sum + height, 0);
            if (top !== undefined && first.from === 0) expect(first.start).to.be.closeTo(above + top, 1e-9);
          }
        },
      ),
    );
  });
});
