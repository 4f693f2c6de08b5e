// The pages of one division ahead of the rest of the book: what a person looks at is composed first, on the sides and with
// the folios that it had, until the pages before it are known.
import type { Book } from '../model/book';
import type { Page, TypesetBook } from '../model/pages';
import { placeDivision, placeFurniture } from '../paginate';
import { composeContext } from './bookContext';
import { divisionGeometry, pageGeometry } from './bookGeometry';
import { composeDivision } from './composeDivision';
import type { TypesetContext } from './context';
import { furnitureSource } from './furniture';
import { paginateCached } from './paginateCached';
import type { TypesetProgress } from './typesetBook';

/** The pages of a division and the book around them; its other pages are those of the earlier book. */
export interface TypesetReach {
  readonly pages: readonly Page[];
  readonly geometry: TypesetBook['geometry'];
}

/**
 * Composes one division. Null when the earlier book had no page of it, or the page itself has another shape. What it makes
 * is kept: composing the whole book afterwards goes on from there.
 */
export function* typesetReach(
  book: Book,
  context: TypesetContext,
  divisionId: string,
  earlier: TypesetBook,
): Generator<TypesetProgress, TypesetReach | null> {
  const division = book.divisions.find((one) => one.id === divisionId);
  const first = earlier.pages.find((page) => page.division === divisionId && page.role !== 'blank');
  const geometry = pageGeometry(book, context);
  const { width, height } = earlier.geometry;
  if (division === undefined || first === undefined || geometry.width !== width || geometry.height !== height)
    return null;
  const own = divisionGeometry(book, division, geometry);
  const compose = {
    ...composeContext(book, context, geometry, { style: 0, shape: 0, break: 0 }),
    geometry: own,
    measure: own.columns[0].width,
  };
  const composing = composeDivision(division, compose, earlier.references);
  let step = composing.next();
  for (; !step.done; step = composing.next()) yield 0;
  const paginating = paginateCached(division, step.value, compose, own, first.side);
  let made = paginating.next();
  for (; !made.done; made = paginating.next()) yield 0;
  const furniture = furnitureSource(compose);
  const pages = placeDivision(
    made.value,
    division,
    first.index,
    first.folio,
    book.spec,
    own === geometry ? undefined : own.columns,
  ).map((page) => ({
    ...page,
    furniture: placeFurniture(page, book.spec, geometry, furniture),
  }));
  return { pages, geometry };
}
