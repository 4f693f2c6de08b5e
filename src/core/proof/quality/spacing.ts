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
  | 'shortLines'
>;

export function measureSpacing(lines: readonly PlacedLine[]): Spacing {
  let [count, sum, squares, widest, off, loose, tight, short] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (const placed of lines) {
    const { broken, styled } = placed.paragraph;
    if (!isFull(placed) || broken.spaceCount[placed.line] === 0) continue;
    const space = filledSpace(placed);
    if (isLeftShort(placed)) short += 1;
    count += 1;
    sum += space;
    squares += space * space;
    widest = Math.max(widest, space);
    off += space / styled.style.wordSpace.wished - 1;
    if (space > styled.style.looseOver + 1e-4) loose += 1;
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
    shortLines: short,
  };
}

type Line = Pick<PlacedLine, 'paragraph' | 'line'>;

/** Points short of the measure that nobody sees. */
const UNSEEN = 0.5;

/** Whether a full line was left short, because its face does not bear the spaces that would fill it. */
export const isLeftShort = ({ paragraph: { broken }, line }: Line): boolean =>
  broken.tabs === null && broken.width[line] - broken.textWidth[line] > UNSEEN;

/** Word space of a full line in em; of one that was left short, that which would have filled it. */
export function filledSpace(placed: Line): number {
  const { broken, styled } = placed.paragraph;
  const { line } = placed;
  const own = broken.spaceEm[line];
  if (!isLeftShort(placed)) return own;
  return own + (broken.width[line] - broken.textWidth[line]) / Math.max(1, broken.spaceCount[line]) / styled.style.size;
}

/** Whether the spaces of a line are wider than its face bears; the finding goes by the same rule. */
export function isLoose({ paragraph: { broken, styled }, line }: Line): boolean {
  return broken.spaceEm[line] > styled.style.looseOver + 1e-4;
}
