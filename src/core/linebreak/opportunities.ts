// Where a paragraph may be broken: after spaces and dashes, at soft hyphens, inside words where the patterns allow it,
// and where a person broke the line. Text of scripts without spaces goes by UAX #14.
import LineBreaker from 'linebreak';
import { LINE_END } from '../model/broken';
import type { Hyphenator } from './hyphenator';

export interface HyphenationLimits {
  readonly smallestWord: number;
  readonly before: number;
  readonly after: number;
}

/** Packed list of opportunities in text order; the last is the paragraph's end. */
export interface Opportunities {
  readonly count: number;
  /** End of a line that breaks here, without the space; start of the next line. Offsets in the set text. */
  readonly at: Uint32Array;
  readonly next: Uint32Array;
  /** One of LINE_END. */
  readonly kind: Uint8Array;
  /** 1: the word starts with a capital, and dividing it is dear. */
  readonly dear: Uint8Array;
}

/** Scripts whose lines break between letters or by rules of their own. */
const NEEDS_UAX14 = /[\u0590-\u1CFF\u2E80-\uD7FF\uF900-\uFE0F\uFE30-\uFFEF\uD83C-\uD83E]/;
const WORD = /[\p{L}\p{M}]+/gu;
const NO_BREAK_BEFORE = new Set(['–', '…', '—']);
const CLOSING = new Set(['”', '’', '"', "'", ')', ']', '»', ',', '.', ';', ':', '!', '?', '…']);
const LETTER = /[\p{L}\p{N}]/u;

/** Collects opportunities; `limits` null: no word may be divided. */
export function findOpportunities(
  text: string,
  hyphenator: Hyphenator | null,
  limits: HyphenationLimits | null,
): Opportunities {
  const list = new OpportunityList();
  if (NEEDS_UAX14.test(text)) findByUax14(text, list);
  else findByLatinRules(text, list);
  if (hyphenator !== null && limits !== null) divideWords(text, hyphenator, limits, list);
  list.add(text.trimEnd().length, text.length, LINE_END.last, 0);
  return list.pack();
}

/** The same opportunities and one more at each offset of `extra`: for words wider than the line. */
export function withEmergencies(found: Opportunities, extra: Iterable<number>): Opportunities {
  const list = new OpportunityList();
  for (let k = 0; k < found.count; k += 1) list.add(found.at[k], found.next[k], found.kind[k], found.dear[k]);
  for (const offset of extra) list.add(offset, offset, LINE_END.emergency, 0);
  return list.pack();
}

class OpportunityList {
  private readonly rows: [number, number, number, number][] = [];

  add(at: number, next: number, kind: number, dear: number): void {
    this.rows.push([at, next, kind, dear]);
  }

  /** Sorted by place; of two at one place the first added stays. */
  pack(): Opportunities {
    const rows = this.rows.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
    const kept = rows.filter((row, k) => k === 0 || row[0] !== rows[k - 1][0] || row[2] === LINE_END.last);
    return {
      count: kept.length,
      at: Uint32Array.from(kept, (row) => row[0]),
      next: Uint32Array.from(kept, (row) => row[1]),
      kind: Uint8Array.from(kept, (row) => row[2]),
      dear: Uint8Array.from(kept, (row) => row[3]),
    };
  }
}

function findByLatinRules(text: string, list: OpportunityList): void {
  for (let k = Math.max(1, text.length - text.trimStart().length); k < text.length; k += 1) {
    const char = text[k];
    switch (char) {
      case ' ': {
        let next = k + 1;
        while (text[next] === ' ') next += 1;
        const at = k;
        k = next - 1;
        if (next < text.length && !NO_BREAK_BEFORE.has(text[next])) list.add(at, next, LINE_END.space, 0);
        break;
      }
      case '-':
      case '\u2010':
        if (LETTER.test(text[k - 1]) && LETTER.test(text[k + 1] ?? '')) list.add(k + 1, k + 1, LINE_END.dash, 0);
        break;
      case '—':
      case '–':
        if (mayBreakAfterDash(text, k)) list.add(k + 1, k + 1, LINE_END.dash, 0);
        break;
      case '\u00AD':
        list.add(k, k + 1, LINE_END.hyphen, 0);
        break;
      case '\u200B':
        list.add(k, k + 1, LINE_END.dash, 0);
        break;
      case '\u2028':
        list.add(k, k + 1, LINE_END.forced, 0);
        break;
      default:
    }
  }
}

/** A closed dash breaks after only, never before a closing mark, and an en dash between figures not at all. */
function mayBreakAfterDash(text: string, at: number): boolean {
  const next = text[at + 1];
  if (next === undefined || next === ' ' || CLOSING.has(next)) return false;
  return !(text[at] === '–' && /\d/.test(text[at - 1]) && /\d/.test(next));
}

function findByUax14(text: string, list: OpportunityList): void {
  const breaker = new LineBreaker(text);
  for (let found = breaker.nextBreak(); found !== null; found = breaker.nextBreak()) {
    if (found.position >= text.length) break;
    const end = text.slice(0, found.position).trimEnd().length;
    const forced = text[found.position - 1] === '\u2028';
    const kind = forced ? LINE_END.forced : end < found.position ? LINE_END.space : LINE_END.dash;
    list.add(forced ? found.position - 1 : end, found.position, kind, 0);
  }
}

/** Divides words that may be: long enough, without a hyphen or apostrophe of their own, and not the paragraph's last. */
function divideWords(text: string, hyphenator: Hyphenator, limits: HyphenationLimits, list: OpportunityList): void {
  const lastWord = text.trimEnd().lastIndexOf(' ');
  for (const match of text.matchAll(WORD)) {
    const word = match[0];
    const start = match.index;
    if (word.length < limits.smallestWord || start > lastWord || hasOwnMark(text, start, start + word.length)) continue;
    const places = hyphenator.divide(word);
    const dear = word[0] === word[0].toLowerCase() ? 0 : 1;
    for (let k = limits.before; k <= word.length - limits.after; k += 1) {
      if (places[k] === 1) list.add(start + k, start + k, LINE_END.hyphen, dear);
    }
  }
}

/** A word with a hyphen, an apostrophe inside or a soft hyphen breaks only at its own marks. */
function hasOwnMark(text: string, from: number, to: number): boolean {
  const [before, after] = [text[from - 1] ?? ' ', text[to] ?? ' '];
  const beyond = text[to + 1] ?? ' ';
  return (
    /[-\u2010\u2011\u00AD]/.test(before + after) ||
    (/['’]/.test(after) && LETTER.test(beyond)) ||
    (/['’]/.test(before) && LETTER.test(text[from - 2] ?? ' '))
  );
}
