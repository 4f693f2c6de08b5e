// Ties: two words that no line end may part, derived by rule (house rules, section 5). Each rule is a pattern that ends
// where the space between the two begins.

import { table } from '../base/table';
const MONTHS: Readonly<Record<string, string>> = table({
  en: 'January|February|March|April|May|June|July|August|September|October|November|December',
  de: 'Januar|Februar|März|April|Mai|Juni|Juli|August|September|Oktober|November|Dezember',
  fr: 'janvier|février|mars|avril|mai|juin|juillet|août|septembre|octobre|novembre|décembre',
  es: 'enero|febrero|marzo|abril|mayo|junio|julio|agosto|septiembre|octubre|noviembre|diciembre',
});
const TITLES: Readonly<Record<string, string>> = table({
  en: 'Dr|Mr|Mrs|Ms|Mx|Prof|Rev|Fr|Sr|Capt|Col|Gen|Lt|Sgt|St|Messrs|Mme',
  de: 'Dr|Prof|Hr|Fr|Frau|Herr|St',
  fr: 'M|MM|Mme|Mmes|Mlle|Me|Dr|Pr|St|Ste',
  es: 'Sr|Sra|Srta|Dr|Dra|D|Dña|Sto|Sta',
});
const PLACES: Readonly<Record<string, string>> = table({
  en: 'p|pp|vol|vols|no|nos|fig|figs|ch|chap|sect|art|ll?|n|nn|v|vv|bk|pt',
  de: 'S|Bd|Bde|Nr|Abb|Kap|Art|Abs|Anm|V',
  fr: 'p|pp|vol|t|no|n°|fig|chap|art|v',
  es: 'p|pp|pág|págs|vol|núm|n\\.º|fig|cap|art',
});
const UNITS =
  'km|m|cm|mm|kg|g|mg|lb|lbs|oz|ft|yd|mi|ha|l|ml|pt|pts|hp|kW|W|V|A|Hz|°C|°F|°|%|s|min|h|a\\.m\\.|p\\.m\\.|bc|ad|bce|ce';

const rules = new Map<string, RegExp>();

function ruleOf(language: string): RegExp {
  const key = language in MONTHS ? language : 'en';
  let rule = rules.get(key);
  if (rule === undefined) {
    const months = MONTHS[key];
    rule = new RegExp(
      [
        '(?<!\\p{L})\\p{Lu}\\.(?= \\p{Lu})',
        `(?<!\\p{L})(?:${TITLES[key]})\\.?(?= \\p{Lu})`,
        `(?<!\\p{L})(?:${PLACES[key]})\\.(?= \\d)`,
        `\\d(?= (?:${UNITS})(?![\\p{L}\\d]))`,
        // Inches are told from the preposition by what follows.
        '\\d(?= in(?:[.,;:)]| (?:by|long|wide|high|deep|thick|broad|square|tall|across|apart)(?!\\p{L})))',
        `(?<!\\d)\\d{1,2}(?:st|nd|rd|th|er|\\.)?(?= (?:${months})(?!\\p{L}))`,
        `(?<!\\p{L})(?:${months})(?= \\d{1,2}(?!\\d))`,
        "\\p{Lu}\\p{Ll}+(?= (?:[IVX]{2,}|V|X)(?![\\p{L}’']))",
      ].join('|'),
      'gu',
    );
    rules.set(key, rule);
  }
  return rule;
}

const ALL_TITLES = new Set(Object.values(TITLES).flatMap((titles) => titles.split('|')));
const LONGEST_TITLE = Math.max(...[...ALL_TITLES].map((title) => title.length));
const isDigit = (code: number) => code >= 0x30 && code <= 0x39;
const isRoman = (code: number) => code === 0x49 || code === 0x56 || code === 0x58;
const POINT = 0x2e;

/** A capital of ASCII, or any letter beyond: the rules tell those apart. */
const mayBeCapital = (code: number) => (code >= 0x41 && code <= 0x5a) || code >= 0xc0;
/** Letters of titles; others end a word here, so that too much is looked at and never too little. */
const isTitleLetter = (code: number) =>
  (code >= 0x41 && code <= 0x5a) || (code >= 0x61 && code <= 0x7a) || code === 0xf1;

/**
 * A quick look that most paragraphs do not pass, over their spaces only: the rules took as long as all else that is done to
 * find places. True whenever a rule matches, and now and then when none does.
 */
function isWorthALook(text: string): boolean {
  for (let space = text.indexOf(' '); space >= 0; space = text.indexOf(' ', space + 1)) {
    const next = text.charCodeAt(space + 1);
    if (isDigit(next)) return true;
    // A figure, or an ordinal of at most two letters.
    for (let k = space - 1; k >= space - 3 && k >= 0; k -= 1) if (isDigit(text.charCodeAt(k))) return true;
    if (!mayBeCapital(next)) continue;
    if (isRoman(next)) {
      const after = text.charCodeAt(space + 2);
      if (isRoman(after) || (next !== 0x49 && !isTitleLetter(after))) return true;
    }
    const end = text.charCodeAt(space - 1) === POINT ? space - 1 : space;
    let from = end;
    while (from > 0 && end - from <= LONGEST_TITLE && isTitleLetter(text.charCodeAt(from - 1))) from -= 1;
    const last = text.charCodeAt(end - 1);
    if (end < space && end - from <= 1 && mayBeCapital(last)) return true;
    if (end > from && end - from <= LONGEST_TITLE && ALL_TITLES.has(text.slice(from, end))) return true;
  }
  return false;
}

/**
 * Offsets of the spaces that tie, rising. `lifted`: ties that the book does without, such as `Mrs Vane`. `signs`: the
 * stretches [at, to) that refer to notes: their numbers are no figures of the text.
 */
export function findTies(
  text: string,
  language: string,
  lifted: readonly string[],
  signs: readonly { readonly at: number; readonly to: number }[] = [],
): number[] {
  if (!isWorthALook(text)) return NONE;
  const ties = tiesByRule(text, language, lifted);
  return signs.length === 0 ? ties : ties.filter((tie) => !signs.some(({ at, to }) => tie > at && tie <= to));
}

/** The same without the quick look; exported for its test. */
export function tiesByRule(text: string, language: string, lifted: readonly string[]): number[] {
  const ties: number[] = [];
  for (const match of text.matchAll(ruleOf(language.slice(0, 2)))) {
    const at = match.index + match[0].length;
    if (lifted.length === 0 || !lifted.includes(tiedWords(text, at))) ties.push(at);
  }
  return ties.length === 0 ? NONE : ties;
}

const NONE: number[] = [];

/** The two words that a tie holds together, as they are listed and lifted. */
export function tiedWords(text: string, at: number): string {
  const before = /\S*$/.exec(text.slice(0, at))![0].replace(/^[“‘"'(«]+/, '');
  const after = /^\S*/.exec(text.slice(at + 1))![0].replace(/[”’"'),.;:!?»]+$/, '');
  return `${before} ${after}`;
}
