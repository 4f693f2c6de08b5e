// The pages of one division ahead of the rest of the book: what a person looks at is composed first, on the sides and with
// the folios that it had, until the pages before it are known.
import { editionOf } from '../copy/editionOf';
import { flatBook } from '../copy/figures/flatBook';
import type { Book } from '../model/copy/book';
import type { Page, TypesetBook } from '../model/composed/pages';
import { placeDivision } from '../paginate';
import { composeContext, composeFor } from './flow/bookContext';
import { divisionGeometry, pageGeometry } from './pages/bookGeometry';
import type { TypesetContext } from './context';
import { furnish } from './pages/furnish';
import { touchedPages } from './pages/pageTouches';
import { composeReach, printedDivisions, reachesOf } from './pages/reaches';
import { paginateStanding } from './pages/standFigures';
import type { TypesetProgress } from './withProgress';

/** The pages of a division and the book around them; its other pages are those of the earlier book. */
export interface TypesetReach {
  readonly pages: readonly Page[];
  readonly geometry: TypesetBook['geometry'];
}

/**
 * Composes one division. Null when the earlier book had no page of it. What it makes
 * is kept: composing the whole book afterwards goes on from there.
 */
export function* typesetReach(
  of: Book,
  context: TypesetContext,
  divisionId: string,
  earlier: TypesetBook,
): Generator<TypesetProgress, TypesetReach | null> {
  const book = flatBook(editionOf(of, 'print'));
  const reach = reachesOf(printedDivisions(book)).find(
    ({ division: one, followers }) => one.id === divisionId || followers.some(({ id }) => id === divisionId),
  );
  const first = earlier.pages.find((page) => page.division === reach?.division.id && !page.isMade);
  const geometry = pageGeometry(book, context);
  if (reach === undefined || first === undefined) return null;
  const { division } = reach;
  const own = divisionGeometry(book, division, geometry);
  const ofBook = composeContext(book, context, geometry, { style: 0, shape: 0, break: 0 }, earlier.references);
  const compose = composeFor(ofBook, own);
  const composing = composeReach(reach, compose, earlier.references);
  let step = composing.next();
  for (; !step.done; step = composing.next()) yield 0;
  const paginating = paginateStanding(division, step.value, compose, own, first.side);
  let made = paginating.next();
  for (; !made.done; made = paginating.next()) yield 0;
  const ownPage = own === geometry ? undefined : own;
  const placed = placeDivision(made.value, division, earlier.pages, first.index, book.spec, ownPage);
  const firstPages = new Map(earlier.extents.map((extent) => [extent.division, extent.firstPage]));
  const { pages } = furnish({ pages: placed, firstPages }, ofBook, touchedPages(book, placed));
  return { pages, geometry };
}
