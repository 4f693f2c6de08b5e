// How many pages a wish of a person would change: each is tried.
import { figureAt } from '../../copy/figures/findFigures';
import { setFigureEdit, setTouchesEdit } from '../../edit';
import type { Wish, WishCost } from '../../model/answers/paragraphFacts';
import type { TypesetBook } from '../../model/composed/pages';
import type { Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import { linesOfPage, tryEdits, type ComposedState } from '../trial';
import type { TypesetProgress } from '../withProgress';

/** One answer for each wish; null for a paragraph that is on no page of a division. */
export function* wishCosts(
  from: ComposedState,
  { stream, block }: { readonly stream: string; readonly block: string },
  wishes: readonly Wish[],
): Generator<TypesetProgress, (WishCost | null)[]> {
  const division = divisionOf(from.composed, stream, block);
  const linesIn = ({ pages }: TypesetBook) =>
    pages.filter((page) => page.division === division && page.role !== 'blank').map(linesOfPage);
  const now = linesIn(from.composed);
  const costs: (WishCost | null)[] = [];
  for (const wish of wishes) {
    const edit = now.length === 0 ? null : editOf(from.book, stream, block, wish);
    if (edit === null) costs.push(now.length === 0 ? null : { pages: 0, more: 0 });
    else costs.push(costOf(now, linesIn((yield* tryEdits(from, [edit])).composed)));
  }
  return costs;
}

function editOf(book: Book, stream: string, block: string, wish: Wish): BookEdit | null {
  if (!('figure' in wish)) return setTouchesEdit(book, stream, block, wish);
  const figure = figureAt(book, stream, block);
  return figure === undefined ? null : setFigureEdit(book, figure.id, wish.figure);
}

/** The division on whose pages a paragraph of any stream stands; undefined where it is on none. */
const divisionOf = ({ pages }: TypesetBook, stream: string, block: string): string | undefined =>
  pages.find((page) =>
    [...page.fragments, ...page.notes].some(
      ({ paragraph: { styled } }) => styled.block === block && styled.stream === stream,
    ),
  )?.division;

function costOf(now: readonly string[], then: readonly string[]): WishCost {
  const count = Math.max(now.length, then.length);
  let pages = 0;
  for (let k = 0; k < count; k += 1) if (now[k] !== then[k]) pages += 1;
  return { pages, more: then.length - now.length };
}
