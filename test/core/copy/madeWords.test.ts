import { expect } from 'chai';
import { madeHead, madeWords } from '../../../src/core/copy/madeWords';
import { romanSeries, readHeading } from '../../../src/core/copy/headings';
import { applyEdits, languageEdits } from '../../../src/core/edit';
import { book, chapter, division, p } from '../../build/book';

describe('words that a book makes', () => {
  it('are there whole in every language that has some', () => {
    for (const language of ['en', 'de', 'fr', 'es', 'it', 'pt', 'nl', 'sv', 'da', 'nb', 'fi', 'pl', 'cs', 'ru']) {
      const { heads, see, seeAlso, continued } = madeWords(language);
      expect(Object.values(heads), language).to.have.length(11);
      for (const word of [...Object.values(heads), see, seeAlso, continued]) expect(word.trim()).to.not.equal('');
    }
    expect(madeHead('contents', 'de-CH-1901')).to.equal('Inhalt');
    expect(madeHead('contents', 'xx')).to.equal('Contents');
  });

  it('follow the language of the book; what a person wrote stays', () => {
    const made = book([
      division('contents', [p('Contents', 'TOH')]),
      chapter('Contents', 'A chapter of that name.'),
      division('notes', [p('Remarks', 'CT')], { matter: 'back' }),
      division('index', [p('Index', 'TOH')], { matter: 'back' }),
    ]);
    const heads = (of: typeof made) =>
      of.divisions.map(({ blocks: [head] }) => (head.kind === 'paragraph' ? head.text : ''));
    const german = applyEdits(made, languageEdits(made, 'de'));
    expect(german.particulars.language).to.equal('de');
    expect(heads(german)).to.deep.equal(['Inhalt', 'Contents', 'Remarks', 'Register']);
    expect(heads(applyEdits(german, languageEdits(german, 'en')))).to.deep.equal(heads(made));
  });
});

describe('a roman numeral at the head of a title', () => {
  const numberOf = (text: string, all: readonly string[]) => readHeading(text, romanSeries(all)).number;

  it('is a number in a series, or with a mark after it', () => {
    const all = ['I The Weir', 'II The Ferry', 'IV. Alone', 'V'];
    expect(all.map((text) => numberOf(text, all))).to.deep.equal(['I', 'II', 'IV', 'V']);
  });

  it('is a word by itself', () => {
    const all = ['I Sit and Look Out', 'On the Wall', 'C Major at Evening', 'X'];
    expect(all.map((text) => numberOf(text, all))).to.deep.equal(['', '', '', 'X']);
    expect(readHeading('I Sit and Look Out', romanSeries(all)).title).to.equal('I Sit and Look Out');
  });
});
