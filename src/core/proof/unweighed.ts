// Paragraphs with more ways of being set near the best one than are looked at.
import { onParagraph, type ParagraphRunner } from './hits';

const MESSAGE = 'This paragraph could be set in more ways than are weighed: its faults may not all be needed.';

export const unweighed: ParagraphRunner = ({ styled, broken }) =>
  broken.isUnweighed ? [{ ...onParagraph(styled), kind: 'unweighed', line: 0, message: MESSAGE }] : [];
