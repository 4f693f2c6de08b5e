// The column in which lines of a page stand.
import type { Pt } from '../model/spec/length';
import type { Fragment, PageGeometry } from '../model/composed/pages';

/** Width of the column that begins where a fragment does; of all columns for heads and display pages, which go across. */
export function columnWidth({ paragraph, from, x }: Fragment, { columns, measure }: PageGeometry): Pt {
  const { broken, styled } = paragraph;
  const column = columns.find((one) => Math.abs(one.x - x) < 0.5) ?? columns[0];
  const { leftIndent, rightIndent, firstIndent } = styled.style;
  // Lines of verse may all begin as the first one does: what that stands out by is then none of the measure.
  const first = from === 0 ? firstIndent + broken.initial : Math.min(0, firstIndent);
  const own = broken.width[from] + leftIndent + rightIndent + first;
  return own > column.width + 0.5 ? measure : column.width;
}
