// Figures that do not stand in the text, composed: those with a place of their own, and those beside text.
import type { FlowFloat, FlowParagraph } from '../../paginate';
import { besideFigure, roomBeside, type BesideFigure } from './besideFigures';
import { captionContext, composeOne } from './composeBlocks';
import type { ComposeContext } from './composeContext';
import { floatsOf } from './floatFigures';
import type { FloatingFigure } from './floatingFigure';
import { flowParagraph } from './flowParagraph';
import { settingOf } from './settingOf';

/** A figure with a place of its own, composed. */
export function composeFloats(stream: string, figure: FloatingFigure, compose: ComposeContext): FlowFloat[] {
  const place = figure.place as Exclude<FloatingFigure['place'], 'beside'>;
  return floatsOf(
    place,
    composeParts(stream, figure, () => compose),
    compose,
  );
}

/** A figure that stands beside text, its captions as wide as its pictures. */
export function composeBeside(stream: string, figure: FloatingFigure, ofText: ComposeContext): BesideFigure {
  const compose = { ...ofText, beside: roomBeside(figure, ofText)! };
  const widthOf = ({ paragraph }: FlowParagraph) =>
    Math.max(...paragraph.styled.style.pictures!.map(({ x, width }) => x + width));
  const parts = composeParts(stream, figure, (first) =>
    first === undefined ? compose : { ...compose, measure: widthOf(first) },
  );
  return besideFigure(figure, parts, compose);
}

/** The paragraphs of a figure. `composeBy`: how each is composed, by the one of the pictures; undefined for that itself. */
function composeParts(
  stream: string,
  { blocks }: FloatingFigure,
  composeBy: (first: FlowParagraph | undefined) => ComposeContext,
): FlowParagraph[] {
  const parts: FlowParagraph[] = [];
  blocks.forEach((block, k) => {
    const compose = captionContext(blocks, k, composeBy(parts[0]));
    const { number, style } = settingOf(blocks, k, null, { count: 0, joins: false }, compose);
    const entry = composeOne(block.stream ?? stream, block, style, number, compose, 'none');
    parts.push(flowParagraph(entry, block, parts[k - 1], true, compose, []));
  });
  return parts;
}
