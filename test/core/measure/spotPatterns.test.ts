import { expect } from 'chai';
import { ValueError } from '../../../src/core/base/errors';
import { spotPattern } from '../../../src/core/measure/spotPatterns';

describe('patterns of spot rules', () => {
  for (const pattern of [
    '\\d+',
    '[A-Z]{2,}',
    '\\bDr\\.',
    '(?:one|two) ferries',
    '“[^”]*”',
    '(ab)+c',
    '\\p{Lu}+',
    'a|b',
    'x{1,3}',
  ])
    it(`takes ${pattern}`, () => expect(spotPattern(pattern)).to.be.instanceOf(RegExp));

  const refused: readonly (readonly [string, RegExp])[] = [
    ['(a+)+b', /holds another repetition/],
    ['((a*)b)*', /holds another repetition/],
    ['(a|aa)+', /holds a choice/],
    ['(a|b){2,}', /holds a choice/],
    ['(a)\\1+', /refers back/],
    ['.*.*.*.*x', /open repetitions/],
    ['[a', /no pattern/],
    ['a*', /where there is nothing/],
    ['', /empty/],
    ['x'.repeat(201), /longer than 200/],
  ];
  for (const [pattern, why] of refused)
    it(`refuses ${pattern.slice(0, 20) || 'nothing'}: ${why.source}`, () =>
      expect(() => spotPattern(pattern)).to.throw(ValueError, why));

  it('is quick on text that is made to be slow', () => {
    const text = `${'a'.repeat(4000)}!`;
    for (const pattern of ['(?:ab)+c', 'a+b', '\\w+\\s+\\w+x'])
      expect([...text.matchAll(spotPattern(pattern))]).to.deep.equal([]);
  });
});
