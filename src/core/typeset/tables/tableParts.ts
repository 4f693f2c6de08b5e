// A table as the parts of which a page holds each whole: its head with the first rows, single rows, its last rows. Each is a paragraph of one empty
// line, as deep as its rows.
import { Remembered } from '../../base/remembered';
import { PLAIN_TABLE } from '../../model/spec/tableStyle';
import { paragraph as makeParagraph, type Paragraph, type Table } from '../../model/copy/streams';
import { styleOf } from '../flow/composeBlocks';
import type { ComposeContext } from '../flow/composeContext';
import type { SetCaption } from './tableCaptions';
import { noteFate } from './tableFate';
import { noteTablePart, type TablePart } from './tablePart';
import { gridOf } from '../../copy/tableGrid';
import type { LaidPart } from './laidPart';
import { layParts } from './layParts';
import { columnsBefore } from './layRows';
import { placedRows, type PlacedRow } from './placedCells';
import { plainInTable } from './plainInTable';
import { columnsOf } from './tableColumns';

const known = new Remembered<Table, readonly TablePart[] | null>();

/**
 * A table in parts, the same ones while nothing of them changes; null where there is no room for its columns, or nothing in it. `captions`:
 * those above it and below it, which stay with it.
 */
export function tableParts(
  table: Table,
  captions: { readonly above: readonly SetCaption[]; readonly below: readonly SetCaption[] },
  compose: ComposeContext,
): readonly Paragraph[] | null {
  const { book, geometry, measure, context } = compose;
  const style = book.spec.tables[table.style] ?? book.spec.tables[PLAIN_TABLE];
  const rows = placedRows(table, style, compose);
  const shown = [...captions.above, ...captions.below].map(({ composed }) => composed);
  const parts = [book.spec, book.particulars.language, geometry, measure, context, ...shown, ...rows];
  const made = known.take(table, parts, () => {
    const fresh = makeParts(table, rows, captions, compose);
    fresh?.forEach(noteTablePart);
    return fresh;
  });
  return made?.map(({ paragraph }) => paragraph) ?? null;
}

function makeParts(
  table: Table,
  rows: readonly PlacedRow[],
  captions: { readonly above: readonly SetCaption[]; readonly below: readonly SetCaption[] },
  compose: ComposeContext,
): TablePart[] | null {
  const { book, context, measure } = compose;
  if (rows.every((row) => row.length === 0)) return null;
  const style = book.spec.tables[table.style] ?? book.spec.tables[PLAIN_TABLE];
  const text = styleOf(style.text.body, compose);
  const room = { measure, gap: style.gap * text.size, library: context.library };
  const before = rows.map(columnsBefore).find((columns) => columns !== undefined);
  const columns = columnsOf(table, rows, gridOf(table).columns, room, before);
  noteFate(table, columns === null ? 'text' : columns.areNarrow ? 'narrow' : null);
  if (columns === null) return null;
  const laying = { table, style, columns, compose, size: text.size, leading: text.leading };
  const laid = layParts(rows, laying, captions);
  const { place = null } = table.setting ?? {};
  const isWhole = laid.length === 1 && laid[0].rows.texts.every(({ paragraph }) => paragraph.styled.notes.length === 0);
  return laid.map((part, k) => {
    const at = { isFirst: k === 0, isLast: k === laid.length - 1, place: isWhole ? place : null };
    const parts = [table.id, ...Object.values(at), book.spec, book.particulars.language, context];
    return madeParts.take(part, parts, () => madePart(table, part, at, compose));
  });
}

const madeParts = new Remembered<LaidPart, TablePart>();

/** Grid lines of white above a table and below it. */
const AROUND = 1;

function madePart(
  table: Table,
  { rows, height, id, beginsPage }: LaidPart,
  {
    isFirst,
    isLast,
    place,
  }: { readonly isFirst: boolean; readonly isLast: boolean; readonly place: TablePart['place'] },
  compose: ComposeContext,
): TablePart {
  const style = compose.context.interner.intern({
    ...plainInTable(styleOf(PLAIN_TABLE, compose)),
    tag: PLAIN_TABLE,
    leading: height,
    keepTogether: true,
    above: isFirst ? AROUND : 0,
    below: isLast ? AROUND : 0,
  });
  const touches = beginsPage ? { touches: { breakBefore: true as const } } : {};
  const paragraph = makeParagraph(id, PLAIN_TABLE, '', { table: table.id, ...touches });
  return { paragraph, style, rows, place };
}
