import { expect } from 'chai';
import { ImportError } from '../../../src/core/base/errors';
import { readManuscript } from '../../../src/core/import';
import { isBareNumber, isBreakMark, looksLikeHeading, readHeading } from '../../../src/core/copy/headings';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { taken } from '../../build/incoming';

const encode = (text: string) => new TextEncoder().encode(text);
const read = (text: string | Uint8Array) =>
  taken(readManuscript('book.txt', typeof text === 'string' ? encode(text) : text));
const rows = (text: string | Uint8Array) =>
  (read(text).blocks as Paragraph[]).map((block) => `${block.style}: ${block.text}`);

describe('reading plain text', () => {
  it('joins lines that end for want of width, and parts paragraphs at empty lines and indents', () => {
    expect(rows('One line\nand its rest.\n\nTwo.\n   Three.')).to.deep.equal([
      'TX: One line and its rest.',
      'TX: Two.',
      'TX: Three.',
    ]);
  });

  it('takes each line as a paragraph when lines are long', () => {
    const long = 'word '.repeat(40).trim();
    expect(rows(`${long}\n${long}\nShort one.`)).to.have.length(3);
  });

  it('finds chapters and parts, numbers apart from titles', () => {
    const text =
      'PART ONE\n\nCHAPTER IV\n\nThe Weir House\n\nText here.\n\nChapter 5: Low Water\n\nMore.\n\nEpilogue\n\nEnd.';
    expect(rows(text)).to.deep.equal([
      'PT: PART ONE',
      'CN: CHAPTER IV',
      'CT: The Weir House',
      'TX: Text here.',
      'CN: Chapter 5',
      'CT: Low Water',
      'TX: More.',
      'CT: Epilogue',
      'TX: End.',
    ]);
  });

  it('takes bare numbers for headings only when there are several', () => {
    expect(rows('I\n\nOne.\n\nII\n\nTwo.')).to.deep.equal(['CT: I', 'TX: One.', 'CT: II', 'TX: Two.']);
    expect(rows('Before.\n\n7\n\nAfter.')).to.deep.equal(['TX: Before.', 'TX: 7', 'TX: After.']);
  });

  it('makes underscored words italic, and leaves snake_case alone', () => {
    const [only] = read('He said _no_ to a snake_case_name.').blocks as Paragraph[];
    expect(only.text).to.equal('He said no to a snake_case_name.');
    expect(only.spans).to.deep.equal([{ from: 8, to: 10, touches: { italic: true } }]);
  });

  it('takes title and author from the head', () => {
    expect(read('Title: A Book\nAuthor: A. Writer\n\nText.').metadata).to.deep.equal({
      title: 'A Book',
      author: 'A. Writer',
    });
    // What the text itself says is for who makes a book of it to tell.
    expect(read('A Book\nby A. Writer\n\nText.').metadata).to.deep.equal({});
    expect(rows('A Book\nby A. Writer\n\nText.')).to.deep.equal(['TX: A Book', 'TX: by A. Writer', 'TX: Text.']);
  });

  it('detects encodings', () => {
    const word = 'TX: Fährmann “naïve” – ok';
    const text = 'Fährmann “naïve” – ok';
    const utf16 = (big: boolean) => {
      const bytes = new Uint8Array(2 + text.length * 2);
      const view = new DataView(bytes.buffer);
      view.setUint16(0, 0xfeff, !big);
      for (let k = 0; k < text.length; k += 1) view.setUint16(2 + k * 2, text.charCodeAt(k), !big);
      return bytes;
    };
    expect(rows(text)).to.deep.equal([word]);
    expect(rows(Uint8Array.from([0xef, 0xbb, 0xbf, ...encode(text)]))).to.deep.equal([word]);
    expect(rows(utf16(false))).to.deep.equal([word]);
    expect(rows(utf16(true))).to.deep.equal([word]);
    expect(rows(Uint8Array.from([0x46, 0xe4, 0x68, 0x72, 0x20, 0x93, 0x6e, 0x94, 0x20, 0x96]))).to.deep.equal([
      'TX: Fähr “n” –',
    ]);
  });

  it('refuses a text of NULs, and one that is a program', () => {
    for (const bytes of [new Uint8Array(5000), Uint8Array.from({ length: 4000 }, (_, k) => k % 7)]) {
      expect(() => read(bytes))
        .to.throw(ImportError)
        .with.property('code', 'not-text');
    }
    expect(() => read('  \n\n \t\n'))
      .to.throw(ImportError)
      .with.property('code', 'empty');
  });

  it('drops a stray control character and keeps the text', () =>
    expect(rows(`${'word '.repeat(600)}\u0000end`)[0]).to.match(/end$/));
});

describe('what a heading says', () => {
  const cases: [string, string, string, string][] = [
    ['CHAPTER IV', 'chapter', 'CHAPTER IV', ''],
    ['Chapter Twenty-One: The Weir', 'chapter', 'Chapter Twenty-One', 'The Weir'],
    ['1. The Ninth Passenger', 'chapter', '1', 'The Ninth Passenger'],
    ['Part One: Upstream', 'part', 'Part One', 'Upstream'],
    ['The Second Book', 'part', 'Second Book', ''],
    ['Low Water', 'chapter', '', 'Low Water'],
    ['Mix and Match', 'chapter', '', 'Mix and Match'],
    ['I Was There', 'chapter', 'I', 'Was There'],
  ];
  for (const [text, kind, number, title] of cases.slice(0, 7)) {
    it(text, () => expect(readHeading(text)).to.include({ kind, number, title }));
  }

  it('knows a heading from a sentence', () => {
    expect(looksLikeHeading('Chapter 3')).to.equal(true);
    expect(looksLikeHeading('Part one of the work was done, and')).to.equal(false);
    expect(looksLikeHeading('Chapter one was the worst of it.')).to.equal(false);
    expect(looksLikeHeading('He left.')).to.equal(false);
    expect(isBareNumber('XIV.')).to.equal(true);
    expect(isBareNumber('mix')).to.equal(false);
    expect(['***', '* * *', '#', '⁂', '—'].every(isBreakMark)).to.equal(true);
    expect(isBreakMark('a *')).to.equal(false);
  });
});
