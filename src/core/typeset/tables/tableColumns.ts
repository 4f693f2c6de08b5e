// The columns of a table: how entries stand in each, how wide each is, and where it begins.
import { areFigures, decimalMark, partedAt } from './alignFigures';
import { rowKindOf, type CellAlign, type Table, type TableColumnLook } from '../../model/copy/streams';
import type { FaceLibrary } from '../../fonts/faceLibrary';
import type { Pt } from '../../model/spec/length';
import { columnWidths, type CellWords } from './columnWidths';
import type { CellSide, ComposedCell } from './composeCell';
import type { GridCell } from '../../copy/tableGrid';
import { wordWidths } from './textWidths';

export interface PlacedCell extends GridCell {
  readonly composed: ComposedCell;
}

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

/** Null where there is no room for so many columns. */
export function columnsOf(
  table: Table,
  rows: readonly (readonly PlacedCell[])[],
  columns: number,
  { measure: most, gap: wanted, library }: Room,
): TableColumns | null {
  const looks = Array.from({ length: columns }, (_, k) => table.columnLooks?.[k] ?? NO_LOOK);
  const wished = table.setting?.width;
  const measure = typeof wished === 'number' ? Math.min(most, wished) : most;
  const gap = Math.max(wanted * LEAST_GAP, Math.min(wanted, (measure - LEAST_COLUMN * 4 * columns) / (columns - 1)));
  const room = measure - gap * (columns - 1);
  if (room < LEAST_COLUMN * columns) return null;
  const own = looks.map((_, column) =>
    rows.flatMap((cells, row) =>
      isBody(table, row) ? cells.filter((cell) => cell.column === column && cell.across === 1) : [],
    ),
  );
  const aligns = looks.map((look, column) => alignOf(look, own[column], library));
  const asked = rows.map((cells, row) =>
    cells.map((cell) => wordsOf(cell, isBody(table, row) ? aligns[cell.column] : null, library)),
  );
  const { widths, areNarrow } = columnWidths(asked, looks, room, gap);
  const set = spread(widths, gap, wished === undefined ? 0 : measure);
  const areWrapped = rows.some((cells, row) =>
    cells.some((cell, k) => asked[row][k].natural > widthOf(cell, widths, gap) + 0.01),
  );
  return { aligns, ...set, areNarrow, areWrapped };
}

/** Points from the left edge of a cell to its right one. */
export const widthOf = ({ column, across }: GridCell, widths: readonly Pt[], gap: Pt): Pt =>
  widths.slice(column, column + across).reduce((sum, width) => sum + width, gap * (across - 1));

function alignOf(look: TableColumnLook, cells: readonly PlacedCell[], library: FaceLibrary): ColumnAlign {
  const plain = cells.filter(({ composed }) => composed.paragraphs.length === 1);
  const texts = plain.map(({ composed }) => composed.paragraphs[0].composed.styled.text);
  const isOfFigures =
    plain.length > 0 && cells.every(({ composed }) => composed.paragraphs.length <= 1) && areFigures(texts);
  const align = look.align ?? (isOfFigures ? 'mark' : 'left');
  if (align !== 'mark') return { align, before: 0, after: 0, mark: null };
  const mark = look.mark ?? decimalMark(texts);
  let [before, after] = [0, 0];
  for (const { composed } of plain) {
    const parted = partedAt(composed.paragraphs[0].composed, mark, library);
    before = Math.max(before, parted.before);
    after = Math.max(after, parted.after);
  }
  return { align, before, after, mark };
}

function wordsOf({ column, across, composed }: PlacedCell, align: ColumnAlign | null, library: FaceLibrary): CellWords {
  const isMarked = align?.align === 'mark' && across === 1;
  const natural = isMarked ? Math.max(composed.width, align.before + align.after) : composed.width;
  const paragraphs = composed.paragraphs.map((one) => ({
    leading: one.style.leading,
    // One on one line, and a picture, are never parted.
    words: one.style.pictures === undefined ? wordsIn(one, library) : { words: [one.width], space: 0 },
  }));
  const least = isMarked ? natural : Math.max(0, ...paragraphs.flatMap(({ words }) => words.words));
  return { column, across, natural, least: Math.min(natural, least), paragraphs };
}

const kept = new WeakMap<object, ReturnType<typeof wordWidths>>();

function wordsIn({ composed }: ComposedCell['paragraphs'][number], library: FaceLibrary) {
  let words = kept.get(composed);
  if (words === undefined) kept.set(composed, (words = wordWidths(composed, library)));
  return words;
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
