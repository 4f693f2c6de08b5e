// The table in which a paragraph stands.
import type { Book } from '../model/copy/book';
import type { BlockId, StreamId, Table } from '../model/copy/streams';

export interface TablePlace {
  readonly table: Table;
  /** The division in which it stands, and its place among the blocks of that. */
  readonly division: StreamId;
  readonly at: number;
  /** The row in which the cell begins. */
  readonly row: number;
}

/** Undefined where no cell of a division's table is that stream, or holds that block. */
export function findTable(book: Book, stream: StreamId, block: BlockId): TablePlace | undefined {
  for (const { id: division, blocks } of book.divisions) {
    if (stream.startsWith('d') && stream !== division) continue;
    for (const [at, table] of blocks.entries()) {
      if (table.kind !== 'table') continue;
      const row = table.rows.findIndex((cells) =>
        cells.some((cell) => cell.id === stream || cell.blocks.some(({ id }) => id === block)),
      );
      if (row >= 0) return { table, division, at, row };
    }
  }
  return undefined;
}
