// The links of a paragraph as its items have them.
import type { TextLink } from '../model/composed/links';
import type { StyledParagraph } from '../model/composed/styled';

const NO_LINKS: readonly TextLink[] = [];

/** The links of a stretch of the set text, over the text of its item; `lead`: letters of a drop capital before it. */
export function linksIn(
  { links = NO_LINKS }: StyledParagraph,
  from: number,
  to: number,
  lead: number,
): TextLink[] | undefined {
  const inside = links.filter((link) => link.from < to && link.to > from);
  if (inside.length === 0) return undefined;
  return inside.map(({ from: begin, to: end, target }) => ({
    from: begin <= from ? 0 : begin - from + lead,
    to: Math.min(end, to) - from + lead,
    target,
  }));
}
