// Edits of notes: one put in at a place, one or all made of another kind, a kind dropped, one without a reference given back.
import { blocksOfStream, type Book, type Note } from '../../model/copy/book';
import type { BookEdit, Plain } from '../../model/copy/bookEdit';
import { cutParagraph, appendParagraph } from '../../copy/cutParagraph';
import { noteKind } from '../../model/spec/notes';
import { OBJECT_CHARACTER, paragraph, type BlockId, type Paragraph, type StreamId } from '../../model/copy/streams';
import { addDivisionOfRole } from '../order/runningOrder';
import { setSpecEdit } from '../makeEdits';

/** The offset after the word and its marks at an offset of a text: where a reference stands, but before a dash. */
export function afterWord(text: string, offset: number): number {
  let at = Math.max(0, Math.min(offset, text.length));
  while (at < text.length && !/[\s—–]/u.test(text[at])) at += 1;
  return at;
}

/** The edits that put a note in at a place of a stream; null when that is gone. The note's id is the book's next. */
export function addNoteEdits(
  book: Book,
  stream: StreamId,
  block: BlockId,
  offset: number,
  kind: string,
  words: string,
): { readonly edits: BookEdit[]; readonly id: StreamId } | null {
  const id = `n${book.nextId}`;
  const edit = referenceEdit(book, stream, block, offset, id);
  if (edit === null) return null;
  const note: Note = { id, kind, blocks: [paragraph(`p${book.nextId + 1}`, 'NT', words)] };
  const edits: BookEdit[] = [
    { kind: 'setNextId', from: book.nextId, to: book.nextId + 2 },
    { kind: 'setNote', id, from: null, to: note },
    edit,
  ];
  return { edits: [...edits, ...notesDivisionEdits({ ...book, nextId: book.nextId + 2 }, kind)], id };
}

/** The edit that puts a reference to a note in at a place of a division or a note. */
function referenceEdit(book: Book, stream: StreamId, block: BlockId, offset: number, note: StreamId): BookEdit | null {
  const blocks = blocksOfStream(book, stream) ?? [];
  const at = blocks.findIndex(({ id }) => id === block);
  const old = blocks[at];
  if (old?.kind !== 'paragraph') return null;
  const place = Math.max(0, Math.min(offset, old.text.length));
  const sign: Paragraph = { ...old, text: OBJECT_CHARACTER, spans: [], objects: [{ at: 0, kind: 'note', note }] };
  const before = cutParagraph(old, 0, place);
  const after = cutParagraph(old, place, old.text.length);
  const made = appendParagraph(appendParagraph(before, sign), after);
  return { kind: 'replaceBlocks', stream, at, removed: [old], inserted: [made] };
}

/** The edits that make notes of another kind; notes gathered at the end of the book get their division. */
export function convertNotesEdits(book: Book, ids: Iterable<StreamId>, kind: string): BookEdit[] {
  const edits: BookEdit[] = [];
  for (const id of ids) {
    const from = book.notes[id];
    if (from !== undefined && from.kind !== kind) edits.push({ kind: 'setNote', id, from, to: { ...from, kind } });
  }
  return edits.length === 0 ? [] : [...edits, ...notesDivisionEdits(book, kind)];
}

/** The edits that give notes of a kind that is gathered at the end of the book a division, when there is none. */
export function notesDivisionEdits(book: Book, kind: string): BookEdit[] {
  const isGathered = noteKind(book.spec.notes, kind).place === 'bookEnd';
  if (!isGathered || book.divisions.some(({ role }) => role === 'notes')) return [];
  return addDivisionOfRole(book, 'notes').edits;
}

/** The notes of a kind; those whose kind is gone count as of the first. */
export function notesOfKind({ spec, notes }: Book, kind: string): StreamId[] {
  const first = Object.keys(spec.notes.kinds)[0];
  return Object.values(notes)
    .filter((note) => (note.kind in spec.notes.kinds ? note.kind : first) === kind)
    .map(({ id }) => id);
}

/** The edits that drop a kind: its notes become of another. Empty for the last kind. */
export function dropKindEdits(book: Book, kind: string, other: string): BookEdit[] {
  const { [kind]: dropped, ...kinds } = book.spec.notes.kinds;
  if (dropped === undefined || kinds[other] === undefined) return [];
  const converted = convertNotesEdits(book, notesOfKind(book, kind), other);
  return [...converted, setSpecEdit(book, ['notes', 'kinds'], kinds as unknown as Plain)];
}

/** The edit that takes a note away that has no reference. */
export function removeNoteEdit(book: Book, id: StreamId): BookEdit | null {
  const from = book.notes[id];
  return from === undefined ? null : { kind: 'setNote', id, from, to: null };
}
