// How many pages a wish of a person would change: its division is composed as if it were granted.
import { applyEdit, setTouchesEdit } from '../../edit';
import type { Book } from '../../model/copy/book';
import type { Page, TypesetBook } from '../../model/composed/pages';
import type { WishCost } from '../../model/answers/paragraphFacts';
import type { ParagraphTouches } from '../../model/copy/streams';
import type { TypesetContext } from '../context';
import { typesetReach } from '../typesetReach';

/** Touches as they would be laid over those of the paragraph; an undefined value takes one away. */
export type Wish = Partial<Record<keyof ParagraphTouches, unknown>>;

/** One answer for each wish; null for a paragraph that is on no page of a division. */
export function* wishCosts(
  book: Book,
  composed: TypesetBook,
  context: TypesetContext,
  { stream, block }: { readonly stream: string; readonly block: string },
  wishes: readonly Wish[],
): Generator<number, (WishCost | null)[]> {
  const now = composed.pages.filter((page) => page.division === stream && page.role !== 'blank').map(keyOf);
  const costs: (WishCost | null)[] = [];
  for (const wish of wishes) {
    const edit = setTouchesEdit(book, stream, block, wish);
    if (edit === null) {
      costs.push(now.length === 0 ? null : { pages: 0, more: 0 });
      continue;
    }
    const reach = yield* typesetReach(applyEdit(book, edit), context, stream, composed);
    costs.push(reach === null ? null : costOf(now, reach.pages.map(keyOf)));
  }
  // The caches are left as the book is: its next edit goes on from there.
  yield* typesetReach(book, context, stream, composed);
  return costs;
}

function costOf(now: readonly string[], then: readonly string[]): WishCost {
  const count = Math.max(now.length, then.length);
  let pages = 0;
  for (let k = 0; k < count; k += 1) if (now[k] !== then[k]) pages += 1;
  return { pages, more: then.length - now.length };
}

/** The lines of a page and where they stand. */
function keyOf({ fragments, notes }: Page): string {
  return [...fragments, ...notes]
    .map(({ paragraph, from, to, y }) => {
      const { styled, broken } = paragraph;
      return `${styled.block} ${broken.from[from] ?? 0} ${broken.to[to - 1] ?? 0} ${broken.count} ${y.toFixed(2)}`;
    })
    .join('|');
}
