// Quotes that have no partner in their paragraph: they are set as they were typed.
import { lastAtMost } from '../base/search';
import type { ParagraphRunner } from './hits';

/** Characters on each side of a quote that are looked at for its words: a word may be as long as the paragraph. */
const AROUND = 40;

/** Two words before a place and two from it on, whole where they are not very long. */
function wordsAround(text: string, at: number): string {
  const before = text.slice(Math.max(0, at - AROUND), at).split(/(?<=\s)/);
  const after = text.slice(at, at + AROUND).split(/(?=\s)/);
  return `${before.slice(-2).join('')}${after.slice(0, 2).join('')}`.trim();
}

export const unpairedQuotes: ParagraphRunner = ({ styled, broken }) =>
  styled.unpaired.map((offset) => {
    const at = styled.source === null ? offset : Math.max(0, styled.source.indexOf(offset));
    return {
      stream: styled.stream,
      block: styled.block,
      from: offset,
      to: offset + 1,
      kind: 'unpaired-quote',
      line: Math.max(0, lastAtMost(broken.from, at, broken.count)),
      message: `A quote has no partner: “… ${wordsAround(styled.text, at)} …”.`,
    };
  });
