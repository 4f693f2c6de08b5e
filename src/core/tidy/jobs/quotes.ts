// Straight quotes to typographic ones, by the language of the copy: openings and closings, nested ones, apostrophes, primes,
// and words that begin with an apostrophe. The house marks decide how they are set.
import { table } from '../../base/table';
import { isTechnical } from '../held';
import { replaceAll, textJob } from '../makeJobs';
import type { TextEdit } from '../../copy/textEdit';
import type { TidyJob } from '../types';

interface QuoteMarks {
  readonly double: readonly [string, string];
  readonly single: readonly [string, string];
}

const MARKS: Readonly<Record<string, QuoteMarks>> = table({
  en: { double: ['“', '”'], single: ['‘', '’'] },
  de: { double: ['„', '“'], single: ['‚', '‘'] },
  fr: { double: ['«\u202F', '\u202F»'], single: ['‹\u202F', '\u202F›'] },
  es: { double: ['«', '»'], single: ['“', '”'] },
});

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
      replaceAll(text, /``|''|(?<![^\s([{“‘"']),,(?=\p{L})|(?<=\p{L})[`´](?=\p{L})/gu, ({ 0: mark, index }) => {
        const before = text.slice(0, index);
        // Seconds after a figure, and what is code.
        if (isTechnical(text, index, index + mark.length) || (mark === "''" && /\d$/.test(before))) return null;
        if (mark === ',,') return '„';
        if (mark === '``' || (mark === "''" && /(?:^|[\s([{—–])$/.test(before))) return '“';
        return mark === "''" ? '”' : '’';
      }),
  ),
];

/** A quote as it was read, with what it would become. */
interface Quote {
  readonly at: number;
  readonly kind: 'double' | 'single';
  readonly role: 'open' | 'close' | 'apostrophe' | 'prime';
  readonly text: string;
}

/**
 * The quotes that are certain: pairs, an opening at the head of the paragraph (speech that goes on), apostrophes and primes.
 * One without its pair stays as it was typed, and where single quotes stand inside single quotes no pair is certain.
 */
function quoteEdits(text: string, marks: QuoteMarks): TextEdit[] {
  const { quotes, pairs } = readQuotes(text, marks);
  const opens = quotes.filter(({ role }) => role === 'open');
  const isNested = opens.some(
    (one) => one.kind === 'single' && opens.some((other) => isInside(other, one, pairs) && other.kind === 'single'),
  );
  const certain = quotes.filter((quote) => {
    if (quote.role === 'prime' || quote.role === 'apostrophe') return true;
    if (quote.kind === 'single' && isNested) return false;
    return pairs.has(quote) || (quote.role === 'open' && /^[\s\uFFFC“‘„‚«‹"'(—–-]*$/.test(text.slice(0, quote.at)));
  });
  return certain.map(({ at, text: to }) => ({ from: at, to: at + 1, text: to }));
}

/** Whether a quote opens before the outer one has closed. */
const isInside = (inner: Quote, outer: Quote, pairs: ReadonlyMap<Quote, Quote>) =>
  inner.at > outer.at && inner.at < (pairs.get(outer)?.at ?? Infinity);

/** All straight quotes of a text in order, and of each that has a pair the other one. */
function readQuotes(text: string, marks: QuoteMarks): { quotes: Quote[]; pairs: Map<Quote, Quote> } {
  const quotes: Quote[] = [];
  const pairs = new Map<Quote, Quote>();
  /** Quotes that are open, innermost last. */
  const open: Quote[] = [];
  const add = (at: number, kind: Quote['kind'], role: Quote['role'], to: string): Quote => {
    const quote = { at, kind, role, text: to };
    quotes.push(quote);
    return quote;
  };
  const close = (index: number, at: number, kind: Quote['kind']) => {
    const closing = add(at, kind, 'close', marks[kind][1]);
    if (index < 0) return;
    pairs.set(open[index], closing).set(closing, open[index]);
    open.length = index;
  };
  for (let at = 0; at < text.length; at += 1) {
    const char = text[at];
    if (char !== '"' && char !== "'") continue;
    if (text[at - 1] === '=' || isTechnical(text, at, at + 1)) continue;
    const before = text[at - 1] ?? ' ';
    const after = text[at + 1] ?? ' ';
    const kind = char === '"' ? 'double' : 'single';
    const lastOpen = open[open.length - 1]?.kind;
    if (
      isPrime(
        text,
        at,
        open.some((one) => one.kind === kind),
      )
    ) {
      add(at, kind, 'prime', char === '"' ? '″' : '′');
      continue;
    }
    const mayOpen = /[\s(\[{“‘„‚«‹—–/\uFFFC"'-]/.test(before) && !/[\s,.;:!?)\]]/.test(after);
    if (kind === 'single' && !isOpening(text, at, mayOpen)) {
      if (lastOpen === 'single' && !/[\p{L}\p{N}]/u.test(after)) close(open.length - 1, at, kind);
      else add(at, kind, 'apostrophe', '’');
      continue;
    }
    if (mayOpen && !(lastOpen === kind && !/["'\s(—–]/.test(before))) open.push(add(at, kind, 'open', marks[kind][0]));
    else
      close(
        open.findLastIndex((one) => one.kind === kind),
        at,
        kind,
      );
  }
  return { quotes, pairs };
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
