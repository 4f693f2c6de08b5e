// Cross-references in lists and in the galley: the heads that they can go to, and what one says in a word.
import { editionOf } from '../../core/copy/editionOf';
import { headingWords, plainWords, titleBlock } from '../../core/numbering/headWords';
import { numberHeads } from '../../core/numbering/numberHeads';
import type { Book } from '../../core/model/copy/book';
import { isDisplayRole } from '../../core/model/copy/roles';
import type { BlockId, CrossReference } from '../../core/model/copy/streams';

export interface ReferenceTarget {
  readonly block: BlockId;
  readonly number: string;
  readonly title: string;
  readonly level: number;
}

/** The heads of the book in order. */
export function referenceTargets(book: Book): ReferenceTarget[] {
  const numbers = numberHeads(editionOf(book, 'print').divisions, book.spec, book.particulars.language);
  const { styles } = book.spec;
  return book.divisions.flatMap((division) => {
    if (isDisplayRole(division.role)) return [];
    const title = titleBlock(division, styles);
    const words = headingWords(division, styles, numbers);
    return division.blocks.flatMap((block) => {
      if (block.kind !== 'paragraph') return [];
      const level = /^heading([1-6])$/.exec(styles[block.style]?.meaning ?? '');
      const said = plainWords(block);
      if ((level === null && block !== title) || said === '') return [];
      const number = block === title ? words.number : (numbers.get(block.id)?.text ?? '');
      return [{ block: block.id, number, title: said, level: Number(level?.[1] ?? 1) }];
    });
  });
}

/** What a cross-reference says where pages are not known; empty when what it goes to is gone. */
export function referenceLabel(book: Book, { target, shows }: CrossReference): string {
  const found = referenceTargets(book).find(({ block }) => block === target);
  if (found === undefined) return '';
  if (shows === 'number') return found.number || found.title;
  return shows === 'title' ? found.title : `page of ${found.title}`;
}
