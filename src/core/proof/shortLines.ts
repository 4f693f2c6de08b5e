// Lines of justified text that were left short, because no face bears the spaces that would have filled them.
import { LINE_END } from '../model/composed/broken';
import { onLine, type LineHit, type ParagraphRunner } from './hits';
import { lineWords } from './lineWords';
import { filledSpace, isLeftShort } from './quality/spacing';

export const shortLines: ParagraphRunner = (paragraph) => {
  const { styled, broken } = paragraph;
  const { style } = styled;
  if (style.align !== 'justify') return [];
  const hits: LineHit[] = [];
  for (let line = 0; line < broken.count; line += 1) {
    const short = broken.width[line] - broken.textWidth[line];
    const isOpen = broken.end[line] === LINE_END.last || broken.end[line] === LINE_END.forced;
    if (!isLeftShort({ paragraph, line }) || isOpen) continue;
    const spaces = broken.spaceCount[line];
    const filled = filledSpace({ paragraph, line });
    const why = spaces === 0 ? 'it has no space' : `its spaces would have been ${filled.toFixed(2)} em`;
    const message = `${lineWords(paragraph, line)} is left ${short.toFixed(1)} pt short: ${why}.`;
    hits.push({ ...onLine(paragraph, line), kind: 'short-line', line, message });
  }
  return hits;
};
