// Edits of a stretch of a division's text that may begin and end inside paragraphs and go over many of them: what a
// selection over more than one document of the galley is made of.
import { append } from '../../base/append';
import type { Book } from '../../model/copy/book';
import type { BookEdit, TextSelection } from '../../model/copy/bookEdit';
import { partsOfRange, type BlockPart } from '../../copy/textRange';
import { appendParagraph, cutParagraph } from '../../copy/cutParagraph';
import { figuresIn, notesIn } from '../../model/copy/holders';
import {
  normaliseSpans,
  paragraph,
  type Block,
  type Paragraph,
  type StreamId,
  type StyleTag,
} from '../../model/copy/streams';

const blocksOf = (book: Book, stream: StreamId) => book.divisions.find(({ id }) => id === stream)?.blocks ?? [];
const lengthOf = (block: Block) => (block.kind === 'paragraph' ? block.text.length : 0);

/** The edits that replace a range, and where the caret stands after them. */
export interface ReplacedRange {
  readonly edits: readonly BookEdit[];
  readonly caret: TextSelection['head'];
}

/**
 * Puts `text` in the place of a range; notes and figures whose references and marks go, go with them. What is left of the first and of the last
 * paragraph becomes one, of the first one's style unless nothing of it is left. Whole paragraphs go as a whole when no
 * text replaces them; a division left without any gets an empty one. Null when there is nothing to replace.
 */
export function replaceRangeEdits(book: Book, range: TextSelection, text: string): ReplacedRange | null {
  const blocks = blocksOf(book, range.stream);
  const parts = partsOfRange(blocks, range);
  if (parts.length === 0) return null;
  const removed = parts.map(({ block }) => block);
  const { at } = parts[0];
  let { nextId } = book;
  const inserted: Block[] = [];
  if (text !== '' || parts.some(({ isWhole }) => !isWhole)) append(inserted, joined(parts, text));
  if (inserted.length === 0 && (text !== '' || removed.length === blocks.length))
    inserted.push(paragraph(`p${nextId++}`, 'TX', text));
  const kept = new Set(inserted.flatMap(notesIn));
  const edits: BookEdit[] = [{ kind: 'replaceBlocks', stream: range.stream, at, removed, inserted }];
  for (const id of removed.flatMap(notesIn)) {
    const from = book.notes[id];
    if (from !== undefined && !kept.has(id)) edits.push({ kind: 'setNote', id, from, to: null });
  }
  const marked = new Set(inserted.flatMap(figuresIn));
  for (const id of removed.flatMap(figuresIn)) {
    const from = book.figures[id];
    if (from !== undefined && !marked.has(id)) edits.push({ kind: 'setFigure', id, from, to: null });
  }
  if (nextId !== book.nextId) edits.push({ kind: 'setNextId', from: book.nextId, to: nextId });
  const after = inserted.length > 0 ? inserted[0] : (blocks[at + removed.length] ?? blocks[at - 1]);
  const offset = inserted.length === 0 ? 0 : (parts[0].block.kind === 'paragraph' ? parts[0].from : 0) + text.length;
  return { edits, caret: { block: after.id, offset: Math.min(offset, lengthOf(after)) } };
}

/** What is left of the first and the last paragraph, with `text` between; one paragraph, or none when both ends are tables. */
function joined(parts: readonly BlockPart[], text: string): Block[] {
  const [first, last] = [parts[0], parts[parts.length - 1]];
  const head = first.block.kind === 'paragraph' ? cutParagraph(first.block, 0, first.from) : null;
  const tail = last.block.kind === 'paragraph' ? cutParagraph(last.block, last.to, last.block.text.length) : null;
  const typed = (like: Paragraph): Paragraph => {
    // What is typed looks as the text before it does.
    const look = like.spans.find((span) => span.to === like.text.length && span.from < span.to);
    const spans = look === undefined || text === '' ? [] : [{ ...look, from: 0, to: text.length }];
    return appendParagraph(like, { ...like, text, spans, objects: [] });
  };
  if (head !== null && (head.text !== '' || tail === null || text !== ''))
    return [tail === null ? typed(head) : appendParagraph(typed(head), tail)];
  return tail === null ? [] : [appendParagraph(typed({ ...tail, text: '', spans: [], objects: [] }), tail)];
}

/** The edits that set what a range takes in in a character style, or in none; other looks of its spans stay. */
export function rangeCharacterEdits(book: Book, range: TextSelection, style: StyleTag | null): BookEdit[] {
  return partsOfRange(blocksOf(book, range.stream), range).flatMap(({ at, block, from, to }): BookEdit[] => {
    if (block.kind !== 'paragraph' || to <= from) return [];
    const places = [...new Set([from, to, 0, block.text.length, ...block.spans.flatMap((one) => [one.from, one.to])])];
    places.sort((a, b) => a - b);
    const spans = places.slice(0, -1).map((start, k) => {
      const old = block.spans.find((span) => span.from <= start && span.to > start) ?? {};
      const isIn = start >= from && start < to;
      const { style: _, ...own } = old as { readonly style?: StyleTag };
      return { ...(isIn ? own : old), from: start, to: places[k + 1], ...(isIn && style !== null ? { style } : {}) };
    });
    const changed = { ...block, spans: normaliseSpans(spans.filter((span) => Object.keys(span).length > 2)) };
    if (JSON.stringify(changed) === JSON.stringify(block)) return [];
    return [{ kind: 'replaceBlocks', stream: range.stream, at, removed: [block], inserted: [changed] }];
  });
}
