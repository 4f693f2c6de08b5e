// Joins a paragraph to the one before it, as Backspace at its start does.
import { invariant } from '../../base/errors';
import type { BookEdit } from '../../model/copy/bookEdit';
import { appendParagraph } from '../../copy/cutParagraph';
import type { Block, StreamId } from '../../model/copy/streams';

/** The edit that joins the block at `at` to the one before; null when either is no paragraph. The first keeps its id, unless it is empty. */
export function mergeParagraphsEdit(stream: StreamId, blocks: readonly Block[], at: number): BookEdit | null {
  invariant(at > 0 && at < blocks.length, 'there are two blocks to join');
  const [a, b] = [blocks[at - 1], blocks[at]];
  if (a.kind !== 'paragraph' || b.kind !== 'paragraph') return null;
  return {
    kind: 'replaceBlocks',
    stream,
    at: at - 1,
    removed: [a, b],
    inserted: [a.text === '' ? b : appendParagraph(a, b)],
  };
}
