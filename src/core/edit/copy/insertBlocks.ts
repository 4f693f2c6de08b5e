// Puts blocks from elsewhere into a stream at a place: a phrase goes into the paragraph, paragraphs go between.
import { blocksOfStream, type Book, type Note } from '../../model/copy/book';
import type { BookEdit, TextSelection } from '../../model/copy/bookEdit';
import { gatherBlocks } from '../../copy/figures/gatherFigures';
import { appendParagraph, cutParagraph } from '../../copy/cutParagraph';
import { figureTexts, type Figures } from '../../model/copy/figures';
import type { Block, StreamId } from '../../model/copy/streams';
import type { IncomingStyle } from '../../model/copy/manuscript';
import { waitingStyles } from '../../copy/waiting';
import { recordsOf, renumbered } from './renumber';
import { newStyleEdits } from '../styles/styleEdits';

/** What is put in; ids of its own, that are given anew. */
export interface IncomingBlocks {
  readonly blocks: readonly Block[];
  readonly notes: Readonly<Record<StreamId, Omit<Note, 'id'>>>;
  readonly figures?: Figures;
  /** Styles of the file that they came in. */
  readonly styles?: readonly IncomingStyle[];
}

export interface Inserted {
  readonly edits: readonly BookEdit[];
  /** Where what was put in ends; null when that is in a table. */
  readonly end: TextSelection['head'] | null;
}

/** The edits that put blocks in at a place; null when the place is not in the book or there is nothing to put in. */
export function insertBlocksEdits(
  book: Book,
  stream: StreamId,
  place: TextSelection['head'],
  incoming: IncomingBlocks,
): Inserted | null {
  const own = blocksOfStream(book, stream);
  if (own === undefined || incoming.blocks.length === 0) return null;
  let { nextId } = book;
  const take = (letter: string) => `${letter}${nextId++}`;
  const copied = renumbered(incoming.blocks, recordsOf(incoming), take);
  const { notes } = copied;
  const isDivision = book.divisions.some(({ id }) => id === stream);
  // A picture that comes by itself is a figure of the text.
  const gathered = isDivision
    ? gatherBlocks(copied.blocks, book.spec.styles, take)
    : { blocks: copied.blocks, figures: [] };
  const { blocks } = gathered;
  const figures = [...copied.figures, ...gathered.figures];
  const at = own.findIndex((block) => block.id === place.block);
  const here = own[at];
  const made = here === undefined ? { removed: [], inserted: blocks } : around(here, place.offset, blocks, take);
  const end = made.inserted.find((block) => block.id === made.end?.block);
  const last = blocks[blocks.length - 1];
  return {
    edits: [
      ...newStyleEdits(book, waitingStyles(incoming.styles ?? [], book.spec.styles), [
        ...blocks,
        ...notes.flatMap((note) => note.blocks),
        ...figures.flatMap(figureTexts).flatMap((text) => text.blocks),
      ]),
      ...notes.map((note): BookEdit => ({ kind: 'setNote', id: note.id, from: null, to: note })),
      ...figures.map((figure): BookEdit => ({ kind: 'setFigure', id: figure.id, from: null, to: figure })),
      {
        kind: 'replaceBlocks',
        stream,
        at: here === undefined ? own.length : at,
        removed: made.removed,
        inserted: made.inserted,
      },
      { kind: 'setNextId', from: book.nextId, to: nextId },
    ],
    end:
      end !== undefined ? made.end! : last.kind === 'paragraph' ? { block: last.id, offset: last.text.length } : null,
  };
}

interface Made {
  readonly removed: readonly Block[];
  readonly inserted: readonly Block[];
  readonly end?: TextSelection['head'];
}

function around(here: Block, offset: number, blocks: readonly Block[], take: (letter: string) => string): Made {
  if (here.kind === 'table') return { removed: [here], inserted: [here, ...blocks] };
  if (here.text === '' && here.objects.length === 0) return { removed: [here], inserted: blocks };
  const [only] = blocks;
  const [left, right] = [cutParagraph(here, 0, offset), cutParagraph(here, offset, here.text.length)];
  if (blocks.length === 1 && only.kind === 'paragraph') {
    const joined = [only, right].reduce(appendParagraph, left);
    return { removed: [here], inserted: [joined], end: { block: here.id, offset: offset + only.text.length } };
  }
  const before = left.text === '' ? [] : [left];
  const after = right.text === '' ? [] : [{ ...right, id: before.length === 0 ? here.id : take('p') }];
  return { removed: [here], inserted: [...before, ...blocks, ...after] };
}
