// What stands before paragraphs that nobody typed: numbers of heads, marks of list items, as the galley shows them: those of the printed book.
import { editionOf, onlyInOf } from '../../core/copy/editionOf';
import { ListMarks } from '../../core/numbering/listMarks';
import { numberHeads } from '../../core/numbering/numberHeads';
import type { Book } from '../../core/model/copy/book';
import type { Block, BlockId } from '../../core/model/copy/streams';

export type GeneratedMarks = ReadonlyMap<BlockId, string>;

const known = new WeakMap<readonly Block[], { readonly book: Book; readonly marks: GeneratedMarks }>();

/** The marks of a stream's blocks in a book: the same object while the book is the same. */
export function generatedMarks(book: Book, blocks: readonly Block[]): GeneratedMarks {
  const last = known.get(blocks);
  if (last?.book === book) return last.marks;
  const { numbering } = book.spec;
  const { language } = book.particulars;
  const numbers = numberHeads(editionOf(book, 'print').divisions, book.spec, language);
  const lists = new ListMarks(numbering, language);
  const marks = new Map<BlockId, string>();
  for (const block of blocks) {
    if (block.kind !== 'paragraph' || onlyInOf(block) === 'ebook') continue;
    const mark = lists.next(block) ?? numbers.get(block.id)?.text;
    if (mark !== undefined) marks.set(block.id, mark);
  }
  known.set(blocks, { book, marks });
  return marks;
}
