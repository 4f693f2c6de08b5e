// Tables and text: cells from the clipboard and to it, a table made of paragraphs with tabs, and paragraphs of a table.
import type { Node } from 'prosemirror-model';
import type { Command, EditorState, Transaction } from 'prosemirror-state';
import { addColumn, addRow, CellSelection, isInTable, selectedRect } from 'prosemirror-tables';
import type { EditorView } from 'prosemirror-view';
import { schema } from '../../../../galley';
import { NAME } from './commands';
import { named } from './tableCommands';

/** The cells that are selected as text: rows in lines, their cells parted by tabs; null where none are. */
export function selectedAsText({ selection }: EditorState): string | null {
  if (!(selection instanceof CellSelection)) return null;
  const lines: string[] = [];
  const add = (row: Node) => {
    const cells: string[] = [];
    row.forEach((cell) => void cells.push(cell.textBetween(0, cell.content.size, ' ', ' ').trim()));
    lines.push(cells.join('\t'));
  };
  // A whole table, or rows of it.
  selection.content().content.forEach((node) => (node.type === schema.nodes.row ? add(node) : node.forEach(add)));
  return lines.join('\n');
}

/** Rows of cells that a text holds, parted by tabs; null for one that is none: under two columns. */
export function rowsOfText(text: string): string[][] | null {
  const lines = text.replace(/\r\n?/g, '\n').replace(/\n+$/, '').split('\n');
  const rows = lines.map((line) => line.split('\t').map((cell) => cell.trim()));
  return rows.some((row) => row.length > 1) ? rows : null;
}

/** A table of rows of words. */
export function tableOfRows(rows: readonly (readonly string[])[]): Node {
  const columns = Math.max(1, ...rows.map((row) => row.length));
  const cell = (words: string) =>
    schema.node('cell', null, [schema.node('paragraph', null, words === '' ? [] : [schema.text(words)])]);
  return schema.node(
    'table',
    null,
    rows.map((row, k) =>
      schema.node(
        'row',
        { kind: k === 0 && rows.length > 1 ? 'head' : 'body' },
        Array.from({ length: columns }, (_, column) => cell(row[column] ?? '')),
      ),
    ),
  );
}

/** Puts rows of words into the cells from the caret's on; rows and columns that lack are added. False outside of a table. */
export function fillCells(rows: readonly (readonly string[])[]): Command {
  return named('Pasted', (state, dispatch) => {
    if (dispatch === undefined) return true;
    const { top, left } = selectedRect(state);
    let own = state;
    const step = (change: (rect: ReturnType<typeof selectedRect>) => Transaction) => {
      const made = change(selectedRect(own));
      for (const one of made.steps) transaction.step(one);
      own = own.apply(made);
    };
    const transaction = state.tr;
    const width = Math.max(...rows.map((row) => row.length));
    while (selectedRect(own).map.height < top + rows.length) step((rect) => addRow(own.tr, rect, rect.map.height));
    while (selectedRect(own).map.width < left + width) step((rect) => addColumn(own.tr, rect, rect.map.width));
    // From the end to the front: places before stay true.
    const { map, table, tableStart } = selectedRect(own);
    for (let r = rows.length - 1; r >= 0; r -= 1)
      for (let c = rows[r].length - 1; c >= 0; c -= 1) {
        const at = map.map[(top + r) * map.width + left + c];
        const cell = table.nodeAt(at)!;
        const words = rows[r][c];
        const paragraph = schema.node('paragraph', null, words === '' ? [] : [schema.text(words)]);
        transaction.replaceWith(tableStart + at + 1, tableStart + at + cell.nodeSize - 1, paragraph);
      }
    dispatch(transaction);
    return true;
  });
}

/** The rows of the first table that HTML holds, as words; null where it holds none. */
function rowsOfHtml(html: string): string[][] | null {
  const table = new DOMParser().parseFromString(html, 'text/html').querySelector('table');
  if (table === null) return null;
  return [...table.rows].map((row) =>
    [...row.cells].map((cell) => (cell.textContent ?? '').replace(/\s+/g, ' ').trim()),
  );
}

/**
 * Takes what the clipboard holds of cells: into the cells of a table, from the caret's on; text with tabs outside of one becomes a table. False
 * for all else.
 */
export function pasteCells(view: EditorView, data: DataTransfer): boolean {
  const html = data.getData('text/html');
  if (html.includes('data-pm-slice')) return false;
  const text = rowsOfText(data.getData('text/plain'));
  if (isInTable(view.state)) {
    const rows = (html === '' ? null : rowsOfHtml(html)) ?? text;
    return rows !== null && fillCells(rows)(view.state, view.dispatch, view);
  }
  if (html !== '' || text === null || text.length < 2 || view.state.selection.$from.depth !== 1) return false;
  view.dispatch(view.state.tr.replaceSelectionWith(tableOfRows(text)).setMeta(NAME, 'Pasted').scrollIntoView());
  return true;
}

/** Makes a table of the paragraphs that are selected: a row a paragraph, a cell between two tabs. */
export const tableFromText: Command = (state, dispatch) => {
  const { $from, $to } = state.selection;
  if (isInTable(state) || $from.depth !== 1) return false;
  const [first, last] = [$from.index(0), $to.index(0)];
  const rows: string[][] = [];
  for (let k = first; k <= last; k += 1) {
    const block = state.doc.child(k);
    if (!block.isTextblock) return false;
    const words = block.textBetween(0, block.content.size, '', (leaf) => (leaf.type === schema.nodes.tab ? '\t' : ''));
    rows.push(words.split('\t').map((cell) => cell.trim()));
  }
  if (!rows.some((row) => row.length > 1)) return false;
  dispatch?.(
    state.tr.replaceWith($from.before(1), $to.after(1), tableOfRows(rows)).setMeta(NAME, 'Table made of text'),
  );
  return true;
};

/** Makes paragraphs of the table: a row a paragraph, a tab between two cells. */
export const textFromTable: Command = named('Text made of a table', (state, dispatch) => {
  const { table, tableStart } = selectedRect(state);
  const made: Node[] = [];
  table.forEach((row) => {
    const inline: Node[] = [];
    row.forEach((cell, _, k) => {
      if (k > 0) inline.push(schema.node('tab'));
      cell.forEach((block, __, b) => {
        if (b > 0) inline.push(schema.text(' '));
        block.forEach((leaf) => void inline.push(leaf));
      });
    });
    made.push(schema.node('paragraph', null, inline));
  });
  dispatch?.(state.tr.replaceWith(tableStart - 1, tableStart + table.nodeSize - 1, made));
  return true;
});
