// Tables set plainly: columns as wide as their widest entry, a row a line, rules above, below the head and at the end. A table
// that does not fit its measure so is set as paragraphs, cell by cell.
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
import { composeBlock } from './composeParagraph';
import type { ComposeContext } from './composeContext';

/** A row as a paragraph with tabs, how it is set, and the rules that it has. */
export interface TableRow {
  readonly paragraph: Paragraph;
  readonly style: ResolvedStyle;
  readonly rules: { readonly above: boolean; readonly below: boolean };
}

/** White between two columns, in em. */
const GAP = 1.4;
/** No entry is broken when it is measured. */
const UNBROKEN = 100_000;
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
  const total = widths.reduce((sum, width) => sum + width, 0) + gap * (widths.length - 1);
  if (total > compose.measure + 0.01) return null;
  const tabs: TabStop[] = [];
  let start = 0;
  widths.forEach((width, column) => {
    const isFigures =
      rows.length > 1 && rows.slice(1).every((row) => row[column] === undefined || FIGURES.test(row[column].text));
    if (column > 0) tabs.push(isFigures ? { at: start + width, kind: 'right' } : { at: start, kind: 'left' });
    start += width + gap;
  });
  return rows.map((row, index) => {
    const isFirst = index === 0;
    const isLast = index === rows.length - 1;
    const style = { ...plain, tabs, above: isFirst ? 1 : 0, below: isLast ? 1 : 0, withNext: isFirst && !isLast };
    return {
      paragraph: joined(row),
      style: interner.intern(style),
      rules: { above: isFirst, below: isLast || (isFirst && rows.length > 2) },
    };
  });
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
