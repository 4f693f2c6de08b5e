// The open book and its history. A plain reducer: edits are applied by core, untouched parts keep their identity, and
// nothing is drafted or frozen.
import { createAction, type UnknownAction } from '@reduxjs/toolkit';
import { applyEdits, invertEdits } from '../core/edit';
import type { Book } from '../core/model/book';
import type { BookEdit, HistoryEntry, TextSelection } from '../core/model/bookEdit';

export type SaveState = 'saved' | 'waiting' | 'saving' | 'failed';

export interface BookState {
  readonly book: Book | null;
  readonly entries: readonly HistoryEntry[];
  /** How many entries are applied. */
  readonly cursor: number;
  readonly revision: number;
  readonly save: SaveState;
  /** Another tab holds the book. */
  readonly readOnly: boolean;
  /** What undo or redo brought back to select; an object of its own each time. */
  readonly recalled: TextSelection | null;
}

const CLOSED: BookState = {
  book: null,
  entries: [],
  cursor: 0,
  revision: 0,
  save: 'saved',
  readOnly: false,
  recalled: null,
};

export interface OpenedBook {
  readonly book: Book;
  readonly entries: readonly HistoryEntry[];
  readonly cursor: number;
  readonly revision: number;
  readonly readOnly: boolean;
}

export const bookOpened = createAction<OpenedBook>('book/opened');
export const bookClosed = createAction('book/closed');
export const bookEdited = createAction<HistoryEntry>('book/edited');
export const editUndone = createAction('book/undone');
export const editRedone = createAction('book/redone');
export const saveChanged = createAction<SaveState>('book/saveChanged');
export const readOnlyChanged = createAction<boolean>('book/readOnlyChanged');

/** Keys that begin so are those of one gesture, such as a drag: their entries are one, however long it rests. */
export const GESTURE = 'gesture.';

/** Entries of one key that follow each other this closely are one, in ms. */
const JOIN_WITHIN = 500;

export function bookReducer(state: BookState = CLOSED, action: UnknownAction): BookState {
  if (bookOpened.match(action)) return { ...action.payload, save: 'saved', recalled: null };
  if (bookClosed.match(action)) return CLOSED;
  if (saveChanged.match(action)) return { ...state, save: action.payload };
  if (readOnlyChanged.match(action)) return { ...state, readOnly: action.payload };
  const { book } = state;
  if (book === null || state.readOnly) return state;
  if (bookEdited.match(action)) {
    return {
      ...state,
      ...withEntry(state, action.payload),
      book: applyEdits(book, action.payload.edits),
      ...moved(state),
    };
  }
  if (editUndone.match(action) && state.cursor > 0) {
    const { edits, selection } = state.entries[state.cursor - 1];
    const recalled = selection === undefined ? null : { ...selection.before };
    return {
      ...state,
      book: applyEdits(book, invertEdits(edits)),
      cursor: state.cursor - 1,
      recalled,
      ...moved(state),
    };
  }
  if (editRedone.match(action) && state.cursor < state.entries.length) {
    const { edits, selection } = state.entries[state.cursor];
    const recalled = selection === undefined ? null : { ...selection.after };
    return { ...state, book: applyEdits(book, edits), cursor: state.cursor + 1, recalled, ...moved(state) };
  }
  return state;
}

function moved(state: BookState): Pick<BookState, 'revision' | 'save'> {
  return { revision: state.revision + 1, save: 'waiting' };
}

/** The history with the entry at its end: what was undone is dropped, typing is joined to the entry before it. */
function withEntry(state: BookState, entry: HistoryEntry): Pick<BookState, 'entries' | 'cursor'> {
  const kept = state.entries.slice(0, state.cursor);
  const last = kept[kept.length - 1];
  const isJoined =
    last !== undefined &&
    state.cursor === state.entries.length &&
    entry.joinKey !== undefined &&
    last.joinKey === entry.joinKey &&
    (entry.time - last.time < JOIN_WITHIN || entry.joinKey.startsWith(GESTURE));
  if (isJoined) {
    const joined = { ...entry, edits: joinEdits(last.edits, entry.edits) };
    const { selection } = entry;
    const both = selection && last.selection && { selection: { ...selection, before: last.selection.before } };
    kept[kept.length - 1] = { ...joined, ...both };
  }
  if (!isJoined) kept.push(entry);
  return { entries: kept, cursor: kept.length };
}

/** Two edits of one value in a row are one edit; others stand one after the other. */
function joinEdits(before: readonly BookEdit[], after: readonly BookEdit[]): readonly BookEdit[] {
  const joined = joinTwo(before[before.length - 1], after[0]);
  return joined === null ? [...before, ...after] : [...before.slice(0, -1), joined, ...after.slice(1)];
}

function joinTwo(a: BookEdit, b: BookEdit): BookEdit | null {
  if (
    (a.kind === 'setParticulars' && b.kind === 'setParticulars' && a.key === b.key) ||
    (a.kind === 'setSpec' && b.kind === 'setSpec' && a.path.join('.') === b.path.join('.'))
  )
    return { ...b, from: a.from } as BookEdit;
  if (a.kind !== 'replaceBlocks' || b.kind !== 'replaceBlocks' || a.stream !== b.stream || a.at !== b.at) return null;
  const isSame = a.inserted.length === b.removed.length && a.inserted.every((block, k) => block === b.removed[k]);
  return isSame ? { ...b, removed: a.removed } : null;
}
