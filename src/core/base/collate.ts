// Sorting words as an index does, the same in every engine: by letters without their accents, then capitals and accents as
// the last resort. Intl is not used: it differs between Node and browsers.

import { table } from './table';
/** Letters that no decomposition takes apart, as they are sorted. */
const FOLDED: Readonly<Record<string, string>> = table({
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  ł: 'l',
  þ: 'th',
});
/** Words left out at the beginning of a sub-entry. */
const SMALL = /^(?:a|an|the|and|at|by|for|from|in|of|on|to|with)\s+/i;

/** Letters of their own in a language: sorted behind every word with the letter that they come from. */
const OWN_LETTERS: Readonly<Record<string, RegExp>> = table({ es: /ñ/giu });

const fold = (text: string, language: string): string =>
  (OWN_LETTERS[language.split('-')[0]] === undefined
    ? text
    : text.normalize('NFC').replace(OWN_LETTERS[language.split('-')[0]], 'n\u{10FFFF}')
  )
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[ßæœøđðłþ]/gu, (letter) => FOLDED[letter]);

/** What a term is sorted by; `words`: spaces count before every letter, `letters`: they do not count. */
export function sortKey(term: string, order: 'letters' | 'words', language = 'en'): string {
  const folded = fold(term, language).replace(/[’'‘]/g, '');
  const spaced = folded.replace(/[^\p{L}\p{N}\u{10FFFF}]+/gu, ' ').trim();
  return order === 'words' ? spaced : spaced.replace(/ /g, '');
}

export const sortKeyOfSub = (sub: string, order: 'letters' | 'words', language = 'en'): string =>
  sortKey(sub.replace(SMALL, ''), order, language);

/** Negative when the first comes before; figures before letters, equal keys by the terms themselves. */
export function compareTerms(a: string, b: string, keyA: string, keyB: string): number {
  if (keyA !== keyB) return keyA < keyB ? -1 : 1;
  return a < b ? -1 : a > b ? 1 : 0;
}

/** The letter under which a term stands; `0` for figures and signs. */
export function initialOf(term: string, language = 'en'): string {
  const own = term.normalize('NFC').replace(/^[^\p{L}\p{N}]+/u, '')[0] ?? '';
  if (OWN_LETTERS[language.split('-')[0]] !== undefined && /^ñ$/iu.test(own)) return own.toUpperCase();
  const first = sortKey(term, 'letters')[0] ?? '';
  return /\p{L}/u.test(first) ? first.toUpperCase() : '0';
}
