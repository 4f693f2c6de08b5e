// Notes and figures that marks of the galley lead to: copied with their marks, and kept for the clipboard when they go.
import { renumbered, renumberedFigure, type RecordsOf, type Renumbered, type TakeId } from '../../core/edit';
import type { Book, Note } from '../../core/model/copy/book';
import type { BookEdit } from '../../core/model/copy/bookEdit';
import type { Figure } from '../../core/model/copy/figures';
import { OBJECT_CHARACTER, type FigureId } from '../../core/model/copy/streams';
import type { RecordKind, RecordsMoved } from '../../galley';
import type { AppThunk } from '../store';

/** Notes and figures whose mark was taken out, by their ids: it may be put in again from the clipboard. Kept while the app runs. */
const taken = { note: new Map<string, Note>(), figure: new Map<string, Figure>() };
const MOST_TAKEN = 500;

/** Keeps what an edit takes out of the book. */
export function remember(edit: BookEdit): void {
  if (edit.kind !== 'setNote' && edit.kind !== 'setFigure') return;
  if (edit.from === null) return;
  const kept: Map<string, Note | Figure> = edit.kind === 'setNote' ? taken.note : taken.figure;
  kept.set(edit.id, edit.from);
  if (kept.size > MOST_TAKEN) kept.delete(kept.keys().next().value!);
}

/** Keeps a figure that is copied under a key by which any book knows it; answers its words, for other programs. */
export function keepCopied(id: FigureId, key: string): AppThunk<string> {
  return (_dispatch, getState) => {
    const figure = getState().book.book?.figures[id];
    if (figure === undefined) return '';
    taken.figure.set(key, figure);
    const words = [figure.caption, figure.credit].flatMap(({ blocks }) =>
      blocks.map((block) => (block.kind === 'paragraph' ? block.text.replaceAll(OBJECT_CHARACTER, '') : '')),
    );
    return words.join(' ');
  };
}

/** The notes and figures of the book, and those that were taken out of it before. */
export const knownRecords = (book: Book | null): RecordsOf => ({
  note: (id) => book?.notes[id] ?? taken.note.get(id),
  figure: (id) => book?.figures[id] ?? taken.figure.get(id),
});

/** Whether a reference or a mark can be put in: what it leads to is in the book, or was taken out of it before. */
export function isRecordKnown(kind: RecordKind, id: string): AppThunk<boolean> {
  return (_dispatch, getState) => knownRecords(getState().book.book)[kind](id) !== undefined;
}

/** Copies of notes and figures under the ids of their new marks. */
export function copyEdits({ copied }: RecordsMoved, records: RecordsOf, take: TakeId): BookEdit[] {
  return copied.flatMap(({ kind, from, to }): BookEdit[] => {
    const note = kind === 'note' ? records.note(from) : undefined;
    const figure = kind === 'figure' ? records.figure(from) : undefined;
    if (note === undefined && figure === undefined) return [];
    const made =
      note === undefined ? renumberedFigure(figure!, to, records, take) : renumbered(note.blocks, records, take);
    const own: Note[] = note === undefined ? [] : [{ ...note, id: to, blocks: (made as Renumbered).blocks }];
    return [
      ...[...own, ...made.notes].map((one): BookEdit => ({ kind: 'setNote', id: one.id, from: null, to: one })),
      ...made.figures.map((one): BookEdit => ({ kind: 'setFigure', id: one.id, from: null, to: one })),
    ];
  });
}

/** The edit that takes a note or a figure out; null where the book has it not. */
export function dropEdit(book: Book, kind: RecordKind, id: string): BookEdit | null {
  if (kind === 'note') {
    const from = book.notes[id];
    return from === undefined ? null : { kind: 'setNote', id, from, to: null };
  }
  const from = book.figures[id];
  return from === undefined ? null : { kind: 'setFigure', id, from, to: null };
}
