// Lines that are wider than their measure.
import type { LineFinding, ParagraphCheck } from './paragraphCheck';
import { lineWords } from './lineWords';

export const overfullLines: ParagraphCheck = (paragraph) => {
  const { styled, broken } = paragraph;
  const findings: LineFinding[] = [];
  for (let line = 0; line < broken.count; line += 1) {
    if (broken.over[line] <= 0.05) continue;
    findings.push({
      line,
      finding: {
        kind: 'overfull-line' as const,
        grade: 'must' as const,
        stream: styled.stream,
        block: styled.block,
        message: `${lineWords(paragraph, line)} is ${broken.over[line].toFixed(1)} pt wider than its measure.`,
      },
    });
  }
  return findings;
};
