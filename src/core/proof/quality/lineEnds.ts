// What stands at line ends and starts: divided words, ladders, the same word three times running, last lines too short.
import { LINE_END } from '../../model/broken';
import type { QualityFigures } from '../../model/quality';
import type { Page } from '../../model/pages';
import { follows, isFull, type PlacedLine } from './placedLines';

const LADDER = 3;
const STACK = 3;
/** Shorter words, such as `a` and `of`, come together by chance. */
const WORD = 3;

type LineEnds = Pick<
  QualityFigures,
  | 'hyphenatedLines'
  | 'hyphenatedShare'
  | 'ladders'
  | 'hyphensOverRectos'
  | 'stacks'
  | 'shortLastLines'
  | 'overfullLines'
>;

/** `pages` with the lines of each, in order. */
export function measureLineEnds(pages: readonly (readonly [Page, readonly PlacedLine[]])[]): LineEnds {
  let [full, hyphenated, ladders, rectos, stacks, short, over] = [0, 0, 0, 0, 0, 0, 0];
  for (const [page, lines] of pages) {
    let running = 0;
    const starts = new Run();
    const ends = new Run();
    lines.forEach((placed, k) => {
      const { broken, styled } = placed.paragraph;
      const { line } = placed;
      const isHyphen = broken.end[line] === LINE_END.hyphen;
      if (isFull(placed)) full += 1;
      if (isHyphen && isFull(placed)) hyphenated += 1;
      const endsInHyphen = isHyphen || /[-\u2010]$/.test(styled.text.slice(broken.from[line], broken.to[line]));
      running = endsInHyphen ? (follows(lines[k - 1], placed) ? running : 0) + 1 : 0;
      if (running === LADDER) ladders += 1;
      if (isHyphen && page.side === 'recto' && k === lines.length - 1) rectos += 1;
      if (broken.over[line] > 0.05) over += 1;
      const words =
        styled.text
          .slice(broken.from[line], broken.to[line])
          .toLowerCase()
          .match(/[\p{L}\p{M}’']+/gu) ?? [];
      const isStart = !follows(lines[k - 1], placed);
      if (starts.next(words[0] ?? '', isStart) === STACK) stacks += 1;
      if (ends.next(isHyphen ? '' : (words[words.length - 1] ?? ''), isStart) === STACK) stacks += 1;
      const { lastLine, size } = styled.style;
      const isLast = broken.end[line] === LINE_END.last && broken.count > 1;
      if (isLast && lastLine > 0 && broken.textWidth[line] < lastLine * size - 0.01) short += 1;
    });
  }
  return {
    hyphenatedLines: hyphenated,
    hyphenatedShare: (100 * hyphenated) / Math.max(1, full),
    ladders,
    hyphensOverRectos: rectos,
    stacks,
    shortLastLines: short,
    overfullLines: over,
  };
}

/** Counts how often a word has come running. */
class Run {
  private word = '';
  private count = 0;

  next(word: string, isStart: boolean): number {
    this.count = !isStart && word.length >= WORD && word === this.word ? this.count + 1 : 1;
    this.word = word;
    return word.length >= WORD ? this.count : 0;
  }
}
