// The cells of a table on its grid: where each begins, and what it covers. Cells that would overlap give way (HTML, 4.9.12: forming a
// table): the later one is narrower, or begins further on.
import { greatest } from '../base/append';
import type { Table, TableCell } from '../model/copy/streams';

export interface GridCell {
  readonly cell: TableCell;
  readonly row: number;
  readonly column: number;
  /** Columns and rows that it covers: 1 or more, never over the table's end. */
  readonly across: number;
  readonly down: number;
}

export interface TableGrid {
  readonly columns: number;
  /** The cells that begin in each row, from the left. */
  readonly rows: readonly (readonly GridCell[])[];
}

const grids = new WeakMap<Table, TableGrid>();

/** The grid of a table; the same one as long as the table is the same. */
export function gridOf(table: Table): TableGrid {
  let grid = grids.get(table);
  if (grid === undefined) grids.set(table, (grid = makeGrid(table)));
  return grid;
}

function makeGrid(table: Table): TableGrid {
  /** Of each column, the row before which it is taken by a cell from above. */
  const takenTo: number[] = [];
  const isFree = (column: number, row: number) => (takenTo[column] ?? 0) <= row;
  const rows = table.rows.map((cells, row) => {
    let column = 0;
    return cells.map((cell): GridCell => {
      while (!isFree(column, row)) column += 1;
      let across = 1;
      while (across < (cell.across ?? 1) && isFree(column + across, row)) across += 1;
      const down = Math.min(cell.down ?? 1, table.rows.length - row);
      for (let k = column; k < column + across; k += 1) takenTo[k] = row + down;
      const placed = { cell, row, column, across, down };
      column += across;
      return placed;
    });
  });
  return { columns: Math.max(1, greatest(0, [table.columns, takenTo.length])), rows };
}
