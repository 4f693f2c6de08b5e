import { expect } from 'chai';
import {
  insertBlocksEdits,
  addDivisionsEdits,
  applyEdits,
  doneWaitingEdits,
  replaceCopy,
  restyleEdits,
} from '../../../src/core/edit';
import { makeBook, readManuscript } from '../../../src/core/index';
import { drain } from '../../build/assets';
import { taken } from '../../build/incoming';
import type { Book } from '../../../src/core/model/copy/book';
import type { Manuscript } from '../../../src/core/model/copy/manuscript';
import type { Paragraph } from '../../../src/core/model/copy/streams';
import { docx, para, run } from '../../build/docx';
import { copyFile } from '../../build/files';

const style = (id: string, name: string) =>
  `<w:style w:type="paragraph" w:styleId="${id}"><w:name w:val="${name}"/></w:style>`;
const STYLES = [
  style('h1', 'heading 1'),
  style('n', 'Body Text'),
  style('side', 'Side note!'),
  style('two', 'Side notes'),
].join('');
const read = (ids: readonly string[]): Manuscript =>
  drain(
    readManuscript('a.docx', docx({ styles: STYLES, body: ids.map((id, k) => para(run(`Words ${k}`), id)).join('') })),
  );
const bookOf = (manuscript: Manuscript): Book => makeBook(manuscript, { bookId: 'b1', fileName: 'a.docx' });
const tagsOf = (book: Book) =>
  book.divisions.filter((one) => one.role === 'chapter').flatMap((one) => one.blocks.map((block) => block.style));

describe('styles of a file that nothing of ours fits', () => {
  const mixed = read(['h1', 'n', 'n', 'n', 'side', 'side', 'two']);

  it('keep tags made of their names, and wait', () => {
    expect(mixed.blocks.map((block) => block.style)).to.deep.equal([
      'CT',
      'TX',
      'TX',
      'TX',
      'SIDENOTE',
      'SIDENOTE',
      'SIDENOTES',
    ]);
    expect(mixed.styles.filter(({ waits }) => waits).map(({ name, mappedTo }) => [name, mappedTo])).to.deep.equal([
      ['Side note!', 'SIDENOTE'],
      ['Side notes', 'SIDENOTES'],
    ]);
    expect(mixed.remarks.map(({ what, count }) => [what, count])).to.deep.equal([
      ['Paragraphs in styles without a match', 3],
    ]);
    expect(bookOf(mixed).spec.styles.SIDENOTE).to.deep.equal({ name: 'Side note!', basedOn: 'TX', waits: true });
  });

  it('are the text when they set most of it', () => {
    const odd = read(['h1', 'side', 'side', 'side', 'n', 'two']);
    expect(odd.blocks.map((block) => block.style)).to.deep.equal(['CT', 'TX', 'TX', 'TX', 'TX', 'SIDENOTES']);
    expect(odd.remarks[0]).to.include({ what: 'Paragraphs of style “Side note!” read as text', count: 3 });
  });

  it('take names in other letters, and two of the same letters', () => {
    const styles = [style('n', 'Body Text'), style('a', 'Блок'), style('b', 'Side-note'), style('c', 'Side note')].join(
      '',
    );
    const body = ['n', 'n', 'n', 'a', 'b', 'c'].map((id) => para(run('x'), id)).join('');
    const made = taken(readManuscript('a.docx', docx({ styles, body })));
    expect(made.blocks.map((block) => block.style)).to.deep.equal(['TX', 'TX', 'TX', 'STYLE', 'SIDENOTE2', 'SIDENOTE']);
  });

  it('come into a book that is there with text at a caret and with divisions, once', () => {
    const plain = bookOf(read(['h1', 'n']));
    const chapter = plain.divisions.find((one) => one.role === 'chapter')!;
    const end = { block: chapter.blocks[1].id, offset: 3 };
    const put = applyEdits(plain, insertBlocksEdits(plain, chapter.id, end, mixed)!.edits);
    expect(Object.keys(put.spec.styles)).to.include.members(['SIDENOTE', 'SIDENOTES']);
    const more = applyEdits(put, addDivisionsEdits(put, put.divisions.length, bookOf(mixed)));
    expect(more.spec).to.equal(put.spec);
    const fresh = applyEdits(plain, addDivisionsEdits(plain, plain.divisions.length, bookOf(mixed)));
    expect(fresh.spec.styles.SIDENOTE.waits).to.equal(true);
  });

  it('come with a newer version of the copy', () => {
    const { book } = replaceCopy(bookOf(read(['h1', 'n'])), bookOf(mixed));
    expect(tagsOf(book)).to.include('SIDENOTE');
    expect(book.spec.styles.SIDENOTE.waits).to.equal(true);
  });

  it('go when the last paragraph has another style, and undo brings them back', () => {
    const book = bookOf(mixed);
    const blocks = mixed.styles.find(({ name }) => name === 'Side note!')!.blocks;
    const edits = restyleEdits(book, new Set(blocks), 'EXT');
    const after = applyEdits(book, edits);
    expect(doneWaitingEdits(book)).to.deep.equal([]);
    expect(doneWaitingEdits(after)).to.deep.equal([
      { kind: 'setStyle', tag: 'SIDENOTE', from: book.spec.styles.SIDENOTE, to: null },
    ]);
  });

  it('come back in the copy that the author returns', () => {
    const book = bookOf(mixed);
    const back = bookOf(taken(readManuscript('b.docx', copyFile(book, 'docx', {}))));
    expect(tagsOf(back)).to.deep.equal(tagsOf(book));
    expect(back.spec.styles.SIDENOTE).to.deep.equal(book.spec.styles.SIDENOTE);
    expect((back.divisions.at(-1)!.blocks.at(-1) as Paragraph).text).to.equal('Words 6');
  });
});
