// Characters that no shipped or loaded face has: they would print as empty boxes.
import { onStretch, type ParagraphRunner } from './hits';

export const missingCharacters: ParagraphRunner = ({ styled }) => {
  if (styled.missing.length === 0) return [];
  return [...new Set(styled.missing)].map((code) => {
    const character = String.fromCodePoint(code);
    const at = styled.text.indexOf(character);
    return {
      ...onStretch(styled, Math.max(0, at), Math.max(0, at) + character.length),
      kind: 'missing-character',
      line: 0,
      message: `No face has ${character} (U+${code.toString(16).toUpperCase().padStart(4, '0')}).`,
    };
  });
};
