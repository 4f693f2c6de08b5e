// Notes through the store: the list, kinds and what follows from them by custom, notes put in on the page.
import { expect } from 'chai';
import { editUndone } from '../../../src/state/book/bookSlice';
import {
  addNoteHere,
  addNoteKind,
  convertKind,
  convertNotes,
  dropNote,
  dropNoteKind,
  setNoteKind,
  wordBefore,
} from '../../../src/state/copy/noteThunks';
import { noteRows } from '../../../src/state/copy/notes';
import { opened, type World } from '../../build/world';

const bookOf = ({ store }: World) => store.getState().book.book!;
const kindsOf = (here: World) => bookOf(here).spec.notes.kinds;
const entries = ({ store }: World) => store.getState().book.cursor;

describe('notes of the open book', () => {
  it('are listed in the order of reading with number, page and words; what has no reference comes last', async () => {
    const here = await opened();
    const book = bookOf(here);
    const lost = { ...book, notes: { n9: { ...book.notes.n1, id: 'n9' }, ...book.notes } };
    const rows = noteRows(lost, { n1: { page: 3, folio: '' } });
    expect(
      rows.map(({ id, label, folio, words, hasReference }) => [id, label, folio, words, hasReference]),
    ).to.deep.equal([
      ['n1', '1', '4', 'x', true],
      ['n9', '', '', 'x', false],
    ]);
    expect(rows[0]).to.include({ kind: 'footnote', kindName: 'Footnote', isEmpty: false });
  });

  it('become of another kind, one or all, with a division for those that are gathered; each is one undo step', async () => {
    const here = await opened();
    const before = bookOf(here);
    here.store.dispatch(convertNotes(['n1'], 'endnote'));
    expect(bookOf(here).notes.n1.kind).to.equal('endnote');
    expect(bookOf(here).divisions.at(-1)!.role).to.equal('notes');
    here.store.dispatch(convertKind('endnote', 'footnote'));
    expect(bookOf(here).notes.n1.kind).to.equal('footnote');
    expect(entries(here)).to.equal(2);
    here.store.dispatch(editUndone());
    here.store.dispatch(editUndone());
    expect(bookOf(here)).to.deep.equal(before);
    here.store.dispatch(convertNotes(['n1'], 'footnote'));
    expect(entries(here)).to.equal(0);
  });

  it('have kinds that take what is custom with them: no point after a symbol, small type in the margin', async () => {
    const here = await opened();
    const { store } = here;
    expect(store.dispatch(setNoteKind('footnote', { numerals: 'symbols' }, 'Signs'))).to.equal(null);
    expect(kindsOf(here).footnote.number.after).to.equal('');
    store.dispatch(setNoteKind('footnote', { numerals: 'arabic' }, 'Signs'));
    expect(kindsOf(here).footnote.number.after).to.equal('.');
    store.dispatch(setNoteKind('footnote', { numerals: 'list' }, 'Signs'));
    expect(kindsOf(here).footnote.signs).to.have.length(6);
    store.dispatch(setNoteKind('footnote', { place: 'margin' }, 'Place'));
    expect(kindsOf(here).footnote.style).to.equal('NM');
    store.dispatch(setNoteKind('footnote', { place: 'foot' }, 'Place'));
    expect(kindsOf(here).footnote.style).to.equal('NT');
    expect(store.dispatch(setNoteKind('footnote', { first: 0 }, 'First'))).to.include('at least 1');
    expect(store.dispatch(setNoteKind('gone', { first: 2 }, 'First'))).to.equal(null);
  });

  it('have kinds that are added with signs of their own and dropped for another', async () => {
    const here = await opened();
    const id = here.store.dispatch(addNoteKind('Aside'))!;
    expect(kindsOf(here)[id]).to.include({ name: 'Aside', numerals: 'symbols' });
    here.store.dispatch(convertNotes(['n1'], id));
    here.store.dispatch(dropNoteKind(id, 'footnote'));
    expect(Object.keys(kindsOf(here))).to.deep.equal(['footnote', 'endnote']);
    expect(bookOf(here).notes.n1.kind).to.equal('footnote');
    here.store.dispatch(editUndone());
    expect([bookOf(here).notes.n1.kind, id in kindsOf(here)]).to.deep.equal([id, true]);
  });

  it('are put in after a word of a page, and taken away when they have lost their reference', async () => {
    const here = await opened();
    const [, one] = bookOf(here).divisions;
    const text = one.blocks[1];
    expect(wordBefore('the tide, late', 5)).to.deep.equal({ word: 'tide,', at: 9 });
    here.store.dispatch(addNoteHere({ stream: one.id, block: text.id }, 0, 'footnote', 'Put in.'));
    const { notes, divisions } = bookOf(here);
    const [made] = Object.values(notes).filter(({ id }) => id !== 'n1');
    expect(made.blocks[0]).to.include({ text: 'Put in.', style: 'NT' });
    expect(divisions[1].blocks[1]).to.include({ text: 'a\uFFFC\uFFFC' });
    here.store.dispatch(addNoteHere({ stream: one.id, block: 'gone' }, 0, 'footnote', 'Nowhere.'));
    expect(entries(here)).to.equal(1);
    here.store.dispatch(dropNote(made.id));
    expect(Object.keys(bookOf(here).notes)).to.deep.equal(['n1']);
  });
});
