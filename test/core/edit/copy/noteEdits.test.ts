import { expect } from 'chai';
import fc from 'fast-check';
import {
  addNoteEdits,
  afterWord,
  applyEdits,
  convertNotesEdits,
  dropKindEdits,
  invertEdits,
  notesOfKind,
  removeNoteEdit,
} from '../../../../src/core/edit';
import { ENDNOTE, FOOTNOTE } from '../../../../src/core/model/spec/notes';
import { NOVEL_SPEC } from '../../../../src/core/defaults/novelSpec';
import { notesIn } from '../../../../src/core/model/copy/holders';
import type { Paragraph } from '../../../../src/core/model/copy/streams';
import { checkBook } from '../../../../src/core/validate';
import { book, chapter, note, p } from '../../../build/book';

const made = () =>
  book(
    [{ ...chapter('One'), blocks: [p('A *first*{1} one, with words.'), p('Second{2}.')] }],
    [note(1, 'Noted.'), note(2, 'Kept.')],
  );
const paragraphs = (of: ReturnType<typeof made>) => of.divisions[0].blocks as Paragraph[];

describe('edits of notes', () => {
  it('put a reference after the word and its marks, before a dash, at the end of a text', () => {
    expect(afterWord('one two, three', 5)).to.equal(8);
    expect(afterWord('one two, three', 3)).to.equal(3);
    expect(afterWord('word—dash', 2)).to.equal(4);
    expect(afterWord('end.', 99)).to.equal(4);
    expect(afterWord('', 0)).to.equal(0);
  });

  it('put a note in at any place: the text around it, its looks and other notes stay, undo takes it away', () => {
    fc.assert(
      fc.property(fc.nat(1), fc.nat(40), fc.constantFrom('footnote', 'endnote'), (k, at, kind) => {
        const before = made();
        const block = paragraphs(before)[k];
        const { edits, id } = addNoteEdits(before, before.divisions[0].id, block.id, at, kind, 'Words.')!;
        const after = applyEdits(before, edits);
        expect(checkBook(after)).to.deep.equal(after);
        const own = paragraphs(after)[k];
        const place = Math.min(at, block.text.length);
        expect(own.text).to.equal(`${block.text.slice(0, place)}\uFFFC${block.text.slice(place)}`);
        expect(notesIn(own)).to.include.members([...notesIn(block), id]);
        expect(after.notes[id]).to.deep.include({ kind });
        expect(after.divisions.some(({ role }) => role === 'notes')).to.equal(kind === 'endnote');
        const italic = (of: Paragraph) =>
          of.spans.map(({ from, to }) => of.text.slice(from, to).replaceAll('\uFFFC', '')).join('');
        expect(italic(own)).to.equal('first'.slice(0, italic(block).length));
        expect(applyEdits(after, invertEdits(edits))).to.deep.equal(before);
      }),
    );
    const start = made();
    expect(addNoteEdits(start, start.divisions[0].id, 'gone', 0, 'footnote', 'x')).to.equal(null);
  });

  it('make one or all of another kind; what is gathered gets its division, once', () => {
    const before = made();
    const one = applyEdits(before, convertNotesEdits(before, ['n1'], 'endnote'));
    expect([one.notes.n1.kind, one.notes.n2.kind]).to.deep.equal(['endnote', 'footnote']);
    expect(one.divisions.map(({ role }) => role)).to.deep.equal(['chapter', 'notes']);
    const all = applyEdits(one, convertNotesEdits(one, notesOfKind(one, 'footnote'), 'endnote'));
    expect(all.divisions).to.have.length(2);
    expect(notesOfKind(all, 'endnote')).to.deep.equal(['n1', 'n2']);
    expect(convertNotesEdits(all, ['n1', 'gone'], 'endnote')).to.deep.equal([]);
    const edits = convertNotesEdits(before, ['n1', 'n2'], 'endnote');
    expect(applyEdits(applyEdits(before, edits), invertEdits(edits))).to.deep.equal(before);
  });

  it('drop a kind for another, whose its notes become; the last stays', () => {
    const before = made();
    const edits = dropKindEdits(before, 'footnote', 'endnote');
    const after = applyEdits(before, edits);
    expect(Object.keys(after.spec.notes.kinds)).to.deep.equal(['endnote']);
    expect(Object.values(after.notes).map(({ kind }) => kind)).to.deep.equal(['endnote', 'endnote']);
    expect(checkBook(after)).to.deep.equal(after);
    expect(applyEdits(after, invertEdits(edits))).to.deep.equal(before);
    expect(dropKindEdits(after, 'endnote', 'footnote')).to.deep.equal([]);
    expect(dropKindEdits(after, 'gone', 'endnote')).to.deep.equal([]);
  });

  it('count notes of a kind that is gone as of the first, and take one away without a reference', () => {
    const kinds = { endnote: ENDNOTE, footnote: FOOTNOTE };
    const of = { ...made(), spec: { ...NOVEL_SPEC, notes: { ...NOVEL_SPEC.notes, kinds } } };
    const lost = { ...of, notes: { ...of.notes, n3: { ...note(3, 'Lost.'), kind: 'gone' } } };
    expect(notesOfKind(lost, 'endnote')).to.deep.equal(['n3']);
    const edit = removeNoteEdit(lost, 'n3')!;
    expect(applyEdits(lost, [edit])).to.deep.equal(of);
    expect(removeNoteEdit(of, 'n3')).to.equal(null);
  });
});
