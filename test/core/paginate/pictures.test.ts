// Pictures that go over to the head of a later page while the text after them goes on.
import { expect } from 'chai';
import fc from 'fast-check';
import { EXACT, fillPages, makeFlow, traceRegions, type FilledRegion, type Flow } from '../../../src/core/paginate';
import { drain } from '../../build/assets';
import { bruteForce } from '../../build/bruteForcePages';
import { flowOf, LEADING, planOf, type FlowParts } from '../../build/flow';
import { drawn, noted } from '../../build/flowParts';

const picture = (leading: number): FlowParts => ({ lines: 1, leading, gap: 1, mayPass: true });
const text = (lines: number): FlowParts => ({ lines, gap: 1, gapPassed: 0 });
const pictures = fc.constantFrom(25, 40, 45).map(picture);
const texts = fc.integer({ min: 1, max: 5 }).map(text);
const heads = fc.constant<FlowParts>({ lines: 1, gap: 2, withNext: true, elastic: [1.5, 2.5] });
const mixed = fc.oneof(
  { weight: 2, arbitrary: pictures },
  { weight: 4, arbitrary: texts },
  { weight: 1, arbitrary: heads },
);

/** What stands on each page: paragraphs as `0:0-3`, and what has come over to its head as `^1`. */
function stands(flow: Flow, regions: readonly FilledRegion[]): string {
  return regions
    .map((region) => {
      const over = flow.floats.slice(region.floatFrom, region.floatTo).map(({ anchor }) => `^${anchor}`);
      return [...over, drawn([region])].filter((one) => one !== '').join(' ');
    })
    .join(' | ');
}

describe('pictures that let text pass', () => {
  it('stand where brute force finds them', () => {
    fc.assert(
      fc.property(fc.array(mixed, { minLength: 3, maxLength: 7 }), fc.integer({ min: 6, max: 10 }), (parts, lines) => {
        const plan = planOf(lines);
        const flow = makeFlow(flowOf([{ lines: 2 }, ...parts, { lines: 3 }]), LEADING, { keeps: plan.keeps });
        const memory = drain(fillPages(flow, plan, undefined, EXACT));
        const best = bruteForce(flow, plan);
        expect(memory.cost, stands(flow, traceRegions(memory, plan))).to.be.closeTo(best, 1e-6 * Math.max(1, best));
      }),
      { numRuns: 300, seed: 20 },
    );
  });

  it('stand in their order, each once, on the page of their place or a later one', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(mixed, noted), { minLength: 2, maxLength: 30 }),
        fc.integer({ min: 5, max: 14 }),
        (parts, lines) => {
          const plan = planOf(lines);
          const flow = makeFlow(flowOf(parts), LEADING, { keeps: plan.keeps });
          const regions = traceRegions(drain(fillPages(flow, plan)), plan);
          const shown: number[] = [];
          let [item, at] = [0, 0];
          for (const { stretches, floatFrom, floatTo, endItem } of regions) {
            shown.push(...flow.floats.slice(floatFrom, floatTo).map(({ anchor }) => anchor));
            for (const one of stretches) {
              // Those between the paragraphs that stand here have gone over.
              while (item < one.item && at === 0 && flow.items[item].mayPass) item += 1;
              expect([one.item, one.from]).to.deep.equal([item, at]);
              if (flow.items[item].mayPass) shown.push(item);
              [item, at] = one.to === one.setting.count ? [item + 1, 0] : [item, one.to];
            }
            for (const anchor of shown) expect(anchor).to.be.below(endItem + (at > 0 ? 1 : 0));
          }
          const all = flow.items.flatMap(({ mayPass }, k) => (mayPass ? [k] : []));
          expect(shown).to.deep.equal(all);
          expect(flow.items.slice(item).every(({ mayPass }) => mayPass)).to.equal(true);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('after an edit stand where a search from the start puts them', () => {
    const kinds = fc.oneof(mixed, noted);
    fc.assert(
      fc.property(
        fc.array(kinds, { minLength: 20, maxLength: 50 }),
        fc.nat(),
        fc.array(kinds, { maxLength: 2 }),
        fc.integer({ min: 6, max: 12 }),
        (parts, where, put, lines) => {
          const plan = planOf(lines);
          const before = flowOf(parts);
          const memory = drain(fillPages(makeFlow(before, LEADING), plan));
          const at = where % parts.length;
          const after = [...before.slice(0, at), ...flowOf(put), ...before.slice(at + 1)];
          const flow = makeFlow(after, LEADING);
          const again = traceRegions(drain(fillPages(flow, plan, memory)), plan);
          const fresh = traceRegions(drain(fillPages(flow, plan)), plan);
          expect(stands(flow, again)).to.equal(stands(flow, fresh));
        },
      ),
      { numRuns: 300 },
    );
  });

  it('leave no page short where the text can go on', () => {
    const plan = planOf(20);
    const parts = [text(15), picture(120), ...[8, 8, 8, 8].map(text)];
    const flow = makeFlow(flowOf(parts), LEADING, { keeps: plan.keeps });
    const [first, second] = traceRegions(drain(fillPages(flow, plan)), plan);
    expect(stands(flow, [first])).to.equal('0:0-15 2:0-5');
    expect(stands(flow, [second])).to.match(/^\^1 2:5-8 /);
    const bound = makeFlow(flowOf(parts.map((part) => ({ ...part, mayPass: false }))), LEADING, { keeps: plan.keeps });
    expect(traceRegions(drain(fillPages(bound, plan)), plan)[0].white).to.equal(5);
  });
});
