// What is drawn around the lines of a paragraph: its background, and rules above the first line and below the last.
import type { RuleItem } from '../model/composed/displayList';
import type { Pt } from '../model/spec/length';
import type { Fragment, PageGeometry } from '../model/composed/pages';
import type { SetRule } from '../model/composed/styled';
import { columnWidth } from './columnOf';

/** Share of the leading that a background has over the first baseline; the rest is under the last. */
const OVER = 0.76;

/** `left`: the left edge of the type area. A paragraph cut by a page end has its rules where it begins and ends. */
export function paragraphRules(fragment: Fragment, geometry: PageGeometry, left: Pt): RuleItem[] {
  const { paragraph, from, to, x, y } = fragment;
  const { styled, broken } = paragraph;
  const { ruleAbove, ruleBelow, background, leading, leftIndent, rightIndent } = styled.style;
  if ((ruleAbove === null && ruleBelow === null && background === null) || to <= from) return [];
  const width = columnWidth(fragment, geometry);
  const box = { x: left + x + leftIndent, width: Math.max(0, width - leftIndent - rightIndent) };
  const foot = y + (to - from - 1) * leading;
  const made: RuleItem[] = [];
  if (background !== null) {
    const [top, bottom] = [y - OVER * leading, foot + (1 - OVER) * leading];
    made.push({ ...box, y: (top + bottom) / 2, thickness: bottom - top, ink: background, kind: 'ground' });
  }
  const add = (rule: SetRule, line: number, at: Pt) => {
    const words = { x: left + x + broken.x[line], width: broken.textWidth[line] };
    const span = rule.width === 'paragraph' ? box : rule.width === 'words' ? words : { x: words.x, width: rule.width };
    made.push({
      ...span,
      y: at,
      thickness: rule.weight,
      kind: 'paragraph',
      ...(rule.ink === null ? {} : { ink: rule.ink }),
    });
  };
  if (ruleAbove !== null && from === 0) add(ruleAbove, 0, y - ruleAbove.offset);
  if (ruleBelow !== null && to === broken.count) add(ruleBelow, broken.count - 1, foot + ruleBelow.offset);
  return made;
}
