// What HTML says of the rows, cells and columns of a table besides their words (HTML, 4.9).
import { elements, type XmlElement } from '../../base/xml';
import { TABLE_ROW_KINDS, type Block, type CellAlign, type TableRowKind } from '../../model/copy/streams';
import type { IncomingRow } from '../incomingTable';

const KINDS: ReadonlySet<string> = new Set(TABLE_ROW_KINDS);

/** What a row is: as it says itself, by its section, or because all its cells are heads. Undefined: nobody says. */
function rowKind(
  row: XmlElement,
  cells: readonly XmlElement[],
  section: string,
  count: number,
): TableRowKind | undefined {
  const said = row.attributes['data-kind'];
  if (said !== undefined && KINDS.has(said)) return said as TableRowKind;
  if (section === 'thead') return 'head';
  if (section === 'tfoot') return 'total';
  const areHeads = cells.length > 0 && cells.every(({ name }) => name === 'th');
  if (areHeads && section === '') return cells.length === 1 && count > 1 ? 'group' : 'head';
  return section === '' ? undefined : 'body';
}

const SIDES: Readonly<Record<string, CellAlign>> = {
  ...{ left: 'left', start: 'left', right: 'right', end: 'right' },
  ...{ center: 'centre', char: 'mark' },
};

function cellAlign({ attributes }: XmlElement): CellAlign | undefined {
  if (attributes['data-align'] === 'mark') return 'mark';
  const styled = /(?:^|;)\s*text-align:\s*([a-z]+)/i.exec(attributes.style ?? '')?.[1] ?? attributes.align;
  const side = styled?.toLowerCase();
  return side !== undefined && Object.hasOwn(SIDES, side) ? SIDES[side] : undefined;
}

/** The rows of a table, those of its sections in their order. `blocksOf`: reads what stands in a cell. */
export function readRows(table: XmlElement, blocksOf: (cell: XmlElement) => readonly Block[]): IncomingRow[] {
  const rows: { readonly row: XmlElement; readonly section: string }[] = [];
  const collect = (element: XmlElement, section: string) => {
    for (const child of elements(element)) {
      if (child.name === 'tr') rows.push({ row: child, section });
      else if (/^(thead|tbody|tfoot)$/.test(child.name)) collect(child, child.name);
    }
  };
  collect(table, '');
  return rows.map(({ row, section }) => {
    const cells = elements(row).filter((cell) => cell.name === 'td' || cell.name === 'th');
    return {
      kind: rowKind(row, cells, section, rows.length),
      cells: cells.map((cell) => ({
        blocks: blocksOf(cell),
        across: spanOf(cell.attributes.colspan),
        down: spanOf(cell.attributes.rowspan),
        align: cellAlign(cell),
      })),
    };
  });
}

const spanOf = (typed: string | undefined) => (/^\s*\d+/.test(typed ?? '') ? Number.parseInt(typed!, 10) : undefined);

/** Shares of the columns of which each says how wide it is, in one unit; none where one says nothing. */
export function columnShares(table: XmlElement): readonly number[] {
  const columns: XmlElement[] = [];
  const collect = (element: XmlElement) => {
    for (const child of elements(element))
      if (child.name === 'col') columns.push(child);
      else if (child.name === 'colgroup') collect(child);
  };
  collect(table);
  const widths = columns.flatMap(({ attributes }) => {
    const typed = /(?:^|;)\s*width:\s*([\d.]+)(%|px|pt|em)/i.exec(attributes.style ?? '');
    const plain = /^([\d.]+)(%|\*)?$/.exec(attributes.width ?? '');
    const found = typed ?? plain;
    return found === null ? [] : [{ size: Number(found[1]), unit: found[2] ?? 'px' }];
  });
  const isWhole = widths.length > 0 && widths.length === columns.length;
  if (!isWhole || widths.some(({ size, unit }) => !(size > 0) || unit !== widths[0].unit)) return [];
  const mean = widths.reduce((sum, { size }) => sum + size, 0) / widths.length;
  return widths.map(({ size }) => size / mean);
}
