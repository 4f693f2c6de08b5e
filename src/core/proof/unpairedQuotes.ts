// Quotes that have no partner in their paragraph: they are set as they were typed.
import { lastAtMost } from '../base/search';
import type { ParagraphCheck } from './checks';

export const unpairedQuotes: ParagraphCheck = ({ styled, broken }) =>
  styled.unpaired.map((offset) => {
    const at = styled.source === null ? offset : Math.max(0, styled.source.indexOf(offset));
    // Whole words around the quote.
    const before = /\S*\s?\S*$/.exec(styled.text.slice(0, at))![0];
    const after = /^\S*\s?\S*/.exec(styled.text.slice(at))![0];
    const words = `${before}${after}`.trim();
    return {
      line: Math.max(0, lastAtMost(broken.from, at, broken.count)),
      finding: {
        kind: 'unpaired-quote' as const,
        grade: 'look' as const,
        stream: styled.stream,
        block: styled.block,
        message: `A quote has no partner: “… ${words} …”.`,
      },
    };
  });
