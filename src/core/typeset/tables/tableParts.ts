// A table as the parts of which a page holds each whole: its head with the first rows, single rows, its last rows. Each is a paragraph of one empty
// line, as deep as its rows.
import { PLAIN_TABLE } from '../../model/spec/tableStyle';
import { paragraph as makeParagraph, rowKindOf, type Paragraph, type Table } from '../../model/copy/streams';
import { styleOf } from '../flow/composeBlocks';
import type { ComposeContext } from '../flow/composeContext';
import { composeCell } from './composeCell';
import type { SetCaption } from './tableCaptions';
import { noteFate } from './tableFate';
import { noteTablePart, type TablePart } from './tablePart';
import { gridOf } from '../../copy/tableGrid';
import type { LaidPart } from './laidPart';
import { layParts } from './layParts';
import { plainInTable } from './plainInTable';
import { columnsOf, type PlacedCell } from './tableColumns';

interface Known {
  readonly parts: readonly unknown[];
  readonly made: readonly TablePart[] | null;
}

const known = new WeakMap<Table, Known>();
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
  const body = table.rows.findIndex((_, k) => !['head', 'units'].includes(rowKindOf(table, k)));
  const cells = gridOf(table).rows.map((row, k) =>
    row.map((place): PlacedCell => {
      const tag = style.text[rowKindOf(table, k)];
      // Heads stand again without the body: none reaches into it.
      const down = k < body ? Math.min(place.down, body - k) : place.down;
      return { ...place, down, composed: composeCell(place.cell, tag, measure, compose) };
    }),
  );
  const live = cells.flatMap((row) => row.map(({ composed }) => composed));
  const shown = [...captions.above, ...captions.below].map(({ composed }) => composed);
  const parts = [book.spec, book.particulars.language, geometry, measure, context, ...shown, ...live];
  const before = known.get(table);
  if (before?.parts.length === parts.length && before.parts.every((part, k) => part === parts[k]))
    return before.made?.map(({ paragraph }) => paragraph) ?? null;
  const made = makeParts(table, cells, captions, compose);
  known.set(table, { parts, made });
  made?.forEach(noteTablePart);
  return made?.map(({ paragraph }) => paragraph) ?? null;
}

function makeParts(
  table: Table,
  cells: readonly (readonly PlacedCell[])[],
  captions: { readonly above: readonly SetCaption[]; readonly below: readonly SetCaption[] },
  compose: ComposeContext,
): TablePart[] | null {
  const { book, context, measure } = compose;
  if (cells.every((row) => row.length === 0)) return null;
  const style = book.spec.tables[table.style] ?? book.spec.tables[PLAIN_TABLE];
  const text = styleOf(style.text.body, compose);
  const room = { measure, gap: style.gap * text.size, library: context.library };
  const columns = columnsOf(table, cells, gridOf(table).columns, room);
  noteFate(table, columns === null ? 'text' : columns.areNarrow ? 'narrow' : null);
  if (columns === null) return null;
  const laying = { table, style, columns, compose, size: text.size, leading: text.leading };
  const laid = layParts(cells, laying, captions);
  const { place = null } = table.setting ?? {};
  const isWhole = laid.length === 1 && laid[0].rows.texts.every(({ paragraph }) => paragraph.styled.notes.length === 0);
  return laid.map((part, k) =>
    madePart(table, part, { isFirst: k === 0, isLast: k === laid.length - 1, place: isWhole ? place : null }, compose),
  );
}

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
