// Tables set plainly: columns as wide as their widest entry, a row a line; where that does not fit, columns share the measure
// and their cells are set ragged on as many lines as they need. Rules above, below the head and at the end. A table that holds
// pictures or other tables is set as paragraphs, cell by cell.
import { greatest } from '../../base/append';
import type { TabStop } from '../../model/spec/spec';
import type { ResolvedStyle } from '../../model/composed/styled';
import {
  normaliseSpans,
  OBJECT_CHARACTER,
  type Block,
  type Paragraph,
  type Table,
  type TableCell,
} from '../../model/copy/streams';
import { appendCopy } from './appendCopy';
import { columnWidths } from './columnWidths';
import { composeBlock } from './composeParagraph';
import type { ComposeContext } from './composeContext';

/** A row as a paragraph with tabs, how it is set, and the rules that it has. */
export interface TableRow {
  readonly paragraph: Paragraph;
  readonly style: ResolvedStyle;
  readonly rules: { readonly above: boolean; readonly below: boolean };
  /** The other cells of a row on several lines, in order; `paragraph` is the deepest. */
  readonly cells?: readonly RowCell[];
}

/** A cell beside the deepest one of its row. */
export interface RowCell {
  readonly paragraph: Paragraph;
  readonly style: ResolvedStyle;
  /** Stands before the deepest in reading order. */
  readonly isBefore: boolean;
}

/** White between two columns, in em. */
const GAP = 1.4;
/** No entry is broken when it is measured. */
const UNBROKEN = 100_000;
/** White after the head, in grid lines: its rule stands clear of the type on either side. */
const BELOW_HEAD = 0.5;
/** White between rows of several lines, in grid lines. */
const BETWEEN_ROWS = 0.25;
/** A row of more lines than this may go on over a page end. */
const MOST_KEPT = 8;
/** Words of a cell that are measured for the longest. */
const MEASURED = 4;
const FIGURES = /^\s*[-–+−]?[\d.,\u00A0\u202F]*\d\s*%?\s*$/;

interface Made {
  readonly parts: readonly unknown[];
  readonly rows: readonly TableRow[] | null;
}

const known = new WeakMap<Table, Made>();
const rowOf = new WeakMap<Paragraph, TableRow>();

/** The row that a paragraph stands for; undefined for any other. */
export function tableRowOf(paragraph: Paragraph): TableRow | undefined {
  return rowOf.get(paragraph);
}

/** The rows of a table as paragraphs, the same ones while nothing changes; null when they do not fit. */
export function tableRows(table: Table, stream: string, compose: ComposeContext): readonly Paragraph[] | null {
  const { spec, particulars } = compose.book;
  const parts = [spec, particulars.language, compose.measure, stream];
  let made = known.get(table);
  if (made === undefined || made.parts.some((part, k) => part !== parts[k])) {
    made = { parts, rows: makeRows(table, stream, compose) };
    known.set(table, made);
    for (const row of made.rows ?? []) rowOf.set(row.paragraph, row);
  }
  return made.rows?.map((row) => row.paragraph) ?? null;
}

function makeRows(table: Table, stream: string, compose: ComposeContext): TableRow[] | null {
  const text = compose.sheet.get('TB') ?? compose.sheet.get('TX')!;
  const { interner } = compose.context;
  const plain: ResolvedStyle = {
    ...text,
    align: 'left',
    firstIndent: 0,
    hyphenate: false,
    letterWidth: 0,
    letterPlay: 0,
    lastLine: 0,
    hangingPunctuation: 0,
  };
  const entry = interner.intern(plain);
  const entries = table.rows.map((row) => row.map((cell) => entryOf(cell)));
  if (entries.length === 0 || entries.some((row) => row.length === 0 || row.some((one) => one === null))) return null;
  const rows = entries as Paragraph[][];
  const widths = Array.from({ length: table.columns }, (_, column) =>
    greatest(
      0,
      rows.map((row) => (row[column] === undefined ? 0 : widthOf(row[column], entry, stream, compose))),
    ),
  );
  const gap = GAP * text.size;
  const isFigures = widths.map(
    (_, column) =>
      rows.length > 1 && rows.slice(1).every((row) => row[column] === undefined || FIGURES.test(row[column].text)),
  );
  const total = widths.reduce((sum, width) => sum + width, 0) + gap * (widths.length - 1);
  const setting = { rows, plain, entry, widths, isFigures, gap, stream };
  return total > compose.measure + 0.01 ? wrappedRows(setting, compose) : lineRows(setting, compose);
}

interface Setting {
  readonly rows: readonly Paragraph[][];
  readonly plain: ResolvedStyle;
  /** The style of an entry by itself. */
  readonly entry: ResolvedStyle;
  /** Of the widest entry of each column, in points. */
  readonly widths: readonly number[];
  readonly isFigures: readonly boolean[];
  /** White between columns, in points. */
  readonly gap: number;
  readonly stream: string;
}

/** Space around a row of so many, in grid lines, and whether the next stays with it. */
function placeOfRow(index: number, count: number, between: number) {
  const [isFirst, isLast] = [index === 0, index === count - 1];
  const above = isFirst ? 1 : index === 1 && count > 2 ? BELOW_HEAD : between;
  return {
    space: { above, below: isLast ? 1 : 0, withNext: isFirst && !isLast },
    rules: { above: isFirst, below: isLast || (isFirst && count > 2) },
  };
}

/** Rows of one line each, their entries parted by tabs. */
function lineRows(
  { rows, plain, entry, widths, isFigures, gap, stream }: Setting,
  compose: ComposeContext,
): TableRow[] {
  const tabs: TabStop[] = [];
  let start = 0;
  widths.forEach((width, column) => {
    const point = isFigures[column] ? pointOf(rows, column, entry, stream, compose) : 0;
    const figures: TabStop = point > 0 ? { at: start + point, kind: 'decimal' } : { at: start + width, kind: 'right' };
    if (column > 0) tabs.push(isFigures[column] ? figures : { at: start, kind: 'left' });
    start += width + gap;
  });
  return rows.map((row, index) => {
    const { space, rules } = placeOfRow(index, rows.length, 0);
    return { paragraph: joined(row), style: compose.context.interner.intern({ ...plain, tabs, ...space }), rules };
  });
}

/** Figures that have a decimal mark, and none that parts thousands. */
const DECIMAL = /\d[.,]\d/;
const THOUSANDS = /\d[.,]\d{3}(?!\d)/;

/**
 * Width before the decimal marks of a column, where its entries are decimals that would not stand one under another at their
 * ends; 0: they are set flush right.
 */
function pointOf(
  rows: readonly Paragraph[][],
  column: number,
  entry: ResolvedStyle,
  stream: string,
  compose: ComposeContext,
): number {
  const entries = rows.slice(1).flatMap((row) => (row[column] === undefined ? [] : [row[column]]));
  const decimals = entries.filter(({ text }) => DECIMAL.test(text));
  if (decimals.length === 0 || entries.some(({ text }) => THOUSANDS.test(text))) return 0;
  const before = ({ text }: Paragraph) => text.trimStart().split(/[.,]/)[0].trimEnd();
  return greatest(
    0,
    entries.map((one) =>
      widthOf({ ...one, id: `${one.id}.`, text: before(one), spans: [], objects: [] }, entry, stream, compose),
    ),
  );
}

/** Rows whose cells are set side by side on as many lines as they need. */
function wrappedRows(
  { rows, plain, entry, widths, isFigures, gap, stream }: Setting,
  compose: ComposeContext,
): TableRow[] {
  const { interner } = compose.context;
  const least = widths.map((_, column) =>
    greatest(
      0,
      // Figures are never parted, whatever spaces they have.
      rows.map((row, k) => {
        if (row[column] === undefined) return 0;
        const isFigure = k > 0 && isFigures[column];
        return isFigure
          ? widthOf(row[column], entry, stream, compose)
          : longestWord(row[column], entry, stream, compose);
      }),
    ),
  );
  const room = compose.measure - gap * (widths.length - 1);
  const set = columnWidths(
    widths.map((natural, column) => ({ natural, least: Math.min(natural, least[column]) })),
    room,
  );
  const hyphenate = least.reduce((sum, width) => sum + width, 0) > room;
  const starts = set.map((_, column) => set.slice(0, column).reduce((sum, width) => sum + width + gap, 0));
  return rows.map((row, index) => {
    const { space, rules } = placeOfRow(index, rows.length, BETWEEN_ROWS);
    const cells = row.map((cell, column) => {
      const style = interner.intern({
        ...plain,
        leftIndent: starts[column],
        // A hair more than the width that was measured.
        rightIndent: Math.max(0, compose.measure - starts[column] - set[column] - 0.05),
        align: isFigures[column] ? 'right' : 'left',
        hyphenate,
        // A word over three lines takes as many hyphens as it needs.
        hyphenation: { ...plain.hyphenation, running: UNBROKEN },
      });
      return { cell, style, lines: linesOf(cell, style, stream, compose) };
    });
    const deepest = cells.reduce((most, { lines }, k) => (lines > cells[most].lines ? k : most), 0);
    const asRow = (cell: Paragraph): Paragraph => ({ ...cell, style: 'TB', touches: undefined, list: undefined });
    const keepTogether = cells[deepest].lines <= MOST_KEPT;
    return {
      paragraph: asRow(cells[deepest].cell),
      style: interner.intern({ ...cells[deepest].style, ...space, keepTogether }),
      rules,
      cells: cells.flatMap(({ cell, style }, k) =>
        k === deepest || cell.text.trim() === '' ? [] : [{ paragraph: asRow(cell), style, isBefore: k < deepest }],
      ),
    };
  });
}

const wordsOf = ({ text }: Paragraph) => text.split(/[\s\uFFFC]+/).sort((a, b) => b.length - a.length);

/** Width of the longest of the longest words. */
function longestWord(cell: Paragraph, entry: ResolvedStyle, stream: string, compose: ComposeContext): number {
  return greatest(
    0,
    wordsOf(cell)
      .slice(0, MEASURED)
      .map((text, k) =>
        widthOf({ ...cell, id: `${cell.id}.${k}`, text, spans: [], objects: [] }, entry, stream, compose),
      ),
  );
}

function linesOf(paragraph: Paragraph, style: ResolvedStyle, stream: string, compose: ComposeContext): number {
  const { measure } = compose;
  const job = { stream, paragraph, style, measure, prefix: '', tail: '', variants: 'none' as const };
  return composeBlock(job, compose.style, compose.context, compose.clock).composed.broken.count;
}

/** The paragraphs of a cell as one; null for a cell that holds a table, breaks of a person or pictures. */
function entryOf({ blocks }: TableCell): Paragraph | null {
  if (blocks.some((block: Block) => block.kind !== 'paragraph')) return null;
  const paragraphs = blocks as readonly Paragraph[];
  if (paragraphs.some((one) => one.objects.some((object) => ['break', 'tab', 'picture'].includes(object.kind))))
    return null;
  const [first = { kind: 'paragraph', id: 'cell', style: 'TX', text: '', spans: [], objects: [] } satisfies Paragraph] =
    paragraphs;
  return paragraphs.length <= 1 ? first : joinedBy(paragraphs, ' ');
}

function joined(entries: readonly Paragraph[]): Paragraph {
  return joinedBy(entries, OBJECT_CHARACTER);
}

/** Paragraphs one after another; parted by tabs where the sign between them is an object's. */
function joinedBy(paragraphs: readonly Paragraph[], between: string): Paragraph {
  let text = '';
  const spans: Paragraph['spans'][number][] = [];
  const objects: Paragraph['objects'][number][] = [];
  paragraphs.forEach((one, index) => {
    if (index > 0) {
      if (between === OBJECT_CHARACTER) objects.push({ at: text.length, kind: 'tab' });
      text += between;
    }
    const at = text.length;
    appendCopy(spans, objects, one, at);
    text += one.text;
  });
  const { touches: _, list: __, ...first } = paragraphs[0];
  return { ...first, style: 'TB', text, spans: normaliseSpans(spans), objects };
}

function widthOf(paragraph: Paragraph, style: ResolvedStyle, stream: string, compose: ComposeContext): number {
  const job = { stream, paragraph, style, measure: UNBROKEN, prefix: '', tail: '', variants: 'none' as const };
  const { broken } = composeBlock(job, compose.style, compose.context, compose.clock).composed;
  return broken.count === 0 ? 0 : broken.textWidth[0];
}
