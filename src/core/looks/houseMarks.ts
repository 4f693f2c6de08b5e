// House marks: how quotes, dashes, ellipses, ranges, initials and units are set (house rules, section 5). The copy is left as
// it was typed; what comes out are replacements for the set text, in order.
import { findTechnicalWords, type Stretch } from '../base/technicalWords';
import { LANGUAGE_TABLE, type MarkFamily } from '../model/copy/languages';
import type { MarkSet } from '../model/spec/spec';

/** A stretch of the source, from inclusive, to exclusive, and what is set for it. */
export interface MarkEdit {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

export interface HouseMarks {
  readonly edits: readonly MarkEdit[];
  /** Offsets of quotes without their pair: they stay as typed. */
  readonly unpaired: readonly number[];
}

/** Fixed spaces: 0.083, 0.16, 0.2, 0.222 and 0.333 em (shape/shapeParagraph draws them). */
const HAIR = '\u200A';
const NARROW = '\u202F';
const THIN = '\u2009';
const MEDIUM = '\u205F';
const THIRD = '\u2004';

interface Marks {
  /** Opening and closing quotes, outer then inner, with what stands inside them. */
  readonly quotes: readonly [readonly [string, string], readonly [string, string]];
  /** Between words; null: as typed. */
  readonly dash: string | null;
  /** A full sentence ends with its point before the ellipsis. */
  readonly pointFirst: boolean;
  /** White before ; ! ? and before a colon. */
  readonly beforeHigh: string;
  readonly beforeColon: string;
}

const DOUBLE_SIX_NINE = ['“', '”'] as const;
const SINGLE_SIX_NINE = ['‘', '’'] as const;
const GUILLEMETS = ['«', '»'] as const;

/** Without white before stops, points after the ellipsis, dashes with a space on either side: most of Europe. */
const plain = (
  outer: readonly [string, string],
  inner: readonly [string, string],
  dash: string | null = ' – ',
): Marks => ({
  quotes: [outer, inner],
  dash,
  pointFirst: false,
  beforeHigh: '',
  beforeColon: '',
});

const MARKS: Readonly<Record<MarkFamily, Marks>> = {
  american: { ...plain(DOUBLE_SIX_NINE, SINGLE_SIX_NINE, '—'), pointFirst: true },
  british: plain(SINGLE_SIX_NINE, DOUBLE_SIX_NINE),
  english: plain(DOUBLE_SIX_NINE, SINGLE_SIX_NINE),
  french: {
    ...plain([`«${MEDIUM}`, `${MEDIUM}»`], DOUBLE_SIX_NINE),
    beforeHigh: NARROW,
    beforeColon: MEDIUM,
  },
  german: plain(['„', '“'], ['‚', '‘']),
  danish: plain(['»', '«'], ['›', '‹']),
  swedish: plain(['”', '”'], ['’', '’']),
  polish: plain(['„', '”'], ['‚', '’']),
  hungarian: plain(['„', '”'], ['»', '«']),
  romanian: plain(['„', '”'], GUILLEMETS),
  russian: plain(GUILLEMETS, ['„', '“'], ' — '),
  // Which side of a parenthetic dash has its space cannot be told from the dash alone.
  spanish: plain(GUILLEMETS, DOUBLE_SIX_NINE, null),
  swiss: plain(GUILLEMETS, ['‹', '›']),
  italian: plain(GUILLEMETS, DOUBLE_SIX_NINE),
};

/** Sets that are chosen by name, as families. */
const CHOSEN: Readonly<Record<Exclude<MarkSet, 'typed' | 'language'>, MarkFamily>> = {
  us: 'american',
  uk: 'british',
  french: 'french',
  german: 'german',
};

const NONE: HouseMarks = { edits: [], unpaired: [] };
const MAY_NEED = /["'“”‘’„‚«»‹›–—…]|--|\.\.|\. \.|\d-\d|[A-Z]\. [A-Z]|\d \p{L}|\d °|^[-–—]|[;!?:]/u;
const QUOTES = /["'“”‘’„‚«»‹›]/g;
const LETTER = /[\p{L}\p{N}]/u;
const OPENS_AFTER = /[\s([{—–\-“‘„‚«‹"'\u2028]/;
const AFTER_QUOTE = /["'‘’“”„‚]/;
const OBJECT = '\uFFFC';

/** The set by which a text is set: `language` goes by the book's own. */
function marksOf(set: MarkSet, language: string): Marks | null {
  if (set === 'typed') return null;
  if (set !== 'language') return MARKS[CHOSEN[set]];
  const family = LANGUAGE_TABLE[language]?.marks;
  return family === undefined ? null : MARKS[family];
}

/** Replacements that set a paragraph's text by a house's marks; words of machines and what is `asTyped` stay as they are. */
export function houseMarks(text: string, set: MarkSet, language: string, asTyped: readonly Stretch[] = []): HouseMarks {
  const marks = marksOf(set, language);
  if (marks === null || !MAY_NEED.test(text)) return NONE;
  const spared = [...asTyped, ...findTechnicalWords(text)];
  const isSpared = ({ from, to }: Stretch) => spared.some((word) => from < word.to && to > word.from);
  const { edits, unpaired } = setQuotes(text, marks, isSpared);
  const others = [...setPoints(text, marks), ...setDashes(text, marks), ...setSpaces(text, marks)];
  const taken: MarkEdit[] = [];
  for (const edit of [...edits, ...others].sort((a, b) => a.from - b.from || b.to - a.to)) {
    const last = taken[taken.length - 1];
    const changes = text.slice(edit.from, edit.to) !== edit.text && (spared.length === 0 || !isSpared(edit));
    if ((last === undefined || edit.from >= last.to) && changes) taken.push(edit);
  }
  return taken.length === 0 && unpaired.length === 0 ? NONE : { edits: taken, unpaired };
}

interface OpenQuote {
  readonly at: number;
  readonly isDouble: boolean;
}

/** Words whose first letters are left out, in English, German and French: an apostrophe stands before them. */
const ELIDED =
  /^['’](?:tis|twas|twere|twill|twould|em|til|cause|bout|round|neath|n|s|nen?|ner|nem|ne|kes|[0-9]0s)(?![\p{L}\d])/iu;

/** What closes a quote that was opened by a mark: German, Danish and Polish pairs have other sides than English ones. */
const CLOSERS: Readonly<Record<string, string>> = {
  '“': '”',
  '„': '“”"',
  '‘': '’',
  '‚': '‘’',
  '«': '»',
  '»': '«»',
  '‹': '›',
  '›': '‹›',
  '"': '"”',
  "'": "'’",
  '”': '”',
  '’': '’',
};

/** Quotes in pairs, outer and inner by their depth; apostrophes apart from them. */
function setQuotes(text: string, marks: Marks, isSpared: (of: Stretch) => boolean): HouseMarks {
  const edits: MarkEdit[] = [];
  const pairs: [OpenQuote, number, number][] = [];
  const open: OpenQuote[] = [];
  const unpaired: number[] = [];
  // Where a quote opens as it closes, as in Swedish, only its place tells which it is.
  const sameOnBothSides = marks.quotes.filter(([opening, closing]) => opening === closing).join('');
  for (const match of text.matchAll(QUOTES)) {
    const at = match.index;
    const char = match[0];
    if (isSpared({ from: at, to: at + 1 })) continue;
    const before = charBefore(text, at);
    const after = text[at + 1] ?? ' ';
    const isDouble = !"'‘’‚‹›".includes(char);
    const partner = open.findLastIndex((one) => one.isDouble === isDouble && CLOSERS[text[one.at]].includes(char));
    if ((char === "'" || char === '’') && isApostrophe(text, at, before, after, open[partner])) {
      edits.push({ from: at, to: at + 1, text: '’' });
      continue;
    }
    if (opens(char, before, after, partner)) {
      open.push({ at, isDouble });
      continue;
    }
    const pair = partner >= 0 ? partner : open.findLastIndex((one) => one.isDouble === isDouble);
    if (pair >= 0) {
      pairs.push([open[pair], at, pair]);
      for (const lost of open.splice(pair)) if (lost.at !== pairs[pairs.length - 1][0].at) leave(lost);
    } else if (!isDouble) edits.push({ from: at, to: at + 1, text: '’' });
    else unpaired.push(at);
  }
  open.forEach(leave);
  for (const [first, last, depth] of pairs) {
    const [opening, closing] = marks.quotes[depth % 2];
    edits.push(replaceQuote(text, first.at, opening, 'open'), replaceQuote(text, last, closing, 'close'));
  }
  return { edits: withHairs(text, edits), unpaired };

  function opens(char: string, before: string, after: string, partner: number): boolean {
    // In German pairs the mark that opens an English quote closes one.
    if ('“‘'.includes(char)) return partner < 0;
    if ('„‚'.includes(char)) return true;
    // Pairs that point inwards, as German books have them.
    if ('«‹'.includes(char) && partner >= 0 && !LETTER.test(after)) return false;
    return `"'«»‹›${sameOnBothSides}`.includes(char) && opensHere(before, after, char);
  }

  /** A quote that is never closed; a single one before a letter or figure is an apostrophe: ’tis, ’90s. */
  function leave({ at, isDouble }: OpenQuote): void {
    if (!isDouble && text[at] === "'") edits.push({ from: at, to: at + 1, text: '’' });
    else if (isDouble && at > 0) unpaired.push(at);
  }
}

/** Whether a mark between or after letters is an apostrophe, beside the single quote that it might close. */
function isApostrophe(
  text: string,
  at: number,
  before: string,
  after: string,
  partner: OpenQuote | undefined,
): boolean {
  if (LETTER.test(before) && LETTER.test(after)) return true;
  const isElided = ELIDED.test(text.slice(at, at + 8)) && !LETTER.test(before);
  if (isElided && (text[at] === '’' || !laterCloser(text, at, "'"))) return true;
  // Rock ’n’ roll.
  if (/[’']n$/i.test(text.slice(Math.max(0, at - 2), at))) return true;
  if (!LETTER.test(before) || partner === undefined) return false;
  // Dogs’ tails, hab’ Geduld: the quote is closed further on, by a mark of its kind or by one after a stop.
  return laterCloser(text, at, text[partner.at]) && /\s/.test(after);
}

/** Whether a single quote opened by `opening` is closed after `at` beyond doubt, before another one is opened. */
function laterCloser(text: string, at: number, opening: string): boolean {
  const rest = text.slice(at + 1);
  if (opening === '‚') return /^[^‚]*‘/.test(rest);
  if (opening === '‘' || opening === '’') return /^[^‘]*?[.,!?…—–-]’(?![\p{L}\d])/u.test(rest);
  return opening === "'" && /^(?:[^']|(?<=[\p{L}\d])'(?=[\p{L}\d]))*?[.,!?…—–-]'(?![\p{L}\d])/u.test(rest);
}

function opensHere(before: string, after: string, char: string): boolean {
  if (char === '»' || char === '›') return /\s|^$/.test(before) && LETTER.test(after);
  if (char === '«' || char === '‹') return !LETTER.test(before) || /\s/.test(after);
  if (before === '') return true;
  // Beside another quote only what follows tells: 'Heron'".
  if (AFTER_QUOTE.test(before) && !LETTER.test(after) && !AFTER_QUOTE.test(after)) return false;
  return OPENS_AFTER.test(before) && !/\s/.test(after);
}

/** The character before an offset, notes and the like left out; empty at the start. */
function charBefore(text: string, at: number): string {
  let k = at - 1;
  while (k >= 0 && text[k] === OBJECT) k -= 1;
  return text[k] ?? '';
}

/** The new mark, with the white that stood inside a guillemet taken away. */
function replaceQuote(text: string, at: number, mark: string, side: 'open' | 'close'): MarkEdit {
  const isGuillemet = '«»‹›'.includes(text[at]);
  let [from, to] = [at, at + 1];
  if (isGuillemet && side === 'open') while (/[ \u00A0\u202F\u205F]/.test(text[to] ?? '')) to += 1;
  if (isGuillemet && side === 'close') while (/[ \u00A0\u202F\u205F]/.test(text[from - 1] ?? '')) from -= 1;
  return { from, to, text: mark };
}

/** Quotes that meet stand apart by a hair. */
function withHairs(text: string, edits: readonly MarkEdit[]): MarkEdit[] {
  const sorted = [...edits].sort((a, b) => a.from - b.from);
  return sorted.map((edit, k) => {
    const next = sorted[k + 1];
    const meets = next !== undefined && next.from === edit.to && /[“”‘’]$/.test(edit.text) && /^[“”‘’]/.test(next.text);
    return meets && text[edit.from] !== HAIR ? { ...edit, text: edit.text + HAIR } : edit;
  });
}

/** Three points a thin space apart, tied to the word before. */
function* setPoints(text: string, marks: Marks): Generator<MarkEdit> {
  if (!text.includes('…') && !text.includes('..') && !text.includes('. .')) return;
  for (const match of text.matchAll(/([ \u00A0\u2009\u202F]?)(\.?)(…|\.\.\.|\. \. \.)/g)) {
    const [whole, white, point] = match;
    const before = charBefore(text, match.index);
    // French points are closed, and stand close to the word before: “Neuf… non”.
    if (marks.beforeHigh !== '' && point === '') {
      const keepsWhite = white !== '' && !LETTER.test(before);
      yield { from: match.index, to: match.index + whole.length, text: `${keepsWhite ? white : ''}…` };
      continue;
    }
    const points = `.${THIN}.${THIN}.`;
    const isAfterWord = LETTER.test(before) || white !== '';
    if (point !== '' && marks.pointFirst)
      yield { from: match.index, to: match.index + whole.length, text: `.${THIN}${points}` };
    else {
      const text2 = point !== '' ? `.${THIN}${points}` : isAfterWord ? THIN + points : points;
      yield { from: match.index, to: match.index + whole.length, text: text2 };
    }
  }
}

const RANGE = /\d-\d/;

/** Dashes between words, ranges of figures, and the dash that opens a speech. */
function* setDashes(text: string, marks: Marks): Generator<MarkEdit> {
  const speech = /^(?:--|[—–-])[ \u00A0\u2009]*(?=\p{L}|[¿¡«“‘"'])/u.exec(text);
  if (speech !== null) yield { from: 0, to: speech[0].length, text: `—${THIRD}` };
  if (!text.includes('--') && !text.includes('–') && !text.includes('—') && !RANGE.test(text)) return;
  if (marks.dash !== null)
    for (const match of text.matchAll(/(?<=[^\s\d—–-])(?: ?-{2,3} ?| – | ?— ?)(?=[^\s—–-])/gu))
      yield { from: match.index, to: match.index + match[0].length, text: marks.dash };
  for (const match of text.matchAll(/(?<![\d-])(\d{1,4})-(?=\d{1,4}(?![\d-]))/g)) {
    const at = match.index + match[1].length;
    yield { from: at, to: at + 1, text: '–' };
  }
}

const UNITS = /(?<=\d) (?=(?:km|m|cm|mm|kg|g|mg|lb|lbs|oz|ft|yd|mi|ha|l|ml|hp|kW|°C|°F)(?![\p{L}\d]))/gu;
const INITIALS = /(?<=(?<!\p{L})\p{Lu}\.) (?=\p{Lu}\.)/gu;
/** Quick looks that most paragraphs do not pass. */
const MAY_HAVE_UNITS = /\d \S/;
const MAY_HAVE_INITIALS = /\S\. \S\./;

/** White of fixed width: between initials, between figure and unit, and before the high marks of French. */
function* setSpaces(text: string, marks: Marks): Generator<MarkEdit> {
  if (MAY_HAVE_INITIALS.test(text))
    for (const match of text.matchAll(INITIALS)) yield { from: match.index, to: match.index + 1, text: NARROW };
  if (MAY_HAVE_UNITS.test(text))
    for (const match of text.matchAll(UNITS)) yield { from: match.index, to: match.index + 1, text: THIN };
  if (marks.beforeHigh === '') return;
  for (const match of text.matchAll(/(?<=[\p{L}\p{N})”»])[ \u00A0\u202F\u205F]?(?=[;!?])/gu))
    yield { from: match.index, to: match.index + match[0].length, text: marks.beforeHigh };
  for (const match of text.matchAll(/(?<=[\p{L})”»])[ \u00A0\u202F\u205F]?(?=:(?:\s|$))/gu))
    yield { from: match.index, to: match.index + match[0].length, text: marks.beforeColon };
}
