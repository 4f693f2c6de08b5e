import { expect } from 'chai';
import { Hyphenator } from '../../../src/core/linebreak';
import { readJson } from '../../build/assets';

/** The word with its places of division shown, those within the least letters left out. */
function divided(hyphenator: Hyphenator, word: string, before = 2, after = 3): string {
  const places = hyphenator.divide(word);
  return [...word]
    .map((letter, k) => (k >= before && k <= word.length - after && places[k] === 1 ? `-${letter}` : letter))
    .join('');
}

const LISTS: Record<string, string[]> = {
  en: [
    'hy-phen-ation',
    'type-set-ting',
    'man-u-script',
    'pas-sen-ger',
    'reg-is-ter',
    'com-puter',
    'al-go-rithm',
    'strengths',
    'through',
  ],
  'en-GB': ['hy-phen-a-tion', 'type-set-ting', 'pas-sen-ger', 'some-thing', 'ma-nus-cript'],
  de: ['Sil-ben-tren-nung', 'Buch-sta-ben', 'Schrift-set-zer', 'Fähr-mann', 'Was-ser-straße'],
  fr: ['ty-po-gra-phie', 'ma-nus-crit', 'im-pri-me-rie', 'pas-sa-ger'],
  es: ['ti-po-gra-fía', 'ma-nus-crito', 'pa-sa-jero', 'im-prenta'],
};

describe('hyphenation', () => {
  for (const [language, list] of Object.entries(LISTS)) {
    const hyphenator = new Hyphenator(readJson(`patterns/${language}.json`));
    for (const word of list) {
      it(`divides ${word} (${language})`, () => {
        expect(divided(hyphenator, word.replaceAll('-', ''))).to.equal(word);
      });
    }
  }

  it('divides capitals as small letters, and gives the same answer twice', () => {
    const hyphenator = new Hyphenator(readJson('patterns/en.json'));
    expect(divided(hyphenator, 'PASSENGER')).to.equal('PAS-SEN-GER');
    expect(hyphenator.divide('passenger')).to.equal(hyphenator.divide('passenger'));
  });

  it('takes exceptions before patterns', () => {
    const hyphenator = new Hyphenator({
      levels: [],
      root: [-1, {}],
      exceptions: { present: [3], constructor: [3, 9] },
    });
    expect(divided(hyphenator, 'present')).to.equal('pre-sent');
    expect(hyphenator.divide('toString')).to.have.length(0);
  });
});
