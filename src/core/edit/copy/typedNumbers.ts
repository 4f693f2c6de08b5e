// The edits that take typed numbers of chapters, parts and heads out of the copy where a scheme gives them.
import { appendParagraph, cutParagraph } from '../../copy/cutParagraph';
import type { Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { BlockId, Paragraph } from '../../model/copy/streams';
import { numberHeads } from '../../numbering/numberHeads';
import { typedHeadNumbers, typedNumberLines, type TypedNumber } from '../../numbering/typedNumbers';

/** The numbers typed in heads that a scheme numbers. */
export const typedInHeads = ({ divisions, spec, particulars }: Book): readonly TypedNumber[] =>
  typedHeadNumbers(divisions, numberHeads(divisions, spec, particulars.language), particulars.language);

/** Takes typed numbers out: those on lines of their own, and those before the words of a head. `only`: of one block alone. */
export function dropTypedNumbersEdits(book: Book, only?: BlockId): BookEdit[] {
  const lines = new Set(typedNumberLines(book.divisions, book.spec).map(({ block }) => block));
  const inHeads = new Map(typedInHeads(book).map((typed) => [typed.block, typed]));
  return book.divisions.flatMap(({ id, blocks }) =>
    blocks
      .map((block, at): BookEdit | null => {
        if (only !== undefined && block.id !== only) return null;
        if (lines.has(block.id)) return { kind: 'replaceBlocks', stream: id, at, removed: [block], inserted: [] };
        const typed = inHeads.get(block.id);
        if (typed === undefined || block.kind !== 'paragraph') return null;
        return { kind: 'replaceBlocks', stream: id, at, removed: [block], inserted: [withoutNumber(block, typed)] };
      })
      .filter((edit): edit is BookEdit => edit !== null)
      .reverse(),
  );
}

const withoutNumber = (head: Paragraph, { from, to }: TypedNumber): Paragraph =>
  appendParagraph(cutParagraph(head, 0, from), cutParagraph(head, to, head.text.length));
