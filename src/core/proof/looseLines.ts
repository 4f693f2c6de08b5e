// Justified lines whose word spaces are wider than their face bears.
import { onLine, type LineHit, type ParagraphRunner } from './hits';
import { lineWords } from './lineWords';
import { isLoose } from './quality/spacing';

export const looseLines: ParagraphRunner = (paragraph) => {
  const { styled, broken } = paragraph;
  const hits: LineHit[] = [];
  for (let line = 0; line < broken.count; line += 1) {
    if (!isLoose({ paragraph, line })) continue;
    const message = `${lineWords(paragraph, line)} is loose: spaces of ${broken.spaceEm[line].toFixed(2)} em, limit ${styled.style.looseOver.toFixed(2)}.`;
    hits.push({ ...onLine(paragraph, line), kind: 'loose-line', line, message });
  }
  return hits;
};
