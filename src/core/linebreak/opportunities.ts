// Where a paragraph may be broken: after spaces and dashes, at soft hyphens, inside words where the patterns allow it, at
// sensible points of paths and addresses, and where a person broke the line. Beside characters of other scripts UAX #14 decides.
import { findTechnicalWords, type Stretch } from '../base/technicalWords';
import { LINE_END } from '../model/composed/broken';
import type { Hyphenator } from './hyphenator';
import { hasOtherScripts, placesBesideOtherScripts } from './otherScripts';
import { isNeverFirst, mayPart } from './spaces';
import { isTechnicalBreak } from './technicalBreaks';

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

const LETTER = /[\p{L}\p{N}]/u;
const LETTER_OR_MARK = /[\p{L}\p{M}]/u;

export function findOpportunities(text: string, context: PlaceContext): Opportunities {
  const list = new OpportunityList();
  new LatinScan(text, context, list).run();
  if (hasOtherScripts(text)) addOtherScripts(text, context, list);
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

/** Adds what UAX #14 allows beside characters of other scripts, and takes out what it does not. */
function addOtherScripts(text: string, context: PlaceContext, list: OpportunityList): void {
  const { places, allows } = placesBesideOtherScripts(text);
  const technical = findTechnicalWords(text);
  const ties = new Set(context.ties);
  const { count } = list;
  const [at, next, kind, dear] = [list.at, list.next, list.kind, list.dear].map((array) => array.slice(0, count));
  list.clear();
  let k = 0;
  const addBefore = (offset: number) => {
    for (; k < count && next[k] <= offset; k += 1) {
      const isOurs =
        kind[k] === LINE_END.hyphen || kind[k] === LINE_END.forced || withoutSpaces(text.charCodeAt(at[k]));
      if (isOurs || allows(at[k], next[k])) list.add(at[k], next[k], kind[k], dear[k]);
    }
  };
  for (const place of places) {
    addBefore(place.next);
    const isKept = ties.has(place.at) || NO_BREAK_BEFORE.has(text.charCodeAt(place.next));
    const word = technical.find(({ from, to }) => place.next > from && place.next < to);
    const isInside = word !== undefined && !isTechnicalBreak(text, place.next, word.from, word.to);
    if (!isKept && !isInside) list.add(place.at, place.next, place.kind, 0);
  }
  addBefore(text.length);
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

  clear(): void {
    this.count = 0;
  }

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
  SOLIDUS: 0x2f,
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

/** Letters of scripts whose divided words show no hyphen: Thai, whose words have no spaces between them, and Ethiopic. */
const withoutSpaces = (code: number) => (code >= 0x0e00 && code < 0x0e80) || (code >= 0x1200 && code < 0x13a0);

/** Small letters of ASCII are told without making text of them. */
function isCapitalAt(text: string, at: number): boolean {
  const code = text.charCodeAt(at);
  return code < 0x80 ? code >= 0x41 && code <= 0x5a : text[at] !== text[at].toLowerCase();
}

/** One walk over the text of an alphabetic script. */
class LatinScan {
  private readonly lastWord: number;
  private readonly technical: readonly Stretch[];
  private tie = 0;
  private technicalWord = 0;

  constructor(
    private readonly text: string,
    private readonly context: PlaceContext,
    private readonly list: OpportunityList,
  ) {
    this.lastWord = text.trimEnd().lastIndexOf(' ');
    this.technical = findTechnicalWords(text);
  }

  run(): void {
    const { text } = this;
    const start = text.length - text.trimStart().length;
    for (let k = start; k < text.length;) {
      while (this.technical[this.technicalWord]?.to <= k) this.technicalWord += 1;
      const technical = this.technical[this.technicalWord];
      if (technical !== undefined && k >= technical.from) k = this.passTechnical(k, technical.to);
      else if (isLetter(text, k)) k = this.passWord(k);
      else k = this.passMark(k, start);
    }
  }

  private passTechnical(from: number, to: number): number {
    for (let k = from + 1; k < to; k += 1)
      if (isTechnicalBreak(this.text, k, from, to)) this.list.add(k, k, LINE_END.dash, 0);
    return to;
  }

  private passWord(from: number): number {
    const { text } = this;
    const { limits } = this.context;
    let to = from + 1;
    while (to < text.length && isLetter(text, to)) to += 1;
    const mayDivide = from <= this.lastWord || withoutSpaces(text.charCodeAt(from));
    if (limits !== null && to - from >= limits.smallestWord && mayDivide) this.divide(from, to, limits);
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
    const kind = withoutSpaces(text.charCodeAt(from)) ? LINE_END.dash : LINE_END.hyphen;
    for (let k = limits.before; k <= to - from - limits.after; k += 1)
      if (places[k] === 1) list.add(from + k, from + k, kind, dear);
  }

  /** A word with a hyphen, an apostrophe inside or a soft hyphen breaks only at its own marks; a possessive is none. */
  private hasOwnMark(from: number, to: number): boolean {
    const { text } = this;
    const before = text.charCodeAt(from - 1);
    const after = text.charCodeAt(to);
    return (
      isHyphen(before) ||
      isHyphen(after) ||
      (isApostrophe(after) && LETTER.test(text[to + 1] ?? ' ') && !isPossessive(text, to)) ||
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
        if (!isNeverFirst(text.charCodeAt(k + 1))) list.add(k, k + 1, LINE_END.hyphen, 0);
        break;
      case CODE.SOLIDUS:
        // Between two words of the language: and/or.
        if (
          k > start &&
          lettersFrom(text, k - 1, -1) >= 3 &&
          lettersFrom(text, k + 1, 1) >= 3 &&
          !/\d/.test(text[k - 1])
        )
          list.add(k + 1, k + 1, LINE_END.dash, 0);
        break;
      case CODE.ZERO_SPACE: {
        const next = pastSpaces(text, k + 1);
        list.add(k, next, LINE_END.dash, 0);
        return next;
      }
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
    const next = pastSpaces(text, at + 1);
    while (this.tie < ties.length && ties[this.tie] < at) this.tie += 1;
    const isTied = ties[this.tie] === at;
    // A path may begin with a stroke.
    const mayEnd = mayPart(text, at, next) || this.technical.some(({ from }) => from === next);
    if (!isTied && next < text.length && !NO_BREAK_BEFORE.has(text.charCodeAt(next)) && mayEnd)
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

/** Past spaces, and zero-width spaces among them. */
function pastSpaces(text: string, from: number): number {
  let at = from;
  while (text.charCodeAt(at) === CODE.SPACE || text.charCodeAt(at) === CODE.ZERO_SPACE) at += 1;
  return at;
}

const isHyphen = (code: number) =>
  code === CODE.HYPHEN_MINUS || code === CODE.HYPHEN || code === CODE.NO_BREAK_HYPHEN || code === CODE.SOFT_HYPHEN;
/** The mark and the s of a possessive stay with the end of the word: Throckmor-ton’s. */
const isPossessive = (text: string, mark: number) => text[mark + 1] === 's' && !LETTER.test(text[mark + 2] ?? ' ');
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
