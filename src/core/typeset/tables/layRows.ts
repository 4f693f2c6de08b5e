// Rows one under another: the lines of their cells, the white between them, and the rules and grounds that stand there.
import { Remembered } from '../../base/remembered';
import { setInk } from '../../looks/setInk';
import type { TableMark } from '../../model/composed/pages';
import type { Pt } from '../../model/spec/length';
import type { InksSpec } from '../../model/spec/inks';
import type { TableRulePlace, TableStyle } from '../../model/spec/tableStyle';
import { rowKindOf, type BlockId, type CellAlign, type Table, type TableRowKind } from '../../model/copy/streams';
import type { SetText } from '../../paginate';
import type { ComposeContext } from '../flow/composeContext';
import { partedAt } from './alignFigures';
import { linesOfCell } from './composeCell';
import type { PlacedCell, PlacedRow } from './placedCells';
import { sideOf, widthOf, type TableColumns } from './tableColumns';

/** Capitals above the baseline and tails below it, in em of the size. */
const CAPITALS = 0.66;
const TAILS = 0.25;

/** A row by itself: its lines from its upper edge, a whole leading above each baseline. */
export interface LaidRow {
  readonly kind: TableRowKind;
  readonly texts: readonly SetText[];
  readonly height: Pt;
  /** Of its first and of its last line. */
  readonly size: Pt;
  readonly leading: Pt;
  /** Of the first paragraph in it; null: none. */
  readonly first: BlockId | null;
}

/** What rows are laid out by. */
export interface Laying {
  readonly table: Table;
  readonly style: TableStyle;
  readonly columns: TableColumns;
  readonly compose: ComposeContext;
  /** Size and leading of the text of the table, in points. */
  readonly size: Pt;
  readonly leading: Pt;
}

/** The lines of the cells of a row. */
interface SetRow {
  readonly cells: readonly { readonly cell: PlacedCell; readonly texts: readonly SetText[]; readonly height: Pt }[];
  /** Of the cells that end in the row, and no less than a line. */
  readonly height: Pt;
  readonly isPlain: boolean;
  /** Of cells that begin and end in it, as it is laid out then. */
  readonly laid: LaidRow;
}

const setRows = new Remembered<PlacedRow, SetRow & { readonly columns: TableColumns }>();

/** The columns by which a row was laid out before. */
export const columnsBefore = (row: PlacedRow): TableColumns | undefined => setRows.last(row)?.columns;

/** The rows with the lines of their cells. A cell over several rows makes the last of them deep enough. Rows that are as they were are the same objects. */
export function layRows(rows: readonly PlacedRow[], laying: Laying, gaps: readonly Pt[]): LaidRow[] {
  const { table, style, columns, compose } = laying;
  const set = rows.map((cells, row) => {
    const kind = rowKindOf(table, row);
    const parts = [kind, columns, style, compose.book.spec, compose.book.particulars.language, compose.context];
    return setRows.take(cells, parts, () => ({ ...setRow(cells, kind, laying), columns }));
  });
  const heights = set.map(({ height }) => height);
  if (set.every(({ isPlain }) => isPlain)) return set.map(({ laid }) => laid);
  set.forEach(({ cells }, row) => {
    for (const { cell, ...lines } of cells) {
      if (cell.down === 1) continue;
      const last = row + cell.down - 1;
      let room = 0;
      for (let k = row; k <= last; k += 1) room += heights[k] + (k > row ? gaps[k] : 0);
      if (lines.height > room) heights[last] += lines.height - room;
    }
  });
  return set.map(({ cells, isPlain, height, laid }, row): LaidRow => {
    if (isPlain && height === heights[row]) return laid;
    const depthOf = ({ down }: PlacedCell) => {
      let depth = heights[row];
      for (let k = row + 1; k < row + down; k += 1) depth += gaps[k] + heights[k];
      return depth;
    };
    return { ...laid, texts: standing(cells, laid.kind, depthOf), height: heights[row] };
  });
}

function setRow(row: PlacedRow, kind: TableRowKind, laying: Laying): SetRow {
  const cells = row.map((cell) => ({ cell, ...linesIn(cell, kind, laying) }));
  const height = cells.reduce(
    (most, { cell, height: own }) => (cell.down === 1 ? Math.max(most, own) : most),
    laying.leading,
  );
  const { size, leading } = laying;
  const first = row.flatMap(({ cell: { blocks } }) => blocks).find((block) => block.kind === 'paragraph')?.id ?? null;
  const laid = { kind, texts: standing(cells, kind, () => height), height, size, leading, first };
  return { cells, height, isPlain: row.every(({ down }) => down === 1), laid };
}

/** The lines of cells from the upper edge of their row. */
const standing = (cells: SetRow['cells'], kind: TableRowKind, depthOf: (cell: PlacedCell) => Pt): SetText[] =>
  cells.flatMap(({ cell, texts, height }) => {
    // Heads stand on their last line.
    const down = kind === 'head' || kind === 'units' ? depthOf(cell) - height : 0;
    return down === 0 ? texts : texts.map((text) => ({ ...text, y: text.y + down }));
  });

/** The lines of a cell from its upper edge. */
function linesIn(cell: PlacedCell, kind: TableRowKind, { columns, compose }: Laying): { texts: SetText[]; height: Pt } {
  const { composed, column, across } = cell;
  const width = widthOf(cell, columns.widths, columns.gap);
  const own = columns.aligns[column];
  const align = alignOf(cell, kind, own.align);
  const isMarked = align === 'mark' && across === 1 && (kind === 'body' || kind === 'total');
  const [first] = composed.paragraphs;
  const left = columns.starts[column];
  const lines = linesOfCell(composed, width, isMarked ? 'left' : sideOf(align), columns.areNarrow, compose);
  let y = 0;
  const texts = lines.map(({ paragraph, x }): SetText => {
    const { leading } = paragraph.styled.style;
    let from = left + x;
    if (isMarked && paragraph === first.composed && lines.length === 1)
      from = left + width - own.after - partedAt(paragraph, own.mark, compose.context.library).before;
    const text = { paragraph, from: 0, to: paragraph.broken.count, x: from, y: y + leading };
    y += leading * paragraph.broken.count;
    return text;
  });
  return { texts, height: y };
}

/** Heads over figures stand at their right ends, heads over several columns in their middle. */
function alignOf({ cell, across }: PlacedCell, kind: TableRowKind, ofColumn: CellAlign): CellAlign {
  if (cell.align !== undefined) return cell.align;
  if (kind === 'group') return 'left';
  if (across > 1) return kind === 'head' ? 'centre' : 'left';
  return ofColumn;
}

/** The rule between the rows k - 1 and k; before the first it is that at the top, after the last that at the foot. */
export function rulePlace(kinds: readonly TableRowKind[], k: number): TableRulePlace | null {
  if (k === 0) return 'top';
  if (k === kinds.length) return 'foot';
  const [above, below] = [kinds[k - 1], kinds[k]];
  const isHead = (kind: TableRowKind) => kind === 'head' || kind === 'units';
  if (isHead(above)) return isHead(below) ? null : 'head';
  if (below === 'total') return above === 'total' ? null : 'total';
  if (below === 'group') return 'group';
  return above === 'group' ? null : 'body';
}

/** White before each row, and after the last, in points: room for the rule between them, half a line over a group. The outer rules stand in the white around the table. */
export function gapsOf(kinds: readonly TableRowKind[], laying: Omit<Laying, 'compose'>, grid: Pt): Pt[] {
  const { style, size, leading, columns } = laying;
  return Array.from({ length: kinds.length + 1 }, (_, k) => {
    if (k === 0 || k === kinds.length) return 0;
    const place = rulePlace(kinds, k);
    const weight = place === null ? 0 : style.rules[place].weight;
    const between = columns.areWrapped && place !== null ? style.between : 0;
    const plain = place === 'group' ? Math.max(between, grid / 2) : between;
    if (weight === 0) return plain;
    const needed = 2 * style.clear + weight + (TAILS + CAPITALS) * size - leading;
    // Half lines keep what comes after it on the grid.
    return Math.max(plain, Math.ceil(needed / (grid / 2) - 0.01) * (grid / 2), 0);
  });
}

/** The middle of the rule before a row, from the upper edge of the row; `gap`: the white between it and the row above. */
export function ruleAt({ style, size, leading }: Pick<Laying, 'style' | 'size' | 'leading'>, gap: Pt | null): Pt {
  if (gap === null) return leading - CAPITALS * size - style.clear;
  // From the tails above to the capitals below.
  return (leading - CAPITALS * size + TAILS * size - gap) / 2;
}

/** The middle of the rule under the last row, from its lower edge. */
export const footRuleAt = ({ style, size }: Pick<Laying, 'style' | 'size'>): Pt => TAILS * size + style.clear;

/** A rule of a style as it is drawn; null where there is none. */
export function ruleMark(
  { weight, ink }: TableStyle['rules'][TableRulePlace],
  at: { readonly x: Pt; readonly y: Pt; readonly width: Pt },
  inks: InksSpec,
): TableMark | null {
  if (weight === 0 || at.width <= 0) return null;
  return { kind: 'table', ...at, thickness: weight, ink: ink === null ? null : setInk(inks, ink) };
}
