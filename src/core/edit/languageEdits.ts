// The edits that set a book in another language: heads that the book made of itself go along, those that a person wrote stay.
import { isMadeHead, madeHead } from '../copy/madeWords';
import type { Book } from '../model/copy/book';
import type { BookEdit } from '../model/copy/bookEdit';
import { setParticularsEdit } from './makeEdits';

export function languageEdits(book: Book, to: string): BookEdit[] {
  const { language } = book.particulars;
  const edits: BookEdit[] = [setParticularsEdit(book, 'language', to)];
  for (const { id, role, blocks } of book.divisions) {
    const head = madeHead(role, to);
    blocks.forEach((block, at) => {
      if (block.kind !== 'paragraph' || head === undefined || !/^(?:CT|TOH)$/.test(block.style)) return;
      if (block.text === head || !isMadeHead(block.text, role, language)) return;
      const inserted = [{ ...block, text: head, spans: [] }];
      edits.push({ kind: 'replaceBlocks', stream: id, at, removed: [block], inserted });
    });
  }
  return edits;
}
