// Line break opportunities of any text by Unicode Standard Annex #14, Unicode 16, without tailoring: rules LB2 to LB31.
import { lineClassOf, type LineClass } from './classes';

/** What may be done before the character at an offset. */
export const LINE_BREAK = { prohibited: 0, allowed: 1, mandatory: 2 } as const;

/** A character with the marks that are joined to it (LB9). */
interface Unit extends LineClass {
  /** Offset at which it begins. */
  readonly at: number;
  /** Its last code point is a zero width joiner. */
  endsInJoiner: boolean;
}

/** By offset in UTF-16 units, one more than the text has: LINE_BREAK before the character there; the end is `mandatory`. */
export function lineBreaks(text: string): Uint8Array {
  const units = unitsOf(text);
  const found = new Uint8Array(text.length + 1);
  for (let k = 1; k < units.length; k += 1) found[units[k].at] = breakBefore(units, k);
  found[text.length] = LINE_BREAK.mandatory;
  return found;
}

const HARD = new Set(['BK', 'CR', 'LF', 'NL']);
const TAKES_NO_MARKS = new Set([...HARD, 'SP', 'ZW']);

/** LB9 and LB10: marks belong to the character before them, or count as letters. */
function unitsOf(text: string): Unit[] {
  const units: Unit[] = [];
  for (let at = 0; at < text.length;) {
    const code = text.codePointAt(at)!;
    const found = lineClassOf(code);
    const isJoiner = found.name === 'ZWJ';
    const last = units.at(-1);
    if ((isJoiner || found.name === 'CM') && last !== undefined && !TAKES_NO_MARKS.has(last.name))
      last.endsInJoiner = isJoiner;
    else {
      const isMark = isJoiner || found.name === 'CM';
      units.push({ name: isMark ? 'AL' : found.name, isWide: found.isWide, at, endsInJoiner: isJoiner });
    }
    at += code > 0xffff ? 2 : 1;
  }
  return units;
}

const set = (names: string) => new Set(names.split(' '));
const QUOTES = set('QU QI QF');
const LETTERS = set('AL HL DC');
const IDEOGRAPHS = set('ID EB EM XP');
const HANGUL = set('JL JV JT H2 H3');
const OPENS_QUOTE = set('BK CR LF NL OP QU QI QF GL SP ZW');
const CLOSES_QUOTE = set('SP GL WJ CL QU QI QF CP EX IS SY BK CR LF NL ZW');
const NEVER_FIRST = set('CL CP EX SY');
const FOLLOWS = set('BA HH HY NS');
const HYPHEN_STARTS = set('BK CR LF NL SP ZW CB GL');
const AKSARA = set('AK DC AS');

/** The decision before a unit: the first rule that says something. */
function breakBefore(units: readonly Unit[], k: number): number {
  const hard = hardRules(units, k) ?? spaceRules(units, k);
  if (hard !== undefined) return hard;
  return isJoined(units, k) ? LINE_BREAK.prohibited : LINE_BREAK.allowed;
}

/** LB4 to LB8a. */
function hardRules(units: readonly Unit[], k: number): number | undefined {
  const [before, unit] = [units[k - 1], units[k]];
  if (before.name === 'CR' && unit.name === 'LF') return LINE_BREAK.prohibited;
  if (HARD.has(before.name)) return LINE_BREAK.mandatory;
  if (HARD.has(unit.name) || unit.name === 'SP' || unit.name === 'ZW') return LINE_BREAK.prohibited;
  const word = units[beforeSpaces(units, k)];
  if (word?.name === 'ZW') return LINE_BREAK.allowed;
  return before.endsInJoiner ? LINE_BREAK.prohibited : undefined;
}

/** LB11 to LB18: what spaces stand in between for some, and end for the rest. */
function spaceRules(units: readonly Unit[], k: number): number | undefined {
  const [before, unit, next] = [units[k - 1], units[k], units[k + 1]];
  const at = beforeSpaces(units, k);
  const word = units[at];
  if (unit.name === 'WJ' || before.name === 'WJ' || before.name === 'GL') return LINE_BREAK.prohibited;
  if (unit.name === 'GL' && !['SP', 'BA', 'HH', 'HY'].includes(before.name)) return LINE_BREAK.prohibited;
  if (NEVER_FIRST.has(unit.name) || word?.name === 'OP') return LINE_BREAK.prohibited;
  if (word?.name === 'QI' && (at === 0 || OPENS_QUOTE.has(units[at - 1].name))) return LINE_BREAK.prohibited;
  if (unit.name === 'QF' && (next === undefined || CLOSES_QUOTE.has(next.name))) return LINE_BREAK.prohibited;
  if (before.name === 'SP' && unit.name === 'IS' && next?.name === 'NU') return LINE_BREAK.allowed;
  if (unit.name === 'IS') return LINE_BREAK.prohibited;
  if ((word?.name === 'CL' || word?.name === 'CP') && unit.name === 'NS') return LINE_BREAK.prohibited;
  if (word?.name === 'B2' && unit.name === 'B2') return LINE_BREAK.prohibited;
  return before.name === 'SP' ? LINE_BREAK.allowed : undefined;
}

/** LB19 to LB30b: whether two characters without a space between them stay together. */
function isJoined(units: readonly Unit[], k: number): boolean {
  const [before, unit] = [units[k - 1], units[k]];
  if (isQuoteJoined(units, k)) return true;
  if (before.name === 'CB' || unit.name === 'CB') return false;
  return (
    isHyphenJoined(units, k) ||
    isNumberJoined(units, k) ||
    isLetterJoined(before, unit) ||
    isSyllableJoined(units, k) ||
    isParenthesisJoined(before, unit) ||
    isPairJoined(units, k)
  );
}

/** LB19 and LB19a. */
function isQuoteJoined(units: readonly Unit[], k: number): boolean {
  const [before, unit] = [units[k - 1], units[k]];
  if (QUOTES.has(unit.name)) {
    const next = units[k + 1];
    if (unit.name !== 'QI' || !before.isWide || next === undefined || !next.isWide) return true;
  }
  if (!QUOTES.has(before.name)) return false;
  const earlier = units[k - 2];
  return before.name !== 'QF' || !unit.isWide || earlier === undefined || !earlier.isWide;
}

/** LB20a to LB22. */
function isHyphenJoined(units: readonly Unit[], k: number): boolean {
  const [earlier, before, unit] = [units[k - 2], units[k - 1], units[k]];
  const isHyphen = before.name === 'HY' || before.name === 'HH';
  const beginsWord = earlier === undefined || HYPHEN_STARTS.has(earlier.name);
  if (isHyphen && beginsWord && (unit.name === 'AL' || unit.name === 'DC')) return true;
  if (FOLLOWS.has(unit.name) || before.name === 'BB') return true;
  const isBreaking = isHyphen || (before.name === 'BA' && !before.isWide);
  if (earlier?.name === 'HL' && isBreaking && unit.name !== 'HL') return true;
  if (before.name === 'SY' && unit.name === 'HL') return true;
  return unit.name === 'IN';
}

/** LB23 to LB25. */
function isNumberJoined(units: readonly Unit[], k: number): boolean {
  const [before, unit] = [units[k - 1], units[k]];
  const isAffix = (name: string) => name === 'PR' || name === 'PO';
  if (LETTERS.has(before.name)) return unit.name === 'NU' || isAffix(unit.name);
  if (before.name === 'NU' && LETTERS.has(unit.name)) return true;
  if (before.name === 'PR' && IDEOGRAPHS.has(unit.name)) return true;
  if (IDEOGRAPHS.has(before.name) && unit.name === 'PO') return true;
  if (isAffix(before.name)) {
    if (LETTERS.has(unit.name) || unit.name === 'NU') return true;
    const after = unit.name === 'OP' ? units.slice(k + 1, k + 3).map(({ name }) => name) : [];
    if (after[0] === 'NU' || (after[0] === 'IS' && after[1] === 'NU')) return true;
  }
  if (unit.name === 'NU' && (before.name === 'HY' || before.name === 'IS')) return true;
  return (unit.name === 'NU' || isAffix(unit.name)) && endsNumber(units, k - 1, isAffix(unit.name));
}

/** Whether what ends at a unit is `NU (SY | IS)*`, and where that is allowed, a closing parenthesis after it. */
function endsNumber(units: readonly Unit[], last: number, mayClose: boolean): boolean {
  let k = last;
  if (mayClose && (units[k].name === 'CL' || units[k].name === 'CP')) k -= 1;
  while (k >= 0 && (units[k].name === 'SY' || units[k].name === 'IS')) k -= 1;
  return units[k]?.name === 'NU';
}

/** LB28 and LB29. */
function isLetterJoined(before: Unit, unit: Unit): boolean {
  return LETTERS.has(unit.name) && (LETTERS.has(before.name) || before.name === 'IS');
}

/** LB26, LB27 and LB28a. */
function isSyllableJoined(units: readonly Unit[], k: number): boolean {
  const [earlier, before, unit, next] = [units[k - 2], units[k - 1], units[k], units[k + 1]].map(
    (one) => one?.name ?? '',
  );
  if (before === 'JL' && ['JL', 'JV', 'H2', 'H3'].includes(unit)) return true;
  if ((before === 'JV' || before === 'H2') && (unit === 'JV' || unit === 'JT')) return true;
  if ((before === 'JT' || before === 'H3') && unit === 'JT') return true;
  if ((HANGUL.has(before) && unit === 'PO') || (before === 'PR' && HANGUL.has(unit))) return true;
  if (before === 'AP' && AKSARA.has(unit)) return true;
  if (AKSARA.has(before) && (unit === 'VF' || unit === 'VI')) return true;
  if (AKSARA.has(earlier) && before === 'VI' && (unit === 'AK' || unit === 'DC')) return true;
  return AKSARA.has(before) && AKSARA.has(unit) && next === 'VF';
}

/** LB30. */
function isParenthesisJoined(before: Unit, unit: Unit): boolean {
  const isWord = ({ name }: Unit) => LETTERS.has(name) || name === 'NU';
  if (isWord(before) && unit.name === 'OP' && !unit.isWide) return true;
  return before.name === 'CP' && !before.isWide && isWord(unit);
}

/** LB30a and LB30b. */
function isPairJoined(units: readonly Unit[], k: number): boolean {
  const [before, unit] = [units[k - 1], units[k]];
  if (unit.name === 'EM') return before.name === 'EB' || before.name === 'XP';
  if (before.name !== 'RI' || unit.name !== 'RI') return false;
  let count = 0;
  while (units[k - 1 - count]?.name === 'RI') count += 1;
  return count % 2 === 1;
}

/** The index of the unit before the spaces that stand before one; -1: there is none. */
function beforeSpaces(units: readonly Unit[], k: number): number {
  let at = k - 1;
  while (at >= 0 && units[at].name === 'SP') at -= 1;
  return at;
}
