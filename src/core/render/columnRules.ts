// Rules between columns.
import type { RuleItem } from '../model/composed/displayList';
import type { Pt } from '../model/spec/length';
import type { Page, PageGeometry } from '../model/composed/pages';

/** Upright rules from the first line of the columns to the last; none where the text ends before the second. `left`: of the type area. */
export function columnRules(
  { fragments }: Page,
  { columns, columnRule, capHeight }: PageGeometry,
  left: Pt,
): RuleItem[] {
  if (columnRule <= 0 || columns.length < 2) return [];
  const last = fragments.filter(({ x }) => x >= columns[1].x - 0.01);
  if (last.length === 0) return [];
  const top = Math.min(...last.map(({ y }) => y)) - capHeight;
  const below = fragments.filter(({ y }) => y >= top);
  const bottom = Math.max(
    ...below.map(({ y, from, to, paragraph }) => y + (to - from - 1) * paragraph.styled.style.leading),
  );
  return columns.slice(1).map(({ x }, k) => {
    const middle = left + (columns[k].x + columns[k].width + x) / 2;
    return {
      x: middle - columnRule / 2,
      y: (top + bottom) / 2,
      width: columnRule,
      thickness: bottom - top,
      kind: 'columns',
    };
  });
}
