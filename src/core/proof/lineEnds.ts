// Faults that no single line shows, on the page where they stand: by the measures of quality, so that each of their figures
// has its finding.
import type { Hit } from '../model/checks/finding';
import { onLine, type PageRunner } from './hits';
import { lineWords } from './lineWords';
import { measureLineEnds, type LineEndFault } from './quality/lineEnds';
import { countRivers } from './quality/rivers';

const WORDINGS: Readonly<Record<LineEndFault, (words: string) => string>> = {
  ladder: (words) => `Three lines running end in a divided word, the third being ${words}.`,
  'stacked-words': (words) =>
    `The same word stands at three line ends or beginnings running, the third line being ${words}.`,
  'short-last-line': (words) => `The last line of the paragraph, ${words}, is shorter than the spec asks.`,
  'marks-running': (words) => `Four lines running end in a hyphen, dash or stop, the fourth being ${words}.`,
};

export const lineEnds: PageRunner = ({ page, lines }) => {
  const hits: Hit[] = [];
  measureLineEnds([[page, lines]], (kind, { paragraph, line }) =>
    hits.push({ ...onLine(paragraph, line), kind, message: WORDINGS[kind](lineWords(paragraph, line)) }),
  );
  return hits;
};

export const rivers: PageRunner = ({ lines, faces }) => {
  const hits: Hit[] = [];
  countRivers(lines, faces, ({ paragraph, line }) => {
    const message = `White runs down through four lines or more, to ${lineWords(paragraph, line)}.`;
    hits.push({ ...onLine(paragraph, line), kind: 'river', message });
  });
  return hits;
};
