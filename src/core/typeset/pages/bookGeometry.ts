// The page of a book in points, as its spec has it.
import { typeArea } from '../../measure/typeArea';
import type { Book, Division } from '../../model/copy/book';
import { maybeFace } from '../../model/spec/faces';
import type { PageGeometry } from '../../model/composed/pages';
import type { PagesSpec } from '../../model/spec/spec';
import type { TypesetContext } from '../context';

export function pageGeometry(book: Book, context: TypesetContext): PageGeometry {
  const { page, text } = book.spec;
  const face = maybeFace(context.library.table, text.face, 400, false) ?? context.library.table[0];
  const capHeight = (face.capHeight / face.unitsPerEm) * text.size.pt;
  const area = typeArea(page, capHeight, text.leading.pt);
  return {
    width: page.trim.width.pt,
    height: page.trim.height.pt,
    measure: area.measure,
    head: page.margins.head.pt,
    back: page.margins.back.pt,
    foreEdge: page.margins.foreEdge.pt,
    leading: text.leading.pt,
    capHeight,
    lines: Math.max(1, area.lines),
    columnRule: book.spec.pages.columnRule.pt,
    columns: columnsOf(book.spec.pages, area.measure),
  };
}

/** The page of one division: that of the book, but for columns and margins of its own or of its role. */
export function divisionGeometry({ spec }: Book, { id, role }: Division, geometry: PageGeometry): PageGeometry {
  const own = spec.pages.others[id] ?? spec.pages.others[role];
  if (own === undefined) return geometry;
  const { margins = spec.page.margins } = own;
  const area = typeArea({ ...spec.page, margins }, geometry.capHeight, geometry.leading);
  return {
    ...geometry,
    measure: area.measure,
    head: margins.head.pt,
    back: margins.back.pt,
    foreEdge: margins.foreEdge.pt,
    lines: Math.max(1, area.lines),
    columns: columnsOf({ ...own, columnShares: null }, area.measure),
  };
}

/** Columns side by side; a measure too narrow for all of them and their gaps has one. */
function columnsOf(
  { columns, columnGap, columnShares }: Pick<PagesSpec, 'columns' | 'columnGap' | 'columnShares'>,
  measure: number,
): PageGeometry['columns'] {
  const room = measure - (columns - 1) * columnGap.pt;
  if (columns === 1 || room <= 0) return [{ x: 0, width: measure }];
  const shares = columnShares?.length === columns ? columnShares : new Array<number>(columns).fill(1);
  const sum = shares.reduce((total, share) => total + share, 0);
  let x = 0;
  return shares.map((share) => {
    const width = (room * share) / sum;
    const placed = { x, width };
    x += width + columnGap.pt;
    return placed;
  });
}
