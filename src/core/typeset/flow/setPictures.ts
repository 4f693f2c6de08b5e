// Pictures in the column: those of a figure hang side by side from the cap height of its first line, as deep as they are, and stand by
// themselves. Pictures among words follow, or come before, the paragraph in which they are.
import { shownSize } from '../../copy/pictureOf';
import type { PageGeometry } from '../../model/composed/pages';
import type { ResolvedStyle, SetFrame, SetPicture } from '../../model/composed/styled';
import type { FigureWidth } from '../../model/copy/figureSetting';
import type { InksSpec } from '../../model/spec/inks';
import type { PageSpec } from '../../model/spec/pageSpec';
import {
  isPictureAlone,
  OBJECT_CHARACTER,
  paragraph as makeParagraph,
  type InlineObject,
  type Paragraph,
  type PictureFacts,
  type PictureObject,
} from '../../model/copy/streams';
import type { BesideRoom } from './composeContext';
import { frameSize, setFrame, type Size } from './setFrames';
import { setPlate, type PlateContext } from './setPlates';

/** A picture of which nothing is known is a frame of these proportions, half as wide as its column. */
const FRAME = { share: 0.5, ratio: 2 / 3 };
/** Share of the column that a picture with its caption beside it takes at most. */
const MOST_BESIDE_CAPTION = 0.62;
/** Between pictures side by side, in points. */
const BETWEEN = 12;

const parted = new WeakMap<Paragraph, readonly Paragraph[]>();

/** The paragraph, and its pictures as paragraphs of their own; the same ones as long as it is the same. */
export function withPicturesApart(block: Paragraph): readonly Paragraph[] {
  const isAlone = isPictureAlone(block);
  if (block.objects.every((object) => object.kind !== 'picture')) return [block];
  // Only the parts of a figure are told apart by letters.
  if (isAlone && (picturesOf(block).length < 2 || (block.objects[0] as PictureObject).figure === undefined))
    return [block];
  let made = parted.get(block);
  if (made === undefined) parted.set(block, (made = isAlone ? withLetters(block) : partPictures(block)));
  return made;
}

/** What is said of a figure's parts under them: (a) (b) (c). Known by its paragraph. */
const letters = new WeakSet<Paragraph>();

/** True for the paragraph of the letters that stand under the parts of the figure before it. */
export const isLetters = (block: Paragraph): boolean => letters.has(block);

function withLetters(block: Paragraph): Paragraph[] {
  const count = picturesOf(block).length;
  let text = '';
  const objects: InlineObject[] = [];
  for (let k = 0; k < count; k += 1) {
    objects.push({ at: text.length, kind: 'tab' });
    text += `${OBJECT_CHARACTER}(${String.fromCharCode(0x61 + k)})`;
  }
  const { stream } = block;
  const own = stream === undefined ? {} : { stream };
  const under = makeParagraph(block.id, CAPTION_STYLE, text, { objects, ...own });
  letters.add(under);
  return [block, under];
}

const CAPTION_STYLE = 'CAP';

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

/** The pictures that a paragraph is set as, side by side; none for one of words. */
export function picturesOf(block: Paragraph): readonly PictureFacts[] {
  if (!isPictureAlone(block)) return [];
  const own = block.objects as readonly PictureObject[];
  return [...own, ...(own[0].figure?.more ?? [])];
}

/** What pictures are set by, besides their style. */
export interface PictureContext extends PlateContext {
  /** What there is for a figure beside text; absent for all others. */
  readonly beside?: BesideRoom | undefined;
}

/** How pictures are set: `style` that of their paragraph; `under`: points that their captions take, which stay with them. */
export function pictureStyle(
  style: ResolvedStyle,
  block: Paragraph,
  under: number,
  context: PictureContext,
): ResolvedStyle {
  const { geometry, bleed, inks, beside } = context;
  const { leading, lines, capHeight } = geometry;
  const measure = Math.min(...geometry.columns.map((column) => column.width));
  const page = (lines - 1) * leading + capHeight;
  // Captions of half a page and more are no reason for a small picture.
  const deepest = under < page / 2 ? page - under : page;
  const pictures = picturesOf(block);
  const tie = (block.objects[0] as PictureObject).figure;
  const { width: wished = 'shown', frame, crops = [], captionAt } = tie ?? {};
  const plate =
    tie === undefined
      ? null
      : setPlate(tie, naturalSize(pictures[0], measure), crops[0], pictures.length, under, context);
  if (plate !== null) {
    const of = setPicture(pictures[0], plate.x, plate, plate.frame, inks);
    return styleWith(style, [{ ...of, ...plate }], under, geometry);
  }
  const wide = beside === undefined ? wideOf(pictures, wished, geometry, bleed) : null;
  const natural = pictures.map((picture) => naturalSize(picture, measure));
  const framed = natural.map((size, k) => frameSize(size, frame, crops[k]));
  // Of several pictures, and beside text, captions are below; beside one that reaches into the margins there is no room.
  const isFixed =
    pictures.length > 1 || beside !== undefined || under === 0 || (wide !== null && captionAt === 'beside');
  const side = isFixed ? undefined : captionAt;
  const isBeside = side === 'beside';
  const widest = isBeside ? measure * MOST_BESIDE_CAPTION : (wide?.width ?? measure);
  const room = typeof wished === 'number' ? (beside?.most ?? widest) : (beside?.usual ?? widest);
  const sizes = sizesOf(framed, wide === null ? wished : wide.width, room, isBeside ? page : deepest);
  const total = sizes.reduce((sum, { width }) => sum + width, BETWEEN * (sizes.length - 1));
  const align = beside === undefined && !isBeside ? (block.touches?.align ?? style.align) : 'left';
  const free = measure - total;
  let x = align === 'left' ? 0 : align === 'right' ? free : free / 2;
  if (wide !== null) x = wide.x;
  const set = pictures.map((picture, k): SetPicture => {
    const left = x;
    x += sizes[k].width + BETWEEN;
    const own = setPicture(picture, left, sizes[k], setFrame(natural[k], sizes[k], frame, crops[k], inks), inks);
    return wide === null ? own : reaching(own, wide, total);
  });
  const made = styleWith(style, set, under, geometry);
  return side === undefined || side === 'below' ? made : { ...made, captionAt: side };
}

/** A style in which pictures stand. */
function styleWith(
  style: ResolvedStyle,
  pictures: readonly SetPicture[],
  under: number,
  { leading, capHeight }: PageGeometry,
): ResolvedStyle {
  const height = Math.max(...pictures.map((picture) => picture.height));
  return {
    ...style,
    pictures,
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

/** Where a picture stands that reaches beyond its column: left edges from that of the column, by the side of its page. */
interface Wide {
  readonly width: number;
  readonly x: number;
  readonly xVerso: number;
  readonly lacksBleed: boolean;
}

/** Null for a picture that stays in its column. */
function wideOf(
  pictures: readonly PictureFacts[],
  wished: FigureWidth,
  { columns, measure, back, foreEdge, width }: PageGeometry,
  bleed: PageSpec['bleed'],
): Wide | null {
  if ((wished !== 'margin' && wished !== 'trim') || columns.length > 1 || pictures.length > 1) return null;
  if (wished === 'margin') {
    const more = foreEdge / 2;
    return { width: measure + more, x: 0, xVerso: -more, lacksBleed: false };
  }
  const both = bleed.back.pt + bleed.foreEdge.pt;
  return {
    width: width + both,
    x: -back - bleed.back.pt,
    xVerso: -foreEdge - bleed.foreEdge.pt,
    lacksBleed: both === 0,
  };
}

/** A picture that is less wide than it may reach, as it would be too deep, stands in the middle of that. */
function reaching(picture: SetPicture, { width, x, xVerso, lacksBleed }: Wide, own: number): SetPicture {
  const inner = (width - own) / 2;
  const edges = { ...picture, x: x + inner, xVerso: xVerso + inner };
  return lacksBleed && inner < 0.5 ? { ...edges, lacksBleed } : edges;
}

function setPicture(
  picture: PictureFacts,
  x: number,
  size: Size,
  frame: SetFrame | undefined,
  { pictures: { press, tone } }: InksSpec,
): SetPicture {
  const { asset, format, name, alt } = picture;
  const { width } = frame ?? size;
  // A drawing is as sharp at any size.
  const resolution = picture.width > 0 && format !== 'svg' ? Math.round((picture.width / width) * 72) : 0;
  return {
    ...{ asset, format, name, alt, x, ...size, resolution },
    ...(frame === undefined ? {} : { frame }),
    ...(press === 'grey' ? { tone } : {}),
  };
}

/** Sizes of pictures side by side, all as high as the first where they are several; as wide together as is wished, as far as there is room. */
function sizesOf(natural: readonly Size[], wished: FigureWidth, measure: number, deepest: number): Size[] {
  const { height } = natural[0];
  const even = natural.map((size) => ({ width: (size.width * height) / size.height, height }));
  const room = (total: number) => total - BETWEEN * (natural.length - 1);
  const width = even.reduce((sum, size) => sum + size.width, 0);
  const widest = typeof wished === 'number' ? Math.min(wished, measure) : measure;
  const asked = wished === 'shown' ? Math.min(width, room(measure)) : room(widest);
  const scale = Math.min(asked / width, deepest / height);
  return even.map((size) => ({ width: size.width * scale, height: size.height * scale }));
}

function naturalSize(picture: PictureFacts, measure: number): Size {
  const shown = shownSize(picture);
  if (shown.width > 0 && shown.height > 0) return shown;
  return { width: measure * FRAME.share, height: measure * FRAME.share * FRAME.ratio };
}

/** The style of the letters under the pictures of `above`: each in the middle of its picture. */
export function lettersStyle(style: ResolvedStyle, { pictures = [] }: ResolvedStyle): ResolvedStyle {
  return {
    ...style,
    align: 'left',
    lastAlign: 'left',
    firstIndent: 0,
    leftIndent: 0,
    rightIndent: 0,
    above: 0,
    below: 0,
    tabs: pictures.map(({ x, width }) => ({ at: x + width / 2, kind: 'centre' as const })),
  };
}
