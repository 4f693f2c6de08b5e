// Lines that are wider than their measure.
import { onLine, type LineHit, type ParagraphRunner } from './hits';
import { lineWords } from './lineWords';

export const overfullLines: ParagraphRunner = (paragraph) => {
  const { broken } = paragraph;
  const hits: LineHit[] = [];
  for (let line = 0; line < broken.count; line += 1) {
    if (broken.over[line] <= 0.05) continue;
    const message = `${lineWords(paragraph, line)} is ${broken.over[line].toFixed(1)} pt wider than its measure.`;
    hits.push({ ...onLine(paragraph, line), kind: 'overfull-line', line, message });
  }
  return hits;
};
