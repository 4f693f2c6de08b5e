// Numbers of chapters and parts that were typed into the copy, and the edits that take them out when a scheme gives them.
import type { Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import { isTypedNumber, meaningOfTag } from '../../copy/meanings';
import type { BlockId, StreamId } from '../../model/copy/streams';

/** The paragraphs of typed numbers that stand before a title. A number that is all a chapter has for a title is none. */
export function typedNumbers({
  divisions,
  spec,
}: Book): readonly { readonly stream: StreamId; readonly block: BlockId }[] {
  return divisions.flatMap(({ id, blocks }) => {
    const hasTitle = blocks.some(({ style }) => meaningOfTag(spec.styles, style) === 'heading1');
    if (!hasTitle) return [];
    return blocks.flatMap((block) =>
      isTypedNumber(meaningOfTag(spec.styles, block.style)) && block.kind === 'paragraph' && block.objects.length === 0
        ? [{ stream: id, block: block.id }]
        : [],
    );
  });
}

export function dropTypedNumbersEdits(book: Book): BookEdit[] {
  const typed = new Set(typedNumbers(book).map(({ block }) => block));
  return book.divisions.flatMap(({ id, blocks }) =>
    blocks
      .map((block, at): BookEdit | null =>
        typed.has(block.id) ? { kind: 'replaceBlocks', stream: id, at, removed: [block], inserted: [] } : null,
      )
      .filter((edit): edit is BookEdit => edit !== null)
      .reverse(),
  );
}
