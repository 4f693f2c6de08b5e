// A table as a file has it, made one of ours: what cells cover, which rows are heads, how columns stand.
import { greatest } from '../base/append';
import {
  OBJECT_CHARACTER,
  type Block,
  type CellAlign,
  type Table,
  type TableCell,
  type TableColumnLook,
  type TableRowKind,
} from '../model/copy/streams';

export interface IncomingCell {
  readonly blocks: readonly Block[];
  /** Columns and rows that it covers; absent: 1. */
  readonly across?: number | undefined;
  readonly down?: number | undefined;
  readonly align?: CellAlign | undefined;
  /** The cell above it in its column goes on here: it holds nothing of its own. */
  readonly goesOn?: boolean;
}

export interface IncomingRow {
  readonly cells: readonly IncomingCell[];
  /** Absent: the file does not say. */
  readonly kind?: TableRowKind | undefined;
}

/** Where no row is said to be a head, nobody says which is: the first of several. */
export const headsSaid = (rows: readonly IncomingRow[]): readonly IncomingRow[] =>
  rows.some(({ kind }) => kind !== undefined) ? rows.map((row) => ({ ...row, kind: row.kind ?? 'body' })) : rows;

/** Columns and rows that a cell of a file may cover. */
const MOST_SPANNED = 1000;

type Made = Pick<Table, 'columns' | 'rows' | 'rowLooks' | 'columnLooks'>;

/**
 * Rows, columns and looks of a table. `widths`: shares of its columns, where a person fixed them. `idOf`: makes the id of a cell; `flattened`:
 * told of each table inside a cell, whose paragraphs stand for it.
 */
export function tableOf(
  incoming: readonly IncomingRow[],
  widths: readonly number[],
  idOf: () => string,
  flattened: () => void,
): Made {
  const placed = withCellsBelow(incoming.map(({ cells }) => cells));
  const rows = placed.map((row) =>
    row.map(({ cell, across, down }): TableCell => {
      const blocks = flatCell(cell.blocks, flattened);
      return {
        id: idOf(),
        blocks,
        ...(across > 1 ? { across } : {}),
        ...(down > 1 ? { down } : {}),
        ...(cell.align === undefined ? {} : { align: cell.align }),
      };
    }),
  );
  const columns = greatest(
    0,
    placed.flatMap((row) => row.map(({ column, across }) => column + across)),
  );
  const kinds = incoming.map(({ kind }) => kind);
  const columnAt = placed.map((row) => row.map(({ column }) => column));
  const isBody = kinds.map((kind, k) => (kind ?? (k === 0 ? 'head' : 'body')) !== 'head');
  const looks = columnLooks(rows, columnAt, isBody, columns);
  const shares = widths.length === columns && widths.some((width) => width !== widths[0]) ? widths : [];
  const ofColumns = looks.aligns.map((align, k): TableColumnLook => ({
    ...(align === undefined ? {} : { align }),
    ...(shares[k] === undefined ? {} : { share: inBounds(shares[k]) }),
  }));
  return {
    columns,
    rows: looks.rows,
    ...(kinds.some((kind, k) => kind !== undefined && kind !== (k === 0 && kinds.length > 1 ? 'head' : 'body'))
      ? { rowLooks: kinds.map((kind) => ({ kind: kind ?? 'body' })) }
      : {}),
    ...(ofColumns.some((look) => Object.keys(look).length > 0) ? { columnLooks: ofColumns } : {}),
  };
}

const inBounds = (share: number) => Math.min(20, Math.max(0.05, Math.round(share * 1000) / 1000));

interface PlacedCell {
  readonly cell: IncomingCell;
  readonly column: number;
  readonly across: number;
  readonly down: number;
}

const spanOf = (typed = 1) => (typed >= 1 ? Math.min(MOST_SPANNED, Math.floor(typed)) : 1);

/** Cells with their columns; those that go on from above make the one above deeper. */
function withCellsBelow(rows: readonly (readonly IncomingCell[])[]): PlacedCell[][] {
  /** By its first column, the cell that may go on in the next row, and the row after its end. */
  const open = new Map<number, { cell: { -readonly [K in keyof PlacedCell]: PlacedCell[K] }; end: number }>();
  return rows.map((cells, row) => {
    let column = 0;
    const isTaken = (k: number) =>
      [...open.values()].some(({ cell, end }) => end > row && cell.column <= k && k < cell.column + cell.across);
    const made: PlacedCell[] = [];
    for (const cell of cells) {
      const above = open.get(column);
      if (cell.goesOn && above?.end === row) {
        above.cell.down += 1;
        above.end += 1;
        column += above.cell.across;
        continue;
      }
      while (isTaken(column)) column += 1;
      const own = { cell, column, across: spanOf(cell.across), down: spanOf(cell.down) };
      open.set(column, { cell: own, end: row + own.down });
      made.push(own);
      column += own.across;
    }
    return made;
  });
}

/** The paragraphs of a cell; a table in it gives its own in their order. */
function flatCell(blocks: readonly Block[], flattened: () => void): readonly Block[] {
  if (blocks.every(({ kind }) => kind === 'paragraph')) return blocks;
  return blocks.flatMap((block): readonly Block[] => {
    if (block.kind === 'paragraph') return [block];
    flattened();
    return block.rows.flatMap((row) => row.flatMap((cell) => flatCell(cell.blocks, flattened)));
  });
}

const holdsWords = ({ blocks }: TableCell) =>
  blocks.some((block) => block.kind === 'paragraph' && block.text.replaceAll(OBJECT_CHARACTER, '').trim() !== '');

const isFigure = ({ blocks }: TableCell) =>
  blocks.length === 1 && blocks[0].kind === 'paragraph' && /^\W*\d[\d\s.,/:%°-]*\W*$/.test(blocks[0].text);

/** How columns stand, as all cells of their bodies do; figures at the right are aligned by us. What a column says its cells need not say again. */
function columnLooks(
  rows: readonly (readonly TableCell[])[],
  columnAt: readonly (readonly number[])[],
  isBody: readonly boolean[],
  columns: number,
): { aligns: (CellAlign | undefined)[]; rows: readonly (readonly TableCell[])[] } {
  const sides: Set<CellAlign | undefined>[] = Array.from({ length: columns }, () => new Set());
  const areFigures: boolean[] = new Array<boolean>(columns).fill(true);
  rows.forEach((row, r) =>
    row.forEach((cell, k) => {
      if (!isBody[r] || (cell.across ?? 1) > 1 || !holdsWords(cell)) return;
      sides[columnAt[r][k]].add(cell.align);
      if (!isFigure(cell)) areFigures[columnAt[r][k]] = false;
    }),
  );
  const settled = sides.map((own) => (own.size === 1 ? [...own][0] : undefined));
  const aligns = settled.map((side, k) => (side === 'left' || (side === 'right' && areFigures[k]) ? undefined : side));
  return {
    aligns,
    rows: rows.map((row, r) =>
      row.map((cell, k) => {
        const side = settled[columnAt[r][k]];
        const isSaid = cell.align !== undefined && (cell.align === side || cell.align === (side ?? 'left'));
        if (!isSaid && isBody[r]) return cell;
        const { align, ...rest } = cell;
        // Heads stand as their column does, but for those over several.
        return (cell.across ?? 1) > 1 && align !== undefined && align !== 'centre' ? cell : rest;
      }),
    ),
  };
}
