import { expect } from 'chai';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { Hyphenator } from '../../../src/core/linebreak';
import { findOpportunities } from '../../../src/core/linebreak/opportunities';
import { houseMarks } from '../../../src/core/looks/houseMarks';
import { LINE_END } from '../../../src/core/model/composed/broken';
import { LANGUAGE_TABLE, LANGUAGES, settableLanguage } from '../../../src/core/model/copy/languages';
import { readJson } from '../../build/assets';
import { LANGUAGE_LINES } from './languageLines';

/** The line by the house marks of a language, `-` where a word may be divided with a hyphen, `|` where without. */
function setLine(typed: string, language: string): string {
  const { edits, unpaired } = houseMarks(typed, 'language', language);
  expect(unpaired).to.deep.equal([]);
  let text = '';
  let done = 0;
  for (const edit of edits) {
    text += typed.slice(done, edit.from) + edit.text;
    done = edit.to;
  }
  text += typed.slice(done);
  const hyphenator = new Hyphenator(readJson(`patterns/${language}.json`));
  const limits = { smallestWord: 5, before: 2, after: 2 };
  const found = findOpportunities(text, { hyphenatorAt: () => hyphenator, limits, ties: [] });
  let line = '';
  done = 0;
  for (let k = 0; k < found.count - 1; k += 1) {
    if (found.at[k] !== found.next[k]) continue;
    line += text.slice(done, found.at[k]) + (found.kind[k] === LINE_END.hyphen ? '-' : '|');
    done = found.next[k];
  }
  return line + text.slice(done);
}

describe('the languages', () => {
  it('are all that the hyphenation package has patterns for', () => {
    const folder = 'node_modules/hyphen/patterns';
    const root = existsSync(folder) ? folder : join(process.cwd(), folder);
    const used = new Set(Object.values(LANGUAGE_TABLE).map(({ patterns }) => patterns));
    // The same patterns under another name, or another set of patterns for a language that has one.
    const others = ['no', 'sh-cyrl', 'fi-x-school', 'mn-cyrl-x-lmc'];
    const there = readdirSync(root)
      .filter((name) => name.endsWith('.js'))
      .map((name) => name.replace('.js', ''));
    expect(there.filter((name) => !used.has(name) && !others.includes(name))).to.deep.equal([]);
    expect(Object.keys(LANGUAGES)).to.have.length.above(70);
    const names = Object.values(LANGUAGES);
    expect(new Set(names).size).to.equal(names.length);
  });

  for (const [language, name] of Object.entries(LANGUAGES))
    it(`${name} has its marks and divides its words`, () => {
      const [typed, set] = LANGUAGE_LINES[language];
      expect(setLine(typed, language)).to.equal(set);
      expect(set, 'a divided word').to.match(/\p{L}\p{M}*[-|]\p{L}/u);
    });

  it('are found by any tag that asks for them', () => {
    for (const language of Object.keys(LANGUAGES)) expect(settableLanguage(language)).to.equal(language);
    const cases = {
      DE_at: 'de',
      'pt-BR': 'pt',
      no: 'nb',
      'sr-latn-RS': 'sr-Latn',
      'de-ch-1901': 'de-CH-1901',
      xx: undefined,
    };
    for (const [tag, wanted] of Object.entries(cases)) expect(settableLanguage(tag), tag).to.equal(wanted);
    expect(settableLanguage('constructor')).to.equal(undefined);
  });
});
