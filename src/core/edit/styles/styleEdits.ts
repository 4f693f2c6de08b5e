// Styles that come with copy from elsewhere, and go when nothing is set in them any more.
import { eachStream, type Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { ParagraphStyle } from '../../model/spec/spec';
import type { Block, StyleTag } from '../../model/copy/streams';

type Styles = Readonly<Record<StyleTag, ParagraphStyle>>;

/** Paragraphs and tables of each style, those in notes and cells among them. */
export function countStyles(book: Book): Map<StyleTag, number> {
  const counts = new Map<StyleTag, number>();
  for (const { blocks } of eachStream(book))
    for (const { style } of blocks) counts.set(style, (counts.get(style) ?? 0) + 1);
  return counts;
}

/** Edits that give the book the styles it lacks of those that blocks are set in. */
export function newStyleEdits(book: Book, styles: Styles, blocks: Iterable<Block>): BookEdit[] {
  const own = book.spec.styles;
  const wanted = new Set<StyleTag>();
  const visit = (block: Block) => {
    wanted.add(block.style);
    if (block.kind === 'table') for (const row of block.rows) for (const cell of row) cell.blocks.forEach(visit);
  };
  for (const block of blocks) visit(block);
  return [...wanted]
    .filter((tag) => !(tag in own) && Object.hasOwn(styles, tag))
    .map((tag): BookEdit => ({ kind: 'setStyle', tag, from: null, to: styles[tag] }));
}

/** Edits that drop the styles that waited to be matched and that nothing is set in any more. */
export function doneWaitingEdits(book: Book): BookEdit[] {
  const waiting = Object.entries(book.spec.styles).filter(([, style]) => style.waits);
  if (waiting.length === 0) return [];
  const counts = countStyles(book);
  return waiting
    .filter(([tag]) => !counts.has(tag))
    .map(([tag, style]): BookEdit => ({ kind: 'setStyle', tag, from: style, to: null }));
}
