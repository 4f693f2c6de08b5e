// How many pages a wish of a person would change: each is tried.
import { setTouchesEdit } from '../../edit';
import type { WishCost } from '../../model/answers/paragraphFacts';
import type { TypesetBook } from '../../model/composed/pages';
import type { ParagraphTouches } from '../../model/copy/streams';
import { linesOfPage, tryEdits, type ComposedState } from '../trial';
import type { TypesetProgress } from '../withProgress';

/** Touches as they would be laid over those of the paragraph; an undefined value takes one away. */
export type Wish = Partial<Record<keyof ParagraphTouches, unknown>>;

/** One answer for each wish; null for a paragraph that is on no page of a division. */
export function* wishCosts(
  from: ComposedState,
  { stream, block }: { readonly stream: string; readonly block: string },
  wishes: readonly Wish[],
): Generator<TypesetProgress, (WishCost | null)[]> {
  const linesIn = ({ pages }: TypesetBook) =>
    pages.filter((page) => page.division === stream && page.role !== 'blank').map(linesOfPage);
  const now = linesIn(from.composed);
  const costs: (WishCost | null)[] = [];
  for (const wish of wishes) {
    const edit = now.length === 0 ? null : setTouchesEdit(from.book, stream, block, wish);
    if (edit === null) costs.push(now.length === 0 ? null : { pages: 0, more: 0 });
    else costs.push(costOf(now, linesIn((yield* tryEdits(from, [edit])).composed)));
  }
  return costs;
}

function costOf(now: readonly string[], then: readonly string[]): WishCost {
  const count = Math.max(now.length, then.length);
  let pages = 0;
  for (let k = 0; k < count; k += 1) if (now[k] !== then[k]) pages += 1;
  return { pages, more: then.length - now.length };
}
