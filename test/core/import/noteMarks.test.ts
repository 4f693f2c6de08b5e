import { copyFile } from '../../build/files';
import { expect } from 'chai';
import { strToU8, zipSync } from 'fflate';
import { makeBook, readManuscript } from '../../../src/core/import';
import { numberNotes } from '../../../src/core/numbering/numberNotes';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { checkBook } from '../../../src/core/validate';
import { taken } from '../../build/incoming';

const W = 'xmlns:w="w"';
const zip = (members: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(members).map(([name, text]) => [name, strToU8(text)])));
const run = (inside: string) => `<w:r>${inside}</w:r>`;
const t = (text: string) => `<w:t xml:space="preserve">${text}</w:t>`;

const DOCX = zip({
  'word/document.xml': `<w:document ${W}><w:body><w:p>${run(t('First'))}${run('<w:footnoteReference w:id="1"/>')}${run(t(' then starred'))}${run(`<w:footnoteReference w:customMarkFollows="1" w:id="2"/>${t('*')}`)}${run(t(', a symbol'))}${run('<w:footnoteReference w:customMarkFollows="1" w:id="3"/><w:sym w:font="Symbol" w:char="F02A"/>')}${run(t(' and the last'))}${run('<w:footnoteReference w:id="4"/>')}${run(t('.'))}</w:p></w:body></w:document>`,
  'word/footnotes.xml': `<w:footnotes ${W}>${[1, 2, 3, 4].map((id) => `<w:footnote w:id="${id}"><w:p>${id === 2 ? run(t('* ')) : run('<w:footnoteRef/>')}${run(t(` Note ${id}`))}</w:p></w:footnote>`).join('')}</w:footnotes>`,
});

const ODT = zip({
  'content.xml':
    '<office:document-content><office:body><office:text><text:p>One<text:note text:note-class="footnote"><text:note-citation text:label="†">†</text:note-citation><text:note-body><text:p>Daggered</text:p></text:note-body></text:note> two<text:note text:note-class="footnote"><text:note-citation>1</text:note-citation><text:note-body><text:p>Numbered</text:p></text:note-body></text:note></text:p></office:text></office:body></office:document-content>',
});

const RTF = strToU8(
  String.raw`{\rtf1\ansi One{\super *}{\footnote \pard {\super *} Starred\par} two{\super\chftn}{\footnote {\super\chftn} Numbered\par}.\par}`,
);

function read(name: string, bytes: Uint8Array) {
  const book = makeBook(taken(readManuscript(name, bytes)), { bookId: 'b1', fileName: name });
  expect(checkBook(book)).to.deep.equal(book);
  const text = book.divisions.flatMap(({ blocks }) => blocks).map((block) => (block as Paragraph).text);
  const { labels } = numberNotes(book);
  const notes = Object.values(book.notes).map(({ id, blocks }) => [labels.get(id), (blocks[0] as Paragraph).text]);
  return { book, text: text.join('').replaceAll('\uFFFC', '¤'), notes };
}

describe('notes with a sign of their own', () => {
  it('are told by it in place of a number, and take no part in the counting', () => {
    const { text, notes, book } = read('a.docx', DOCX);
    expect(text).to.include('First¤ then starred¤, a symbol¤ and the last¤.');
    expect(notes).to.deep.equal([
      ['1', 'Note 1'],
      ['*', 'Note 2'],
      ['*', 'Note 3'],
      ['2', 'Note 4'],
    ]);
    expect(read('back.docx', copyFile(book, 'docx')).notes, 'and come back from the author').to.deep.equal(notes);
  });

  it('come from OpenDocument and rich text too', () => {
    expect(read('a.odt', ODT).notes).to.deep.equal([
      ['†', 'Daggered'],
      ['1', 'Numbered'],
    ]);
    const { text, notes } = read('a.rtf', RTF);
    expect(text).to.include('One¤ two¤.');
    expect(notes).to.deep.equal([
      ['*', 'Starred'],
      ['1', 'Numbered'],
    ]);
  });
});
