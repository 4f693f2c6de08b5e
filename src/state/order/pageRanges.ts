// Ranges of pages: what of them a person types, and page touches that hold over them.
import { anchorOn } from '../../core/copy/anchorState';
import { findParagraph } from '../../core/edit';
import { edit } from '../book/bookThunks';
import type { BookEdit } from '../../core/model/copy/bookEdit';
import type { Book } from '../../core/model/copy/book';
import type { PageTouch } from '../../core/model/copy/pageTouches';
import type { PageSummary } from '../../worker/typesetClient';
import type { AppThunk } from '../store';

export interface NamedPages {
  /** Indexes of the first and last page, from 0. */
  readonly from: number;
  readonly to: number;
}

/** `12`, `12-15`, `xii to xv`, `page 9`: folios, and where no page has such a folio, numbers of pages. A sentence: what is wrong with it. */
export function pagesNamed(typed: string, pages: readonly PageSummary[]): NamedPages | string {
  const [first, last = first, ...more] = typed
    .trim()
    .replace(/^(?:pages?|folios?|pp?\.)\s+/i, '')
    .split(/\s*(?:-|–|—|\bto\b)\s*/);
  if (first === '' || more.length > 0) return 'Type two folios with a hyphen between, such as 12-15.';
  const from = pageCalled(first, pages, 0);
  if (from < 0) return `There is no page with the folio ${first}.`;
  const to = pageCalled(last, pages, from);
  if (to >= 0) return { from, to };
  return pageCalled(last, pages, 0) < 0
    ? `There is no page with the folio ${last}.`
    : `${last} comes before ${first}: type the first page first.`;
}

/** Index of the first page from a place on with that folio, else with that number in the book; -1: none. */
function pageCalled(name: string, pages: readonly PageSummary[], from: number): number {
  const byFolio = pages.findIndex(({ folio, index }) => index >= from && folio.toLowerCase() === name.toLowerCase());
  if (byFolio >= 0) return byFolio;
  const number = /^\d{1,6}$/.test(name) ? Number(name) - 1 : -1;
  return number >= from && number < pages.length ? number : -1;
}

/** The pages of a range on which words begin, by which a touch can hold: the first and last of them. Null: there are none. */
export function heldEnds(
  { from, to }: NamedPages,
  pages: readonly PageSummary[],
): readonly [PageSummary, PageSummary] | null {
  const worded = pages.slice(from, to + 1).filter(({ start }) => start !== null);
  return worded.length === 0 ? null : [worded[0], worded[worded.length - 1]];
}

/** What a touch does to the pages of a range. */
export type RangeTouch = Pick<PageTouch, 'hideHead' | 'hideFoot' | 'furniture'>;

/** Puts a touch on a range of pages; it goes with the words at its ends. False: no words stand on them. */
export function touchPages(range: NamedPages, touch: RangeTouch, name: string): AppThunk<boolean> {
  return (dispatch, getState) => {
    const { book: copy, compose } = getState();
    const { book, readOnly } = copy;
    const ends = heldEnds(range, compose.summary?.pages ?? []);
    if (book === null || readOnly || ends === null) return false;
    const [anchor, through] = [`a${book.nextId}`, `a${book.nextId + 1}`];
    const from = book.pageTouches;
    const made: PageTouch = { ...touch, id: `t${book.nextId + 2}`, anchor, through, madeOn: ends[0].index };
    const edits: BookEdit[] = [
      { kind: 'setNextId', from: book.nextId, to: book.nextId + 3 },
      { kind: 'setAnchor', id: anchor, from: null, to: anchorAt(book, ends[0]) },
      { kind: 'setAnchor', id: through, from: null, to: anchorAt(book, ends[1]) },
      { kind: 'setPageTouches', from, to: [...from, made] },
    ];
    dispatch(edit(name, edits));
    return true;
  };
}

function anchorAt(book: Book, { start }: PageSummary) {
  const { stream, block, offset } = start!;
  return anchorOn(stream, findParagraph(book, stream, block) ?? { id: block, text: '' }, offset);
}
