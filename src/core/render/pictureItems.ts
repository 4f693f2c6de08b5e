// The pictures of a fragment as they are drawn.
import type { PictureItem } from '../model/composed/displayList';
import type { Fragment, PageSide } from '../model/composed/pages';

/** `left`: of the type area, in points from the left edge of the trimmed page. Null for a fragment of words. */
export function pictureItems({ paragraph, x: own, y }: Fragment, left: number, side: PageSide): PictureItem[] | null {
  const { stream, block, style } = paragraph.styled;
  if (style.pictures === undefined) return null;
  return style.pictures.map(({ x, xVerso = x, height, resolution: _, lacksBleed: __, ...facts }) => ({
    ...facts,
    x: left + own + (side === 'verso' ? xVerso : x),
    y: y - height,
    height,
    stream,
    block,
  }));
}
