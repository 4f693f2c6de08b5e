// The tables of a demonstration book: what a person would put in, from rows of words.
import type { Book, Division, Note } from '../../core/model/copy/book';
import { PLAIN_TABLE } from '../../core/model/spec/tableStyle';
import {
  OBJECT_CHARACTER,
  paragraph,
  type Block,
  type Table,
  type TableCell,
  type TableRowKind,
  type TableSetting,
} from '../../core/model/copy/streams';

/** The words of a cell, what it covers, and the words of a note at their end. */
type DemoCell =
  string | { readonly text: string; readonly across?: number; readonly down?: number; readonly note?: string };

export interface DemoTable {
  /** How the paragraph begins after which it stands. */
  readonly after: string;
  /** Its number is given by its place among those of the book. */
  readonly caption: string;
  readonly rows: readonly { readonly kind: TableRowKind; readonly cells: readonly DemoCell[] }[];
  readonly setting?: TableSetting;
}

/** The book with a table; as it is where it has no such paragraph. */
export function withTable(book: Book, { after, caption, rows, setting }: DemoTable): Book {
  let { nextId } = book;
  const id = (letter: string) => `${letter}${nextId++}`;
  const notes: Record<string, Note> = {};
  const cellOf = (cell: DemoCell): TableCell => {
    const { text, note, ...spans } = typeof cell === 'string' ? { text: cell } : { note: undefined, ...cell };
    if (note === undefined) return { id: id('c'), ...spans, blocks: [paragraph(id('p'), 'TX', text)] };
    const own = id('n');
    notes[own] = { id: own, kind: 'footnote', blocks: [paragraph(id('p'), 'NT', note)] };
    const objects = [{ at: text.length, kind: 'note', note: own }] as const;
    return { id: id('c'), ...spans, blocks: [paragraph(id('p'), 'TX', text + OBJECT_CHARACTER, { objects })] };
  };
  const table: Table = {
    kind: 'table',
    id: id('p'),
    style: PLAIN_TABLE,
    columns: Math.max(1, ...rows.map(({ cells }) => cells.length)),
    rows: rows.map(({ cells }) => cells.map(cellOf)),
    rowLooks: rows.map(({ kind }) => ({ kind })),
    ...(setting === undefined ? {} : { setting }),
  };
  const put: Block[] = [paragraph(id('p'), 'CAP', caption), table];
  const isPlace = (block: Block) =>
    block.kind === 'paragraph' && block.text.replaceAll(OBJECT_CHARACTER, '').startsWith(after);
  const divisions = book.divisions.map((division): Division => {
    const at = division.blocks.findIndex(isPlace);
    return at < 0 ? division : { ...division, blocks: division.blocks.toSpliced(at + 1, 0, ...put) };
  });
  if (divisions.every((division, k) => division === book.divisions[k])) return book;
  return { ...book, nextId, divisions, notes: { ...book.notes, ...notes } };
}

/** The book with the typed numbers of the captions of its tables in their order. */
export function withTableNumbers(book: Book): Book {
  let number = 0;
  const divisions = book.divisions.map((division): Division => {
    const blocks = division.blocks.map((block) => {
      if (block.kind !== 'paragraph' || block.style !== 'CAP' || !/^Table \d+\./.test(block.text)) return block;
      number += 1;
      return { ...block, text: block.text.replace(/^Table \d+\./, `Table ${number}.`) };
    });
    return blocks.some((block, k) => block !== division.blocks[k]) ? { ...division, blocks } : division;
  });
  return { ...book, divisions };
}
