import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { findOpportunities } from '../../../src/core/linebreak/opportunities';
import { hasOtherScripts } from '../../../src/core/linebreak/otherScripts';
import { findTies } from '../../../src/core/linebreak/ties';
import { lineBreaks, LINE_BREAK } from '../../../src/core/linebreak/uax14/lineBreaks';

const VECTORS = gunzipSync(readFileSync(new URL('../../fixtures/unicode/LineBreakTest.txt.gz', import.meta.url)))
  .toString('utf8')
  .trim()
  .split('\n');

/** A line of LineBreakTest: its text, and the offsets at which it may be broken. */
export function vectorOf(line: string): { readonly text: string; readonly at: readonly number[] } {
  let text = '';
  const at: number[] = [];
  for (const word of line.trim().split(/\s+/)) {
    if (word === '÷') at.push(text.length);
    else if (word !== '×') text += String.fromCodePoint(parseInt(word, 16));
  }
  return { text, at };
}

describe('line breaks of any script', () => {
  it('are those of LineBreakTest of Unicode 16, all of them', () => {
    expect(VECTORS).to.have.length.above(16_000);
    const wrong = VECTORS.filter((line) => {
      const { text, at } = vectorOf(line);
      const found = [...lineBreaks(text).keys()].filter((k) => k > 0 && lineBreaks(text)[k] !== LINE_BREAK.prohibited);
      return found.join() !== at.join();
    });
    expect(wrong.slice(0, 10)).to.deep.equal([]);
  });

  /** Where a composed line ends otherwise than the standard lets it, and why; by the text and the offset of the next line. */
  const TAILORINGS: readonly (readonly [string, (text: string, at: number) => boolean])[] = [
    ['white at the start of a paragraph is no line of its own', (text, at) => text.slice(0, at).trim() === ''],
    ['white at the end of a paragraph hangs', (text, at) => text.slice(at).trim() === ''],
    ['no line begins with a dash or an ellipsis', (text, at) => /^[–—…]/.test(text.slice(at))],
    ['a note reference or a picture stays with what it follows', (text, at) => text[at] === '\uFFFC'],
    ['a tie holds two words', (text, at) => tied(text).includes(text.slice(0, at).trimEnd().length)],
    [
      'a hyphen of a word’s own has two letters before it and three after',
      (text, at) => /[-\u2010]$/.test(text.slice(0, at)) && !/[\p{L}\p{N}-]{2}[-\u2010][\p{L}\p{N}-]{3}/u.test(text),
    ],
    [
      'Latin signs, figures and brackets that touch stay together',
      (text, at) => !/\s$/.test(text.slice(0, at)) && !hasOtherScripts(text.slice(0, at + 1).slice(-2)),
    ],
  ];
  const ADDED: typeof TAILORINGS = [
    ['an address ends a line at sensible points', (text) => text.includes('://')],
    ['two words with a stroke between them part after it', (text, at) => text[at - 1] === '/'],
    ['a path begins a line with its stroke', (text, at) => text[at] === '/'],
  ];
  const tied = (text: string) => findTies(text, 'en', []);

  it('of a paragraph are those of LineBreakTest, but for what is tailored', () => {
    const texts = VECTORS.map(vectorOf).filter(({ text }) => !/[\n\r\u0085\u000B\u000C\u2029]/.test(text));
    const told = new Map<string, number>();
    const unlisted: string[] = [];
    let places = 0;
    for (const { text, at } of texts) {
      const found = findOpportunities(text, { hyphenatorAt: () => null, limits: null, ties: tied(text) });
      const ours = new Set(found.next.slice(0, found.count));
      const theirs = new Set(at);
      places += text.length;
      for (const place of new Set([...ours, ...theirs])) {
        if (ours.has(place) === theirs.has(place)) continue;
        const list = ours.has(place) ? ADDED : TAILORINGS;
        const [name] = list.find(([, is]) => is(text, place)) ?? [];
        if (name === undefined)
          unlisted.push(`${JSON.stringify(text)} at ${place}, ${ours.has(place) ? 'ours' : 'theirs'}`);
        else told.set(name, (told.get(name) ?? 0) + 1);
      }
    }
    expect(unlisted.slice(0, 20)).to.deep.equal([]);
    // A tailoring that nothing needs is a mistake in the list.
    for (const [name] of TAILORINGS) if (!/tie/.test(name)) expect(told.get(name), name).to.be.above(0);
    const tailored = [...told.values()].reduce((sum, count) => sum + count, 0);
    expect(tailored / places).to.be.below(0.03);
  });
});
