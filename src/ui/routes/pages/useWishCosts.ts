// What each choice of a slip would do to the pages, asked for whenever the book is composed anew.
import { useEffect, useState } from 'react';
import type { Wish, WishCost } from '../../../core/model/answers/paragraphFacts';
import { askWishes } from '../../../state/book/bookThunks';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import type { ParagraphPlace } from '../../../state/view/viewSlice';

/** Ms that a slip stays before it is worked out: pages that are only passed on the way are not composed for it. */
const REST = 250;

/** By the order of the wishes; empty until it is known. `wishes` is compared by what it says. */
export function useWishCosts(place: ParagraphPlace | undefined, wishes: readonly Wish[]): readonly (WishCost | null)[] {
  const dispatch = useAppDispatch();
  const summary = useAppSelector((state) => state.compose.summary);
  const asked = JSON.stringify([place, wishes.map((wish) => Object.entries(wish))]);
  const [known, setKnown] = useState<{ asked: string; costs: readonly (WishCost | null)[] } | null>(null);
  useEffect(() => {
    if (place === undefined) return;
    let isCurrent = true;
    const timer = setTimeout(() => {
      void dispatch(askWishes(place, wishes)).then((costs) => isCurrent && setKnown({ asked, costs }));
    }, REST);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [dispatch, asked, summary]);
  return known?.asked === asked ? known.costs : [];
}

/** `2 pages change, one more`; nothing while it is not known. */
export function costInWords(cost: WishCost | null | undefined): string {
  if (cost === null || cost === undefined) return '';
  if (cost.pages === 0) return 'no page changes';
  const changed = cost.pages === 1 ? '1 page changes' : `${cost.pages} pages change`;
  if (cost.more === 0) return changed;
  const count = Math.abs(cost.more) === 1 ? 'one' : String(Math.abs(cost.more));
  return `${changed}, ${count} ${cost.more > 0 ? 'more' : 'fewer'}`;
}

/** By how much a change pushes the text on: `4 lines longer`, with the pages where it ends on another; nothing while it is not known. */
export function pushInWords(cost: WishCost | null | undefined): string {
  if (cost === null || cost === undefined) return '';
  const { lines, more } = cost;
  const count = Math.abs(lines);
  const push =
    count === 0 ? 'same length' : `${count} ${count === 1 ? 'line' : 'lines'} ${lines > 0 ? 'longer' : 'shorter'}`;
  if (more === 0) return push;
  return `${push}, ${Math.abs(more) === 1 ? 'a page' : `${Math.abs(more)} pages`} ${more > 0 ? 'more' : 'fewer'}`;
}
