// Cuts a division in two at a paragraph, and joins one to the division before it.
import { isMadeDivision, type Book, type Division } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { BlockId, StreamId } from '../../model/copy/streams';

const placeOf = (book: Book, id: StreamId) => book.divisions.findIndex((division) => division.id === id);

/** The edits that make a division of everything from the block on; null when nothing would stay before it. */
export function splitDivisionEdits(book: Book, stream: StreamId, block: BlockId): BookEdit[] | null {
  const place = placeOf(book, stream);
  const division = book.divisions[place];
  const at = division?.blocks.findIndex((one) => one.id === block) ?? -1;
  if (at <= 0 || isMadeDivision(division)) return null;
  const removed = division.blocks.slice(at);
  const own: Division = { ...division, id: `d${book.nextId}`, blocks: removed };
  return [
    { kind: 'setNextId', from: book.nextId, to: book.nextId + 1 },
    { kind: 'replaceBlocks', stream, at, removed, inserted: [] },
    { kind: 'insertDivision', at: place + 1, division: own },
  ];
}

/** The edits that put a division's text at the end of the one before it; null when that one takes none. */
export function mergeDivisionEdits(book: Book, stream: StreamId): BookEdit[] | null {
  const place = placeOf(book, stream);
  const [before, division] = [book.divisions[place - 1], book.divisions[place]];
  if (before === undefined || division === undefined) return null;
  if (before.matter !== division.matter || isMadeDivision(before) || isMadeDivision(division)) return null;
  const edits: BookEdit[] = [{ kind: 'removeDivision', at: place, division }];
  if (division.blocks.length > 0)
    edits.push({
      kind: 'replaceBlocks',
      stream: before.id,
      at: before.blocks.length,
      removed: [],
      inserted: division.blocks,
    });
  return edits;
}
