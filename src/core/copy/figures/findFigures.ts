// Where figures are in a book: their marks, and the figure of a place on the pages.
import { blocksOfStream, type Book } from '../../model/copy/book';
import type { Figure } from '../../model/copy/figures';
import { figuresIn } from '../../model/copy/holders';
import { isFigureAlone, type Block, type FigureId, type Paragraph, type StreamId } from '../../model/copy/streams';

/** Where the mark of a figure stands. */
export interface MarkPlace {
  readonly stream: StreamId;
  readonly paragraph: Paragraph;
  /** The paragraph on which it hangs: that of its mark, or, where the mark stands alone, the one before it; null for none. */
  readonly tiedTo: Paragraph | null;
}

export function markOf(book: Book, id: FigureId): MarkPlace | null {
  for (const { id: stream, blocks } of [...book.divisions, ...Object.values(book.notes)]) {
    const at = blocks.findIndex((block) => figuresIn(block).includes(id));
    const paragraph = blocks[at];
    if (paragraph?.kind !== 'paragraph') continue;
    if (!isFigureAlone(paragraph)) return { stream, paragraph, tiedTo: paragraph };
    return { stream, paragraph, tiedTo: lastWords(blocks.slice(0, at)) };
  }
  return null;
}

const lastWords = (blocks: readonly Block[]): Paragraph | null =>
  blocks.findLast((block): block is Paragraph => block.kind === 'paragraph' && !isFigureAlone(block)) ?? null;

/** The figure of a place on the pages: of its paragraph, where its mark stands alone, or by its own id. */
export function figureAt(book: Book, stream: StreamId, block: string): Figure | undefined {
  const own = book.figures[block];
  if (own !== undefined) return own;
  const paragraph = blocksOfStream(book, stream)?.find(({ id }) => id === block);
  return paragraph !== undefined && isFigureAlone(paragraph) ? book.figures[figuresIn(paragraph)[0]] : undefined;
}
