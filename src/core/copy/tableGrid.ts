// The cells of a table on its grid: where each begins, and what it covers. Cells that would overlap give way (HTML, 4.9.12: forming a
// table): the later one is narrower, or begins further on.
import type { Table, TableCell } from '../model/copy/streams';

export interface GridCell {
  readonly cell: TableCell;
  readonly column: number;
  /** Columns and rows that it covers: 1 or more, never over the table's end. */
  readonly across: number;
  readonly down: number;
}

export interface TableGrid {
  readonly columns: number;
  /** The cells that begin in each row, from the left. */
  readonly rows: readonly (readonly GridCell[])[];
  /** The most rows that a cell covers. */
  readonly deepest: number;
}

const grids = new WeakMap<Table, TableGrid>();
/** The rows of grids by the rows of which they were made: one that stands as it stood is the same object. */
const placedRows = new WeakMap<
  readonly TableCell[],
  { readonly cells: readonly GridCell[]; readonly isPlain: boolean }
>();

/** The grid of a table; the same one as long as the table is the same. */
export function gridOf(table: Table): TableGrid {
  let grid = grids.get(table);
  if (grid === undefined) grids.set(table, (grid = makeGrid(table)));
  return grid;
}

function makeGrid(table: Table): TableGrid {
  /** Of each column, the row before which it is taken by a cell from above. */
  const takenTo: number[] = [];
  /** The row before which any is. */
  let openTo = 0;
  let [columns, deepest] = [Math.max(1, table.columns), 1];
  const place = (cells: readonly TableCell[], row: number): readonly GridCell[] => {
    const known = placedRows.get(cells);
    if (known?.isPlain && openTo <= row) {
      columns = Math.max(columns, cells.length);
      return known.cells;
    }
    const isFree = (column: number) => (takenTo[column] ?? 0) <= row;
    let column = 0;
    let isPlain = openTo <= row;
    const placed = cells.map((cell): GridCell => {
      while (!isFree(column)) column += 1;
      let across = 1;
      while (across < (cell.across ?? 1) && isFree(column + across)) across += 1;
      const down = Math.min(cell.down ?? 1, table.rows.length - row);
      for (let k = column; k < column + across; k += 1) takenTo[k] = row + down;
      openTo = Math.max(openTo, row + down);
      deepest = Math.max(deepest, down);
      isPlain &&= (cell.across ?? 1) === 1 && (cell.down ?? 1) === 1;
      const own = { cell, column, across, down };
      column += across;
      return own;
    });
    columns = Math.max(columns, takenTo.length);
    if (known !== undefined && known.cells.every((own, k) => isSamePlace(own, placed[k]))) return known.cells;
    placedRows.set(cells, { cells: placed, isPlain });
    return placed;
  };
  const rows = table.rows.map(place);
  return { columns, rows, deepest };
}

const isSamePlace = (a: GridCell, b: GridCell) => a.column === b.column && a.across === b.across && a.down === b.down;
