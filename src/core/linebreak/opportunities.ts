// Where a paragraph may be broken: after spaces and dashes, at soft hyphens, inside words where the patterns allow it, at
// sensible points of addresses, and where a person broke the line. Text of scripts without spaces goes by UAX #14.
import LineBreaker from 'linebreak';
import { LINE_END } from '../model/composed/broken';
import { findAddresses, isAddressBreak, type Address } from './addresses';
import type { Hyphenator } from './hyphenator';

export interface HyphenationLimits {
  readonly smallestWord: number;
  readonly before: number;
  readonly after: number;
  /** Words with a capital are divided at a price, or never. */
  readonly capitals?: 'dear' | 'never';
  /** The book's own divisions, words in small letters with hyphens where they may be divided: `ta-ble`, `whole`. */
  readonly exceptions?: readonly string[];
}

/**
 * Packed list of opportunities in text order; the last is the paragraph's end. The arrays are longer than `count`, and are
 * filled anew by the next call: nothing of them may be kept.
 */
export interface Opportunities {
  readonly count: number;
  /** End of a line that breaks here, without the space; start of the next line. Offsets in the set text. */
  readonly at: Uint32Array;
  readonly next: Uint32Array;
  /** One of LINE_END. */
  readonly kind: Uint8Array;
  /** 1: the word starts with a capital, and dividing it is dear; or the line would end in a weak word; 2: the line ends in the word's own hyphen. */
  readonly dear: Uint8Array;
}

/** In `dear`: a dash that is the word's own hyphen, which counts among hyphens running. */
export const OWN_HYPHEN = 2;

/** What finding places needs besides the text. */
export interface PlaceContext {
  /** Patterns for the word at an offset; null: it may not be divided. */
  readonly hyphenatorAt: (offset: number) => Hyphenator | null;
  readonly limits: HyphenationLimits | null;
  /** Offsets of spaces at which no line may end, rising. */
  readonly ties: readonly number[];
  /** Words that should not end a line: short ones in ragged text; articles, prepositions and conjunctions in heads. */
  readonly weakEnds?: 'short' | 'heading' | null;
}

/** Scripts whose lines break between letters or by rules of their own. */
const NEEDS_UAX14 = /[\u0590-\u1CFF\u2E80-\uD7FF\uF900-\uFE0F\uFE30-\uFFEF\uD83C-\uD83E]/;
const LETTER = /[\p{L}\p{N}]/u;
const LETTER_OR_MARK = /[\p{L}\p{M}]/u;

export function findOpportunities(text: string, context: PlaceContext): Opportunities {
  const list = new OpportunityList();
  if (NEEDS_UAX14.test(text)) findByUax14(text, context, list);
  else new LatinScan(text, context, list).run();
  list.add(text.trimEnd().length, text.length, LINE_END.last, 0);
  return list;
}

/** The same opportunities and one more at each offset of `extra`: for words wider than the line. */
export function withEmergencies(found: Opportunities, extra: readonly number[]): Opportunities {
  // Copies: the new list fills the arrays in which the old one stands.
  const { count } = found;
  const [at, next, kind, dear] = [found.at, found.next, found.kind, found.dear].map((array) => array.slice(0, count));
  const list = new OpportunityList();
  let k = 0;
  for (const offset of extra) {
    for (; k < count && at[k] <= offset; k += 1) list.add(at[k], next[k], kind[k], dear[k]);
    list.add(offset, offset, LINE_END.emergency, 0);
  }
  for (; k < count; k += 1) list.add(at[k], next[k], kind[k], dear[k]);
  return list;
}

/** One set of arrays for all paragraphs: they are read before the next paragraph is looked at. */
const scratch = {
  at: new Uint32Array(1024),
  next: new Uint32Array(1024),
  kind: new Uint8Array(1024),
  dear: new Uint8Array(1024),
};

class OpportunityList implements Opportunities {
  count = 0;
  at = scratch.at;
  next = scratch.next;
  kind = scratch.kind;
  dear = scratch.dear;

  /** Places come in text order; of two at one place the first stays, but the paragraph's end goes before all. */
  add(at: number, next: number, kind: number, dear: number): void {
    const last = this.count - 1;
    if (last >= 0 && this.at[last] === at) {
      if (kind !== LINE_END.last) return;
      this.count = last;
    }
    const k = this.count;
    if (k === this.at.length) this.grow();
    this.at[k] = at;
    this.next[k] = next;
    this.kind[k] = kind;
    this.dear[k] = dear;
    this.count += 1;
  }

  private grow(): void {
    const wider = <T extends Uint32Array | Uint8Array>(from: T, to: T): T => {
      to.set(from);
      return to;
    };
    this.at = scratch.at = wider(this.at, new Uint32Array(this.count * 2));
    this.next = scratch.next = wider(this.next, new Uint32Array(this.count * 2));
    this.kind = scratch.kind = wider(this.kind, new Uint8Array(this.count * 2));
    this.dear = scratch.dear = wider(this.dear, new Uint8Array(this.count * 2));
  }
}

const CODE = {
  SPACE: 0x20,
  HYPHEN_MINUS: 0x2d,
  HYPHEN: 0x2010,
  NO_BREAK_HYPHEN: 0x2011,
  EN_DASH: 0x2013,
  EM_DASH: 0x2014,
  SOFT_HYPHEN: 0xad,
  ZERO_SPACE: 0x200b,
  LINE_SEPARATOR: 0x2028,
  ELLIPSIS: 0x2026,
  APOSTROPHE: 0x27,
  RIGHT_QUOTE: 0x2019,
  FIRST_LATIN_LETTER: 0xc0,
} as const;
const NO_BREAK_BEFORE = new Set<number>([CODE.EN_DASH, CODE.ELLIPSIS, CODE.EM_DASH]);
const CLOSING = new Set([...'”’"\')]»,.;:!?…'].map((char) => char.charCodeAt(0)));

function isLetter(text: string, at: number): boolean {
  const code = text.charCodeAt(at);
  if (code < 0x80) return (code >= 0x61 && code <= 0x7a) || (code >= 0x41 && code <= 0x5a);
  return code >= CODE.FIRST_LATIN_LETTER && LETTER_OR_MARK.test(text[at]);
}

/** Small letters of ASCII are told without making text of them. */
function isCapitalAt(text: string, at: number): boolean {
  const code = text.charCodeAt(at);
  return code < 0x80 ? code >= 0x41 && code <= 0x5a : text[at] !== text[at].toLowerCase();
}

/** One walk over the text of an alphabetic script. */
class LatinScan {
  private readonly lastWord: number;
  private readonly addresses: readonly Address[];
  private tie = 0;
  private address = 0;

  constructor(
    private readonly text: string,
    private readonly context: PlaceContext,
    private readonly list: OpportunityList,
  ) {
    this.lastWord = text.trimEnd().lastIndexOf(' ');
    this.addresses = findAddresses(text);
  }

  run(): void {
    const { text } = this;
    const start = text.length - text.trimStart().length;
    for (let k = start; k < text.length;) {
      while (this.address < this.addresses.length && this.addresses[this.address].to <= k) this.address += 1;
      const address = this.addresses[this.address];
      if (address !== undefined && k >= address.from) k = this.passAddress(k, address.to);
      else if (isLetter(text, k)) k = this.passWord(k);
      else k = this.passMark(k, start);
    }
  }

  private passAddress(from: number, to: number): number {
    for (let k = from + 1; k < to; k += 1)
      if (isAddressBreak(this.text, k, from, to)) this.list.add(k, k, LINE_END.dash, 0);
    return to;
  }

  private passWord(from: number): number {
    const { text } = this;
    const { limits } = this.context;
    let to = from + 1;
    while (to < text.length && isLetter(text, to)) to += 1;
    if (limits !== null && to - from >= limits.smallestWord && from <= this.lastWord) this.divide(from, to, limits);
    return to;
  }

  /** Divides a word that may be: without a hyphen or apostrophe of its own, and not the paragraph's last. */
  private divide(from: number, to: number, limits: HyphenationLimits): void {
    const { text, list } = this;
    const isCapital = isCapitalAt(text, from);
    if ((isCapital && limits.capitals === 'never') || this.hasOwnMark(from, to)) return;
    const places = exceptionOf(limits, text, from, to) ?? this.context.hyphenatorAt(from)?.divide(text, from, to);
    if (places === undefined || places.length === 0) return;
    const dear = isCapital ? 1 : 0;
    for (let k = limits.before; k <= to - from - limits.after; k += 1)
      if (places[k] === 1) list.add(from + k, from + k, LINE_END.hyphen, dear);
  }

  /** A word with a hyphen, an apostrophe inside or a soft hyphen breaks only at its own marks. */
  private hasOwnMark(from: number, to: number): boolean {
    const { text } = this;
    const before = text.charCodeAt(from - 1);
    const after = text.charCodeAt(to);
    return (
      isHyphen(before) ||
      isHyphen(after) ||
      (isApostrophe(after) && LETTER.test(text[to + 1] ?? ' ')) ||
      (isApostrophe(before) && LETTER.test(text[from - 2] ?? ' '))
    );
  }

  /** Anything between words; answers where to go on. */
  private passMark(k: number, start: number): number {
    const { text, list } = this;
    switch (text.charCodeAt(k)) {
      case CODE.SPACE:
        return this.passSpaces(k);
      case CODE.HYPHEN_MINUS:
      case CODE.HYPHEN:
        if (
          k > start &&
          lettersFrom(text, k - 1, -1) >= OWN_LIMITS.before &&
          lettersFrom(text, k + 1, 1) >= OWN_LIMITS.after
        )
          list.add(k + 1, k + 1, LINE_END.dash, OWN_HYPHEN);
        break;
      case CODE.EM_DASH:
      case CODE.EN_DASH:
        if (k > start && mayBreakAfterDash(text, k)) list.add(k + 1, k + 1, LINE_END.dash, 0);
        break;
      case CODE.SOFT_HYPHEN:
        list.add(k, k + 1, LINE_END.hyphen, 0);
        break;
      case CODE.ZERO_SPACE:
        list.add(k, k + 1, LINE_END.dash, 0);
        break;
      case CODE.LINE_SEPARATOR:
        list.add(k, k + 1, LINE_END.forced, 0);
        break;
      default:
    }
    return k + 1;
  }

  private isWeakEnd(at: number): boolean {
    const { weakEnds } = this.context;
    if (!weakEnds) return false;
    const word = /[\p{L}\p{M}’']*$/u.exec(this.text.slice(Math.max(0, at - LONGEST_LINK), at))![0];
    const isWhole = !LETTER.test(this.text[at - word.length - 1] ?? ' ');
    if (word === '' || !isWhole) return false;
    return weakEnds === 'short' ? word.length <= 2 : LINKS.has(word.toLowerCase());
  }

  private passSpaces(at: number): number {
    const { text } = this;
    const { ties } = this.context;
    let next = at + 1;
    while (text.charCodeAt(next) === CODE.SPACE) next += 1;
    while (this.tie < ties.length && ties[this.tie] < at) this.tie += 1;
    const isTied = ties[this.tie] === at;
    if (!isTied && next < text.length && !NO_BREAK_BEFORE.has(text.charCodeAt(next)))
      this.list.add(at, next, LINE_END.space, this.isWeakEnd(at) ? 1 : 0);
    return next;
  }
}

/** Articles, prepositions and conjunctions of the languages with patterns. */
const LINKS = new Set(
  (
    'a an the and or but nor of in on at to by for from with as into over under than that ' +
    'der die das den dem des ein eine einer eines und oder aber von vom im am an auf zu zum zur mit für bei aus ' +
    'le la les un une des du de et ou mais à au aux en dans sur sous par pour avec ' +
    'el los las una unos unas y o e u pero del al con por para sobre'
  ).split(' '),
);
const LONGEST_LINK = 6;

const isHyphen = (code: number) =>
  code === CODE.HYPHEN_MINUS || code === CODE.HYPHEN || code === CODE.NO_BREAK_HYPHEN || code === CODE.SOFT_HYPHEN;
const isApostrophe = (code: number) => code === CODE.APOSTROPHE || code === CODE.RIGHT_QUOTE;

/** What stands at least before and after a word's own hyphen at which it breaks: `X-ray` and `to-do` stay whole. */
const OWN_LIMITS = { before: 2, after: 3 } as const;

/** Letters and figures of the word from an offset on, those after another hyphen of it too; 0 where it begins with that. */
function lettersFrom(text: string, at: number, step: -1 | 1): number {
  let count = 0;
  for (let k = at; count < 3; k += step) {
    if (LETTER.test(text[k] ?? '')) count += 1;
    else if (count === 0 || !isHyphen(text.charCodeAt(k))) break;
  }
  return count;
}

/** A closed dash breaks after only, never before a closing mark, and an en dash between figures not at all. */
function mayBreakAfterDash(text: string, at: number): boolean {
  const next = text.charCodeAt(at + 1);
  if (Number.isNaN(next) || next === CODE.SPACE || CLOSING.has(next)) return false;
  return !(text.charCodeAt(at) === CODE.EN_DASH && /\d/.test(text[at - 1]) && /\d/.test(text[at + 1]));
}

const parsed = new WeakMap<readonly string[], ReadonlyMap<string, Uint8Array>>();

/** The book's own division of a word; undefined when it has none. */
function exceptionOf(
  { exceptions }: HyphenationLimits,
  text: string,
  from: number,
  to: number,
): Uint8Array | undefined {
  if (exceptions === undefined || exceptions.length === 0) return undefined;
  let map = parsed.get(exceptions);
  if (map === undefined) parsed.set(exceptions, (map = new Map(exceptions.map(parseException))));
  return map.get(text.slice(from, to).toLowerCase());
}

function parseException(entry: string): [string, Uint8Array] {
  const parts = entry.toLowerCase().split('-');
  const places = new Uint8Array(parts.join('').length + 1);
  let at = 0;
  for (const part of parts.slice(0, -1)) places[(at += part.length)] = 1;
  return [parts.join(''), places];
}

/** UAX #14, tailored: no break before a solidus that follows a letter, none inside addresses but at sensible points. */
function findByUax14(text: string, context: PlaceContext, list: OpportunityList): void {
  const breaker = new LineBreaker(text);
  const addresses = findAddresses(text);
  const ties = new Set(context.ties);
  for (let found = breaker.nextBreak(); found !== null; found = breaker.nextBreak()) {
    if (found.position >= text.length) break;
    const { position } = found;
    const forced = text[position - 1] === '\u2028';
    const end = forced ? position - 1 : text.slice(0, position).trimEnd().length;
    if (!forced && (ties.has(end) || isUnwelcome(text, position))) continue;
    const address = addresses.find((one) => position > one.from && position < one.to);
    if (address !== undefined && !isAddressBreak(text, position, address.from, address.to)) continue;
    const kind = forced ? LINE_END.forced : end < position ? LINE_END.space : LINE_END.dash;
    list.add(end, position, kind, 0);
  }
}

/** Between a letter and a solidus, as in `km/h`, and after a solidus between letters. */
function isUnwelcome(text: string, position: number): boolean {
  return text[position - 1] === '/' && /\p{L}/u.test(text[position] ?? '') && /\p{L}/u.test(text[position - 2] ?? '');
}
