// Straight quotes to typographic ones, by the language of the copy: openings and closings, nested ones, apostrophes, primes,
// and words that begin with an apostrophe. The house marks decide how they are set.
import { replaceAll, textJob } from '../makeJobs';
import type { TextEdit } from '../textEdit';
import type { TidyJob } from '../types';

interface QuoteMarks {
  readonly double: readonly [string, string];
  readonly single: readonly [string, string];
}

const MARKS: Readonly<Record<string, QuoteMarks>> = {
  en: { double: ['“', '”'], single: ['‘', '’'] },
  de: { double: ['„', '“'], single: ['‚', '‘'] },
  fr: { double: ['«\u202F', '\u202F»'], single: ['‹\u202F', '\u202F›'] },
  es: { double: ['«', '»'], single: ['“', '”'] },
};

/** English words that begin with an apostrophe. */
const ELIDED =
  /^(?:tis|twas|twere|twill|twould|tisn|twasn|em|cause|bout|til|till|round|neath|gainst|midst|nother|ere|un|uns|cept|fraid|s|d|ll|ve|re|n)(?![\p{L}])/iu;

export const QUOTE_JOBS: readonly TidyJob[] = [
  textJob(
    { id: 'quotes', name: 'Straight quotes to typographic', kind: 'safe', stage: 'quotes' },
    ({ text }, { language }) => quoteEdits(text, MARKS[language.split('-')[0]] ?? MARKS.en),
  ),
  textJob(
    { id: 'accent-quotes', name: 'Accents and double commas typed as quotes', kind: 'safe', stage: 'quotes' },
    ({ text }) =>
      replaceAll(text, /``|''|,,(?=\p{L})|(?<=\p{L})[`´](?=\p{L})/gu, ([mark]) =>
        mark === '``' ? '“' : mark === "''" ? '”' : mark === ',,' ? '„' : '’',
      ),
  ),
];

function quoteEdits(text: string, marks: QuoteMarks): TextEdit[] {
  const edits: TextEdit[] = [];
  /** Quotes that are open, innermost last. */
  const open: ('double' | 'single')[] = [];
  for (let at = 0; at < text.length; at += 1) {
    const char = text[at];
    if (char !== '"' && char !== "'") continue;
    const before = text[at - 1] ?? ' ';
    const after = text[at + 1] ?? ' ';
    const put = (to: string) => edits.push({ from: at, to: at + 1, text: to });
    const kind = char === '"' ? 'double' : 'single';
    if (isPrime(text, at, open.includes(kind))) {
      put(char === '"' ? '″' : '′');
      continue;
    }
    const mayOpen = /[\s(\[{“‘„‚«‹—–/\uFFFC"'-]/.test(before) && !/[\s,.;:!?)\]]/.test(after);
    if (kind === 'single' && !isOpening(text, at, mayOpen)) {
      const closes = open[open.length - 1] === 'single' && !/[\p{L}\p{N}]/u.test(after);
      if (closes) open.pop();
      put(closes ? marks.single[1] : '’');
      continue;
    }
    const isInside = open[open.length - 1] === kind;
    if (mayOpen && !(isInside && !/["'\s(—–]/.test(before))) {
      open.push(kind);
      put(marks[kind][0]);
    } else {
      const last = open.lastIndexOf(kind);
      if (last >= 0) open.length = last;
      put(marks[kind][1]);
    }
  }
  return edits;
}

/** Feet and inches, minutes and seconds: after a figure, where no quote is open that it could close. */
function isPrime(text: string, at: number, isOpen: boolean): boolean {
  if (!/\d/.test(text[at - 1] ?? '')) return false;
  if (text[at] === "'" && /\d/.test(text[at + 1] ?? '')) return true;
  if (text[at] === "'" && /[\p{L}]/u.test(text[at + 1] ?? '')) return false;
  if (isOpen) return false;
  // A quote that closes further on was opened before.
  return text[at] === '"' || /^['](?:[\s,.;:×x-]|$)/.test(text.slice(at));
}

/** Whether a single quote opens: not where it elides a letter, as in 'tis and '90s, nor inside a word. */
function isOpening(text: string, at: number, mayOpen: boolean): boolean {
  if (!mayOpen) return false;
  const rest = text.slice(at + 1);
  if (/^\d\ds?(?!\d)/.test(rest)) return false;
  if (!ELIDED.test(rest)) return true;
  // 'tis may open a quotation too: then a single quote closes before the next opens.
  return false;
}
