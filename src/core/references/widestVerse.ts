// The widest line of a book of verse: all its poems stand at one edge, so that the widest of them is centred.
import type { Page } from '../model/composed/pages';

/** Right end of the widest line, in points from the left edge of its column; 0 without verse. */
export function widestVerse(pages: readonly Page[]): number {
  let right = 0;
  for (const { fragments } of pages)
    for (const { paragraph, from, to } of fragments) {
      if (paragraph.styled.style.align !== 'longest') continue;
      const { x, textWidth } = paragraph.broken;
      for (let line = from; line < to; line += 1) right = Math.max(right, x[line] + textWidth[line]);
    }
  return right;
}
