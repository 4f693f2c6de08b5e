import { expect } from 'chai';
import fc from 'fast-check';
import {
  EXACT,
  fillPages,
  LIMITS,
  makeFlow,
  traceRegions,
  type FilledRegion,
  type FillMemory,
  type Flow,
  type PagePlan,
} from '../../../src/core/paginate';
import { drain } from '../../build/assets';
import { bruteForce } from '../../build/bruteForcePages';
import { flowOf, LEADING, planOf, type FlowParts, type PlanParts } from '../../build/flow';
import {
  anchored,
  drawn,
  fewNotes,
  noted,
  other,
  part,
  tall,
  TWO_COLUMNS,
  twoFloats,
  varied,
  wished,
} from '../../build/flowParts';

function fill(
  parts: readonly FlowParts[],
  plan: PagePlan,
): { flow: Flow; regions: FilledRegion[]; memory: FillMemory } {
  const flow = makeFlow(flowOf(parts), LEADING, { keeps: plan.keeps });
  const memory = drain(fillPages(flow, plan, undefined, EXACT));
  return { flow, memory, regions: traceRegions(memory, plan) };
}

/** Grid lines that the text of a region takes, from its top. */
function depthOf(flow: Flow, region: FilledRegion): number {
  const last = region.stretches[region.stretches.length - 1];
  return last === undefined ? 0 : last.start + (last.to - last.from) * flow.items[last.item].height;
}

/** Of the comparisons with brute force: other seeds were run when the search was made; what they found is fixed. */
const SEED = 20;
const elastic = fc.constant([1.5, 2.5]);

describe('the pages of a reach', () => {
  const equalsBruteForce = (parts: readonly FlowParts[], plan: PagePlan) => {
    const { flow, memory, regions } = fill(parts, plan);
    const best = bruteForce(flow, plan);
    expect(memory.cost, drawn(regions)).to.be.closeTo(best, 1e-6 * Math.max(1, best));
  };

  it('cost what brute force finds, with variants of paragraphs and elastic spaces', () => {
    fc.assert(
      fc.property(
        fc.array(varied, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 4, max: 7 }),
        fc.constantFrom<'recto' | 'verso'>('recto', 'verso'),
        (parts, lines, firstSide) => equalsBruteForce(parts, planOf(lines, { firstSide })),
      ),
      { numRuns: 400, seed: SEED },
    );
  });

  it('cost what brute force finds, for six paragraphs below an opener', () => {
    fc.assert(
      fc.property(fc.array(part, { minLength: 4, maxLength: 6 }), fc.integer({ min: 4, max: 6 }), (parts, lines) =>
        equalsBruteForce(parts, planOf(lines, { firstLines: lines - 2 })),
      ),
      { numRuns: 200, seed: SEED },
    );
  });

  it('cost what brute force finds, with three notes and two floats', () => {
    fc.assert(
      fc.property(
        fc.array(noted, { minLength: 3, maxLength: 5 }),
        twoFloats,
        // Deep enough that a line, its note and both floats stand together: what is forced is no optimum.
        fc.integer({ min: 9, max: 10 }),
        (parts, floats, lines) => {
          equalsBruteForce(anchored(floats, fewNotes(parts, 3)), planOf(lines));
        },
      ),
      { numRuns: 300, seed: SEED },
    );
  });

  it('cost what brute force finds, with what is deep and cannot be divided', () => {
    const tall = fc.record({ lines: fc.constant(1), leading: fc.constantFrom(45, 50), withNext: fc.boolean() });
    fc.assert(
      fc.property(
        fc.array(fc.oneof(varied, part, tall), { minLength: 2, maxLength: 5 }),
        fc.integer({ min: 6, max: 8 }),
        (parts, lines) => equalsBruteForce(parts, planOf(lines)),
      ),
      { numRuns: 300, seed: SEED },
    );
  });

  it('cost what brute force finds, with several heads on a spread', () => {
    const head = fc.record({ lines: fc.constant(1), gap: fc.constant(2), withNext: fc.constant(true), elastic });
    const text = fc.record({ lines: fc.integer({ min: 2, max: 4 }) });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(text, head), { minLength: 2, maxLength: 3 }),
        fc.integer({ min: 6, max: 9 }),
        (parts, lines) => equalsBruteForce([...parts.flat(), { lines: 3 }], planOf(lines)),
      ),
      { numRuns: 300, seed: SEED },
    );
  });

  it('cost what brute force finds in two columns', () => {
    fc.assert(
      fc.property(fc.array(noted, { minLength: 2, maxLength: 5 }), fc.integer({ min: 6, max: 7 }), (parts, lines) =>
        equalsBruteForce(fewNotes(parts, 2), planOf(lines, { columns: TWO_COLUMNS })),
      ),
      { numRuns: 300, seed: SEED },
    );
  });

  it('lose no line, note or float and keep their order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(varied, noted), { minLength: 1, maxLength: 30 }),
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        (parts, lines, first) => {
          const plan = planOf(lines, { firstLines: Math.min(first, lines) });
          const all = parts.map((own, k): FlowParts => (k === 2 && parts.length > 4 ? { ...own, floats: [2] } : own));
          const flow = makeFlow(flowOf(all), LEADING, { keeps: plan.keeps });
          const regions = traceRegions(drain(fillPages(flow, plan)), plan);
          let [item, at, note, float] = [0, 0, 0, 0];
          for (const region of regions) {
            for (const stretch of region.stretches) {
              expect([stretch.item, stretch.from]).to.deep.equal([item, at]);
              [item, at] = stretch.to === stretch.setting.count ? [item + 1, 0] : [item, stretch.to];
            }
            expect([region.noteFrom, region.floatFrom]).to.deep.equal([note, float]);
            [note, float] = [region.noteTo, region.floatTo];
          }
          expect([item, at, note, float]).to.deep.equal([
            parts.length,
            0,
            flow.notes.paragraphs.length,
            flow.floats.length,
          ]);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('lose nothing in haste either, where only the few cheapest ways go on', () => {
    const hurried = { ...LIMITS, work: { base: 4, perLine: 0 }, few: 2 };
    let told = 0;
    const plain = { gap: 0, withNext: false, hyphens: [], last: 30 };
    fc.assert(
      fc.property(
        fc.array(fc.oneof(varied, noted), { minLength: 1, maxLength: 30 }),
        fc.integer({ min: 2, max: 12 }),
        (parts, lines) => {
          const plan = planOf(lines);
          const flow = makeFlow(flowOf(parts), LEADING, { keeps: plan.keeps });
          const memory = drain(fillPages(flow, plan, undefined, hurried));
          told += memory.layers.filter((layer) => layer.isHurried).length;
          let [item, at, note] = [0, 0, 0];
          for (const region of traceRegions(memory, plan)) {
            for (const stretch of region.stretches) {
              expect([stretch.item, stretch.from]).to.deep.equal([item, at]);
              [item, at] = stretch.to === stretch.setting.count ? [item + 1, 0] : [item, stretch.to];
            }
            expect(region.noteFrom).to.equal(note);
            note = region.noteTo;
          }
          expect([item, at, note]).to.deep.equal([parts.length, 0, flow.notes.paragraphs.length]);
        },
      ),
      {
        numRuns: 600,
        // The two cheapest ways lead nowhere: notes of five lines under pages of three.
        examples: [
          [
            [
              { ...plain, lines: 1 },
              { ...plain, lines: 2, notes: [[1, 5]] },
              { ...plain, lines: 3, notes: [[2, 3]] },
              { ...plain, lines: 1 },
            ],
            3,
          ],
        ],
      },
    );
    expect(told, 'paragraphs that were hurried through').to.be.above(100);
  });

  it('hold what stands on them', () => {
    fc.assert(
      fc.property(fc.array(varied, { minLength: 4, maxLength: 20 }), fc.integer({ min: 5, max: 9 }), (parts, lines) => {
        const { flow, regions } = fill(parts, planOf(lines));
        for (const region of regions)
          expect(depthOf(flow, region)).to.be.at.most(lines + Math.max(0, region.depth) + 1e-3);
      }),
      { numRuns: 300, seed: SEED },
    );
  });

  it('are found for every text on every page, though it hold a single line', () => {
    const kinds = fc.oneof(varied, noted, noted, tall, wished, other);
    const columns = fc.constantFrom<PlanParts>(
      {},
      { short: null, long: null },
      { firstSide: 'verso', firstLines: 1 },
      { columns: TWO_COLUMNS },
      { columns: TWO_COLUMNS, balance: true },
      { columns: [TWO_COLUMNS[0], { x: 65, width: 30 }] },
    );
    fc.assert(
      fc.property(
        fc.array(kinds, { minLength: 1, maxLength: 14 }),
        fc.integer({ min: 1, max: 8 }),
        columns,
        twoFloats,
        (parts, lines, rest, floats) => {
          const plan = planOf(lines, rest);
          const flow = makeFlow(flowOf(anchored(floats, parts)), LEADING, { keeps: plan.keeps });
          const regions = traceRegions(drain(fillPages(flow, plan)), plan);
          expect(regions[regions.length - 1].noteTo).to.equal(flow.notes.lineOf.length);
        },
      ),
      { numRuns: 800 },
    );
  });

  it('after an edit are those of a search from the start, looking at few paragraphs again', () => {
    const kinds = fc.oneof(varied, noted, varied, noted, tall, wished, other);
    const plans = fc.constantFrom<PlanParts>(
      {},
      { firstSide: 'verso', firstLines: 4 },
      { exempt: true },
      { short: null, long: null },
    );
    fc.assert(
      fc.property(
        fc.array(kinds, { minLength: 30, maxLength: 60 }),
        fc.nat(),
        fc.array(kinds, { maxLength: 2 }),
        fc.integer({ min: 6, max: 10 }),
        plans,
        (parts, where, put, lines, rest) => {
          const plan = planOf(lines, rest);
          const before = flowOf(parts);
          const memory = drain(fillPages(makeFlow(before, LEADING), plan));
          const at = where % parts.length;
          const after = [...before.slice(0, at), ...flowOf(put), ...before.slice(at + 1)];
          const flow = makeFlow(after, LEADING);
          const again = drain(fillPages(flow, plan, memory));
          const fresh = drain(fillPages(flow, plan));
          expect(drawn(traceRegions(again, plan))).to.equal(drawn(traceRegions(fresh, plan)));
          expect(again.visited).to.be.at.most(fresh.visited);
          const back = drain(fillPages(makeFlow(before, LEADING), plan, again));
          expect(drawn(traceRegions(back, plan))).to.equal(drawn(traceRegions(memory, plan)));
        },
      ),
      { numRuns: 400 },
    );
  });

  it('after the last note is gone are sought again from the one before it', () => {
    const parts: FlowParts[] = [
      ...[1, 1, 2, 2].map((lines): FlowParts => ({ lines, last: 30 })),
      { lines: 1, last: 30, gap: 1, notes: [[0, 2]] },
      { lines: 2, last: 30, notes: [[0, 5]] },
      { lines: 5, last: 30, gap: 1, wishes: { spread: 0 } },
      ...[1, 1, 3].map((lines): FlowParts => ({ lines, last: 30 })),
      { lines: 1, leading: 45, gap: 1 },
      ...[3, 1, 1, 2, 2, 1, 1, 1, 1, 2, 1, 1].map((lines): FlowParts => ({ lines, last: 30 })),
      { lines: 1, last: 30, notes: [[0, 1]] },
      ...[1, 1].map((lines): FlowParts => ({ lines, last: 30 })),
    ];
    const plan = planOf(7);
    const before = flowOf(parts);
    const memory = drain(fillPages(makeFlow(before, LEADING), plan));
    const flow = makeFlow([...before.slice(0, -3), ...before.slice(-2)], LEADING);
    const again = drain(fillPages(flow, plan, memory));
    expect(again.visited).to.be.above(15);
    expect(drawn(traceRegions(again, plan))).to.equal(drawn(traceRegions(drain(fillPages(flow, plan)), plan)));
  });

  it('have notes that run over a person’s break on pages of their own before it', () => {
    const parts: FlowParts[] = [
      { lines: 2, last: 30 },
      { lines: 2, last: 30, notes: [[0, 9]] },
      { lines: 1, last: 30, wishes: { breakBefore: 'page' } },
      { lines: 1, last: 30, wishes: { breakBefore: 'page' } },
    ];
    const regions = fill(parts, planOf(7, { short: null, long: null })).regions;
    expect(drawn(regions)).to.equal('0:0-2 1:0-2 |  | 2:0-1 | 3:0-1');
    expect(regions.map((region) => region.noteTo)).to.deep.equal([3, 9, 9, 9]);
  });

  it('after an edit near the end are those of a search from the start where columns end level', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(varied, noted), { minLength: 12, maxLength: 30 }),
        fc.integer({ min: 1, max: 8 }),
        fc.array(varied, { maxLength: 2 }),
        fc.integer({ min: 6, max: 10 }),
        (parts, fromEnd, put, lines) => {
          const plan = planOf(lines, { columns: TWO_COLUMNS, balance: true });
          const before = flowOf(parts);
          const memory = drain(fillPages(makeFlow(before, LEADING), plan));
          const at = parts.length - fromEnd;
          const flow = makeFlow([...before.slice(0, at), ...flowOf(put), ...before.slice(at + 1)], LEADING);
          const again = drain(fillPages(flow, plan, memory));
          expect(drawn(traceRegions(again, plan))).to.equal(drawn(traceRegions(drain(fillPages(flow, plan)), plan)));
        },
      ),
      { numRuns: 300 },
    );
  });

  it('after an edit are measured by what they were measured by: doomed ways are none', () => {
    const ones = (count: number): FlowParts[] => Array.from({ length: count }, () => ({ lines: 1, last: 30 }));
    const parts: FlowParts[] = [
      ...ones(1),
      { lines: 4, last: 30, notes: [[2, 2]] },
      { lines: 2, last: 30 },
      { lines: 1, last: 30, gap: 1, withNext: true },
      { lines: 5, last: 30, gap: 1, notes: [[0, 2]] },
      ...ones(15),
      { lines: 3, last: 30 },
      ...ones(6),
      { lines: 1, last: 30, notes: [[0, 1]] },
      ...ones(4),
      ...[2, 5, 2].map((lines): FlowParts => ({ lines, last: 30 })),
    ];
    const plan = planOf(6);
    const before = flowOf(parts);
    const memory = drain(fillPages(makeFlow(before, LEADING), plan));
    const flow = makeFlow([...before.slice(0, 7), ...before.slice(8)], LEADING);
    const fresh = drain(fillPages(flow, plan));
    expect(drawn(traceRegions(drain(fillPages(flow, plan, memory)), plan))).to.equal(drawn(traceRegions(fresh, plan)));
  });

  it('after a paragraph with a note is gone do not differ by the rounding of note heights', () => {
    const noteLines = [1, 2, 4, 3, 1, 3, 4, 0, 2, 5, 0];
    const parts: FlowParts[] = [
      ...noteLines.map((count): FlowParts => ({ lines: 1, last: 30, notes: count > 0 ? [[0, count]] : [] })),
      { lines: 2, last: 30, notes: [[0, 5]] },
      { lines: 5, last: 30, notes: [[3, 3]] },
      { lines: 2, last: 30, longer: 5, withNext: true },
      { lines: 4, last: 30, gap: 1, notes: [[2, 5]] },
      { lines: 1, last: 30, notes: [[0, 3]] },
      ...[3, 1, 2].map((lines): FlowParts => ({ lines, last: 30 })),
      ...[0, 1, 0].map((gap): FlowParts => ({ lines: 4, last: 30, gap, notes: [[0, 2]] })),
      { lines: 1, last: 30 },
      { lines: 1, last: 30, gap: 1, notes: [[0, 2]] },
      ...[1, 1, 1, 1, 1].map((lines): FlowParts => ({ lines, last: 30 })),
      { lines: 2, last: 30, gap: 1 },
      ...[2, 3].map((lines): FlowParts => ({ lines, last: 30 })),
      { lines: 1, last: 30, gap: 1, withNext: true },
      ...[1, 1, 1, 1].map((lines): FlowParts => ({ lines, last: 30 })),
    ];
    const plan = planOf(8);
    const before = flowOf(parts);
    const flow = makeFlow(before.slice(1), LEADING);
    const again = drain(fillPages(flow, plan, drain(fillPages(makeFlow(before, LEADING), plan))));
    expect(drawn(traceRegions(again, plan))).to.equal(drawn(traceRegions(drain(fillPages(flow, plan)), plan)));
  });

  it('of a long reach are sought again only until they agree with the old ones', () => {
    const random = [3, 5, 2, 7, 4, 1, 6, 2, 3, 8, 1, 4];
    const parts = Array.from({ length: 600 }, (_, k): FlowParts => ({
      lines: random[(k * 7 + (k >> 3)) % 12],
      longer: 20,
    }));
    const plan = planOf(32);
    const before = flowOf(parts);
    const memory = drain(fillPages(makeFlow(before, LEADING), plan));
    const after = [...before.slice(0, 300), ...flowOf([parts[300]]), ...before.slice(301)];
    expect(drain(fillPages(makeFlow(after, LEADING), plan, memory)).visited).to.be.below(20);
  });
});

describe('what pages keep', () => {
  it('a paragraph may run a line shorter so that no widow stands at a page top', () => {
    const { regions } = fill(
      [{ lines: 9 }, { lines: 4, shorter: 1, last: 30 }, { lines: 20 }],
      planOf(12, { short: null, long: null }),
    );
    expect(drawn(regions)).to.equal('0:0-9 1:0-3 | 2:0-12 | 2:12-20');
  });

  it('a spread runs short on both its pages', () => {
    const { regions } = fill([{ lines: 10 }, { lines: 9 }, { lines: 9 }, { lines: 20 }], planOf(10));
    expect(drawn(regions)).to.equal('0:0-10 | 1:0-9 | 2:0-9 | 3:0-10 | 3:10-20');
    expect(regions.map((region) => region.depth)).to.deep.equal([0, -1, -1, 0, 0]);
  });

  it('a head keeps two lines of what follows, three where it can', () => {
    const { regions } = fill([{ lines: 7 }, { lines: 1, withNext: true }, { lines: 12 }], planOf(10));
    const [first] = regions;
    const after = first.stretches.filter((stretch) => stretch.item === 2);
    expect(after.length === 0 || after[0].to >= 2).to.equal(true);
  });

  it('a head of a single line of text stands whole at a foot, as the letters of an index do', () => {
    const letters = Array.from({ length: 14 }, () => [{ lines: 1, gap: 1, withNext: true }, { lines: 1 }]).flat();
    for (const lines of [7, 8, 9, 10]) {
      const { regions } = fill(letters, planOf(lines, { columns: TWO_COLUMNS, balance: true }));
      for (const { stretches, endItem } of regions.slice(0, -1))
        expect([stretches.length > 0, endItem % 2]).to.deep.equal([true, 0]);
    }
  });

  it('heads of a spread stand under like white', () => {
    const head = { lines: 1, gap: 2, withNext: true, elastic: [1.5, 2.5] };
    // By itself the third head would take half a line more, which is cheaper than what gives for it.
    const texts = [4, 3, 5, 5, 7, 6].map((lines) => ({ lines }));
    const [a, b, c, d, e, f] = texts;
    const { flow, regions } = fill([a, head, b, head, c, d, head, e, f], planOf(15, { firstSide: 'verso' }));
    const whites = regions.map(({ stretches }) =>
      stretches.flatMap(({ item, start }, k) => {
        const above = stretches[k - 1];
        return flow.items[item].mayHalve && k > 0 ? [start - above.start - (above.to - above.from)] : [];
      }),
    );
    expect(whites.slice(0, 2).flat()).to.deep.equal([2, 2, 2]);
  });

  it('a space break never opens a page where it could close one', () => {
    const { regions } = fill(
      [{ lines: 9, longer: 1 }, { lines: 1, meaning: 'break' }, { lines: 20 }],
      planOf(9, { short: null, long: null }),
    );
    for (const region of regions) expect(region.stretches[0].item).to.not.equal(1);
  });

  it('a chapter does not end with a stub when a line can be won', () => {
    const { regions } = fill(
      [{ lines: 10 }, { lines: 12, longer: 3 }],
      planOf(10, { chapterEnd: 3, short: null, long: null }),
    );
    expect(drawn(regions)).to.equal('0:0-10 | 1:0-10 | 1:10-13');
  });

  it('a line that leads in stays with two lines of its extract', () => {
    const { regions } = fill(
      [{ lines: 8 }, { lines: 1, text: 'It said:' }, { lines: 6, meaning: 'extract' }, { lines: 9 }],
      planOf(10, { short: null, long: null }),
    );
    expect(regions[0].endItem === 2 && regions[0].endLine === 0).to.equal(false);
  });

  it('extracts give half a line on either side, and the text after them is back on the grid', () => {
    const { flow, regions } = fill(
      [
        { lines: 4 },
        { lines: 3, meaning: 'extract', gap: 1, elastic: [0.5] },
        { lines: 4, gap: 1, elastic: [0.5] },
        { lines: 8 },
      ],
      planOf(12, { short: null, long: null }),
    );
    expect(drawn(regions)).to.equal('0:0-4 1:0-3 2:0-4 | 3:0-8');
    expect(regions[0].stretches.map((stretch) => stretch.start)).to.deep.equal([0, 4.5, 8]);
    expect(depthOf(flow, regions[0])).to.equal(12);
  });

  it('notes stand on the page of their reference, divided with two lines on either side', () => {
    fc.assert(
      fc.property(fc.array(noted, { minLength: 1, maxLength: 10 }), fc.integer({ min: 8, max: 16 }), (parts, lines) => {
        const { flow, regions } = fill(parts, planOf(lines));
        for (const region of regions) {
          const { noteFrom, noteTo, endItem, endLine } = region;
          const before = flow.items[endItem]?.settings[0].noteLinesBefore ?? null;
          const due = flow.noteStart[endItem] + (endLine > 0 && before !== null ? before[endLine] : 0);
          expect(noteTo).to.be.at.most(due);
          if (noteTo === due || noteTo === noteFrom) continue;
          let start = noteTo;
          while (flow.notes.starts[start] === 0) start -= 1;
          if (start >= noteFrom && start < noteTo) expect(noteTo - start).to.be.at.least(2);
        }
      }),
      { numRuns: 400 },
    );
  });

  it('a note longer than a page goes on over as many as it needs', () => {
    const { flow, regions } = fill([{ lines: 4, notes: [[1, 60]] }, { lines: 30 }], planOf(12));
    expect(regions.reduce((sum, region) => sum + region.noteTo - region.noteFrom, 0)).to.equal(60);
    expect(regions[regions.length - 1].endItem).to.equal(flow.items.length);
  });

  it('gives one empty region to nothing, and an answer to a page of one line', () => {
    expect(fill([], planOf(10)).regions).to.have.length(1);
    expect(fill([{ lines: 7 }, { lines: 3 }], planOf(1)).regions.length).to.be.at.least(5);
    expect(fill([{ lines: 3, leading: 40 }, { lines: 2 }], planOf(2)).regions.length).to.be.at.least(3);
  });

  it('takes paragraphs of another leading, and brings what follows back to the grid', () => {
    const { regions } = fill([{ lines: 2 }, { lines: 3, leading: 7, gap: 1 }, { lines: 2, gap: 1 }], planOf(30));
    expect(regions[0].stretches.map((stretch) => stretch.start)[2]).to.equal(Math.ceil(3 + 3 * 0.7 + 1));
  });
});

describe('wishes of a person', () => {
  it('begin a page, keep together, run a line longer, run a spread short', () => {
    const broken = fill([{ lines: 4 }, { lines: 4, wishes: { breakBefore: 'page' } }, { lines: 12 }], planOf(10));
    expect(drawn(broken.regions)).to.match(/^0:0-4 \| 1:0-4/);
    const kept = fill([{ lines: 6 }, { lines: 6, wishes: { together: true } }, { lines: 9 }], planOf(10));
    expect(kept.regions.filter((region) => region.stretches.some((stretch) => stretch.item === 1))).to.have.length(1);
    const longer = fill([{ lines: 4, longer: 900, wishes: { lines: 1 } }, { lines: 9 }], planOf(20));
    expect(drawn(longer.regions)).to.equal('0:0-5 1:0-9');
    const short = fill([{ lines: 10 }, { lines: 20, wishes: { spread: -1 } }, { lines: 30 }], planOf(10));
    expect(short.regions.slice(1, 3).map((region) => region.depth)).to.deep.equal([-1, -1]);
  });
});

describe('a held pull', () => {
  it('keeps its page starts where it can, and moves as few as it can', () => {
    // Ten lines a page; page starts of the pull at every tenth line of one long paragraph, and at the next.
    const held = [0, 100, 200, 300];
    const parts: FlowParts[] = [{ lines: 3 }, { lines: 40, held, last: 90 }];
    const plan = planOf(10, { firstLines: 5, short: null, long: null });
    const { regions } = fill([{ ...parts[0], held: [] }, parts[1]], plan);
    const starts = regions.slice(1).map((region) => region.stretches[0].from * 10);
    const moved = starts.filter((start) => !held.includes(start));
    const free = fill(
      parts.map((own) => ({ ...own, held: undefined })),
      plan,
    ).regions.slice(1);
    const movedFree = free.filter((region) => !held.includes(region.stretches[0].from * 10));
    expect(moved.length).to.be.at.most(movedFree.length);
  });
});

describe('columns', () => {
  const two = planOf(10, { columns: TWO_COLUMNS, balance: true });

  it('are filled one after another, and end level on the last page', () => {
    const { regions } = fill([{ lines: 20 }, { lines: 8 }], two);
    expect(regions.map((region) => [region.page, region.region.column])).to.deep.equal([
      [0, 0],
      [0, 1],
      [1, 0],
      [1, 1],
    ]);
    expect(drawn(regions)).to.equal('0:0-10 | 0:10-20 | 1:0-4 | 1:4-8');
  });
});
