// Numbers as they are set: figures, roman, letters, words.
import { table } from '../base/table';
import { unreachable } from '../base/errors';
import type { Numerals } from '../model/spec/numbering';

const ROMAN: readonly [number, string][] = [
  [1000, 'm'],
  [900, 'cm'],
  [500, 'd'],
  [400, 'cd'],
  [100, 'c'],
  [90, 'xc'],
  [50, 'l'],
  [40, 'xl'],
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
];

/** Lower-case roman numeral of a whole number from 1; from 4000 on thousands are repeated. */
export function toRoman(value: number): string {
  let rest = value;
  let text = '';
  for (const [worth, letters] of ROMAN) {
    while (rest >= worth) {
      text += letters;
      rest -= worth;
    }
  }
  return text;
}

/** a to z, then aa to zz, as pages are lettered. */
export function toLetters(value: number): string {
  const letter = String.fromCharCode(0x61 + ((value - 1) % 26));
  return letter.repeat(Math.ceil(value / 26));
}

interface NumberWords {
  readonly small: readonly string[];
  readonly tens: readonly string[];
  readonly join: (ten: string, unit: string, value: number) => string;
}

const WORDS: Readonly<Record<string, NumberWords>> = table({
  en: {
    small:
      'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
        ' ',
      ),
    tens: 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' '),
    join: (ten, unit) => `${ten}-${unit}`,
  },
  de: {
    small:
      'eins zwei drei vier fünf sechs sieben acht neun zehn elf zwölf dreizehn vierzehn fünfzehn sechzehn siebzehn achtzehn neunzehn'.split(
        ' ',
      ),
    tens: 'zwanzig dreißig vierzig fünfzig sechzig siebzig achtzig neunzig'.split(' '),
    join: (ten, unit) => `${unit === 'eins' ? 'ein' : unit}und${ten}`,
  },
  fr: {
    small:
      'un deux trois quatre cinq six sept huit neuf dix onze douze treize quatorze quinze seize dix-sept dix-huit dix-neuf'.split(
        ' ',
      ),
    tens: 'vingt trente quarante cinquante soixante soixante quatre-vingt quatre-vingt'.split(' '),
    join: (ten, unit, value) => (value % 10 === 1 && value < 80 ? `${ten} et ${unit}` : `${ten}-${unit}`),
  },
  es: {
    small:
      'uno dos tres cuatro cinco seis siete ocho nueve diez once doce trece catorce quince dieciséis diecisiete dieciocho diecinueve'.split(
        ' ',
      ),
    tens: 'veinte treinta cuarenta cincuenta sesenta setenta ochenta noventa'.split(' '),
    join: (ten, unit, value) =>
      value < 30
        ? `veinti${unit === 'seis' ? 'séis' : unit === 'dos' ? 'dós' : unit === 'tres' ? 'trés' : unit}`
        : `${ten} y ${unit}`,
  },
});

/** The number in words of a language, with a capital; figures from 100 on. */
export function toWords(value: number, language = 'en'): string {
  if (value > 99 || value < 1) return String(value);
  const primary = language.split('-')[0];
  const words = WORDS[primary] ?? WORDS.en;
  let said: string;
  if (value < 20) said = words.small[value - 1];
  else {
    const ten = words.tens[Math.floor(value / 10) - 2];
    // French counts on from sixty and from eighty by twenties.
    const isFrench = words === WORDS.fr;
    const unit = value % 10 === 0 && !(isFrench && [70, 90].includes(value)) ? 0 : value % 10;
    const rest = isFrench && [7, 9].includes(Math.floor(value / 10)) ? (value % 10) + 10 : unit;
    if (rest === 0) said = isFrench && value === 80 ? `${ten}s` : ten;
    else said = words.join(ten, words.small[rest - 1], value);
  }
  return said[0].toUpperCase() + said.slice(1);
}

/** A number in its signs; empty for `none` and for what is no whole number from 1. */
export function inNumerals(value: number, numerals: Numerals, language = 'en'): string {
  if (!Number.isInteger(value) || value < 1) return '';
  switch (numerals) {
    case 'arabic':
      return String(value);
    case 'roman':
      return toRoman(value);
    case 'Roman':
      return toRoman(value).toUpperCase();
    case 'letters':
      return toLetters(value);
    case 'Letters':
      return toLetters(value).toUpperCase();
    case 'words':
      return toWords(value, language);
    case 'none':
      return '';
    default:
      return unreachable(numerals);
  }
}
