import { expect } from 'chai';
import fc from 'fast-check';
import { LINE_END } from '../../../src/core/model/composed/broken';
import { Hyphenator } from '../../../src/core/linebreak';
import {
  findOpportunities,
  type HyphenationLimits,
  type PlaceContext,
} from '../../../src/core/linebreak/opportunities';
import { findTies, tiedWords, tiesByRule } from '../../../src/core/linebreak/ties';
import { readJson } from '../../build/assets';

const hyphenator = new Hyphenator(readJson('patterns/en.json'));
const LIMITS = { smallestWord: 6, before: 2, after: 3 };

const placesOf = (text: string, limits: HyphenationLimits | null, lifted: string[] = []): PlaceContext => ({
  hyphenatorAt: () => hyphenator,
  limits,
  ties: findTies(text, 'en', lifted),
});

/** The text with `|` at every opportunity but the last; a hyphen that the break would bring is shown as `~`. */
function marked(text: string, hyphens = false): string {
  const found = findOpportunities(text, placesOf(text, hyphens ? LIMITS : null));
  let out = '';
  let done = 0;
  for (let k = 0; k < found.count - 1; k += 1) {
    out += text.slice(done, found.at[k]) + (found.kind[k] === LINE_END.hyphen ? '~' : '|');
    done = found.next[k];
  }
  return out + text.slice(done);
}

describe('places at which a line may end', () => {
  const cases: [string, string][] = [
    ['one two  three', 'one|two|three'],
    ['well-known to-day', 'well-|known|to-|day'],
    ['an X-ray of a to-do, a-trundling', 'an|X-ray|of|a|to-do,|a-trundling'],
    ['the well-to-do of 1914-18', 'the|well-|to-do|of|1914-18'],
    ['a re-re-enacted scene', 'a|re-|re-|enacted|scene'],
    ['-5 and - a dash', '-5|and|-|a|dash'],
    ['he said—quietly—no', 'he|said—|quietly—|no'],
    ['“Stop—” he said', '“Stop—”|he|said'],
    ['a – b', 'a –|b'],
    ['pages 12–14 of it', 'pages|12–14|of|it'],
    ['wait … now', 'wait …|now'],
    ['10\u00a0km away', '10\u00a0km|away'],
    ['one\u2028two', 'one|two'],
    ['no\u2011break', 'no\u2011break'],
    ['  leading now', '  leading|now'],
  ];
  for (const [text, wanted] of cases) {
    it(JSON.stringify(text), () => expect(marked(text)).to.equal(wanted));
  }

  it('divides long enough words by the patterns, never the last', () => {
    expect(marked('the passenger register holds', true)).to.equal('the|pas~sen~ger|reg~is~ter|holds');
    expect(marked('holds the passenger', true)).to.equal('holds|the|passenger');
  });

  it('divides a word with a hyphen of its own only there, and none with an apostrophe inside', () => {
    expect(marked('a mother-passenger now', true)).to.equal('a|mother-|passenger|now');
    expect(marked('they couldn’t’ve now', true)).to.not.include('~');
    // The s of a possessive stays with its word.
    expect(marked('the passenger’s now', true)).to.equal('the|pas~sen~ger’s|now');
    expect(marked('a co\u00adoperation now', true)).to.equal('a|co~operation|now');
  });

  it('marks capitalised words as dear', () => {
    const found = findOpportunities('see Passenger passenger it', placesOf('', LIMITS));
    const kinds = [...found.kind.slice(0, found.count)]
      .map((kind, k) => (kind === LINE_END.hyphen ? found.dear[k] : -1))
      .filter((dear) => dear >= 0);
    expect(kinds).to.deep.equal([1, 1, 0, 0]);
  });

  it('goes by the book’s own divisions before the patterns', () => {
    const limits = { ...LIMITS, exceptions: ['passen-ger', 'register'] };
    const found = findOpportunities('the passenger register holds', placesOf('', limits));
    const at = [...found.at.slice(0, found.count)].filter((_, k) => found.kind[k] === LINE_END.hyphen);
    expect(at).to.deep.equal(['the passen'.length]);
  });

  it('divides no word with a capital when the book says never', () => {
    const found = findOpportunities('see Passenger Weirmaster now', placesOf('', { ...LIMITS, capitals: 'never' }));
    expect([...found.kind.slice(0, found.count)]).to.not.include(LINE_END.hyphen);
  });

  it('divides words by the language of their run', () => {
    const seen: number[] = [];
    findOpportunities('several passengers registered now', {
      hyphenatorAt: (offset) => {
        seen.push(offset);
        return null;
      },
      limits: LIMITS,
      ties: [],
    });
    expect(seen).to.deep.equal([0, 8, 19]);
  });

  const addresses: [string, string][] = [
    ['see https://ferry.example/a/long/way.html now', 'see|https://|ferry|.example|/a|/long|/way|.html|now'],
    ['write to clerk.of@harrow-landing.example.', 'write|to|clerk|.of|@harrow|-landing|.example.'],
  ];
  for (const [text, wanted] of addresses) {
    it(`${text}, without a hyphen`, () => {
      expect(marked(text, true).replaceAll('~', '')).to.satisfy((found: string) =>
        found.startsWith(wanted.slice(0, 12)),
      );
      const kinds = findOpportunities(text, placesOf('', LIMITS));
      expect([...kinds.kind.slice(0, kinds.count)]).to.not.include(LINE_END.hyphen);
      expect(marked(text).replaceAll('|', '')).to.equal(text.replaceAll(' ', ''));
    });
  }

  const paths: [string, string][] = [
    ['vpn.falcot.example', 'vpn|.falcot|.example'],
    ['/etc/falcot/vpn.d/server.conf', '/etc/|falcot/|vpn|.d/|server|.conf'],
    ['C:\\Falcot\\profile.ini', 'C:\\|Falcot\\|profile|.ini'],
    ['https://ferry.example/a/long', 'https://|ferry|.example/|a/|long'],
    ['backup_final.tar.gz', 'backup|_final|.tar|.gz'],
    ['--create-user', '--create|-user'],
  ];
  for (const [word, wanted] of paths) {
    it(`${word} goes on after a stroke and before a point, with no hyphen of ours`, () => {
      expect(marked(`see ${word} there now`, true)).to.equal(`see|${wanted}|there|now`);
      const { kind, count } = findOpportunities(`see ${word} there`, placesOf('', LIMITS));
      expect([...kind.slice(0, count)]).to.not.include(LINE_END.hyphen);
    });
  }

  it('parts two words of the language after the stroke between them, and hyphenates both', () => {
    expect(marked('a father/mother and/or it', true)).to.match(/fa~?ther\/\|mo/);
  });

  const tied: [string, string][] = [
    ['J. P. Marlow sat', 'J. P. Marlow|sat'],
    ['Mrs Vane and Dr. Orme', 'Mrs Vane|and|Dr. Orme'],
    ['see p. 12 and vol. 3 of', 'see|p. 12|and|vol. 3|of'],
    ['some 12 km or 4 boats', 'some|12 km|or|4|boats'],
    ['on 9 March or March 9 it', 'on|9 March|or|March 9|it'],
    ['with Edwin VIII she', 'with|Edwin VIII|she'],
    ['so Tom I said', 'so|Tom|I|said'],
  ];
  for (const [text, wanted] of tied) {
    it(`ties: ${wanted}`, () => expect(marked(text)).to.equal(wanted));
  }

  it('takes the number of a note for no figure of the text', () => {
    const text = 'no higher.3 A wall, by 12 A fused, on the 4th.5 March came';
    const at = text.indexOf('3 A');
    const signs = [at, text.indexOf('5 March')].map((place) => ({ at: place, to: place + 1 }));
    expect(findTies(text, 'en', []).length).to.equal(3);
    expect(findTies(text, 'en', [], signs)).to.deep.equal([text.indexOf(' A fused')]);
  });

  it('tells inches from the preposition', () => {
    expect(findTies('of 1991 in the lee, of the 40 in all', 'en', [])).to.deep.equal([]);
    expect(findTies('a board 6 in by 4 in, 9 in long', 'en', []).length).to.equal(3);
  });

  it('finds no fewer ties for the quick look before the rules', () => {
    const pieces =
      'J. É. Mr Mrs. Frau Capt. M. p. vol. no. n° 9 9th 12. 1er 3 March mars Mai km in by in. °C Edwin II V X I IV, VIII’s the a. Tom Orme “So 𝐀. Ďr “Mrs (Dr. «M. “J. Dña'.split(
        ' ',
      );
    const text = fc.array(fc.constantFrom(...pieces), { maxLength: 8 }).map((parts) => parts.join(' '));
    let tied = 0;
    const property = fc.property(text, fc.constantFrom('en', 'de', 'fr', 'es'), (words, language) => {
      const expected = tiesByRule(words, language, []);
      tied += expected.length;
      expect(findTies(words, language, []), words).to.deep.equal(expected);
    });
    fc.assert(property, { numRuns: 3000 });
    expect(tied).to.be.above(500);
  });

  it('lifts a tie that the book does without', () => {
    const text = '“Mrs Vane, wait”';
    const [at] = findTies(text, 'en', []);
    expect(tiedWords(text, at)).to.equal('Mrs Vane');
    expect(findTies(text, 'en', ['Mrs Vane'])).to.deep.equal([]);
    expect(findTies('Mme Vane et M. Orme', 'fr', [])).to.deep.equal([3, 14]);
  });

  it('breaks scripts without spaces by UAX #14', () => {
    expect(marked('漢字かな交じり文')).to.match(/漢\|字/);
  });

  it('goes by UAX #14 beside characters of other scripts alone: the words around them are divided as ever', () => {
    const plain = 'the passenger register holds';
    const divided = 'the|pas~sen~ger|reg~is~ter|holds';
    expect(marked(`${plain} 🦆 ${plain}`, true)).to.equal(`${divided}|🦆|${divided}`);
    expect(marked(`${plain} שלום ${plain}`, true)).to.equal(`${divided}|שלום|${divided}`);
    expect(marked(`${plain} 漢字 ${plain}`, true)).to.equal(`${divided}|漢|字|${divided}`);
    expect(marked('the pas\u00adsen\u00adger and 漢', true)).to.equal('the|pas~sen~ger|and|漢');
  });

  it('parts no dash, tie or address from its words beside other scripts', () => {
    expect(marked('漢 – 字')).to.equal('漢 –|字');
    expect(marked('漢— 字')).to.equal('漢—|字');
    const { count } = findOpportunities('Dr 漢', { hyphenatorAt: () => null, limits: null, ties: [2] });
    expect(count).to.equal(1);
    expect(marked('漢\uFFFC字')).to.equal('漢\uFFFC|字');
  });

  for (const [text, wanted] of [
    ['one \u2060two', 'one \u2060two'],
    ['Qui est là ? Moi !', 'Qui|est|là ?|Moi !'],
    ['« Oui » dit-il', '« Oui »|dit-il'],
    ['sagte »ja« dann', 'sagte|»ja«|dann'],
    ['sagte „ja“ dann', 'sagte|„ja“|dann'],
    ['rock ’n’ roll', 'rock|’n’|roll'],
    ['( see ) this', '( see )|this'],
    ['a , b ; c .5', 'a ,|b ;|c|.5'],
    ['and / or', 'and /|or'],
    ['漢 \u2060字 ) 字', '漢 \u2060字 )|字'],
    ['( 漢 ! 字', '( 漢 !|字'],
  ] as const)
    it(`parts at no space that a closing or opening mark holds: ${JSON.stringify(text)}`, () =>
      expect(marked(text)).to.equal(wanted));

  it('ends with the paragraph', () => {
    const found = findOpportunities('word ', placesOf('', null));
    expect(found.count).to.equal(1);
    expect([found.at[0], found.next[0], found.kind[0]]).to.deep.equal([4, 5, LINE_END.last]);
  });
});
