// A table as WordprocessingML has it (ECMA-376, part 1, 17.4).
import type { ReadingBlock, ReadingTable } from '../../copy/readingTree';

/** `contentOf`: what stands in a cell. */
export function tableXml(
  { rows, columns }: ReadingTable,
  contentOf: (blocks: readonly ReadingBlock[]) => string,
): string {
  /** By its first column, a cell that goes on, and the row before which it ends. */
  const open = new Map<number, { readonly across: number; readonly end: number }>();
  const lines = rows.map(({ kind, cells }, r) => {
    const made = cells.map(({ column, across, down, blocks }) => {
      const inner = contentOf(blocks);
      // A cell ends with a paragraph, whatever it holds (17.4.65).
      const whole = inner === '' || inner.endsWith('</w:tbl>') ? `${inner}<w:p/>` : inner;
      return { column, across, xml: cellXml(across, down > 1 ? 'restart' : null, whole) };
    });
    for (const [column, { across, end }] of open)
      if (end > r) made.push({ column, across, xml: cellXml(across, 'continue', '<w:p/>') });
    for (const { column, across, down } of cells) open.set(column, { across, end: r + down });
    const properties = kind === 'head' || kind === 'units' ? '<w:trPr><w:tblHeader/></w:trPr>' : '';
    let next = 0;
    const row = made
      .sort((one, other) => one.column - other.column)
      .map(({ column, across, xml }) => {
        // Cells have their place by those before them: a column without one gets an empty one.
        const holes = cellXml(1, null, '<w:p/>').repeat(Math.max(0, column - next));
        next = column + across;
        return holes + xml;
      });
    return `<w:tr>${properties}${row.join('')}</w:tr>`;
  });
  const grid = `<w:tblGrid>${'<w:gridCol/>'.repeat(columns)}</w:tblGrid>`;
  return `<w:tbl><w:tblPr/>${grid}${lines.join('')}</w:tbl>`;
}

/** A cell over so many columns (17.4.17); `merge`: it begins or goes on over rows (17.4.84). */
function cellXml(across: number, merge: 'restart' | 'continue' | null, inner: string): string {
  const span = across > 1 ? `<w:gridSpan w:val="${across}"/>` : '';
  const down = merge === null ? '' : `<w:vMerge w:val="${merge}"/>`;
  return `<w:tc><w:tcPr>${span}${down}</w:tcPr>${inner}</w:tc>`;
}
