// The cells of a table on its grid, composed by themselves. A row of which nothing changed is the same object as before.
import { Remembered } from '../../base/remembered';
import { gridOf, type GridCell } from '../../copy/tableGrid';
import { rowKindOf, type Block, type Table } from '../../model/copy/streams';
import type { TableStyle } from '../../model/spec/tableStyle';
import type { ComposeContext } from '../flow/composeContext';
import { composeCell, type ComposedCell } from './composeCell';

export interface PlacedCell extends GridCell {
  readonly composed: ComposedCell;
}

export type PlacedRow = readonly PlacedCell[];

const placed = new Remembered<readonly GridCell[], PlacedRow>();
const STILL = {};

export function placedRows(table: Table, style: TableStyle, compose: ComposeContext): PlacedRow[] {
  const { book, measure, context } = compose;
  const first = table.rows.findIndex((_, k) => !['head', 'units'].includes(rowKindOf(table, k)));
  const thisBook = {};
  return gridOf(table).rows.map((cells, k) => {
    const tag = style.text[rowKindOf(table, k)];
    // Heads stand again without the body: none reaches into it.
    const most = k < first ? first - k : Infinity;
    const { language } = book.particulars;
    const parts = [book.spec, language, context, measure, tag, most, isLive(cells) ? thisBook : STILL];
    return placed.take(cells, parts, (before) => {
      const row = cells.map((cell) => ({
        ...cell,
        down: Math.min(cell.down, most),
        composed: composeCell(cell.cell, tag, measure, compose),
      }));
      return before?.every((own, at) => isSame(own, row[at])) ? before : row;
    });
  });
}

const live = new WeakMap<readonly GridCell[], boolean>();

/** Whether a row holds what is made elsewhere, such as the number of a note: it is composed again with every book. */
function isLive(cells: readonly GridCell[]): boolean {
  let known = live.get(cells);
  if (known === undefined) live.set(cells, (known = cells.some(({ cell }) => cell.blocks.some(isLiveBlock))));
  return known;
}

const isLiveBlock = (block: Block): boolean =>
  block.kind === 'table'
    ? block.rows.some((row) => row.some(({ blocks }) => blocks.some(isLiveBlock)))
    : block.objects.length > 0 || block.spans.some(({ link }) => link !== undefined);

const isSame = (a: PlacedCell, b: PlacedCell) =>
  a.down === b.down &&
  a.composed.paragraphs.length === b.composed.paragraphs.length &&
  a.composed.paragraphs.every(({ composed }, k) => composed === b.composed.paragraphs[k].composed);
