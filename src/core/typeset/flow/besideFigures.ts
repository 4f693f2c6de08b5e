// Figures beside text as they are composed, and what of each line they leave to the text.
import { PLAIN_AROUND, PLAIN_FRAME, type Around, type FigureSide, type Frame } from '../../model/copy/figureSetting';
import type { FigureId, PictureObject } from '../../model/copy/streams';
import type { PageSide } from '../../model/composed/pages';
import type { Pt } from '../../model/spec/length';
import type { FlowParagraph } from '../../paginate';
import type { BesideRoom, ComposeContext } from './composeContext';
import { contourBetween, type Reach } from './contours';
import type { FloatingFigure } from './floatingFigure';
import { withCaptions } from './holdCaptions';

/** A figure beside text. Sizes in points. */
export interface BesideFigure {
  readonly id: FigureId;
  readonly around: Around;
  readonly frame: Frame;
  /** Its pictures with what stands under them. */
  readonly figure: FlowParagraph;
  readonly width: Pt;
  /** Of its pictures, and of its pictures with its captions. */
  readonly height: Pt;
  readonly whole: Pt;
  /** Down to the last baseline of its captions, or to the foot of its pictures. */
  readonly foot: Pt;
}

/** Em of the text that lines beside a figure keep at least, and that each of two has where there is text on both sides. */
const LEAST_ROOM = 9;
const LEAST_OF_TWO = 5;
const SLACK = 1e-6;
/** A caption's last line reaches below its baseline, in em of its size. */
const DESCENT = 0.25;

/** Share of the measure that a figure takes where nobody said how wide it is, at most. */
const USUAL_SHARE = 0.45;

/** Null where the column is too narrow for text beside a figure. */
export function roomBeside({ blocks }: FloatingFigure, compose: ComposeContext): BesideRoom | null {
  const { inset, beside, text } = aroundOf(blocks[0].objects[0] as PictureObject);
  const { size } = compose.sheet.get('TX') ?? { size: compose.geometry.capHeight };
  const least = text === 'none' ? 0 : LEAST_ROOM * size + beside;
  const most = compose.measure - least - inset;
  const usual = Math.min(most, compose.measure * USUAL_SHARE);
  return most < size * 2 ? null : { most, usual };
}

const aroundOf = ({ figure }: PictureObject): Around => figure?.around ?? PLAIN_AROUND;

/** A figure of composed parts, the pictures first. */
export function besideFigure(
  { blocks }: FloatingFigure,
  [picture, ...texts]: readonly FlowParagraph[],
  { geometry }: ComposeContext,
): BesideFigure {
  const { figure: tie } = blocks[0].objects[0] as PictureObject;
  const pictures = picture.paragraph.styled.style.pictures!;
  const height = Math.max(...pictures.map((one) => one.height));
  let under = 0;
  let descent = 0;
  texts.forEach(({ paragraph, gap }, k) => {
    const { size, leading } = paragraph.styled.style;
    under += (k === 0 ? gap : 0) * geometry.leading + paragraph.broken.count * leading;
    if (k === texts.length - 1) descent = DESCENT * size;
  });
  const foot = height + under;
  return {
    id: tie!.id,
    around: pictures.length > 1 ? withoutContour(tie!.around) : (tie!.around ?? PLAIN_AROUND),
    frame: pictures.length > 1 ? { ...PLAIN_FRAME, ...tie!.frame, shape: 'rectangle' } : (tie!.frame ?? PLAIN_FRAME),
    figure: withCaptions(picture, texts),
    width: Math.max(...pictures.map(({ x, width }) => x + width)),
    height,
    whole: foot + descent,
    foot,
  };
}

/** A contour is that of one picture. */
function withoutContour(around: Around = PLAIN_AROUND): Around {
  const { contour: _, ...rest } = around;
  return rest;
}

/** What a figure takes from the lines beside it. Points from the left edge of the column and from the cap height of its first line. */
export interface Blocked {
  /** Left edge of the figure. */
  readonly x: Pt;
  /** Down to where no line is narrower any more. */
  readonly depth: Pt;
  /** Down to the baseline at or under its foot, of lines as deep as the leading: no page ends above that. */
  readonly footing: Pt;
  /** What is left of a line between two heights, from left to right; null below all that is narrower. */
  readonly rooms: (top: Pt, bottom: Pt) => readonly Room[] | null;
}

/** From and to where a line may reach. */
export interface Room {
  readonly left: Pt;
  readonly right: Pt;
}

export function blockedBy(of: BesideFigure, side: PageSide, { measure, sheet, geometry }: ComposeContext): Blocked {
  const { around, width, whole, foot } = of;
  const { above, beside, below, inset } = around;
  const x = standsLeft(around.side, side) ? inset : measure - inset - width;
  const depth = above + whole + below;
  const { leading, capHeight } = geometry;
  const footing = Math.ceil((above + foot - capHeight) / leading + 1 - SLACK) * leading;
  const isLeftWider = x >= measure - (x + width);
  const least = LEAST_OF_TWO * (sheet.get('TX')?.size ?? geometry.capHeight);
  const free: readonly Room[] = [{ left: 0, right: measure }];
  const rooms: Blocked['rooms'] = (top, bottom) => {
    if (top >= depth - SLACK) return null;
    const reach = around.text === 'none' ? null : reachOf(of, top - below - above, bottom);
    if (reach === null) return free;
    const left = { left: 0, right: Math.min(measure, x + reach.from - beside) };
    const right = { left: Math.max(0, x + reach.to + beside), right: measure };
    const areTwo = left.right >= least && measure - right.left >= least;
    if (around.text === 'both' && areTwo) return [left, right];
    return [isLeftWider ? left : right];
  };
  return { x, depth, footing, rooms };
}

/** Whether a figure stands at the left edge of its column. */
function standsLeft(side: FigureSide, page: PageSide): boolean {
  if (side === 'left' || side === 'right') return side === 'left';
  return (side === 'outer') === (page === 'verso');
}

/** What a figure takes between two heights from its top edge, from its left edge; null where it is not. */
function reachOf({ around, frame, width, height, whole }: BesideFigure, top: Pt, bottom: Pt): Reach | null {
  const all: Reach = { from: 0, to: width };
  const { outline, contour } = around;
  if (!outline || (contour === undefined && frame.shape !== 'ellipse')) return top < whole && bottom > 0 ? all : null;
  // Its captions are as wide as it is.
  if (whole > height && bottom > height && top < whole) return all;
  if (contour !== undefined) {
    const reach = contourBetween(contour, top / height, bottom / height);
    return reach === null ? null : { from: reach.from * width, to: reach.to * width };
  }
  if (top >= height || bottom <= 0) return null;
  const [half, ry] = [width / 2, height / 2];
  const near = Math.min(Math.max(ry, top), bottom);
  const off = Math.min(1, Math.abs(near - ry) / ry);
  const across = half * Math.sqrt(1 - off * off);
  return { from: half - across, to: half + across };
}
