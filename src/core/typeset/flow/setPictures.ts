// Pictures in the column: a picture hangs from the cap height of its first line, as deep as it is, and stands by itself.
// Pictures among words follow, or come before, the paragraph in which they are.
import { shownSize } from '../../copy/pictureOf';
import type { PageGeometry } from '../../model/composed/pages';
import type { ResolvedStyle, SetPicture } from '../../model/composed/styled';
import {
  isPictureAlone,
  OBJECT_CHARACTER,
  paragraph as makeParagraph,
  type Paragraph,
  type PictureFacts,
  type PictureObject,
} from '../../model/copy/streams';

/** A picture of which nothing is known is a frame of these proportions, half as wide as its column. */
const FRAME = { share: 0.5, ratio: 2 / 3 };

const parted = new WeakMap<Paragraph, readonly Paragraph[]>();

/** The paragraph, and its pictures as paragraphs of their own; the same ones as long as it is the same. */
export function withPicturesApart(block: Paragraph): readonly Paragraph[] {
  if (block.objects.every((object) => object.kind !== 'picture') || isPictureAlone(block)) return [block];
  let made = parted.get(block);
  if (made === undefined) parted.set(block, (made = partPictures(block)));
  return made;
}

function partPictures(block: Paragraph): Paragraph[] {
  const pictures = block.objects.filter((object): object is PictureObject => object.kind === 'picture');
  const isPicture = new Set(pictures.map((picture) => picture.at));
  let words = 0;
  while (words < block.text.length && (isPicture.has(words) || /\s/.test(block.text[words]))) words += 1;
  const alone = (picture: PictureObject) =>
    makeParagraph(block.id, block.style, OBJECT_CHARACTER, {
      objects: [{ ...picture, at: 0 }],
      ...(block.touches === undefined ? {} : { touches: block.touches }),
    });
  const isWordless = words === block.text.length && block.list === undefined;
  return [
    ...pictures.filter((picture) => picture.at < words).map(alone),
    ...(isWordless ? [] : [block]),
    ...pictures.filter((picture) => picture.at >= words).map(alone),
  ];
}

/** The picture that a paragraph is set as; undefined for one of words. */
export function pictureOfParagraph(block: Paragraph): PictureObject | undefined {
  return isPictureAlone(block) ? (block.objects[0] as PictureObject) : undefined;
}

/** How a picture is set: `style` that of its paragraph; `under`: points that its captions take, which stay with it. */
export function pictureStyle(
  style: ResolvedStyle,
  picture: PictureFacts,
  { touches }: Paragraph,
  under: number,
  geometry: PageGeometry,
): ResolvedStyle {
  const { leading, lines, capHeight } = geometry;
  const measure = Math.min(...geometry.columns.map((column) => column.width));
  const page = (lines - 1) * leading + capHeight;
  // Captions of half a page and more are no reason for a small picture.
  const deepest = under < page / 2 ? page - under : page;
  const natural = naturalSize(picture, measure);
  const scale = Math.min(1, measure / natural.width, deepest / natural.height);
  const [width, height] = [natural.width * scale, natural.height * scale];
  const align = touches?.align ?? style.align;
  const free = measure - width;
  const set: SetPicture = {
    asset: picture.asset,
    format: picture.format,
    name: picture.name,
    alt: picture.alt,
    x: align === 'left' ? 0 : align === 'right' ? free : free / 2,
    width,
    height,
    // A drawing is as sharp at any size.
    resolution: picture.width > 0 && picture.format !== 'svg' ? Math.round((picture.width / width) * 72) : 0,
  };
  return {
    ...style,
    picture: set,
    // From the cap height of its first line down: its caption follows at once, the text after returns to the grid.
    leading: Math.max(leading, height - capHeight + leading),
    leadingReplaced: false,
    align: 'left',
    lastAlign: 'left',
    firstIndent: 0,
    leftIndent: 0,
    rightIndent: 0,
    above: Math.max(1, Math.ceil(style.above)),
    below: under > 0 ? 0 : 1,
    hyphenate: false,
    withNext: false,
    keepTogether: true,
    initial: null,
    lead: null,
    spots: [],
    ruleAbove: null,
    ruleBelow: null,
    background: null,
    lineNumbers: 0,
    tabs: [],
  };
}

function naturalSize(picture: PictureFacts, measure: number): { readonly width: number; readonly height: number } {
  const shown = shownSize(picture);
  if (shown.width > 0 && shown.height > 0) return shown;
  return { width: measure * FRAME.share, height: measure * FRAME.share * FRAME.ratio };
}
