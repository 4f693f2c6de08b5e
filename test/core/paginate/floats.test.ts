// Figures at the head and the foot of pages and on pages by themselves, beside pictures that stand in their place.
import { expect } from 'chai';
import fc from 'fast-check';
import { EXACT, fillPages, makeFlow, traceRegions, type FilledRegion, type Flow } from '../../../src/core/paginate';
import { placeText } from '../../../src/core/paginate/placeLines';
import { gridBaseline, type PageGeometry } from '../../../src/core/model/composed/pages';
import { drain } from '../../build/assets';
import { bruteForce } from '../../build/bruteForcePages';
import { flowOf, LEADING, planOf, type FlowParts } from '../../build/flow';
import { drawn, noted } from '../../build/flowParts';

const TWO_COLUMNS = [
  { x: 0, width: 45 },
  { x: 55, width: 45 },
];
const text = fc.integer({ min: 1, max: 5 }).map((lines): FlowParts => ({ lines, gap: 1, gapPassed: 0 }));
const picture = fc.constantFrom(25, 40).map((leading): FlowParts => ({ lines: 1, leading, gap: 1, mayPass: true }));
/** A paragraph on which a figure of some place hangs; one on a page by itself is as deep as the page. */
const hung = (page: number) =>
  fc
    .tuple(text, fc.constantFrom('head', 'foot', 'next', 'page', 'spread'), fc.integer({ min: 2, max: 4 }))
    .map(([own, floatPlace, height]): FlowParts =>
      floatPlace === 'spread'
        ? { ...own, floatPlace: 'page', floats: [page, page], areHalves: true }
        : { ...own, floatPlace, floats: [floatPlace === 'page' ? page : height] },
    );
const parts = (page: number, least: number, most: number) =>
  fc.array(
    fc.oneof({ weight: 4, arbitrary: text }, { weight: 2, arbitrary: hung(page) }, { weight: 1, arbitrary: picture }),
    { minLength: least, maxLength: most },
  );
const sized = (least: number, most: number) =>
  fc.integer({ min: 6, max: 10 }).chain((lines) => fc.tuple(fc.constant(lines), parts(lines, least, most)));

function stands(flow: Flow, regions: readonly FilledRegion[]): string {
  return regions
    .map((region) => {
      const own = flow.floats.slice(region.floatFrom, region.floatTo).map(({ anchor }) => `^${anchor}`);
      return [...own, drawn([region])].filter((one) => one !== '').join(' ');
    })
    .join(' | ');
}

describe('figures with a place of their own', () => {
  for (const columns of [undefined, TWO_COLUMNS])
    it(`stand where brute force finds them, in ${columns === undefined ? 'one column' : 'two columns'}`, () => {
      fc.assert(
        fc.property(sized(3, columns === undefined ? 6 : 5), ([lines, list]) => {
          const plan = planOf(lines, columns === undefined ? {} : { columns });
          const flow = makeFlow(flowOf([{ lines: 2 }, ...list, { lines: 3 }]), LEADING, { keeps: plan.keeps });
          const memory = drain(fillPages(flow, plan, undefined, EXACT));
          const best = bruteForce(flow, plan);
          expect(memory.cost, stands(flow, traceRegions(memory, plan))).to.be.closeTo(best, 1e-6 * Math.max(1, best));
        }),
        { numRuns: 250, seed: 12 },
      );
    });

  it('stand in their order, each once, on the page of their reference or a later one, and no word is lost', () => {
    fc.assert(
      fc.property(sized(2, 30), ([lines, list]) => {
        const plan = planOf(lines);
        const flow = makeFlow(flowOf([{ lines: 1 }, ...list]), LEADING, { keeps: plan.keeps });
        const regions = traceRegions(drain(fillPages(flow, plan)), plan);
        const shown: number[] = [];
        const words = new Set<number>();
        for (const { stretches, floatFrom, floatTo, endItem, endLine } of regions) {
          // In one order with the pictures that stand in their place: those at the head come first.
          shown.push(...flow.floats.slice(floatFrom, floatTo).map((float) => flow.floats.indexOf(float)));
          for (const { item } of stretches) {
            words.add(item);
            if (flow.items[item].mayPass)
              shown.push(flow.floats.findIndex(({ anchor, isPicture }) => isPicture && anchor === item));
          }
          for (const k of shown) expect(flow.floats[k].anchor).to.be.below(endItem + (endLine > 0 ? 1 : 0));
        }
        expect(shown).to.deep.equal(flow.floats.map((_, k) => k));
        flow.items.forEach(({ mayPass }, k) => expect(mayPass || words.has(k), `words of ${k}`).to.equal(true));
      }),
      { numRuns: 400 },
    );
  });

  it('after an edit stand where a search from the start puts them', () => {
    fc.assert(
      fc.property(sized(20, 50), fc.nat(), fc.array(noted, { maxLength: 2 }), ([lines, list], where, put) => {
        const plan = planOf(lines);
        const before = flowOf(list);
        const memory = drain(fillPages(makeFlow(before, LEADING), plan));
        const at = where % list.length;
        const flow = makeFlow([...before.slice(0, at), ...flowOf(put), ...before.slice(at + 1)], LEADING);
        const again = traceRegions(drain(fillPages(flow, plan, memory)), plan);
        const fresh = traceRegions(drain(fillPages(flow, plan)), plan);
        expect(stands(flow, again)).to.equal(stands(flow, fresh));
      }),
      { numRuns: 200 },
    );
  });

  it('stand clear of the text and of each other, the last at the foot on the foot line', () => {
    const capHeight = 9;
    fc.assert(
      fc.property(sized(4, 20), ([lines, list]) => {
        const plan = planOf(lines);
        const flow = makeFlow(flowOf([{ lines: 1 }, ...list]), LEADING, { keeps: plan.keeps });
        const geometry = { head: 0, leading: LEADING, lines, capHeight } as PageGeometry;
        for (const region of traceRegions(drain(fillPages(flow, plan)), plan)) {
          const placed = placeText(flow, region, geometry, plan.noteGap).map(({ paragraph, from, to, y }) => {
            const { leading } = paragraph.styled.style;
            // From the cap height of its first line; of a picture, from its head.
            const isPicture = leading > LEADING;
            return {
              top: y - (isPicture ? leading - LEADING + capHeight : capHeight),
              foot: y + (to - from - 1) * leading,
            };
          });
          const inOrder = placed.sort((a, b) => a.top - b.top);
          for (let k = 1; k < inOrder.length; k += 1) expect(inOrder[k].top).to.be.at.least(inOrder[k - 1].foot - 1e-6);
          const last = flow.floats.slice(region.floatFrom, region.floatTo).findLast(({ place }) => place === 'foot');
          if (last !== undefined)
            expect(inOrder[inOrder.length - 1].foot).to.be.closeTo(
              gridBaseline(geometry, lines - 1 + region.depth),
              1e-6,
            );
        }
      }),
      { numRuns: 300 },
    );
  });
});
