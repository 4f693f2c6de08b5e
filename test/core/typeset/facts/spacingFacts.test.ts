// What the rules decided, counted again by other means.
import { expect } from 'chai';
import { LINE_END } from '../../../../src/core/model/composed/broken';
import { NOVEL_SPEC } from '../../../../src/core/defaults/novelSpec';
import type { ComposedParagraph } from '../../../../src/core/model/composed/pages';
import type { Spec } from '../../../../src/core/model/spec/spec';
import { SPACE_STEP } from '../../../../src/core/model/answers/spacingFacts';
import { bookTies, qualityOf, spacingFacts } from '../../../../src/core/typeset';
import { compose, newContext } from '../../../build/assets';
import { book, chapter, words } from '../../../build/book';

const texts = (seed: number) =>
  Array.from({ length: 14 }, (_, k) => `Dr Sarn said “so” on 4 May: ${words(90, seed * 20 + k)}`);
const of = (spec: Spec = NOVEL_SPEC) => {
  const made = book([chapter('One', ...texts(1)), chapter('Two', ...texts(2))], [], spec);
  const context = newContext();
  const composed = compose(made, context);
  return { made, composed, facts: spacingFacts(made, composed, context), quality: qualityOf(composed, context) };
};
const paragraphsOf = ({ composed }: ReturnType<typeof of>): ComposedParagraph[] => [
  ...new Set(composed.pages.flatMap((page) => page.fragments.map(({ paragraph }) => paragraph))),
];

describe('what rules of spacing decided', () => {
  const set = of();
  const { facts } = set;

  it('has every full line in its histogram, with the mean that quality measures', () => {
    expect(facts.histogram.reduce((sum, count) => sum + count, 0)).to.equal(facts.lines);
    expect(facts.lines).to.equal(set.quality.fullLines);
    expect(facts.mean).to.be.closeTo(set.quality.spaceMean, 1e-6);
    expect(facts.looseLines).to.equal(set.quality.looseLines);
    const binned = facts.histogram.reduce((sum, count, bin) => sum + count * bin * SPACE_STEP, 0) / facts.lines;
    expect(binned).to.be.closeTo(facts.mean, SPACE_STEP);
  });

  it('counts divided words, ties and marks as the lines have them', () => {
    const ends = paragraphsOf(set).flatMap(({ broken }) => [...broken.end].slice(0, broken.count));
    expect(facts.hyphenated).to.equal(ends.filter((end) => end === LINE_END.hyphen).length);
    expect(facts.ties).to.equal(bookTies(set.composed).reduce((sum, { count }) => sum + count, 0));
    expect(facts.ties).to.be.at.least(28);
    expect(facts.ragged).to.equal(0);
    const typed = of({ ...NOVEL_SPEC, marks: { ...NOVEL_SPEC.marks, set: 'typed' } });
    expect(typed.facts.marks).to.equal(0);
  });

  it('counts what gave: paragraphs off their best, spreads off their depth, paragraphs over a page end', () => {
    const over = set.composed.pages
      .flatMap((page) => page.fragments)
      .filter(({ from, to, paragraph }) => from === 0 && to < paragraph.broken.count);
    expect(facts.divided).to.equal(over.length);
    expect(facts.shortSpreads + facts.longSpreads).to.equal(
      Math.ceil(set.composed.pages.filter(({ depth }) => depth === -1).length / 2) +
        Math.ceil(set.composed.pages.filter(({ depth }) => depth === 1).length / 2),
    );
    const stiff = of({
      ...NOVEL_SPEC,
      pages: { ...NOVEL_SPEC.pages, elastic: false, spreadShort: null, spreadLong: null },
    });
    expect([stiff.facts.shorter, stiff.facts.longer, stiff.facts.shortSpreads, stiff.facts.longSpreads]).to.deep.equal([
      0, 0, 0, 0,
    ]);
  });

  it('tells ragged lines, and the limits that count', () => {
    const ragged = of({ ...NOVEL_SPEC, text: { ...NOVEL_SPEC.text, setting: 'ragged' } });
    expect(ragged.facts.lines).to.equal(0);
    expect(ragged.facts.ragged).to.be.above(40);
    expect(ragged.facts.shortRagged).to.be.at.most(ragged.facts.ragged);
    expect(facts.limits).to.deep.equal({ least: 0.15, wished: 0.2, most: 0.3 });
    const own = of({ ...NOVEL_SPEC, text: { ...NOVEL_SPEC.text, wordSpace: { least: 0.2, wished: 0.25, most: 0.4 } } });
    expect(own.facts.limits).to.deep.equal({ least: 0.2, wished: 0.25, most: 0.4 });
    const alone = of({ ...NOVEL_SPEC, text: { ...NOVEL_SPEC.text, letterWidth: 0 } });
    expect(alone.facts.limits).to.deep.equal({ least: 0.13, wished: 0.22, most: 0.32 });
    expect(own.facts.mean).to.be.above(facts.mean);
  });
});
