// The pictures of a fragment as they are drawn.
import type { PictureItem } from '../model/composed/displayList';
import type { Fragment, PageSide } from '../model/composed/pages';
import type { SetPicture } from '../model/composed/styled';

/** `left`: of the type area, in points from the left edge of the trimmed page. Null for a fragment of words. */
export function pictureItems({ paragraph, x: own, y }: Fragment, left: number, side: PageSide): PictureItem[] | null {
  const { stream, block, style } = paragraph.styled;
  if (style.pictures === undefined) return null;
  return style.pictures.map((picture) => {
    const { asset, format, name, alt, width, height, frame, tone } = picture;
    const edge = (of: { readonly x: number; readonly xVerso?: number }) =>
      left + own + (side === 'verso' ? (of.xVerso ?? of.x) : of.x);
    return {
      ...{ asset, format, name, alt, width, height, stream, block },
      ...(frame === undefined ? {} : { frame }),
      ...(tone === undefined ? {} : { tone }),
      ...clipOf(picture, edge),
      x: edge(picture),
      y: y - height,
    };
  });
}

function clipOf(
  { clip }: SetPicture,
  edge: (of: NonNullable<SetPicture['clip']>) => number,
): Pick<PictureItem, 'clip'> {
  return clip === undefined ? {} : { clip: { x: edge(clip), width: clip.width } };
}
