// Sets the touches of one paragraph: the visible exceptions that a person made on it.
import { blocksOfStream, type Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { Paragraph, ParagraphTouches } from '../../model/copy/streams';

/** The paragraph of a stream; undefined when the book has none such. */
export function findParagraph(book: Book, stream: string, id: string): Paragraph | undefined {
  return blocksOfStream(book, stream)?.find(
    (block): block is Paragraph => block.kind === 'paragraph' && block.id === id,
  );
}

/** The edit that lays `change` over the paragraph's touches; an undefined value takes a touch away. Null: nothing changes. */
export function setTouchesEdit(
  book: Book,
  stream: string,
  id: string,
  change: Partial<Record<keyof ParagraphTouches, unknown>>,
): BookEdit | null {
  const blocks = blocksOfStream(book, stream) ?? [];
  const at = blocks.findIndex((block) => block.id === id);
  const block = blocks[at];
  if (block?.kind !== 'paragraph') return null;
  const merged = Object.entries({ ...block.touches, ...change }).filter(([, value]) => value !== undefined);
  const touches = merged.length === 0 ? undefined : (Object.fromEntries(merged) as ParagraphTouches);
  if (JSON.stringify(touches) === JSON.stringify(block.touches)) return null;
  const changed: Paragraph = { ...block, touches };
  if (touches === undefined) delete (changed as { touches?: unknown }).touches;
  return { kind: 'replaceBlocks', stream, at, removed: [block], inserted: [changed] };
}
