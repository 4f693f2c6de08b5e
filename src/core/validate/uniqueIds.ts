// Every id names one thing: edits, touches, anchors and project files go by them. Books of before may hold paragraphs twice (a
// note that was referred to twice was copied with its ids): the later ones get new ids. Two divisions or notes of one id are damage.
import { ValueError } from '../base/errors';
import { figureTexts } from '../model/copy/figures';
import { withEachBlock, type Book } from '../model/copy/book';
import type { Block } from '../model/copy/streams';

/** The same book where nothing stands twice and the next id is free. Throws ValueError. */
export function withUniqueIds(book: Book, what: string): Book {
  const seen = new Set<string>();
  let highest = 0;
  const note = (id: string) => {
    seen.add(id);
    highest = Math.max(highest, Number(id.slice(1)) || 0);
  };
  const figures = Object.values(book.figures);
  const texts = figures.flatMap(figureTexts);
  const parts = [...book.divisions, ...Object.values(book.notes), ...figures, ...texts];
  const owners = parts.map(({ id }) => id);
  for (const id of owners) {
    if (seen.has(id)) throw new ValueError(id, `${what} has two parts of the id ${id}.`);
    note(id);
  }
  for (const [key, { id }] of Object.entries(book.notes))
    if (key !== id) throw new ValueError(key, `${what} has the note ${id} under the id ${key}.`);
  for (const [key, { id }] of Object.entries(book.figures))
    if (key !== id) throw new ValueError(key, `${what} has the figure ${id} under the id ${key}.`);
  const streams = [...book.divisions, ...Object.values(book.notes), ...texts].map(({ blocks }) => blocks);
  let isTwice = false;
  for (const id of streams.flatMap(idsOf)) {
    isTwice ||= seen.has(id);
    note(id);
  }
  if (!isTwice && book.nextId > highest) return book;
  let nextId = Math.max(book.nextId, highest + 1);
  const taken = new Set(owners);
  const own = (id: string) => {
    const made = taken.has(id) ? `${id[0]}${nextId++}` : id;
    taken.add(made);
    return made;
  };
  const renamed = (block: Block): Block =>
    block.kind === 'paragraph'
      ? { ...block, id: own(block.id) }
      : {
          ...block,
          id: own(block.id),
          rows: block.rows.map((row) =>
            row.map((cell) => ({ ...cell, id: own(cell.id), blocks: cell.blocks.map(renamed) })),
          ),
        };
  // Ids are taken on the way.
  const made = withEachBlock(book, renamed);
  return { ...made, nextId };
}

function idsOf(blocks: readonly Block[]): string[] {
  return blocks.flatMap((block) =>
    block.kind === 'paragraph'
      ? [block.id]
      : [block.id, ...block.rows.flatMap((row) => row.flatMap((cell) => [cell.id, ...idsOf(cell.blocks)]))],
  );
}
