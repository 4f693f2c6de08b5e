// Opening and closing a book, changing it, taking it over from another tab.
import { languageEdits, setParticularsEdit, setTouchesEdit } from '../../core/edit';
import type { BookTie } from '../../core/model/answers/ties';
import type { ParagraphFacts, Wish, WishCost } from '../../core/model/answers/paragraphFacts';
import type { ParagraphTouches } from '../../core/model/copy/streams';
import type { Particulars } from '../../core/model/copy/book';
import type { BookEdit } from '../../core/model/copy/bookEdit';
import { ValueError } from '../../core/base/errors';
import { checkParticulars } from '../../core/validate';
import { bookEdited } from './bookSlice';
import type { OpenOutcome } from '../session/sessions';
import type { AppThunk } from '../store';

/** Opens a book of the Shelf; see OpenOutcome. Throws what the database says when it cannot be read. */
export function openBook(id: string): AppThunk<Promise<OpenOutcome>> {
  return (dispatch, getState, { sessions }) => sessions.open(id, { dispatch, getState });
}

/** Writes and closes the book that is open; false when that would lose changes: then a person is asked (book.unwritten). */
export function closeBook(): AppThunk<Promise<boolean>> {
  return (dispatch, getState, { sessions }) => sessions.close({ dispatch, getState });
}

/** Writes what is not written yet: for a page that is hidden, or a book that is being left. */
export function writeBookNow(): AppThunk<Promise<boolean>> {
  return async (_dispatch, _getState, { sessions }) => (await sessions.current?.flush()) ?? true;
}

/** What a person decides of changes that could not be written. Answers whether nothing is unwritten any more. */
export function settleUnwritten(choice: 'again' | 'stay' | 'giveUp'): AppThunk<Promise<boolean>> {
  return async (dispatch, getState, { sessions }) => {
    const session = sessions.current;
    if (session === null) return true;
    if (choice === 'again') return session.tryAgain();
    if (choice === 'stay') session.stay();
    else {
      await session.giveUp();
      if (session.isClosed) await sessions.close({ dispatch, getState });
    }
    return choice === 'giveUp';
  };
}

/** Takes the book from the tab that holds it, and reads again what that tab has written. Answers why not, or null. */
export function takeOverBook(): AppThunk<Promise<string | null>> {
  return async (_dispatch, _getState, { sessions }) => (await sessions.current?.takeOver()) ?? null;
}

/** Makes an entry of the history. `joinKey`: see HistoryEntry. */
export function edit(name: string, edits: readonly BookEdit[], joinKey?: string): AppThunk {
  return (dispatch, _getState, { now }) => {
    dispatch(bookEdited({ name, edits, time: now(), ...(joinKey ? { joinKey } : {}) }));
  };
}

/** Sets touches of a paragraph; an undefined value takes one away. */
export function setTouches(
  place: { readonly stream: string; readonly block: string },
  change: Partial<Record<keyof ParagraphTouches, unknown>>,
  name: string,
): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const made = setTouchesEdit(book, place.stream, place.block, change);
    if (made !== null) dispatch(edit(name, [made]));
  };
}

/** What can be told of a paragraph as it is composed. */
export function askParagraph(stream: string, block: string): AppThunk<Promise<ParagraphFacts | null>> {
  return async (_dispatch, _getState, { sessions }) =>
    (await sessions.current?.client?.paragraph(stream, block)) ?? null;
}

/** What each of some wishes for a paragraph would do to its pages; empty when that cannot be told now. */
export function askWishes(
  place: { readonly stream: string; readonly block: string },
  wishes: readonly Wish[],
): AppThunk<Promise<readonly (WishCost | null)[]>> {
  return async (_dispatch, _getState, { sessions }) => (await sessions.current?.client?.wishes(place, wishes)) ?? [];
}

/** Ties by rule of the book as it is composed. */
export function askTies(): AppThunk<Promise<readonly BookTie[]>> {
  return async (_dispatch, _getState, { sessions }) => (await sessions.current?.client?.ties()) ?? [];
}

/**
 * Sets a fact of the book while it is typed: joined to one entry per word or half a second. Answers a sentence when the
 * fact cannot be kept, such as a text that is too long; then nothing changes.
 */
export function setParticulars<K extends keyof Particulars>(
  key: K,
  to: Particulars[K],
  name: string,
): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null || book.particulars[key] === to) return null;
    try {
      checkParticulars({ ...book.particulars, [key]: to });
    } catch (error) {
      if (error instanceof ValueError) return error.message;
      throw error;
    }
    const words = typeof to === 'string' ? to.split(/\s/).length : 0;
    const edits = key === 'language' ? languageEdits(book, String(to)) : [setParticularsEdit(book, key, to)];
    dispatch(edit(name, edits, `particulars.${key}.${words}`));
    return null;
  };
}
