// The places of a book to which its own links lead, by their names.
import type { Book } from '../model/copy/book';
import type { Block, BlockId, StreamId } from '../model/copy/streams';

export interface NamedPlace {
  /** The division or note whose text it stands in, a cell’s included. */
  readonly stream: StreamId;
  readonly block: BlockId;
}

/** The name to which a link inside the book leads; undefined for an address. */
export const nameOfLink = (link: string | undefined): string | undefined =>
  link?.startsWith('#') ? link.slice(1) : undefined;

/** Every name that a paragraph has; the first paragraph of a name has it. */
export function placesOf({ divisions, notes }: Pick<Book, 'divisions' | 'notes'>): ReadonlyMap<string, NamedPlace> {
  const places = new Map<string, NamedPlace>();
  const add = (stream: StreamId, blocks: readonly Block[]): void => {
    for (const block of blocks)
      if (block.kind === 'table') block.rows.forEach((row) => row.forEach((cell) => add(stream, cell.blocks)));
      else for (const name of block.names ?? []) if (!places.has(name)) places.set(name, { stream, block: block.id });
  };
  for (const { id, blocks } of divisions) add(id, blocks);
  for (const { id, blocks } of Object.values(notes)) add(id, blocks);
  return places;
}
