// Lines that are wider than their measure.
import type { ParagraphCheck } from './checks';
import { lineWords } from './lineWords';

export const overfullLines: ParagraphCheck = (paragraph, pageOfLine) => {
  const { styled, broken } = paragraph;
  const findings = [];
  for (let line = 0; line < broken.count; line += 1) {
    if (broken.over[line] <= 0.05) continue;
    findings.push({
      kind: 'overfull-line' as const,
      grade: 'must' as const,
      stream: styled.stream,
      block: styled.block,
      page: pageOfLine(line),
      message: `${lineWords(paragraph, line)} is ${broken.over[line].toFixed(1)} pt wider than its measure.`,
    });
  }
  return findings;
};
