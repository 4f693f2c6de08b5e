import { expect } from 'chai';
import fc from 'fast-check';
import { inNumerals, toLetters, toRoman, toWords } from '../../../src/core/numbering/numerals';
import { spokenDate } from '../../../src/core/copy/spokenDate';

const VALUES: Readonly<Record<string, number>> = { i: 1, v: 5, x: 10, l: 50, c: 100, d: 500, m: 1000 };

/** The worth of a roman numeral, read as a reader does: smaller before larger is taken away. */
function fromRoman(text: string): number {
  return [...text].reduce((sum, letter, k) => {
    const [own, next] = [VALUES[letter], VALUES[text[k + 1]] ?? 0];
    return sum + (own < next ? -own : own);
  }, 0);
}

describe('numerals', () => {
  it('are roman as they are read back', () => {
    fc.assert(fc.property(fc.integer({ min: 1, max: 3999 }), (value) => fromRoman(toRoman(value)) === value));
    expect([4, 9, 14, 40, 99, 1994].map(toRoman)).to.deep.equal(['iv', 'ix', 'xiv', 'xl', 'xcix', 'mcmxciv']);
  });

  it('are letters that double after z', () => {
    expect([1, 2, 26, 27, 28, 52, 53].map(toLetters)).to.deep.equal(['a', 'b', 'z', 'aa', 'bb', 'zz', 'aaa']);
  });

  it('are words of the language', () => {
    expect([1, 12, 20, 21, 99].map((value) => toWords(value))).to.deep.equal([
      'One',
      'Twelve',
      'Twenty',
      'Twenty-one',
      'Ninety-nine',
    ]);
    expect([1, 21, 30].map((value) => toWords(value, 'de'))).to.deep.equal(['Eins', 'Einundzwanzig', 'Dreißig']);
    expect([21, 71, 80, 81, 90, 99].map((value) => toWords(value, 'fr'))).to.deep.equal([
      'Vingt et un',
      'Soixante et onze',
      'Quatre-vingts',
      'Quatre-vingt-un',
      'Quatre-vingt-dix',
      'Quatre-vingt-dix-neuf',
    ]);
    expect([16, 22, 31].map((value) => toWords(value, 'es'))).to.deep.equal([
      'Dieciséis',
      'Veintidós',
      'Treinta y uno',
    ]);
    expect(toWords(100)).to.equal('100');
  });

  it('say nothing where there is nothing to say', () => {
    expect([0, -3, 1.5].map((value) => inNumerals(value, 'arabic'))).to.deep.equal(['', '', '']);
    expect(inNumerals(5, 'none')).to.equal('');
    expect(inNumerals(5, 'Roman')).to.equal('V');
    expect(inNumerals(3, 'Letters')).to.equal('C');
  });

  it('are days as a line of type has them', () => {
    expect(spokenDate('2026-11-27', 'en')).to.equal('November 27, 2026');
    expect(spokenDate('2026-11-27', 'en-GB')).to.equal('27 November 2026');
    expect(spokenDate('2026-11-27T10:00:00Z', 'de')).to.equal('27. November 2026');
    expect(spokenDate('soon', 'en')).to.equal('');
  });
});
