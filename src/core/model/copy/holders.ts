// What blocks hold besides words: notes, figures, pictures. A table of thousands of cells is asked for it at every compose, and few cells hold any;
// what a row holds is kept as long as the row is the same.
import type { Block, FigureId, Paragraph, PictureObject, StreamId, Table, TableCell } from './streams';

export interface ObjectHolder {
  readonly stream: StreamId;
  readonly block: Paragraph;
}

const ofRows = new WeakMap<readonly TableCell[], readonly ObjectHolder[]>();
const ofTables = new WeakMap<Table, readonly ObjectHolder[]>();
const NONE: readonly ObjectHolder[] = [];

/** The paragraphs with objects in the cells of a table, those of tables in its cells among them, in order. */
export function holdersIn(table: Table): readonly ObjectHolder[] {
  let holders = ofTables.get(table);
  if (holders === undefined) ofTables.set(table, (holders = table.rows.flatMap(inRow)));
  return holders;
}

function inRow(row: readonly TableCell[]): readonly ObjectHolder[] {
  let holders = ofRows.get(row);
  if (holders === undefined) {
    const all = row.flatMap(({ id, blocks }) => blocks.flatMap((block) => inCell(id, block)));
    ofRows.set(row, (holders = all.length === 0 ? NONE : all));
  }
  return holders;
}

const inCell = (stream: StreamId, block: Block): readonly ObjectHolder[] =>
  block.kind === 'table' ? holdersIn(block) : block.objects.length === 0 ? NONE : [{ stream, block }];

/** The notes that a block refers to, those of its cells too, in order. */
export function notesIn(block: Block): StreamId[] {
  if (block.kind === 'table') return holdersIn(block).flatMap((holder) => notesIn(holder.block));
  return block.objects.flatMap((object) => (object.kind === 'note' ? [object.note] : []));
}

/** The figures of which a block holds the marks, those of its cells too, in order. */
export function figuresIn(block: Block): FigureId[] {
  if (block.kind === 'table') return holdersIn(block).flatMap((holder) => figuresIn(holder.block));
  if (block.objects.length === 0) return [];
  return block.objects.flatMap((object) => (object.kind === 'figure' ? [object.figure] : []));
}

/** The pictures of a block, those of its cells too, in order. */
export function picturesIn(block: Block): readonly PictureObject[] {
  if (block.kind === 'table') return holdersIn(block).flatMap((holder) => picturesIn(holder.block));
  if (block.objects.length === 0) return [];
  return block.objects.filter((object): object is PictureObject => object.kind === 'picture');
}
