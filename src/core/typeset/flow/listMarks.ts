// Room for the marks of list items, which hang before the text.
import type { ResolvedStyle } from '../../model/composed/styled';

/** Room of a mark, in em of the text. */
const HANG = 1.5;

/** The style of an item of a level, its mark hanging. */
export function itemStyle(style: ResolvedStyle, level: number): ResolvedStyle {
  const hang = HANG * style.size;
  return { ...style, leftIndent: Math.max(style.leftIndent, hang) + level * hang, firstIndent: -hang };
}
