// Ties: two words that no line end may part, derived by rule (house rules, section 5). Each rule is a pattern that ends
// where the space between the two begins.

const MONTHS: Readonly<Record<string, string>> = {
  en: 'January|February|March|April|May|June|July|August|September|October|November|December',
  de: 'Januar|Februar|März|April|Mai|Juni|Juli|August|September|Oktober|November|Dezember',
  fr: 'janvier|février|mars|avril|mai|juin|juillet|août|septembre|octobre|novembre|décembre',
  es: 'enero|febrero|marzo|abril|mayo|junio|julio|agosto|septiembre|octubre|noviembre|diciembre',
};
const TITLES: Readonly<Record<string, string>> = {
  en: 'Dr|Mr|Mrs|Ms|Mx|Prof|Rev|Fr|Sr|Capt|Col|Gen|Lt|Sgt|St|Messrs|Mme',
  de: 'Dr|Prof|Hr|Fr|Frau|Herr|St',
  fr: 'M|MM|Mme|Mmes|Mlle|Me|Dr|Pr|St|Ste',
  es: 'Sr|Sra|Srta|Dr|Dra|D|Dña|Sto|Sta',
};
const PLACES: Readonly<Record<string, string>> = {
  en: 'p|pp|vol|vols|no|nos|fig|figs|ch|chap|sect|art|ll?|n|nn|v|vv|bk|pt',
  de: 'S|Bd|Bde|Nr|Abb|Kap|Art|Abs|Anm|V',
  fr: 'p|pp|vol|t|no|n°|fig|chap|art|v',
  es: 'p|pp|pág|págs|vol|núm|n\\.º|fig|cap|art',
};
const UNITS =
  'km|m|cm|mm|kg|g|mg|lb|lbs|oz|ft|yd|in|mi|ha|l|ml|pt|pts|hp|kW|W|V|A|Hz|°C|°F|°|%|s|min|h|a\\.m\\.|p\\.m\\.|bc|ad|bce|ce';

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

/** A quick look that most paragraphs do not pass, without Unicode classes: they made it as slow as the rules. */
const WORTH_A_LOOK =
  /\d|\b[A-Z\u00c0-\u024f\u0370-\u052f]\. |\b(?:Mrs?|Ms|Mx|Dr|St|Ste|Prof|Rev|Fr|Sra?|Srta|Capt|Col|Gen|Lt|Sgt|Messrs|MM?|Mmes?|Mlle|Me|Pr|Frau|Herr|Hr|Dra?|D|Dña|Sto|Sta)\.? |[IVX]{2}|[a-z] [VX]\b/;

/** Offsets of the spaces that tie, rising. `lifted`: ties that the book does without, such as `Mrs Vane`. */
export function findTies(text: string, language: string, lifted: readonly string[]): number[] {
  if (!WORTH_A_LOOK.test(text)) return NONE;
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
