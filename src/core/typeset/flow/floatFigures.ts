// Figures that do not stand where their mark is: taken out of the text, and hung on the paragraph before it, at whose reference they are due.
import type { Paragraph, PictureObject } from '../../model/copy/streams';
import { depthOfWhole, type FlowFloat, type FlowParagraph } from '../../paginate';
import { roomBeside } from './besideFigures';
import { captionDepth } from './composeBlocks';
import type { ComposeContext } from './composeContext';
import type { FloatingFigure } from './floatingFigure';
import { withCaptions } from './holdCaptions';
import { tablePartOf } from '../tables/tablePart';
import { isLetters, picturesOf } from './setPictures';

export interface PartedText {
  readonly text: readonly Paragraph[];
  /** By the index in the text of the paragraph on which they hang. */
  readonly floats: FiguresByIndex;
  /** The same of those that stand beside text: of the paragraph at which they begin. */
  readonly besides: FiguresByIndex;
}

type FiguresByIndex = ReadonlyMap<number, readonly FloatingFigure[]>;

const NONE: FiguresByIndex = new Map();

/**
 * The text of a division without the figures that have a place of their own. They hang on the paragraph before their mark; where that is the
 * head of the division, on the one after it. `headCount`: paragraphs of that head. Figures whose captions have notes, or half a page of words,
 * and those of a book whose columns have widths of their own, stay where they are.
 */
export function partFloats(blocks: readonly Paragraph[], headCount: number, compose: ComposeContext): PartedText {
  const isSupported = compose.book.spec.pages.columnShares === null;
  if (!isSupported || !blocks.some((_, k) => placeOf(blocks, k, compose) !== null))
    return { text: blocks, floats: NONE, besides: NONE };
  const text: Paragraph[] = [];
  const floats = new Map<number, FloatingFigure[]>();
  const besides = new Map<number, FloatingFigure[]>();
  const mapOf = ({ place }: FloatingFigure) => (place === 'beside' ? besides : floats);
  const waiting: FloatingFigure[] = [];
  for (let k = 0; k < blocks.length; k += 1) {
    const place = placeOf(blocks, k, compose);
    if (place === null) {
      text.push(blocks[k]);
      if (text.length > headCount) for (const one of waiting.splice(0)) hang(mapOf(one), text.length - 1, one);
      continue;
    }
    const end = endOfFigure(blocks, k);
    const figure = { place, blocks: blocks.slice(k, end) };
    if (text.length > headCount) hang(mapOf(figure), text.length - 1, figure);
    else waiting.push(figure);
    k = end - 1;
  }
  // A division of nothing else has its figures where they are.
  return waiting.length > 0 ? { text: blocks, floats: NONE, besides: NONE } : { text, floats, besides };
}

function hang(figures: Map<number, FloatingFigure[]>, at: number, figure: FloatingFigure): void {
  figures.set(at, [...(figures.get(at) ?? []), figure]);
}

/** The place of the figure whose pictures, or the table whose rows, the k-th paragraph is; null for any other, and for one that stays. */
function placeOf(blocks: readonly Paragraph[], k: number, compose: ComposeContext): FloatingFigure['place'] | null {
  const table = tablePartOf(blocks[k]);
  if (table !== undefined) return table.place;
  if (picturesOf(blocks[k]).length === 0) return null;
  const place = (blocks[k].objects[0] as PictureObject).figure?.place ?? 'here';
  if (place === 'here') return null;
  const texts = blocks.slice(k + 1, endOfFigure(blocks, k));
  if (texts.some(({ objects }) => objects.some(({ kind }) => kind === 'note'))) return null;
  const { lines, leading } = compose.geometry;
  if (captionDepth(blocks, k, compose) > (lines * leading) / 2) return null;
  // Where there is no room for text beside it, it stands where its mark is.
  return place === 'beside' && roomBeside({ place, blocks: blocks.slice(k, k + 1) }, compose) === null ? null : place;
}

/** The first paragraph after those of a figure. */
function endOfFigure(blocks: readonly Paragraph[], k: number): number {
  if (tablePartOf(blocks[k]) !== undefined) return k + 1;
  const { figure } = blocks[k].objects[0] as PictureObject;
  const isOf = (block: Paragraph | undefined) =>
    block !== undefined &&
    (isLetters(block) ||
      (block.stream !== undefined && (block.stream === figure?.caption || block.stream === figure?.credit)));
  let end = k + 1;
  while (isOf(blocks[end])) end += 1;
  return end;
}

/** Grid lines of white between a figure and the text, at least. */
const BESIDE = 1;
const SLACK = 1e-3;

/** A figure as the page search gets it; one over two pages is two. `parts`: its paragraphs in the flow, the pictures first. */
export function floatsOf(
  place: Exclude<FloatingFigure['place'], 'beside'>,
  parts: readonly FlowParagraph[],
  { geometry }: ComposeContext,
): FlowFloat[] {
  const { lines, leading } = geometry;
  const [picture, ...texts] = parts;
  const figure = withCaptions(picture, texts);
  if (place === 'page' || place === 'spread') {
    const page = { place: 'page', at: 0, height: lines } as const;
    const isOverTwo = picture.paragraph.styled.style.pictures?.[0].clip !== undefined;
    if (!isOverTwo) return [{ ...page, figure }];
    return [
      { ...page, figure, half: 'verso' },
      { ...page, figure: picture, half: 'recto' },
    ];
  }
  const over = place === 'foot' ? 0 : (figure.rows?.top.depth ?? 0);
  const depth = Math.ceil(depthOfWhole(figure, leading) + over - SLACK) + BESIDE;
  return [{ place, at: 0, height: Math.min(depth, lines), figure }];
}
