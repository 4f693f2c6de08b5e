// Justified lines whose word spaces are wider than their face bears.
import type { ParagraphCheck } from './checks';
import { lineWords } from './lineWords';

/** A line is loose over this times the wished word space (house rules, section 3). */
const LOOSE = 1.5;

export const looseLines: ParagraphCheck = (paragraph, pageOfLine) => {
  const { styled, broken } = paragraph;
  const limit = styled.style.wordSpace.wished * LOOSE;
  const findings = [];
  for (let line = 0; line < broken.count; line += 1) {
    if (broken.spaceEm[line] <= limit + 1e-4) continue;
    findings.push({
      kind: 'loose-line' as const,
      grade: 'should' as const,
      stream: styled.stream,
      block: styled.block,
      page: pageOfLine(line),
      message: `${lineWords(paragraph, line)} is loose: spaces of ${broken.spaceEm[line].toFixed(2)} em, limit ${limit.toFixed(2)}.`,
    });
  }
  return findings;
};
