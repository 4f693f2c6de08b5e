// What a Word file says of the rows, cells and columns of a table (ECMA-376, part 1, 17.4).
import { elements, maybeChild, type XmlElement } from '../../base/xml';
import type { Block, TableRowKind } from '../../model/copy/streams';
import { headsSaid, type IncomingCell, type IncomingRow } from '../incomingTable';
import { wrappedChildren } from './wrapped';

const isOn = (element: XmlElement | undefined) =>
  element !== undefined && !['0', 'false', 'off'].includes(element.attributes['w:val'] ?? '');

/** A row that is said again at the head of each page is a head. */
function rowKind(row: XmlElement): TableRowKind | undefined {
  const properties = maybeChild(row, 'w:trPr');
  return properties !== undefined && isOn(maybeChild(properties, 'w:tblHeader')) ? 'head' : undefined;
}

function cellFacts(cell: XmlElement): Pick<IncomingCell, 'across' | 'goesOn'> {
  const properties = maybeChild(cell, 'w:tcPr');
  if (properties === undefined) return {};
  const across = Number(maybeChild(properties, 'w:gridSpan')?.attributes['w:val'] ?? 1);
  const merge = maybeChild(properties, 'w:vMerge');
  const goesOn = merge !== undefined && merge.attributes['w:val'] !== 'restart';
  return { across: across >= 1 ? across : 1, ...(goesOn ? { goesOn } : {}) };
}

/** Shares of the columns of a table whose widths somebody fixed; none for one that fits itself. */
export function fixedWidths(table: XmlElement): readonly number[] {
  const properties = maybeChild(table, 'w:tblPr');
  const layout = properties && maybeChild(properties, 'w:tblLayout');
  const grid = maybeChild(table, 'w:tblGrid');
  if (layout?.attributes['w:type'] !== 'fixed' || grid === undefined) return [];
  const widths = elements(grid).map(({ attributes }) => Number(attributes['w:w']));
  if (widths.some((width) => !(width > 0))) return [];
  const mean = widths.reduce((sum, width) => sum + width, 0) / widths.length;
  return widths.map((width) => width / mean);
}

/** The rows of a table. `blocksOf`: reads what stands in a cell. */
export function readRows(table: XmlElement, blocksOf: (cell: XmlElement) => readonly Block[]): readonly IncomingRow[] {
  const rows = wrappedChildren(table, 'w:tr').map((row): IncomingRow => ({
    kind: rowKind(row),
    cells: wrappedChildren(row, 'w:tc').map((cell) => ({ blocks: blocksOf(cell), ...cellFacts(cell) })),
  }));
  return headsSaid(rows);
}
