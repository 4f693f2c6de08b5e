// Justified lines whose word spaces are wider than their face bears.
import type { LineFinding, ParagraphCheck } from './paragraphCheck';
import { lineWords } from './lineWords';
import { isLoose } from './quality/spacing';

export const looseLines: ParagraphCheck = (paragraph) => {
  const { styled, broken } = paragraph;
  const findings: LineFinding[] = [];
  for (let line = 0; line < broken.count; line += 1) {
    if (!isLoose({ paragraph, line })) continue;
    findings.push({
      line,
      finding: {
        kind: 'loose-line' as const,
        grade: 'should' as const,
        stream: styled.stream,
        block: styled.block,
        message: `${lineWords(paragraph, line)} is loose: spaces of ${broken.spaceEm[line].toFixed(2)} em, limit ${styled.style.looseOver.toFixed(2)}.`,
      },
    });
  }
  return findings;
};
