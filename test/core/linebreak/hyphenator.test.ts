import { expect } from 'chai';
import fc from 'fast-check';
import { ENGLISH_DIVISIONS, Hyphenator } from '../../../src/core/linebreak';
import type { PatternData, PatternNode } from '../../../src/core/linebreak/hyphenator';
import { addPatterns } from '../../../src/core/typeset/context';
import { newContext, readJson } from '../../build/assets';

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

/** Liang's method as it is told: every pattern that the dotted word has at any place, the highest level between letters. */
function plainWalk({ levels, root }: PatternData, word: string): number[] {
  const dotted = `.${word}.`;
  const highest = new Array<number>(dotted.length + 2).fill(0);
  for (let start = 0; start < dotted.length; start += 1) {
    let node: PatternNode | undefined = root;
    for (let at = start; at < dotted.length; at += 1) {
      node = node[1][dotted[at]];
      if (node === undefined) break;
      const list = node[0] < 0 ? [] : levels[node[0]];
      // Patterns that begin with the dot count from the letter after it.
      list.forEach((level, k) => (highest[Math.max(1, start) + k] = Math.max(highest[Math.max(1, start) + k], level)));
    }
  }
  return Array.from(word, (_, k) => (k > 0 ? highest[k + 1] % 2 : 0));
}

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

  it('gives what a plain walk over the patterns gives, for any word and any stretch of a text', () => {
    for (const language of ['en', 'de', 'fr']) {
      const data = readJson(`patterns/${language}.json`) as PatternData;
      const hyphenator = new Hyphenator({ ...data, exceptions: {} });
      const letter = fc.oneof(fc.constantFrom(...'aeinrstlodhcumgbpäéßTSç'), fc.constantFrom('я', 'ﬀ', '\u4e00', '1'));
      const word = fc.array(letter, { minLength: 1, maxLength: 90 }).map((letters) => letters.join(''));
      const property = fc.property(word, fc.string({ maxLength: 3 }), (text, around) => {
        const places = hyphenator.divide(around + text + around, around.length, around.length + text.length);
        const expected = plainWalk(data, text.toLowerCase());
        expect([...places], text).to.deep.equal(expected.includes(1) ? expected : []);
      });
      fc.assert(property, { numRuns: 200 });
    }
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

  it('divides the words of our own list as it says, with their adverbs and plurals', () => {
    const context = newContext();
    addPatterns(context, 'en', readJson('patterns/en.json'));
    const hyphenator = context.hyphenators.get('en')!;
    for (const word of [
      ...['aca-dem-i-cal-ly', 'me-mo-ri-al', 'me-mo-ri-als', 'im-me-mo-ri-al', 'con-spir-a-to-ri-al', 'driv-ing'],
      ...['flag-el-lat-ed', 'sec-re-tar-i-ats', 'mag-ne-to-sphere', 'dra-co-ni-an', 'dis-ci-pli-nar-i-an'],
      ...['uni-ver-si-ties', 'half-way', 'not-with-stand-ing', 'ed-i-to-ri-al-ly'],
    ])
      expect(divided(hyphenator, word.replaceAll('-', ''), 2, 2)).to.equal(word);
    const plain = ENGLISH_DIVISIONS.map((word) => word.replaceAll('-', ''));
    expect(new Set(plain).size).to.equal(plain.length);
    for (const word of ENGLISH_DIVISIONS) expect(word).to.match(/^[a-z]{2,}(?:-[a-z]+)*-[a-z]{2,}$/);
  });
});
