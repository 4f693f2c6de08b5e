// Characters that no shipped or loaded face has: they would print as empty boxes.
import type { ParagraphCheck } from './paragraphCheck';

export const missingCharacters: ParagraphCheck = (paragraph) => {
  const { styled } = paragraph;
  if (styled.missing.length === 0) return [];
  return [...new Set(styled.missing)].map((code) => ({
    line: 0,
    finding: {
      kind: 'missing-character' as const,
      grade: 'must' as const,
      stream: styled.stream,
      block: styled.block,
      message: `No face has ${String.fromCodePoint(code)} (U+${code.toString(16).toUpperCase().padStart(4, '0')}).`,
    },
  }));
};
