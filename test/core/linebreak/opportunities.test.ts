import { expect } from 'chai';
import { LINE_END } from '../../../src/core/model/broken';
import { Hyphenator } from '../../../src/core/linebreak';
import { findOpportunities } from '../../../src/core/linebreak/opportunities';
import { readJson } from '../../build/assets';

const hyphenator = new Hyphenator(readJson('patterns/en.json'));
const LIMITS = { smallestWord: 6, before: 2, after: 3 };

/** The text with `|` at every opportunity but the last; a hyphen that the break would bring is shown as `~`. */
function marked(text: string, hyphens = false): string {
  const found = findOpportunities(text, hyphens ? hyphenator : null, hyphens ? LIMITS : null);
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
    expect(marked('the passenger’s couldn’t now', true)).to.not.include('~');
    expect(marked('a co\u00adoperation now', true)).to.equal('a|co~operation|now');
  });

  it('marks capitalised words as dear', () => {
    const found = findOpportunities('see Passenger passenger it', hyphenator, LIMITS);
    const kinds = [...found.kind]
      .map((kind, k) => (kind === LINE_END.hyphen ? found.dear[k] : -1))
      .filter((dear) => dear >= 0);
    expect(kinds).to.deep.equal([1, 1, 0, 0]);
  });

  it('breaks scripts without spaces by UAX #14', () => {
    expect(marked('漢字かな交じり文')).to.match(/漢\|字/);
  });

  it('ends with the paragraph', () => {
    const found = findOpportunities('word ', null, null);
    expect(found.count).to.equal(1);
    expect([found.at[0], found.next[0], found.kind[0]]).to.deep.equal([4, 5, LINE_END.last]);
  });
});
