// Changes of notes and of their kinds.
import {
  addNoteEdits,
  afterWord,
  convertNotesEdits,
  dropKindEdits,
  findParagraph,
  notesOfKind,
  removeNoteEdit,
} from '../../core/edit';
import type { Plain } from '../../core/model/copy/bookEdit';
import { FOOTNOTE, NOTE_SYMBOLS, noteKind, type NoteKind } from '../../core/model/spec/notes';
import { OBJECT_CHARACTER, type BlockId, type StreamId } from '../../core/model/copy/streams';
import { edit } from '../book/bookThunks';
import { setSpec } from '../spec/specThunks';
import type { AppThunk } from '../store';

/** Makes notes of another kind; one undo step. */
export function convertNotes(ids: readonly StreamId[], kind: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits = convertNotesEdits(book, ids, kind);
    const { name } = noteKind(book.spec.notes, kind);
    if (edits.length > 0) dispatch(edit(`Made ${name}`, edits));
  };
}

/** Makes all notes of a kind of another; one undo step. */
export function convertKind(kind: string, other: string): AppThunk {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book !== null) dispatch(convertNotes(notesOfKind(book, kind), other));
  };
}

/** What is changed of a kind, with what follows from it by custom. Answers what is wrong, or null. */
export function setNoteKind(id: string, change: Partial<NoteKind>, name: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const kind = getState().book.book?.spec.notes.kinds[id];
    if (kind === undefined) return null;
    return dispatch(setSpec(['notes', 'kinds', id], { ...kind, ...byCustom(kind, change) } as unknown as Plain, name));
  };
}

/** Symbols have no point after them before the note, figures have one; notes of a margin are set small. */
function byCustom(kind: NoteKind, change: Partial<NoteKind>): Partial<NoteKind> {
  const { numerals, place } = change;
  const made: { -readonly [K in keyof NoteKind]?: NoteKind[K] } = { ...change };
  const { number } = kind;
  if (numerals === 'symbols' && number.after === '.') made.number = { ...number, after: '' };
  if (numerals !== undefined && numerals !== 'symbols' && kind.numerals === 'symbols' && number.after === '')
    made.number = { ...number, after: '.' };
  if (numerals === 'list' && kind.signs.length === 0) made.signs = [...NOTE_SYMBOLS];
  if (place === 'margin' && kind.style === 'NT') made.style = 'NM';
  if (place === 'foot' && kind.style === 'NM') made.style = 'NT';
  return made;
}

/** A kind more, told apart from those there are. Answers its id. */
export function addNoteKind(name: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return null;
    const { kinds } = book.spec.notes;
    let number = Object.keys(kinds).length + 1;
    while (`kind${number}` in kinds) number += 1;
    const id = `kind${number}`;
    const isTaken = (numerals: NoteKind['numerals']) => Object.values(kinds).some((one) => one.numerals === numerals);
    const numerals = (['arabic', 'symbols', 'letters', 'roman'] as const).find((one) => !isTaken(one)) ?? 'Letters';
    const plain = { ...FOOTNOTE, name, numerals };
    const made = { ...plain, ...byCustom(FOOTNOTE, { numerals }) };
    const fault = dispatch(setSpec(['notes', 'kinds'], { ...kinds, [id]: made } as unknown as Plain, 'Kind of notes'));
    return fault === null ? id : null;
  };
}

/** Drops a kind; its notes become of another. */
export function dropNoteKind(id: string, other: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits = dropKindEdits(book, id, other);
    if (edits.length > 0) dispatch(edit(`${book.spec.notes.kinds[id].name} dropped`, edits));
  };
}

/** Takes a note away that has no reference. */
export function dropNote(id: StreamId): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const change = book === null || readOnly ? null : removeNoteEdit(book, id);
    if (change !== null) dispatch(edit('Note taken away', [change]));
  };
}

/** The word after which a note would stand that is put in at a place of a paragraph, and the offset behind it. */
export function wordBefore(text: string, offset: number): { readonly word: string; readonly at: number } {
  const at = afterWord(text, offset);
  const word = /\S*$/u.exec(text.slice(0, at))![0].replaceAll(OBJECT_CHARACTER, '');
  return { word, at };
}

/** Puts a note in on the page, after the word at a place. */
export function addNoteHere(
  place: { readonly stream: StreamId; readonly block: BlockId },
  offset: number,
  kind: string,
  words: string,
): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const block = findParagraph(book, place.stream, place.block);
    if (block === undefined) return;
    const made = addNoteEdits(book, place.stream, place.block, afterWord(block.text, offset), kind, words);
    if (made !== null) dispatch(edit(noteKind(book.spec.notes, kind).name, made.edits));
  };
}
