// The open book and its history. A plain reducer: edits are applied by core, untouched parts keep their identity, and
// nothing is drafted or frozen.
import { createAction, type UnknownAction } from '@reduxjs/toolkit';
import { applyEdits, invertEdits } from '../../core/edit';
import type { Book } from '../../core/model/copy/book';
import type { BookEdit, HistoryEntry, TextSelection } from '../../core/model/copy/bookEdit';
import {
  entryToRedo,
  entryToUndo,
  NO_HISTORY,
  trimmed,
  withPage,
  type HistoryWindow,
} from '../../storage/historyWindow';

export type SaveState = 'saved' | 'waiting' | 'saving' | 'failed';

/** Changes that are not on the disk, and what a person is asked about them. */
export interface Unwritten {
  readonly changes: number;
  /** Why they could not be written, as the end of a sentence. */
  readonly reason: string;
  /** `leave`: the book is being left; `letGo`: another tab asks for it; null: nothing waits for an answer. */
  readonly asked: 'leave' | 'letGo' | null;
}

export interface BookState extends HistoryWindow {
  readonly book: Book | null;
  readonly revision: number;
  readonly save: SaveState;
  /** Told while writing fails, and when the book was taken away with changes that were not written; null otherwise. */
  readonly unwritten: Unwritten | null;
  /** Another tab holds the book. */
  readonly readOnly: boolean;
  /** What undo or redo brought back to select; an object of its own each time. */
  readonly recalled: TextSelection | null;
}

const CLOSED: BookState = {
  ...NO_HISTORY,
  book: null,
  revision: 0,
  save: 'saved',
  unwritten: null,
  readOnly: false,
  recalled: null,
};

export interface OpenedBook extends HistoryWindow {
  readonly book: Book;
  readonly revision: number;
  readonly readOnly: boolean;
}

/** What another tab has written, as edits of the book that is read here. */
export interface FollowedBook extends HistoryWindow {
  readonly edits: readonly BookEdit[];
  readonly revision: number;
}

export const bookOpened = createAction<OpenedBook>('book/opened');
export const bookClosed = createAction('book/closed');
export const bookEdited = createAction<HistoryEntry>('book/edited');
export const editUndone = createAction('book/undone');
export const editRedone = createAction('book/redone');
/** A page of the log was read: its first number and its entries. */
export const historyRead = createAction<{ readonly from: number; readonly page: readonly HistoryEntry[] }>(
  'book/historyRead',
);
/** Everything is written: what is far from the cursor need not be held. */
export const historyTrimmed = createAction('book/historyTrimmed');
export const bookFollowed = createAction<FollowedBook>('book/followed');
export const unwrittenChanged = createAction<Unwritten | null>('book/unwrittenChanged');
export const saveChanged = createAction<SaveState>('book/saveChanged');
export const readOnlyChanged = createAction<boolean>('book/readOnlyChanged');

/** Keys that begin so are those of one gesture, such as a drag: their entries are one, however long it rests. */
export const GESTURE = 'gesture.';

/** Entries of one key that follow each other this closely are one, in ms. */
const JOIN_WITHIN = 500;

export function bookReducer(state: BookState = CLOSED, action: UnknownAction): BookState {
  if (bookOpened.match(action)) return { ...CLOSED, ...action.payload };
  if (bookClosed.match(action)) return CLOSED;
  if (saveChanged.match(action)) return { ...state, save: action.payload };
  if (unwrittenChanged.match(action)) return { ...state, unwritten: action.payload };
  if (readOnlyChanged.match(action)) return { ...state, readOnly: action.payload };
  if (historyRead.match(action)) return withPage(state, action.payload.from, action.payload.page);
  if (historyTrimmed.match(action)) return trimmed(state);
  const { book } = state;
  if (book === null) return state;
  if (bookFollowed.match(action)) {
    const { edits, ...rest } = action.payload;
    return { ...state, ...rest, book: applyEdits(book, edits) };
  }
  if (state.readOnly) return state;
  if (bookEdited.match(action)) {
    return {
      ...state,
      ...withEntry(state, action.payload),
      book: applyEdits(book, action.payload.edits),
      ...moved(state),
    };
  }
  if (editUndone.match(action)) {
    const entry = entryToUndo(state);
    if (entry === undefined) return state;
    const recalled = entry.selection === undefined ? null : { ...entry.selection.before };
    const undone = applyEdits(book, invertEdits(entry.edits));
    return { ...state, book: undone, cursor: state.cursor - 1, recalled, ...moved(state) };
  }
  if (editRedone.match(action)) {
    const entry = entryToRedo(state);
    if (entry === undefined) return state;
    const recalled = entry.selection === undefined ? null : { ...entry.selection.after };
    return { ...state, book: applyEdits(book, entry.edits), cursor: state.cursor + 1, recalled, ...moved(state) };
  }
  return state;
}

/** A save that fails goes on failing until one has worked. */
function moved({ revision, save }: BookState): Pick<BookState, 'revision' | 'save'> {
  return { revision: revision + 1, save: save === 'failed' ? 'failed' : 'waiting' };
}

/** The history with the entry at its end: what was undone is dropped, typing is joined to the entry before it. */
function withEntry(state: BookState, entry: HistoryEntry): HistoryWindow {
  const { base, cursor } = state;
  const last = entryToUndo(state);
  const isJoined =
    last !== undefined &&
    cursor === state.total &&
    entry.joinKey !== undefined &&
    last.joinKey === entry.joinKey &&
    (entry.time - last.time < JOIN_WITHIN || entry.joinKey.startsWith(GESTURE));
  const kept = state.entries.slice(0, cursor - base - (isJoined ? 1 : 0));
  kept.push(isJoined ? joinedEntry(last, entry) : entry);
  const count = base + kept.length;
  return { base, entries: kept, cursor: count, total: count };
}

function joinedEntry(last: HistoryEntry, entry: HistoryEntry): HistoryEntry {
  const { selection } = entry;
  const both = selection && last.selection && { selection: { ...selection, before: last.selection.before } };
  return { ...entry, edits: joinEdits(last.edits, entry.edits), ...both };
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
