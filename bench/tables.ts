// Tables: one of 5,000 rows by 8 columns, composed and typed in, and a hundred of them in a book.
import { drain } from '../cli/compose';
import { applyEdits, typesetBook, type TypesetContext } from '../src/core/index';
import type { Book } from '../src/core/model/copy/book';
import type { Paragraph, Table } from '../src/core/model/copy/streams';

const plain = (id: string, style: string, text: string): Paragraph => ({
  ...{ kind: 'paragraph', id, style, text },
  ...{ spans: [], objects: [] },
});

/** Names of the first column, and figures with two decimals in the others. */
function tableOf(id: string, rows: number, columns: number): Table {
  const entry = (row: number, column: number) => {
    if (row === 0) return column === 0 ? 'Station' : `Year ${column}`;
    if (column === 0) return `Weir ${row}`;
    return (((row * 7919 + column * 104_729) % 99_991) / 100).toFixed(2);
  };
  return {
    ...{ kind: 'table', id, style: 'TB', columns },
    rows: Array.from({ length: rows }, (_, row) =>
      Array.from({ length: columns }, (_, column) => {
        const cell = `${id}c${row}x${column}`;
        return { id: cell, blocks: [plain(`${cell}p`, 'TX', entry(row, column))] };
      }),
    ),
  };
}

/** The book with a table of so many rows at the end of its first chapter. */
export function withTable(book: Book, rows: number, columns: number): Book {
  const at = book.divisions.findIndex(({ role }) => role === 'chapter');
  const { blocks } = book.divisions[at];
  return {
    ...book,
    divisions: book.divisions.with(at, { ...book.divisions[at], blocks: [...blocks, tableOf('t9', rows, columns)] }),
  };
}

/** About `count` small tables spread over the chapters, each under its caption. */
export function withTables(book: Book, count: number): Book {
  const total = book.divisions.reduce((sum, { blocks }) => sum + blocks.length, 0);
  const every = Math.max(1, Math.floor(total / count));
  let [met, made] = [0, 0];
  const divisions = book.divisions.map((division) => ({
    ...division,
    blocks: division.blocks.flatMap((block, k) => {
      met += 1;
      if (division.role !== 'chapter' || met % every !== 0 || k < 4) return [block];
      made += 1;
      return [block, plain(`p8${made}`, 'CAP', 'Levels of the weir.'), tableOf(`t8${made}`, 4 + (made % 9), 5)];
    }),
  }));
  return { ...book, divisions };
}

export interface TableTimes {
  readonly first: number;
  readonly again: number;
  /** Sorted. */
  readonly typed: readonly number[];
}

/** Ms of the first compose of a large table, of one without a change, and from a figure typed in a cell to the composed book. */
export function measureTable(start: Book, context: TypesetContext, edits: number): TableTimes {
  const time = (work: () => void) => {
    const from = performance.now();
    work();
    return performance.now() - from;
  };
  let book = start;
  const first = time(() => drain(typesetBook(book, context)));
  const again = time(() => drain(typesetBook(book, context)));
  const table = book.divisions.flatMap(({ blocks }) => blocks).find(({ kind }) => kind === 'table') as Table;
  const typed = Array.from({ length: edits }, (_, k) => {
    const row = 1 + Math.floor(((table.rows.length - 1) * ((k * 37) % 100)) / 100);
    const { id, blocks } = table.rows[row][1 + (k % (table.columns - 1))];
    const removed = [blocks[0] as Paragraph];
    const inserted = [{ ...removed[0], text: `${removed[0].text.slice(0, -1)}${k % 10}` }];
    return time(() => {
      book = applyEdits(book, [{ kind: 'replaceBlocks', stream: id, at: 0, removed, inserted }]);
      drain(typesetBook(book, context));
    });
  });
  return { first, again, typed: typed.sort((a, b) => a - b) };
}
