// Pages with their running heads and folios.
import type { Page } from '../model/pages';

const furnished = new WeakMap<Page, Page>();

/** The page with its furniture: the same object as last time when that is the same. */
export function withFurniture(page: Page, furniture: Page['furniture']): Page {
  const known = furnished.get(page);
  const isSame = (placed: Page['furniture'][number], k: number) => {
    const other = furniture[k];
    return placed.paragraph === other.paragraph && placed.x === other.x && placed.y === other.y;
  };
  if (known !== undefined && known.furniture.length === furniture.length && known.furniture.every(isSame)) return known;
  const made = { ...page, furniture };
  furnished.set(page, made);
  return made;
}
