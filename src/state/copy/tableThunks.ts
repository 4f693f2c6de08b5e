// Changes of a table from its pages: one undo step each.
import { findTable } from '../../core/copy/findTable';
import { rowKindOf, type Table, type TableSetting } from '../../core/model/copy/streams';
import { edit } from '../book/bookThunks';
import type { AppThunk } from '../store';
import type { ParagraphPlace } from '../view/viewSlice';

/** Puts another table in the place of that in which a paragraph stands; nothing happens where it is gone. */
function changeTable(place: ParagraphPlace, name: string, change: (table: Table, row: number) => Table): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const found = book === null || readOnly ? undefined : findTable(book, place.stream, place.block);
    if (found === undefined) return;
    const { division, at, table, row } = found;
    const inserted = [change(table, row)];
    dispatch(edit(name, [{ kind: 'replaceBlocks', stream: division, at, removed: [table], inserted }]));
  };
}

/** Sets the style of a table. */
export const setTableStyle = (place: ParagraphPlace, style: string): AppThunk =>
  changeTable(place, 'Style of the table', (table) => ({ ...table, style }));

/** Sets where a table stands and how wide it is; what is undefined is not said any more. */
export const setTableSetting = (
  place: ParagraphPlace,
  change: { readonly [K in keyof TableSetting]?: TableSetting[K] | undefined },
): AppThunk =>
  changeTable(place, 'Place of the table', ({ setting, ...table }) => {
    const made = Object.fromEntries(
      Object.entries({ ...setting, ...change }).filter(([, value]) => value !== undefined),
    ) as TableSetting;
    return Object.keys(made).length > 0 ? { ...table, setting: made } : table;
  });

/** Whether the row of the paragraph begins a page. */
export const setRowBegins = (place: ParagraphPlace, begins: boolean): AppThunk =>
  changeTable(place, 'Page break before row', (table, at) => ({
    ...table,
    rowLooks: table.rows.map((_, k) => {
      const { breakBefore, ...look } = table.rowLooks?.[k] ?? { kind: rowKindOf(table, k) };
      const isBreak = k === at ? begins : breakBefore === true;
      return isBreak ? { ...look, breakBefore: true as const } : look;
    }),
  }));
