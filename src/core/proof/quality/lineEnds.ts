// What stands at line ends and starts: divided words, ladders, the same word three times running, last lines too short.
import { endsInMark, endsInOwnHyphen, firstWord, lastWord } from '../../base/words';
import { LINE_END } from '../../model/composed/broken';
import type { QualityFigures } from '../../model/answers/quality';
import type { Page } from '../../model/composed/pages';
import { follows, isFull, type PlacedLine } from './placedLines';

const LADDER = 3;
const STACK = 3;
/** Lines running that may end in a hyphen, dash or stop (house rules, section 3). */
const MARKS_RUNNING = 3;
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
  | 'markRuns'
>;

/** What is told of a line as it is met. */
export type LineEndFault = 'ladder' | 'stacked-words' | 'short-last-line' | 'marks-running';

/** `pages` with the lines of each, in order. */
export function measureLineEnds(
  pages: readonly (readonly [Page, readonly PlacedLine[]])[],
  found: (fault: LineEndFault, line: PlacedLine) => void = () => undefined,
): LineEnds {
  let [full, hyphenated, ladders, rectos, stacks, short, over, markRuns] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (const [page, lines] of pages) {
    let running = 0;
    let marked = 0;
    const starts = new Run();
    const ends = new Run();
    lines.forEach((placed, k) => {
      const { broken, styled } = placed.paragraph;
      const { line } = placed;
      const isHyphen = broken.end[line] === LINE_END.hyphen;
      if (isFull(placed)) full += 1;
      if (isHyphen && isFull(placed)) hyphenated += 1;
      const endsInHyphen = isHyphen || endsInOwnHyphen(styled.text, broken.to[line]);
      running = endsInHyphen ? (follows(lines[k - 1], placed) ? running : 0) + 1 : 0;
      if (running === LADDER) {
        ladders += 1;
        found('ladder', placed);
      }
      if (endsInHyphen && page.side === 'recto' && k === lines.length - 1) rectos += 1;
      if (broken.over[line] > 0.05) over += 1;
      const { text } = styled;
      const [from, to] = [broken.from[line], broken.to[line]];
      const isLast = broken.end[line] === LINE_END.last;
      const isStart = !follows(lines[k - 1], placed);
      // A last line, and one of verse, ends in its stop whatever is done.
      const isGiven = isLast || broken.end[line] === LINE_END.forced;
      const isMarked = !isGiven && (isHyphen || endsInMark(text, to));
      marked = isMarked ? (isStart ? 0 : marked) + 1 : 0;
      if (marked === MARKS_RUNNING + 1) {
        markRuns += 1;
        found('marks-running', placed);
      }
      const isStack = [
        starts.next(firstWord(text, from, to), isStart),
        ends.next(isHyphen ? '' : lastWord(text, from, to), isStart),
      ].filter((count) => count === STACK);
      stacks += isStack.length;
      for (const _ of isStack) found('stacked-words', placed);
      const { lastLine, size } = styled.style;
      if (isLast && broken.count > 1 && lastLine > 0 && broken.textWidth[line] < lastLine * size - 0.01) {
        short += 1;
        found('short-last-line', placed);
      }
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
    markRuns,
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
