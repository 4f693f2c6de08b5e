// Edits of whole paragraphs in a row: what a selection over more than one document of the galley is made of.
import type { Book } from '../model/book';
import type { BookEdit } from '../model/bookEdit';
import { normaliseSpans, notesIn, paragraph, type BlockId, type StreamId, type StyleTag } from '../model/streams';

const blocksOf = (book: Book, stream: StreamId) => book.divisions.find(({ id }) => id === stream)?.blocks ?? [];

/** The edits that take blocks that stand in a row away with their notes; a division left without any gets an empty paragraph. */
export function removeBlocksEdits(book: Book, stream: StreamId, ids: ReadonlySet<BlockId>): BookEdit[] {
  const blocks = blocksOf(book, stream);
  const at = blocks.findIndex(({ id }) => ids.has(id));
  const removed = blocks.filter(({ id }) => ids.has(id));
  if (removed.length === 0) return [];
  const isAll = removed.length === blocks.length;
  const inserted = isAll ? [paragraph(`p${book.nextId}`, 'TX', '')] : [];
  const edits: BookEdit[] = [{ kind: 'replaceBlocks', stream, at, removed, inserted }];
  for (const id of removed.flatMap(notesIn)) {
    const from = book.notes[id];
    if (from !== undefined) edits.push({ kind: 'setNote', id, from, to: null });
  }
  if (isAll) edits.push({ kind: 'setNextId', from: book.nextId, to: book.nextId + 1 });
  return edits;
}

/** The edits that set the whole text of paragraphs in a character style, or in none; other looks of their spans stay. */
export function characterStyleEdits(
  book: Book,
  stream: StreamId,
  ids: ReadonlySet<BlockId>,
  style: StyleTag | null,
): BookEdit[] {
  return blocksOf(book, stream).flatMap((block, at): BookEdit[] => {
    if (block.kind !== 'paragraph' || !ids.has(block.id) || block.text === '') return [];
    const places = [...new Set([0, block.text.length, ...block.spans.flatMap(({ from, to }) => [from, to])])].sort(
      (a, b) => a - b,
    );
    const spans = places.slice(0, -1).map((from, k) => {
      const { style: _, ...own } = block.spans.find((span) => span.from <= from && span.to > from) ?? {};
      return { ...own, from, to: places[k + 1], ...(style === null ? {} : { style }) };
    });
    const kept = spans.filter((span) => Object.keys(span).length > 2);
    const changed = { ...block, spans: normaliseSpans(kept) };
    if (JSON.stringify(changed) === JSON.stringify(block)) return [];
    return [{ kind: 'replaceBlocks', stream, at, removed: [block], inserted: [changed] }];
  });
}
