// Puts rows of a table on the page: the line that stands for them, with rules and grounds, then their cells in reading order.
import type { Fragment, PageGeometry } from '../model/composed/pages';
import type { SetRows, SetText } from './flowParagraph';

/** `placed`: the line that stands for the rows, `height` grid lines deep; `isFirst`: in its region. */
export function placeRows(
  { texts, marks, top }: SetRows,
  placed: Fragment,
  height: number,
  isFirst: boolean,
  { leading }: PageGeometry,
): Fragment[] {
  const head = placed.y - height * leading;
  const over = top.depth * leading;
  const at = (down: number, isRepeated: boolean) => (text: SetText) => ({
    ...text,
    x: placed.x + text.x,
    y: down + text.y,
    ...(isRepeated ? { isRepeated: true as const } : {}),
  });
  const above = isFirst ? top.marks.map((mark) => ({ ...mark, y: mark.y - over })) : [];
  return [
    { ...placed, marks: [...above, ...marks] },
    ...(isFirst ? top.texts.map(at(head - over, true)) : []),
    ...texts.map(at(head, false)),
  ];
}
