// Pages as they end: widows, orphans, stranded heads, spreads that end level, baselines on the grid. Read off the pages
// themselves, not off what the page search believed.
import { geometryOf, gridBaseline, type Page, type TypesetBook } from '../../model/composed/pages';
import type { QualityFigures } from '../../model/answers/quality';
import { isOpenerPart } from '../../copy/meanings';
import type { Meaning } from '../../model/spec/spec';
import type { PlacedLine } from './placedLines';

/** Points by which two last baselines may differ and still be level; and a baseline miss the grid. */
const LEVEL = 0.5;
const ON_GRID = 0.25;

type PageEnds = Pick<
  QualityFigures,
  'widows' | 'orphans' | 'strandedHeads' | 'spreads' | 'levelSpreads' | 'levelShare' | 'onGridShare'
>;

/** A last line at a page head is a widow in text, and none in what stands by itself. */
const isRunning = (meaning: Meaning) =>
  meaning !== 'other' && meaning !== 'table' && (meaning === 'heading1' || !isOpenerPart(meaning));

export function measurePageEnds(
  book: TypesetBook,
  pages: readonly (readonly [Page, readonly PlacedLine[]])[],
): PageEnds {
  let [widows, orphans, heads, grid, body] = [0, 0, 0, 0, 0];
  pages.forEach(([page, lines]) => {
    if (page.role === 'display' || lines.length === 0) return;
    const first = lines[0];
    const last = lines[lines.length - 1];
    const { count } = first.paragraph.broken;
    if (first.line > 0 && first.line === count - 1 && isRunning(first.paragraph.styled.style.meaning)) widows += 1;
    if (last.line === 0 && last.paragraph.broken.count > 1) orphans += 1;
    if (last.paragraph.styled.style.withNext || secondLastIsHead(lines)) heads += isDivisionEnd(book, page) ? 0 : 1;
    for (const { paragraph, y } of lines) {
      if (paragraph.styled.style.meaning !== 'body') continue;
      body += 1;
      const steps = (y - gridBaseline(geometryOf(page, book.geometry), 0)) / book.geometry.leading;
      if (Math.abs(steps - Math.round(steps)) * book.geometry.leading <= ON_GRID) grid += 1;
    }
  });
  const { spreads, level } = levelSpreads(book);
  return {
    widows,
    orphans,
    strandedHeads: heads,
    spreads,
    levelSpreads: level,
    levelShare: spreads === 0 ? 100 : (100 * level) / spreads,
    onGridShare: body === 0 ? 100 : (100 * grid) / body,
  };
}

/** A head with a single line after it at the foot. */
function secondLastIsHead(lines: readonly PlacedLine[]): boolean {
  const before = lines[lines.length - 2];
  return before !== undefined && before.paragraph.styled.style.withNext && lines[lines.length - 1].line === 0;
}

/** The last page of its division that holds text; a blank may follow. */
function isDivisionEnd(book: TypesetBook, page: Page): boolean {
  const next = book.pages[page.index + 1];
  return next === undefined || next.role === 'blank' || next.division !== page.division;
}

/** Spreads of two pages that are full: neither a division's last, nor a display page or a blank. */
function levelSpreads(book: TypesetBook): { spreads: number; level: number } {
  let [spreads, level] = [0, 0];
  for (let index = 1; index + 1 < book.pages.length; index += 2) {
    const pair = [book.pages[index], book.pages[index + 1]];
    const isFullPage = (page: Page) => (page.role === 'text' || page.role === 'opener') && !isDivisionEnd(book, page);
    if (!pair.every(isFullPage)) continue;
    spreads += 1;
    const [a, b] = pair.map(lastBaseline);
    if (Math.abs(a - b) <= LEVEL) level += 1;
  }
  return { spreads, level };
}

function lastBaseline(page: Page): number {
  return [...page.fragments, ...page.notes].reduce(
    (lowest, { paragraph, from, to, y }) => Math.max(lowest, y + (to - from - 1) * paragraph.styled.style.leading),
    0,
  );
}
