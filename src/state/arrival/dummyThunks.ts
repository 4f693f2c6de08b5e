// Dummy copy: fills a division, a number of pages or the book while there is no manuscript, and is taken out again. One undo step
// each.
import {
  dropDummyCopyEdits,
  fillBookEdits,
  fillDivisionEdits,
  MOST_DUMMY_CHAPTERS,
  MOST_DUMMY_PAGES,
} from '../../core/edit';
import type { Book } from '../../core/model/copy/book';
import type { BookEdit } from '../../core/model/copy/bookEdit';
import type { StreamId } from '../../core/model/copy/streams';
import { edit } from '../book/bookThunks';
import type { AppThunk } from '../store';

/** Paragraphs of a division that is filled, and about so many to a page of a novel. */
const OF_A_DIVISION = 40;
const TO_A_PAGE = 4.2;
/** Trials in search of a number of pages. */
const MOST_TRIALS = 16;

export function fillDivision(id: StreamId): AppThunk {
  return act('Dummy copy', (book) => fillDivisionEdits(book, id, OF_A_DIVISION));
}

/** `chapters`: how many the book has then at least, 1 to 100. Answers what is wrong with the number, or null. */
export function fillBook(chapters: number): AppThunk<string | null> {
  return (dispatch) => {
    if (!isCount(chapters, MOST_DUMMY_CHAPTERS)) return `A whole number from 1 to ${MOST_DUMMY_CHAPTERS}.`;
    dispatch(act('Dummy copy in the book', (book) => fillBookEdits(book, chapters)));
    return null;
  };
}

/**
 * Fills a division until it has so many pages, 1 to 400, by composing trials. Answers what is wrong, or null; a division that has as
 * many already stays as it is, and that is said.
 */
export function fillPages(id: StreamId, pages: number): AppThunk<Promise<string | null>> {
  return async (dispatch, getState, { sessions }) => {
    if (!isCount(pages, MOST_DUMMY_PAGES)) return `A whole number from 1 to ${MOST_DUMMY_PAGES}.`;
    const { book } = getState().book;
    const client = sessions.current?.client;
    if (book === null || !client) return null;
    const pagesWith = async (paragraphs: number): Promise<number | null> => {
      const tried = await client.try(fillDivisionEdits(book, id, paragraphs), 0).catch(() => null);
      return tried?.trial?.extents.find(({ division }) => division === id)?.pages ?? null;
    };
    const paragraphs = await paragraphsFor(pages, pagesWith);
    // Edited meanwhile: what was tried is not what would be filled.
    if (getState().book.book !== book) return 'The book changed meanwhile: try again.';
    if (paragraphs === 0) return `The division has ${pages} ${pages === 1 ? 'page' : 'pages'} or more.`;
    dispatch(act('Dummy copy', () => fillDivisionEdits(book, id, paragraphs)));
    return null;
  };
}

/**
 * The most paragraphs with which there are no more than `pages` pages, by a search on what `pagesWith` says; 0: none fits. Where
 * that cannot be told (null) it is as many as fit by a novel's measure.
 */
export async function paragraphsFor(
  pages: number,
  pagesWith: (paragraphs: number) => Promise<number | null>,
): Promise<number> {
  let guess = Math.max(1, Math.round(pages * TO_A_PAGE));
  let [fits, tooMany] = [0, Infinity];
  for (let trial = 0; trial < MOST_TRIALS && tooMany - fits > 1; trial += 1) {
    const found = await pagesWith(guess);
    if (found === null) return guess;
    if (found <= pages) fits = guess;
    else tooMany = guess;
    const more = Math.max(1, Math.round(((pages - found + 1) * guess) / found));
    guess = tooMany === Infinity ? fits + more : Math.floor((fits + tooMany) / 2);
  }
  return fits;
}

/** Takes all dummy copy out, and the chapters that had nothing else. */
export const dropDummyCopy = (): AppThunk => act('Dummy copy taken out', (book) => dropDummyCopyEdits(book));

const isCount = (value: number, most: number) => Number.isInteger(value) && value >= 1 && value <= most;

function act(name: string, editsOf: (book: Book) => readonly BookEdit[]): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits = editsOf(book);
    if (edits.length > 0) dispatch(edit(name, [...edits]));
  };
}
