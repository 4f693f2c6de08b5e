// A table of the reading tree as XHTML: in sections, its heads and what they stand over (HTML, 4.9). Heads say what they are heads of.
import { escapeXml } from '../../base/xml';
import type { ReadingBlock, ReadingCell, ReadingRow, ReadingTable } from '../../copy/readingTree';
import { plainWords } from '../../numbering/headWords';
import { clean } from './clean';

export interface TableParts {
  /** Of its element, each with a space before it. */
  readonly attributes: string;
  /** Its caption as an element. */
  readonly caption: string;
  /** On narrow screens it is a list, each entry with the head of its column, so that entries say it. */
  readonly isListed: boolean;
  /** What stands in a cell. */
  readonly tree: (blocks: readonly ReadingBlock[]) => string;
}

export function tableXhtml(table: ReadingTable, { attributes, caption, isListed, tree }: TableParts): string {
  const { rows } = table;
  const first = rows.findIndex(({ kind }) => kind !== 'head' && kind !== 'units');
  const count = first < 0 ? rows.length : first;
  const heads = rows.slice(0, count);
  const names = isListed ? headsOfColumns(table, heads) : [];
  const section = (name: string, own: readonly ReadingRow[], around: RowsAround) =>
    own.length === 0 ? '' : `<${name}>${own.map((row) => rowXhtml(row, around, tree)).join('')}</${name}>`;
  const around = { columns: table.columns, hasHead: count > 0 };
  const body = `${section('thead', heads, { ...around, names: [] })}${section('tbody', rows.slice(count), { ...around, names })}`;
  return `<table${attributes}${isListed && count > 0 ? ' class="listed"' : ''}>${caption}${body}</table>`;
}

/** The words of the heads of each column, escaped: one over several is the head of each. */
function headsOfColumns({ columns }: ReadingTable, heads: readonly ReadingRow[]): string[] {
  const names = Array.from({ length: columns }, () => [] as string[]);
  for (const { cells } of heads)
    for (const { column, across, blocks } of cells) {
      const said = blocks.map((block) => ('paragraph' in block ? plainWords(block.paragraph) : ''));
      const words = said.join(' ').trim();
      if (words !== '') for (let k = column; k < column + across; k += 1) names[k]?.push(words);
    }
  return names.map((own) => escapeXml(clean(own.join(', '))));
}

/** Kinds of rows that their section does not tell. */
const TOLD: ReadonlySet<ReadingRow['kind']> = new Set(['units', 'group', 'total']);

/** What a row is told of its table. */
interface RowsAround {
  readonly columns: number;
  readonly hasHead: boolean;
  /** Heads that its entries say, by column. */
  readonly names: readonly string[];
}

function rowXhtml(
  { kind, cells }: ReadingRow,
  { columns, hasHead, names }: RowsAround,
  tree: TableParts['tree'],
): string {
  const scope = (cell: ReadingCell): string | null => {
    if (kind === 'head') return cell.across > 1 ? 'colgroup' : 'col';
    if (kind === 'group') return 'rowgroup';
    return hasHead && columns > 1 && cell.column === 0 && kind !== 'units' ? 'row' : null;
  };
  const made = cells.map((cell) => {
    const { across, down, align, blocks } = cell;
    const inner = tree(blocks);
    // What says nothing is the head of nothing.
    const own = inner === '' ? null : scope(cell);
    const name = own === null ? 'td' : 'th';
    const span = `${across > 1 ? ` colspan="${across}"` : ''}${down > 1 ? ` rowspan="${down}"` : ''}`;
    const hasName = names[cell.column] && inner !== '' && across < columns;
    const head = hasName ? ` data-head="${names[cell.column]}"` : '';
    return `<${name}${own === null ? '' : ` scope="${own}"`}${span}${alignIn(align)}${head}>${inner}</${name}>`;
  });
  return `<tr${TOLD.has(kind) ? ` data-kind="${kind}"` : ''}>${made.join('')}</tr>`;
}

function alignIn(align: ReadingCell['align']): string {
  if (align === undefined) return '';
  if (align === 'mark') return ' style="text-align: right" data-align="mark"';
  return ` style="text-align: ${align === 'centre' ? 'center' : align}"`;
}
