// What goes over to the next page with a head that does not fit its page.
import { depthOfWhole, type FlowParagraph } from './flowParagraph';

/** Lines that follow a head at a page foot. */
export const AFTER_HEAD = 3;
/** Lines of a paragraph before a figure that are too few to stand at a page foot without it. */
export const NEAR_START = 2;
/** Grid lines from which a single line is tall. */
export const TALL = 4;

export const isHead = ({ paragraph }: FlowParagraph): boolean => paragraph.styled.style.withNext;

/** The paragraphs after one that it depends on: after a head as many as may have to follow it, else one. */
export const followers = (paragraphs: readonly FlowParagraph[], index: number) =>
  paragraphs.slice(index + 1, index + (paragraphs[index].paragraph.styled.style.withNext ? 1 + AFTER_HEAD : 2));

/**
 * Grid lines that go over with a head that does not fit its page: up to so many lines of text, and what stands before them and
 * cannot be divided, such as other heads, a row of a table, a picture.
 */
export function goesOver(after: readonly (FlowParagraph | undefined)[], leading: number): number {
  let depth = 0;
  let lines = 0;
  for (const next of after) {
    if (next === undefined || lines >= AFTER_HEAD) break;
    const { styled, broken } = next.paragraph;
    const { style } = styled;
    // Text beside a figure goes over with it.
    if (next.byFigure !== undefined && !next.byFigure.joins && next.byFigure.from <= NEAR_START)
      return depth + next.gap + next.byFigure.from + next.byFigure.depth;
    const height = next.captions === undefined ? style.leading / leading : depthOfWhole(next, leading);
    const isWhole = style.withNext || style.keepTogether || (broken.count === 1 && height >= TALL);
    const taken = isWhole ? broken.count : Math.min(broken.count, AFTER_HEAD - lines);
    depth += next.gap + taken * height;
    if (!style.withNext) lines += taken;
  }
  return depth;
}
