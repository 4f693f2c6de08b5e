import { expect } from 'chai';
import fc from 'fast-check';
import { compareTerms, initialOf, sortKey } from '../../../src/core/base/collate';
import { INDEX } from '../../../src/core/model/spec/indexSpec';
import { indexLocators, rangeText } from '../../../src/core/references';

const mark = (term: string, page: number, rest: object = {}) => ({
  term,
  sub: '',
  see: '',
  seeAlso: '',
  range: 'here' as const,
  block: `p${page}`,
  at: 0,
  ...rest,
});
const located = (marks: readonly ReturnType<typeof mark>[], spec = INDEX) =>
  indexLocators(
    marks,
    (block) => Number(block.slice(1)),
    (page) => String(page),
    spec,
  );
const told = (marks: readonly ReturnType<typeof mark>[], spec = INDEX) =>
  located(marks, spec).map(({ term, sub, folios }) =>
    [sub === '' ? term : `  ${sub}`, ...folios.map((range) => rangeText(range, spec.ranges))].join(' '),
  );

describe('the index', () => {
  it('gathers terms in order, sub-terms after theirs, pages once', () => {
    expect(
      told([mark('weir', 12), mark('Éclat', 3), mark('weir', 12), mark('weir', 4, { sub: 'of oak' })]),
    ).to.deep.equal(['Éclat 3', 'weir 12', '  of oak 4']);
  });

  it('sorts letter by letter or word by word', () => {
    const terms = ['New York', 'Newark', 'new', 'Newts'].map((term) => mark(term, 1));
    expect(located(terms).map(({ term }) => term)).to.deep.equal(['new', 'Newark', 'Newts', 'New York']);
    expect(located(terms, { ...INDEX, order: 'words' }).map(({ term }) => term)).to.deep.equal([
      'new',
      'New York',
      'Newark',
      'Newts',
    ]);
  });

  it('sorts letters of a language behind those that they come from', () => {
    const terms = ['nudo', 'ñandú', 'oca', 'nave'].map((term) => mark(term, 1));
    const inOrder = (language: string) =>
      indexLocators(
        terms,
        () => 1,
        () => '1',
        INDEX,
        language,
      ).map(({ term }) => term);
    expect(inOrder('es')).to.deep.equal(['nave', 'nudo', 'ñandú', 'oca']);
    expect(inOrder('en')).to.deep.equal(['ñandú', 'nave', 'nudo', 'oca']);
  });

  it('merges pages that follow each other, and ranges with what they hold', () => {
    expect(told([mark('a', 3), mark('a', 4), mark('a', 7)])).to.deep.equal(['a 3–4 7']);
    const ends = [mark('a', 10, { range: 'from' }), mark('a', 12), mark('a', 15, { range: 'to' })];
    expect(told(ends)).to.deep.equal(['a 10–15']);
  });

  it('leaves out the figures that both ends of a range have in common, or none', () => {
    const cases: readonly (readonly [string, string, string])[] = [
      ['3', '10', '3–10'],
      ['71', '72', '71–72'],
      ['100', '104', '100–104'],
      ['107', '108', '107–8'],
      ['123', '124', '123–24'],
      ['1496', '1504', '1496–504'],
      ['iv', 'vi', 'iv–vi'],
      ['8', '8', '8'],
    ];
    for (const [from, to, said] of cases) expect(rangeText([from, to], 'elided'), said).to.equal(said);
    expect(rangeText(['123', '124'], 'full')).to.equal('123–124');
  });

  it('gives a term that is looked up elsewhere no pages', () => {
    const [entry] = located([mark('lock', 5, { see: 'weir' })]);
    expect(entry).to.include({ see: 'weir' });
    expect(entry.folios).to.deep.equal([]);
  });

  it('covers exactly the marked pages, in order, whatever is marked', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 30 }), (pages) => {
        const [{ pages: ranges }] = located(pages.map((page) => mark('a', page)));
        const covered = ranges.flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, k) => from + k));
        expect(covered).to.deep.equal([...new Set(pages)].sort((a, b) => a - b));
        for (let k = 1; k < ranges.length; k += 1) expect(ranges[k][0]).to.be.above(ranges[k - 1][1] + 1);
      }),
    );
  });

  it('sorts the same way round whatever comes first', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (a, b) => {
        const [first, second] = [sortKey(a, 'letters'), sortKey(b, 'letters')];
        expect(Math.sign(compareTerms(a, b, first, second))).to.equal(
          -Math.sign(compareTerms(b, a, second, first)) + 0,
        );
      }),
    );
    expect(['Ångström', '“weir”', '1832'].map((term) => initialOf(term))).to.deep.equal(['A', 'W', '0']);
  });
});
