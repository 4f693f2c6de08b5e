// Word spaces: their mean and deviation over full lines, and the lines that are loose or tight.
import type { QualityFigures } from '../../model/answers/quality';
import { isFull, type PlacedLine } from './placedLines';

const TIGHT = 0.75;
/** Loose is one and a half times the face's own space (house rules, section 3). */
const LOOSE = 1.5;

type Spacing = Pick<
  QualityFigures,
  | 'fullLines'
  | 'spaceMean'
  | 'spaceDeviation'
  | 'spaceWidest'
  | 'spaceOffWish'
  | 'looseLines'
  | 'looseShare'
  | 'tightLines'
>;

export function measureSpacing(lines: readonly PlacedLine[]): Spacing {
  let [count, sum, squares, widest, off, loose, tight] = [0, 0, 0, 0, 0, 0, 0];
  for (const placed of lines) {
    const { broken, styled } = placed.paragraph;
    if (!isFull(placed) || broken.spaceCount[placed.line] === 0) continue;
    const space = broken.spaceEm[placed.line];
    count += 1;
    sum += space;
    squares += space * space;
    widest = Math.max(widest, space);
    off += space / styled.style.wordSpace.wished - 1;
    if (isLoose(placed)) loose += 1;
    else if (space < (styled.style.looseOver / LOOSE) * TIGHT - 1e-4) tight += 1;
  }
  const n = Math.max(1, count);
  const mean = sum / n;
  return {
    fullLines: count,
    spaceMean: mean,
    spaceDeviation: Math.sqrt(Math.max(0, squares / n - mean * mean)),
    spaceWidest: widest,
    spaceOffWish: (100 * off) / n,
    looseLines: loose,
    looseShare: (100 * loose) / n,
    tightLines: tight,
  };
}

/** Whether the spaces of a line are wider than its face bears; the finding goes by the same rule. */
export function isLoose({ paragraph: { broken, styled }, line }: Pick<PlacedLine, 'paragraph' | 'line'>): boolean {
  return broken.spaceEm[line] > styled.style.looseOver + 1e-4;
}
