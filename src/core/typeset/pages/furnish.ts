// Pages with their furniture. A page whose furniture is the same as last time stays the same object.
import { geometryOf, type ComposedParagraph, type Page } from '../../model/composed/pages';
import { placeFurniture, type AssembledBook, type FurnishedPage } from '../../paginate';
import type { ComposeContext } from '../flow/composeContext';
import { furnitureSource } from './furniture';
import type { TouchedPages } from './pageTouches';

export interface FurnishedBook {
  readonly pages: readonly Page[];
  /** Lines whose words were cut to their room, by page. */
  readonly cut: readonly { readonly page: Page; readonly at: 'head' | 'foot' }[];
}

export function furnish(
  { pages, firstPages }: AssembledBook,
  compose: ComposeContext,
  touched: TouchedPages,
): FurnishedBook {
  const source = furnitureSource(compose, pages, firstPages, touched);
  const cut: { page: Page; at: 'head' | 'foot' }[] = [];
  const done = pages.map((page) => {
    const furnished = placeFurniture(page, geometryOf(page, compose.geometry), source);
    for (const at of furnished.cut) cut.push({ page, at });
    return withFurniture(page, furnished);
  });
  return { pages: done, cut };
}

const furnished = new WeakMap<Page, Page>();

function withFurniture(page: Page, { furniture, rules }: FurnishedPage): Page {
  const known = furnished.get(page);
  if (known !== undefined && sameFurniture(known, furniture) && sameRules(known.furnitureRules ?? [], rules))
    return known;
  const made: Page = { ...page, furniture, ...(rules.length === 0 ? {} : { furnitureRules: rules }) };
  furnished.set(page, made);
  return made;
}

function sameFurniture(known: Page, furniture: Page['furniture']): boolean {
  const same = (a: ComposedParagraph, b: ComposedParagraph) => a === b;
  return (
    known.furniture.length === furniture.length &&
    known.furniture.every((placed, k) => {
      const other = furniture[k];
      return same(placed.paragraph, other.paragraph) && placed.x === other.x && placed.y === other.y;
    })
  );
}

const sameRules = (a: FurnishedPage['rules'], b: FurnishedPage['rules']) =>
  a.length === b.length && (a.length === 0 || JSON.stringify(a) === JSON.stringify(b));
