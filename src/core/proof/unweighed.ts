// Paragraphs with more ways of being set near the best one than are looked at.
import type { ParagraphCheck } from './paragraphCheck';

export const unweighed: ParagraphCheck = ({ styled, broken }) =>
  broken.isUnweighed
    ? [
        {
          line: 0,
          finding: {
            kind: 'unweighed' as const,
            grade: 'look' as const,
            stream: styled.stream,
            block: styled.block,
            message: 'This paragraph could be set in more ways than are weighed: its faults may not all be needed.',
          },
        },
      ]
    : [];
