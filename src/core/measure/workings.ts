// How many pages a press works with: extents come in multiples of a section of sheets (house rules, section 1).

/** The pages of a full section, and of the half section that can be added. */
const SECTION = 16;
const HALF_SECTION = 8;

/** One extent that a press can make: pages in all, and how far the book is from it (negative: pages to lose). */
export interface Working {
  readonly pages: number;
  readonly difference: number;
  readonly withHalf: boolean;
}

/**
 * The nearest workings for a book of `pages` pages: the full sections below it, the one with a half section above
 * or below, and the full sections above. A book that fits a working exactly gets only that.
 */
export function workings(pages: number): Working[] {
  const of = (count: number): Working => ({
    pages: count,
    difference: count - pages,
    withHalf: count % SECTION !== 0,
  });
  if (pages <= 0) return [];
  if (pages % HALF_SECTION === 0) return [of(pages)];
  const below = Math.floor(pages / SECTION) * SECTION;
  const candidates = [below, below + HALF_SECTION, below + SECTION].filter((count) => count > 0);
  return candidates.map(of);
}

/** The workings in words: `196: nearest 192 (4 to lose), 200 with an 8 (4 to fill), 208 (12 to fill)`. */
export function describeWorkings(pages: number): string {
  const found = workings(pages);
  if (found.length === 1 && found[0].difference === 0) return `${pages}: whole sections`;
  const parts = found.map((working) => {
    const gap = working.difference < 0 ? `${-working.difference} to lose` : `${working.difference} to fill`;
    return `${working.pages}${working.withHalf ? ' with an 8' : ''} (${gap})`;
  });
  return `${pages}: nearest ${parts.join(', ')}`;
}
