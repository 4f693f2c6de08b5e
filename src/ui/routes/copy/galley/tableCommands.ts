// Rows, columns and cells of the table in which the caret stands.
import type { Node } from 'prosemirror-model';
import { TextSelection, type Command, type EditorState, type Transaction } from 'prosemirror-state';
import {
  addColumn,
  addRow,
  deleteColumn,
  deleteRow,
  deleteTable,
  goToNextCell,
  isInTable,
  mergeCells,
  moveTableColumn,
  moveTableRow,
  selectedRect,
  splitCell,
  TableMap,
} from 'prosemirror-tables';
import type { TableColumnLook, TableRowKind, TableSetting } from '../../../../core/model/copy/streams';
import { NAME } from './commands';

/** What is selected of a table; null where the caret stands in none. */
export interface TableFacts {
  readonly style: string;
  readonly setting: TableSetting;
  /** The kind of the rows that are selected; null for several. */
  readonly kind: TableRowKind | null;
  readonly breaksBefore: boolean;
  /** What is said of the first of the columns that are selected. */
  readonly column: TableColumnLook;
  readonly rows: number;
  readonly columns: number;
  readonly canMerge: boolean;
  readonly canPart: boolean;
}

export function tableFacts(state: EditorState): TableFacts | null {
  if (!isInTable(state)) return null;
  const { table, top, bottom, left, map } = selectedRect(state);
  const rows = Array.from({ length: bottom - top }, (_, k) => table.child(top + k));
  const kinds = new Set(rows.map(({ attrs }) => (attrs.kind as TableRowKind | null) ?? 'body'));
  return {
    style: table.attrs.style as string,
    setting: (table.attrs.setting as TableSetting | null) ?? {},
    kind: kinds.size === 1 ? [...kinds][0] : null,
    breaksBefore: rows[0].attrs.breakBefore === true,
    column: (table.attrs.columnLooks as TableColumnLook[] | null)?.[left] ?? {},
    rows: map.height,
    columns: map.width,
    canMerge: mergeCells(state),
    canPart: splitCell(state),
  };
}

/** A command under a name of the history; none outside of a table. */
export const named =
  (name: string, command: Command): Command =>
  (state, dispatch, view) =>
    isInTable(state) && command(state, dispatch && ((transaction) => dispatch(transaction.setMeta(NAME, name))), view);

/** Adds a row of the body before the selected ones (-1) or after them, with the caret in it. */
export const addRowBeside = (side: -1 | 1): Command =>
  named('Row added', (state, dispatch) => {
    const rect = selectedRect(state);
    const at = side < 0 ? rect.top : rect.bottom;
    const transaction = addRow(state.tr, rect, at);
    dispatch?.(withCaret(transaction, rect.tableStart, at, rect.left).scrollIntoView());
    return true;
  });

/** With the caret in a cell of the table. */
function withCaret(transaction: Transaction, tableStart: number, row: number, column: number): Transaction {
  const table = transaction.doc.nodeAt(tableStart - 1)!;
  const at = tableStart + TableMap.get(table).positionAt(row, column, table);
  return transaction.setSelection(TextSelection.near(transaction.doc.resolve(at + 1)));
}

/** Adds a column before the selected ones (-1) or after them; what is said of the others stays theirs. */
export const addColumnBeside = (side: -1 | 1): Command =>
  named('Column added', (state, dispatch) => {
    const rect = selectedRect(state);
    const at = side < 0 ? rect.left : rect.right;
    const transaction = addColumn(state.tr, rect, at);
    keepLooks(transaction, rect, (looks) => looks.splice(at, 0, {}));
    dispatch?.(withCaret(transaction, rect.tableStart, rect.top, at).scrollIntoView());
    return true;
  });

/** Changes what is said of the columns, where anything is. */
function keepLooks(
  transaction: Transaction,
  { table, tableStart, map }: { table: Node; tableStart: number; map: TableMap },
  change: (looks: TableColumnLook[]) => void,
): void {
  const looks = table.attrs.columnLooks as readonly TableColumnLook[] | null;
  if (looks === null) return;
  const own = Array.from({ length: map.width }, (_, k) => looks[k] ?? {});
  change(own);
  transaction.setNodeAttribute(tableStart - 1, 'columnLooks', own);
}

export const removeRows: Command = named('Rows removed', deleteRow);

export const removeColumns: Command = named('Columns removed', (state, dispatch) => {
  const rect = selectedRect(state);
  return deleteColumn(
    state,
    dispatch &&
      ((transaction) => {
        keepLooks(transaction, rect, (looks) => looks.splice(rect.left, rect.right - rect.left));
        dispatch(transaction);
      }),
  );
});

export const removeTable: Command = named('Table removed', deleteTable);
export const joinCells: Command = named('Cells merged', mergeCells);
export const partCell: Command = named('Cell parted', splitCell);

/** Moves the row of the caret one up or down. */
export const moveRow = (step: -1 | 1): Command =>
  named('Row moved', (state, dispatch) => {
    const { top, map } = selectedRect(state);
    if (top + step < 0 || top + step >= map.height) return false;
    return moveTableRow({ from: top, to: top + step })(state, dispatch);
  });

/** Moves the column of the caret one to the left or right. */
export const moveColumn = (step: -1 | 1): Command =>
  named('Column moved', (state, dispatch) => {
    const rect = selectedRect(state);
    const to = rect.left + step;
    if (to < 0 || to >= rect.map.width) return false;
    return moveTableColumn({ from: rect.left, to })(
      state,
      dispatch &&
        ((transaction) => {
          keepLooks(transaction, rect, (looks) => looks.splice(to, 0, ...looks.splice(rect.left, 1)));
          dispatch(transaction);
        }),
    );
  });

export const setRowKind = (kind: TableRowKind): Command =>
  named('Kind of row', (state, dispatch) => {
    const { table, tableStart, top, bottom } = selectedRect(state);
    dispatch?.(onRows(state.tr, table, tableStart, top, bottom, 'kind', kind));
    return true;
  });

export const setRowBreak = (breakBefore: boolean): Command =>
  named('Page break before row', (state, dispatch) => {
    const { table, tableStart, top } = selectedRect(state);
    dispatch?.(onRows(state.tr, table, tableStart, top, top + 1, 'breakBefore', breakBefore));
    return true;
  });

function onRows(
  transaction: Transaction,
  table: Node,
  tableStart: number,
  ...[top, bottom, name, value]: [top: number, bottom: number, name: string, value: unknown]
): Transaction {
  let at = tableStart;
  table.forEach((row, _, k) => {
    if (k >= top && k < bottom) transaction.setNodeAttribute(at, name, value);
    at += row.nodeSize;
  });
  return transaction;
}

/** Sets how the entries of the selected columns stand, or how wide they are; what is undefined goes back to content. */
export const setColumns = (change: { [K in keyof TableColumnLook]?: TableColumnLook[K] | undefined }): Command =>
  named('Columns of a table', (state, dispatch) => {
    const { table, tableStart, left, right, map } = selectedRect(state);
    const looks = (table.attrs.columnLooks as readonly TableColumnLook[] | null) ?? [];
    const made = Array.from({ length: map.width }, (_, k) =>
      k < left || k >= right ? (looks[k] ?? {}) : withoutUndefined({ ...looks[k], ...change }),
    );
    dispatch?.(state.tr.setNodeAttribute(tableStart - 1, 'columnLooks', made));
    return true;
  });

/** Sets the style of the table, or where it stands and how wide it is. */
export const setTable = (change: { style?: string; setting?: { [K in keyof TableSetting]?: unknown } }): Command =>
  named('Table', (state, dispatch) => {
    const { table, tableStart } = selectedRect(state);
    const transaction = state.tr;
    if (change.style !== undefined) transaction.setNodeAttribute(tableStart - 1, 'style', change.style);
    if (change.setting !== undefined) {
      const setting = withoutUndefined({ ...(table.attrs.setting as object | null), ...change.setting });
      transaction.setNodeAttribute(tableStart - 1, 'setting', Object.keys(setting).length > 0 ? setting : null);
    }
    dispatch?.(transaction);
    return true;
  });

const withoutUndefined = <T extends object>(of: T): T =>
  Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined)) as T;

/** To the next cell, or the one before; after the last a row is added. */
export const nextCell = (step: -1 | 1): Command => {
  const go = goToNextCell(step);
  return (state, dispatch, view) => {
    if (!isInTable(state)) return false;
    if (go(state, dispatch, view)) return true;
    if (step < 0 || dispatch === undefined) return step < 0;
    const rect = selectedRect(state);
    const transaction = addRow(state.tr, rect, rect.map.height).setMeta(NAME, 'Row added');
    dispatch(withCaret(transaction, rect.tableStart, rect.map.height, 0).scrollIntoView());
    return true;
  };
};
