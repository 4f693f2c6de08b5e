// Characters that no shipped or loaded face has: they would print as empty boxes.
import type { ParagraphCheck } from './checks';

export const missingCharacters: ParagraphCheck = (paragraph, pageOfLine) => {
  const { styled } = paragraph;
  return [...new Set(styled.missing)].map((code) => ({
    kind: 'missing-character' as const,
    grade: 'must' as const,
    stream: styled.stream,
    block: styled.block,
    page: pageOfLine(0),
    message: `No face has ${String.fromCodePoint(code)} (U+${code.toString(16).toUpperCase().padStart(4, '0')}).`,
  }));
};
