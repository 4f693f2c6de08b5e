// What stands in a cell: its paragraphs as wide as they are, and broken to the width of the cell where they are wider.
import { PLAIN_TEXT } from '../../copy/plainTags';
import { meaningOfTag } from '../../copy/meanings';
import { ListMarks } from '../../numbering/listMarks';
import type { ComposedParagraph } from '../../model/composed/pages';
import type { ResolvedStyle } from '../../model/composed/styled';
import type { Pt } from '../../model/spec/length';
import { PLAIN_TABLE } from '../../model/spec/tableStyle';
import type { Paragraph, StyleTag, TableCell } from '../../model/copy/streams';
import { composeOne, flatten, styleOf, type Before } from '../flow/composeBlocks';
import type { ComposeContext } from '../flow/composeContext';
import { itemStyle } from '../flow/listMarks';
import { picturesOf, pictureStyle } from '../flow/setPictures';
import { plainInTable } from './plainInTable';

/** How lines of a cell stand. */
export type CellSide = 'left' | 'right' | 'centre';

/** A paragraph of a cell, on one line unless a person broke it. */
export interface CellParagraph {
  readonly block: Paragraph;
  readonly before: Before;
  readonly style: ResolvedStyle;
  readonly composed: ComposedParagraph;
  /** Of its widest line, from the left edge. */
  readonly width: Pt;
}

export interface ComposedCell {
  readonly cell: TableCell;
  readonly paragraphs: readonly CellParagraph[];
  readonly width: Pt;
}

/** No line is broken when a cell is measured. */
const UNBROKEN = 100_000;
const NOTHING: Before = { prefix: '', prefixStyle: null };

/** The cell by itself. `tag`: the style of its plain paragraphs; `most`: points that a picture may be wide. */
export function composeCell(cell: TableCell, tag: StyleTag, most: Pt, compose: ComposeContext): ComposedCell {
  const blocks = flatten(cell.blocks).filter((block) => block.text !== '');
  const marks = new ListMarks(compose.book.spec.numbering, compose.book.particulars.language);
  const paragraphs = blocks.map((block): CellParagraph => {
    const mark = marks.next(block);
    const plain = inCell(ownStyle(block, tag, compose), block, compose);
    const { interner } = compose.context;
    const style =
      picturesOf(block).length > 0
        ? interner.intern(pictureStyle(plain, block, 0, pictureRoom(most, compose)))
        : mark === null
          ? plain
          : interner.intern(itemStyle(plain, block.list!.level));
    const before = mark === null ? NOTHING : { ...NOTHING, prefix: `${mark}\t` };
    const own = { ...compose, measure: UNBROKEN };
    const { composed } = composeOne(cell.id, block, style, before, own, 'none');
    return { block, before, style, composed, width: widthOf(composed) };
  });
  return {
    cell,
    paragraphs,
    width: Math.max(0, ...paragraphs.map(({ width }) => width)),
  };
}

/** Plain paragraphs have the style of their row; what has one of its own keeps it. */
function ownStyle(block: Paragraph, tag: StyleTag, compose: ComposeContext): ResolvedStyle {
  const meaning = meaningOfTag(compose.book.spec.styles, block.style);
  const isPlain = block.style === PLAIN_TEXT || block.style === PLAIN_TABLE || meaning === 'body';
  const own = isPlain ? tag : block.style;
  return styleOf(compose.sheet.has(own) ? own : PLAIN_TABLE, compose, block.touches?.look);
}

/** No play of spaces and letters, no indents: columns are narrow, and their edges are what aligns them. */
function inCell(style: ResolvedStyle, { touches }: Paragraph, { context }: ComposeContext): ResolvedStyle {
  const { align } = touches ?? {};
  return context.interner.derive(style, `cell ${align ?? ''}`, () => ({
    ...plainInTable(style),
    ...(align === 'right' || align === 'centre' ? { align } : {}),
    letterWidth: 0,
    letterPlay: 0,
    lastLine: 0,
    hangingPunctuation: 0,
  }));
}

function pictureRoom(most: Pt, { geometry, book }: ComposeContext) {
  const { page, inks } = book.spec;
  const columns = [{ x: 0, width: most }];
  return { geometry: { ...geometry, columns, measure: most }, bleed: page.bleed, inks, facing: page.facing };
}

function widthOf({ styled, broken }: ComposedParagraph): Pt {
  const { pictures } = styled.style;
  if (pictures !== undefined) return Math.max(...pictures.map(({ x, width }) => x + width));
  let width = 0;
  for (let line = 0; line < broken.count; line += 1) width = Math.max(width, broken.x[line] + broken.textWidth[line]);
  return width;
}

/** Lines of a paragraph in a cell, its left edge from that of the cell. */
export interface SetLines {
  readonly paragraph: ComposedParagraph;
  readonly x: Pt;
}

const twins = new WeakMap<Paragraph, Paragraph>();

/** A paragraph that is composed in two ways at once keeps both: each is known by a block of its own. */
function twinOf(block: Paragraph): Paragraph {
  let twin = twins.get(block);
  if (twin === undefined) twins.set(block, (twin = { ...block }));
  return twin;
}

/** The paragraphs of a cell in its width, from the top. `mayDivide`: words may be divided, where they are wider. */
export function linesOfCell(
  { cell, paragraphs }: ComposedCell,
  width: Pt,
  side: CellSide,
  mayDivide: boolean,
  compose: ComposeContext,
): SetLines[] {
  return paragraphs.map(({ block, before, style, composed, width: own }) => {
    const { align } = style;
    const wished = align === 'right' || align === 'centre' ? align : side;
    const isOneLine = composed.broken.count === 1 || wished === 'left';
    if (own <= width + SLACK && isOneLine) return { paragraph: composed, x: edgeOf(wished, width - own) };
    const hyphenate = mayDivide && !style.pictures;
    const set = compose.context.interner.derive(style, `lines ${wished} ${hyphenate}`, () => ({
      ...style,
      align: wished,
      hyphenate,
      hyphenation: { ...style.hyphenation, running: UNBROKEN },
    }));
    const inWidth = { ...compose, measure: width + SLACK };
    return { paragraph: composeOne(cell.id, twinOf(block), set, before, inWidth, 'none').composed, x: 0 };
  });
}

/** A hair more than the width that was measured. */
const SLACK = 0.05;

const edgeOf = (side: CellSide, free: Pt): Pt => (side === 'left' ? 0 : side === 'right' ? free : free / 2);
