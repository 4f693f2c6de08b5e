// Gives paragraphs another style.
import { eachStream, type Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { BlockId, StyleTag } from '../../model/copy/streams';

/** One edit for each of the paragraphs that is there and has another style. */
export function restyleEdits(book: Book, blocks: ReadonlySet<BlockId>, tag: StyleTag): BookEdit[] {
  const edits: BookEdit[] = [];
  for (const { stream, blocks: own } of eachStream(book)) {
    own.forEach((block, at) => {
      if (block.kind !== 'paragraph' || !blocks.has(block.id) || block.style === tag) return;
      edits.push({ kind: 'replaceBlocks', stream, at, removed: [block], inserted: [{ ...block, style: tag }] });
    });
  }
  return edits;
}
