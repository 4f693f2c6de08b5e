// Faults that no single line shows, on the page where they stand: by the measures of quality, so that each of their figures
// has its finding.
import type { Finding, FindingKind } from '../model/answers/finding';
import type { Page, PageGeometry } from '../model/composed/pages';
import { lineWords } from './lineWords';
import { measureLineEnds, type LineEndFault } from './quality/lineEnds';
import { linesOf, type PlacedLine } from './quality/placedLines';
import { countRivers, type FaceMeasures } from './quality/rivers';

const WORDINGS: Readonly<Record<LineEndFault | 'river', (words: string) => string>> = {
  ladder: (words) => `Three lines running end in a divided word, the third being ${words}.`,
  'stacked-words': (words) =>
    `The same word stands at three line ends or beginnings running, the third line being ${words}.`,
  'short-last-line': (words) => `The last line of the paragraph, ${words}, is shorter than the spec asks.`,
  'marks-running': (words) => `Four lines running end in a hyphen, dash or stop, the fourth being ${words}.`,
  river: (words) => `White runs down through four lines or more, to ${words}.`,
};

export function pageLines(page: Page, geometry: PageGeometry, faces: FaceMeasures): Finding[] {
  const findings: Finding[] = [];
  const add = (kind: FindingKind & keyof typeof WORDINGS, { paragraph, line }: PlacedLine) => {
    const { stream, block } = paragraph.styled;
    const message = WORDINGS[kind](lineWords(paragraph, line));
    findings.push({ kind, grade: 'look', stream, block, page: page.index, message });
  };
  const lines = linesOf(page, { geometry });
  measureLineEnds([[page, lines]], add);
  countRivers(lines, faces, (line) => add('river', line));
  return findings;
}
