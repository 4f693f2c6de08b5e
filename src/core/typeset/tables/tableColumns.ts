// The columns of a table: how entries stand in each, how wide each is, and where it begins.
import { rowKindOf, type CellAlign, type Table, type TableColumnLook } from '../../model/copy/streams';
import type { FaceLibrary } from '../../fonts/faceLibrary';
import type { Pt } from '../../model/spec/length';
import { ColumnSums } from './columnSums';
import { columnWidths } from './columnWidths';
import type { CellSide } from './composeCell';
import type { PlacedCell, PlacedRow } from './placedCells';

/** How the entries of a column stand. */
export interface ColumnAlign {
  readonly align: CellAlign;
  /** Of `mark`: widths before the mark of all its entries and after it, at most, and the mark; null: the ends of the figures. */
  readonly before: Pt;
  readonly after: Pt;
  readonly mark: string | null;
}

export interface TableColumns {
  readonly aligns: readonly ColumnAlign[];
  readonly widths: readonly Pt[];
  /** Left edges, from that of the table. */
  readonly starts: readonly Pt[];
  /** Of the whole table, and the white between two columns. */
  readonly width: Pt;
  readonly gap: Pt;
  /** Words are wider than their columns: they may be divided. */
  readonly areNarrow: boolean;
  /** Some cell is broken into lines. */
  readonly areWrapped: boolean;
}

/** Least points of a column; a table whose columns would be narrower is set as text. */
const LEAST_COLUMN = 6;
/** Share of the white between columns that is kept where there is too little room. */
const LEAST_GAP = 0.3;

interface Room {
  /** Points that the table may be wide, and the white between columns. */
  readonly measure: Pt;
  readonly gap: Pt;
  readonly library: FaceLibrary;
}

const NO_LOOK: TableColumnLook = {};
const isBody = (table: Table, row: number) => ['body', 'total'].includes(rowKindOf(table, row));

/** Null where there is no room for so many columns. `before`: what a row was laid out in before; where the columns are still those it is answered. */
export function columnsOf(
  table: Table,
  rows: readonly PlacedRow[],
  columns: number,
  { measure: most, gap: wanted, library }: Room,
  before: TableColumns | undefined,
): TableColumns | null {
  const looks = Array.from({ length: columns }, (_, k) => table.columnLooks?.[k] ?? NO_LOOK);
  const wished = table.setting?.width;
  const measure = typeof wished === 'number' ? Math.min(most, wished) : most;
  const leastGap = wanted * LEAST_GAP;
  if (measure - leastGap * (columns - 1) < LEAST_COLUMN * columns) return null;
  const inBody = rows.map((_, row) => isBody(table, row));
  const sums = new ColumnSums(rows, inBody, columns, library);
  const aligns = looks.map((look, column) => alignOf(look, column, sums));
  const figures = aligns.map(({ align, before, after }) => (align === 'mark' ? before + after : null));
  const asked = sums.widths(figures);
  // The white between columns gives before a word is divided.
  const needed = asked.least.reduce((sum, width) => sum + width, 0);
  const gap = columns === 1 ? 0 : Math.max(leastGap, Math.min(wanted, (measure - needed) / (columns - 1)));
  const room = measure - gap * (columns - 1);
  const { widths, areNarrow } = columnWidths(asked, () => sums.words(figures), looks, room, gap);
  const set = spread(widths, gap, wished === undefined ? 0 : measure);
  const areWrapped =
    asked.natural.some((own, k) => own > widths[k] + 0.01) ||
    asked.spanning.some((cell) => cell.natural > widthOf(cell, widths, gap) + 0.01);
  const found = { aligns, ...set, areNarrow, areWrapped };
  return before !== undefined && JSON.stringify(before) === JSON.stringify(found) ? before : found;
}

/** Points from the left edge of a cell to its right one. */
export function widthOf({ column, across }: Pick<PlacedCell, 'column' | 'across'>, widths: readonly Pt[], gap: Pt): Pt {
  let width = widths[column];
  for (let k = column + 1; k < column + across; k += 1) width += widths[k] + gap;
  return width;
}

function alignOf(look: TableColumnLook, column: number, sums: ColumnSums): ColumnAlign {
  const { hasFigures, hasWords, sureMark, likelyMark } = sums.kinds(column);
  const align = look.align ?? (hasFigures && !hasWords ? 'mark' : 'left');
  if (align !== 'mark') return { align, before: 0, after: 0, mark: null };
  const mark = look.mark ?? sureMark ?? likelyMark;
  return { align, ...sums.markWidths(column, mark), mark };
}

/** The columns side by side, wider where the table is to be wider than they are. */
function spread(widths: readonly Pt[], gap: Pt, least: Pt) {
  const natural = widths.reduce((sum, width) => sum + width, gap * (widths.length - 1));
  const more = Math.max(0, least - natural) / widths.length;
  const set = widths.map((own) => own + more);
  let left = 0;
  const starts = set.map((own) => {
    const start = left;
    left += own + gap;
    return start;
  });
  return { widths: set, starts, width: Math.max(least, natural), gap };
}

/** Where lines of a cell stand by the side that a person or its column says; `mark` is not one of them. */
export const sideOf = (align: CellAlign): CellSide => (align === 'mark' ? 'right' : align);
