import { expect } from 'chai';
import { ValueError } from '../../../src/core/base/errors';
import { maybeSpotPattern, spotPattern, spotPatternFault } from '../../../src/core/looks/spotPatterns';

const found = (pattern: string, text: string) =>
  [...(spotPattern(pattern).matchesIn(text) ?? [])].map(({ groups }) => groups[0]);

describe('patterns of spot rules', () => {
  for (const [pattern, text, expected] of [
    ['\\d+', 'in 1907 and 12', ['1907', '12']],
    ['[A-Z]{2,}', 'the RNLI man', ['RNLI']],
    ['\\bDr\\.', 'Dr. Vane', ['Dr.']],
    ['“[^”]*”', 'He “said” so', ['“said”']],
    ['(ab)+c', 'ababc', ['ababc']],
    ['(a|aa)+b', 'aaab', ['aaab']],
    ['((a*)b)+', 'aabab', ['aabab']],
    ['.*.*.*.*x', 'no', []],
  ] as const)
    it(`takes ${pattern}`, () => expect(found(pattern, text)).to.deep.equal(expected));

  const refused: readonly (readonly [string, RegExp])[] = [
    ['(a)\\1+', /refers back/],
    ['(?<=a)b', /looks around/],
    ['[a', /no pattern/],
    ['a*', /where there is nothing/],
    ['', /empty/],
    ['x'.repeat(201), /longer than 200/],
  ];
  for (const [pattern, why] of refused)
    it(`refuses ${pattern.slice(0, 20) || 'nothing'}: ${why.source}`, () =>
      expect(() => spotPattern(pattern)).to.throw(ValueError, why));

  it('that were kept before and cannot be run are no fault of the spec', () => {
    expect([spotPatternFault('(?<=a)b'), maybeSpotPattern('(?<=a)b')]).to.deep.equal([null, null]);
  });

  it('end on text that is made to be slow', () => {
    const text = `${'a'.repeat(40_000)}!`;
    for (const pattern of ['(?:ab)+c', 'a+b', '\\w+\\s+\\w+x', '(a+)+b', '(?:a?a?)+b', '(?:\\w{1,20}){1,20}b'])
      expect(found(pattern, text)).to.deep.equal([]);
  });
});
