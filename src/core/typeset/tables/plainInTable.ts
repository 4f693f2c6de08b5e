// What no line of a table has, whatever its style says: indents, white of its own, rules and breaks. The table has those.
import type { ResolvedStyle } from '../../model/composed/styled';

export const plainInTable = (style: ResolvedStyle): ResolvedStyle => ({
  ...style,
  align: 'left',
  meaning: 'table',
  firstIndent: 0,
  leftIndent: 0,
  rightIndent: 0,
  above: 0,
  below: 0,
  hyphenate: false,
  withNext: false,
  breakBefore: null,
  initial: null,
  ruleAbove: null,
  ruleBelow: null,
  background: null,
  lineNumbers: 0,
});
