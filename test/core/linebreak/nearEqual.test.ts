import { expect } from 'chai';
import fc from 'fast-check';
import { FAULT, faultsOf, type FaultContext } from '../../../src/core/linebreak/lineFaults';
import { chooseNearEqual } from '../../../src/core/linebreak/nearEqual';
import { LINE_END } from '../../../src/core/model/composed/broken';
import { compose } from '../../build/assets';
import { book, chapter, words } from '../../build/book';

/** Ways of ending lines: every subset of the places before the last. */
const waysOf = (places: number) =>
  Array.from({ length: 2 ** places }, (_, bits) => [
    ...Array.from({ length: places }, (__, k) => k).filter((k) => (bits >> k) & 1),
    places,
  ]);

describe('near-equal ways of breaking', () => {
  it('come to the cheapest of all ways, their faults counted', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 6 }),
        fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 128, maxLength: 128 }),
        fc.array(fc.tuple(fc.nat(5), fc.nat(5), fc.integer({ min: 1, max: 80 })), { maxLength: 5 }),
        (places, prices, pairs) => {
          const ways = waysOf(places).map((ends, k) => ({ ends, demerits: prices[k % prices.length] }));
          const faults = (ends: readonly number[]) =>
            pairs
              .filter(([a, b]) => a < places && b < places && ends.includes(a) && ends.includes(b))
              .map(([a, b, cost]) => ({ cost, ends: [a, b] }));
          const priced = (way: (typeof ways)[number]) =>
            faults(way.ends).reduce((sum, fault) => sum + fault.cost, way.demerits);
          const find = (barred: ReadonlySet<number>) =>
            ways
              .filter((way) => !way.ends.some((end) => barred.has(end)))
              .reduce((best, way) => (way.demerits < best.demerits ? way : best));
          const found = chooseNearEqual(find, faults)!;
          expect(found.demerits).to.equal(Math.min(...ways.map(priced)));
          expect(found.demerits).to.equal(priced(ways.find((way) => way.ends === found.ends)!));
        },
      ),
      { numRuns: 500 },
    );
  });

  it('know the same word at three line ends, and four lines that end in marks', () => {
    const text = 'the one river, and the two river; but the red river. so the old boat - then more';
    const at = [...text.matchAll(/ /g)].map((match) => match.index);
    const breaks = {
      count: at.length + 1,
      at: Uint32Array.from([...at, text.length]),
      next: Uint32Array.from([...at.map((space) => space + 1), text.length]),
      kind: Uint8Array.from([...at.map(() => LINE_END.space), LINE_END.last]),
      dear: new Uint8Array(at.length + 1),
    };
    const context = { text, breaks, settings: { mode: 'ragged' } } as unknown as FaultContext;
    const after = (word: string) => at.indexOf(text.indexOf(word) + word.length);
    const [first, second, third, fourth] = ['river,', 'river;', 'river.', '-'].map(after);
    const costs = (ends: readonly number[]) => faultsOf(ends, context).map((fault) => fault.cost);
    expect(costs([first, second, third, at.length])).to.deep.equal([FAULT.STACK]);
    expect(faultsOf([first, second, third, at.length], context)[0].ends).to.deep.equal([first, second, third]);
    expect(costs([first, second, third, fourth, at.length])).to.deep.equal([FAULT.MARKS, FAULT.STACK]);
    expect(costs([first, after('two'), third, at.length])).to.deep.equal([]);
  });

  it('leave few runs of marks, stacks and rivers in text, and each has its finding', () => {
    const set = compose(book([chapter('One', ...Array.from({ length: 60 }, (_, k) => words(90, 300 + k)))]));
    const told = set.findings.filter(({ kind }) => ['marks-running', 'stacked-words', 'river'].includes(kind));
    expect(told.length).to.be.below(set.lines / 150);
    for (const finding of told) expect(finding.message).to.match(/“.+”/);
  });
});
