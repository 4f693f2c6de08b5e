// How many pages a wish of a person would change: each is tried.
import { figureAt } from '../../copy/figures/findFigures';
import { setFigureEdit, setTouchesEdit } from '../../edit';
import type { Wish, WishCost } from '../../model/answers/paragraphFacts';
import type { Page, PageGeometry, TypesetBook } from '../../model/composed/pages';
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
  const stateOf = ({ pages, geometry }: TypesetBook): DivisionState => {
    const own = pages.filter((page) => page.division === division && page.role !== 'blank');
    return { lines: own.map(linesOfPage), end: own.length === 0 ? 0 : endOf(own, geometry) };
  };
  const now = stateOf(from.composed);
  const costs: (WishCost | null)[] = [];
  for (const wish of wishes) {
    const isPlaced = now.lines.length > 0;
    const edit = isPlaced ? editOf(from.book, stream, block, wish) : null;
    if (edit === null) costs.push(isPlaced ? { pages: 0, more: 0, lines: 0 } : null);
    else costs.push(costOf(now, stateOf((yield* tryEdits(from, [edit])).composed)));
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

interface DivisionState {
  /** What stands on each of its pages. */
  readonly lines: readonly string[];
  /** Grid lines from the head of its first page to its last line, those of all pages before counted whole. */
  readonly end: number;
}

function endOf(pages: readonly Page[], { head, lines, leading, capHeight }: PageGeometry): number {
  const last = pages[pages.length - 1].fragments.map(
    ({ y, from, to, paragraph }) => y + (to - from - 1) * paragraph.styled.style.leading,
  );
  const used = last.length === 0 ? 0 : (Math.max(...last) - head - capHeight) / leading + 1;
  return Math.round((pages.length - 1) * lines + used);
}

function costOf(now: DivisionState, then: DivisionState): WishCost {
  const count = Math.max(now.lines.length, then.lines.length);
  let pages = 0;
  for (let k = 0; k < count; k += 1) if (now.lines[k] !== then.lines[k]) pages += 1;
  return { pages, more: then.lines.length - now.lines.length, lines: then.end - now.end };
}
