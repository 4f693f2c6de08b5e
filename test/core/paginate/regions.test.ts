// The page search over regions of any sequence: pages of other depths, columns of other widths, what comes again and what
// stands on one page alone.
import { expect } from 'chai';
import fc from 'fast-check';
import {
  EXACT,
  fillPages,
  makeFlow,
  regionsOf,
  traceRegions,
  type FlowParagraph,
  type PageShape,
  type PagePlan,
} from '../../../src/core/paginate';
import { drain } from '../../build/assets';
import { bruteForce } from '../../build/bruteForcePages';
import { flowOf, flowToMeasure, LEADING, planOf, type FlowParts } from '../../build/flow';
import { anchored, drawn, fewNotes, noted, part, twoFloats, varied } from '../../build/flowParts';

const SEED = 20;
const WIDE = { x: 0, width: 60 };
const NARROW = { x: 65, width: 30 };

const shapesOf = (columns: fc.Arbitrary<PageShape['columns']>, least: number, most: number) =>
  fc
    .tuple(
      fc.array(fc.tuple(fc.integer({ min: least, max: most }), fc.integer({ min: 0, max: 2 }), columns), {
        minLength: 1,
        maxLength: 3,
      }),
      fc.integer({ min: 1, max: 3 }),
    )
    .map(([pages, repeated]) => ({
      shapes: pages.map(([lines, top, own]): PageShape => ({ top, lines, columns: own })),
      repeated: Math.min(repeated, pages.length),
    }));

const oneColumn = fc.constant([WIDE]);
const anyColumns = fc.constantFrom<PageShape['columns'][]>([WIDE], [NARROW], [WIDE, NARROW], [NARROW, NARROW]);

function equalsBruteForce(flow: readonly FlowParagraph[], plan: PagePlan): void {
  const made = makeFlow(flow, LEADING, { keeps: plan.keeps });
  const memory = drain(fillPages(made, plan, undefined, EXACT));
  const best = bruteForce(made, plan);
  expect(memory.cost, drawn(traceRegions(memory, plan))).to.be.closeTo(best, 1e-6 * Math.max(1, best));
}

/** An edit and its way back, each searched on from the search before and from the start. */
function goesOn(before: readonly FlowParagraph[], after: readonly FlowParagraph[], plan: PagePlan): void {
  const search = (flow: readonly FlowParagraph[], memory?: Parameters<typeof fillPages>[2]) =>
    drain(fillPages(makeFlow(flow, LEADING, { keeps: plan.keeps }), plan, memory));
  const placed = (memory: ReturnType<typeof search>) =>
    traceRegions(memory, plan).map(
      ({ page, region, stretches, noteFrom, noteTo, floatFrom, floatTo, depth, endItem, endLine }) => ({
        ...{ page, region, noteFrom, noteTo, floatFrom, floatTo, depth, endItem, endLine },
        lines: stretches.map(({ item, setting, from, to, start }) => [item, from, to, start, setting.count]),
      }),
    );
  const first = search(before);
  const second = search(after, first);
  const fresh = search(after);
  expect(placed(second)).to.deep.equal(placed(fresh));
  expect(second.visited).to.be.at.most(fresh.visited);
  expect(placed(search(before, second))).to.deep.equal(placed(first));
}

const withFloats = fc
  .tuple(fc.oneof(noted, part), fc.constantFrom(0, 0, 0, 0, 0, 1, 2))
  .map(([own, height]): FlowParts => (height === 0 ? own : { ...own, floats: [height] }));

describe('regions', () => {
  it('come in the order of their pages, and the last pages again and again', () => {
    const { list, repeat } = regionsOf(
      'd1',
      [
        { top: 5, lines: 10, columns: [WIDE, NARROW] },
        { top: 0, lines: 15, columns: [WIDE] },
        { top: 0, lines: 15, columns: [NARROW] },
      ],
      2,
    );
    expect(list.map(({ page, column, columns, top }) => [page, column, columns, top])).to.deep.equal([
      [0, 0, 2, 5],
      [0, 1, 2, 5],
      [1, 0, 1, 0],
      [2, 0, 1, 0],
    ]);
    expect(repeat).to.equal(2);
  });

  it('of one search are of one stream', () => {
    const plan = planOf(10);
    const [region] = plan.regions.list;
    const mixed = { ...plan, regions: { list: [region, { ...region, stream: 'd2' }], repeat: 1 } };
    expect(() => drain(fillPages(makeFlow(flowOf([{ lines: 3 }]), LEADING), mixed))).to.throw('one stream');
  });
});

describe('pages poured into regions of several depths', () => {
  it('cost what brute force finds', () => {
    fc.assert(
      fc.property(
        fc.array(varied, { minLength: 1, maxLength: 4 }),
        shapesOf(oneColumn, 4, 7),
        fc.constantFrom<'recto' | 'verso'>('recto', 'verso'),
        (parts, pages, firstSide) => equalsBruteForce(flowOf(parts), planOf(0, { pages, firstSide })),
      ),
      { numRuns: 300, seed: SEED },
    );
  });

  it('cost what brute force finds with notes and floats', () => {
    fc.assert(
      fc.property(
        fc.array(noted, { minLength: 3, maxLength: 5 }),
        twoFloats,
        shapesOf(oneColumn, 9, 11),
        (parts, floats, pages) => equalsBruteForce(flowOf(anchored(floats, fewNotes(parts, 3))), planOf(0, { pages })),
      ),
      { numRuns: 150, seed: SEED },
    );
  });

  it('leave a page alone shallow, such as one with a plate, and go on behind it', () => {
    const full = { top: 0, lines: 10, columns: [WIDE] };
    const pages = { shapes: [full, full, { ...full, lines: 4 }, full], repeated: 1 };
    const plan = planOf(0, { pages, short: null, long: null });
    const flow = makeFlow(flowOf([{ lines: 44, last: 30 }]), LEADING);
    expect(drawn(traceRegions(drain(fillPages(flow, plan)), plan))).to.equal(
      '0:0-10 | 0:10-20 | 0:20-24 | 0:24-34 | 0:34-44',
    );
  });

  // The seed brings ways exactly as dear as the beam is wide.
  for (const [name, chosen] of [
    ['with notes and floats', {}],
    ['where the beam cuts between equals', { seed: -773843605 }],
  ] as const) {
    it(`after an edit are those of a search from the start, ${name}`, () => {
      fc.assert(
        fc.property(
          fc.array(withFloats, { minLength: 60, maxLength: 110 }),
          fc.nat(),
          fc.array(withFloats, { maxLength: 2 }),
          shapesOf(oneColumn, 9, 14),
          (parts, where, put, pages) => {
            const before = flowOf(parts);
            const at = where % parts.length;
            const after = [...before.slice(0, at), ...flowOf(put), ...before.slice(at + 1)];
            goesOn(before, after, planOf(0, { pages }));
          },
        ),
        { numRuns: 50, ...chosen },
      );
    });
  }
});

describe('pages poured into regions of several widths', () => {
  it('cost what brute force finds, with three notes and two floats', () => {
    fc.assert(
      fc.property(
        fc.array(noted, { minLength: 2, maxLength: 6 }),
        twoFloats,
        fc.integer({ min: 9, max: 10 }),
        (parts, floats, lines) =>
          equalsBruteForce(
            flowToMeasure(anchored(floats, fewNotes(parts, 3))),
            planOf(lines, { columns: [WIDE, NARROW] }),
          ),
      ),
      { numRuns: 40, seed: SEED },
    );
  });

  it('cost what brute force finds where every page has columns of its own', () => {
    fc.assert(
      fc.property(fc.array(noted, { minLength: 2, maxLength: 5 }), shapesOf(anyColumns, 8, 10), (parts, pages) =>
        equalsBruteForce(flowToMeasure(fewNotes(parts, 2)), planOf(0, { pages })),
      ),
      { numRuns: 60, seed: SEED },
    );
  });

  it('give their paragraphs other lines, and lose none', () => {
    const plan = planOf(8, { columns: [WIDE, NARROW] });
    const made = makeFlow(flowToMeasure([{ lines: 4 }, { lines: 6 }, { lines: 6 }]), LEADING);
    const regions = traceRegions(drain(fillPages(made, plan, undefined, EXACT)), plan);
    const seen = new Map<number, number>();
    for (const region of regions) {
      for (const stretch of region.stretches) {
        expect(stretch.from).to.equal(seen.get(stretch.item) ?? 0);
        seen.set(stretch.item, stretch.to);
        if (stretch.to < stretch.setting.count) expect(stretch).to.equal(region.stretches[region.stretches.length - 1]);
      }
    }
    expect([...seen.keys()]).to.deep.equal([0, 1, 2]);
  });

  it('after an edit are those of a search from the start', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(noted, part), { minLength: 20, maxLength: 50 }),
        fc.nat(),
        fc.array(noted, { maxLength: 2 }),
        shapesOf(anyColumns, 6, 12),
        fc.boolean(),
        (parts, where, put, pages, balance) => {
          const before = flowToMeasure(parts);
          const at = where % parts.length;
          const after = [...before.slice(0, at), ...flowToMeasure(put), ...before.slice(at + 1)];
          goesOn(before, after, planOf(0, { pages, balance }));
        },
      ),
      { numRuns: 100 },
    );
  });

  it('of a long reach are sought again only until they agree with the old ones', () => {
    const parts = Array.from({ length: 400 }, (_, k): FlowParts => ({ lines: 1 + ((k * 7 + (k >> 3)) % 5), last: 30 }));
    const before = flowToMeasure(parts);
    const plan = planOf(32, { columns: [WIDE, NARROW] });
    const memory = drain(fillPages(makeFlow(before, LEADING), plan));
    const after = [...before.slice(0, 200), ...flowToMeasure([parts[200]]), ...before.slice(201)];
    expect(drain(fillPages(makeFlow(after, LEADING), plan, memory)).visited).to.be.below(20);
  });
});
