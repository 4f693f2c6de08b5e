// By what a line or a page of the first pages is known.
import { imprintFacts } from '../../copy/imprintFacts';
import { sameWords, wordCount, type Line } from './lines';

const PARTICLE = /^(?:de|del|della|di|da|dos|du|la|le|van|von|der|den|ten|zu|y|e|bin|ibn|al)$/u;
const NAME = /^\p{Lu}[\p{L}\p{M}.'’-]*,?$/u;

/** Two to five words as a person's name has them, or several such names. */
export function isNameLike(words: string): boolean {
  if (words.length > 90 || /[\d!?;:“”"]/.test(words)) return false;
  const people = words.split(/\s*(?:,|\band\b|\bund\b|\bet\b|&)\s*/u);
  return people.every((person) => {
    const parts = person.split(' ');
    return (
      parts.length >= 2 &&
      parts.length <= 5 &&
      parts.every((part) => NAME.test(part) || PARTICLE.test(part)) &&
      !/^(?:A|An|The)$/i.test(parts[0])
    );
  });
}

/** A line that says by whom the book is: `by Odile Brackwater`, `A novel by …`. */
export function isByline(words: string): boolean {
  const found = /^(?:(.{2,80}?)[\s,:]+)?(?:(?:written\s+)?by|von|par|por)\s+(\S.*)$/iu.exec(words);
  if (found === null || words.length > 120 || !isNameLike(withCapitals(found[2]))) return false;
  return found[1] === undefined || /^(?:a|an|the|ein|eine|un|une)\s/iu.test(found[1]);
}

/** A name typed in one case throughout is one all the same. */
const withCapitals = (words: string) =>
  words === words.toLowerCase() ? words.replace(/(?<!\p{L})\p{L}/gu, (letter) => letter.toUpperCase()) : words;

const ADDRESS = [
  /[\w.+-]+@[\w-]+\.\w{2,}/,
  /(?:^|\s)(?:about |approx\.? |approximately |circa |c\. ?)?\d[\d,. ]*\s*words\b/i,
  /^(?:tel|telephone|phone|mobile|fax|e-?mail|agent|represented by|contact|word ?count|draft|version|submitted)\b.{0,3}[:.\s]/i,
  /^\d{1,5}[a-z]?,?\s+\p{Lu}[\p{L}’' ]+\b(?:street|st\.?|road|rd\.?|lane|avenue|ave\.?|row|quay|way|close|drive|square|terrace|hill)\b/iu,
  /^\+?[\d ()/-]{9,20}$/,
];

/** An address, a count of words: for the desk, not for the book. */
export const isForTypesetter = (lines: readonly Line[]): boolean =>
  wordCount(lines) <= 60 && lines.length <= 10 && lines.some(({ words }) => ADDRESS.some((sign) => sign.test(words)));

const IMPRINT =
  /^(?:copyright\b|©|\(c\) )|\ball rights reserved\b|\bisbn\b|\b(?:first|originally) published\b|\bprinted (?:in|and bound|by)\b|\btypeset (?:in|by)\b|\bcatalogue record\b|\bwork of fiction\b|\bmoral right\b/i;

/** A page of the facts of publication. */
export const isImprintPage = (lines: readonly Line[]): boolean =>
  wordCount(lines) <= 300 && lines.some(({ words }) => IMPRINT.test(words));

/** One line of such facts, also a bare `Publisher, Place, Year`. */
export const isImprintLine = (words: string): boolean => IMPRINT.test(words) || imprintFacts(words) !== null;

export const CONTENTS_NAME =
  /^(?:table of )?contents$|^(?:inhalt(?:sverzeichnis)?|table des matières|sommaire|índice|contenido)[.:]?$/iu;
export const IMPRINT_NAME = /^(?:copyright(?: page)?|imprint|impressum|mentions légales|créditos)$/iu;

const LEADER = /^.{1,160}?(?:\s*(?:\.\s?){2,}|…+|\s{3,}|\t+|\s)\s*(?:\d{1,4}|[ivxlc]{1,7})$/iu;
const LEADER_SURE = /(?:(?:\.\s?){3,}|…{1,}|\t)\s*(?:\d{1,4}|[ivxlc]{1,7})$/iu;

/** Heads that come later, as `sameWords` has them. */
export type Heads = ReadonlySet<string>;

/** A list of heads with dots or page numbers, or of heads that come later. */
export function isContentsList(lines: readonly Line[], heads: Heads): boolean {
  const [first, ...others] = lines;
  const isNamed = first !== undefined && CONTENTS_NAME.test(first.words);
  const entries = isNamed ? others : lines;
  if (entries.length === 0) return isNamed;
  if (entries.length < (isNamed ? 1 : 3)) return false;
  const share = entries.filter((line) => isEntry(line, heads, isNamed)).length / entries.length;
  return share >= (isNamed ? 0.5 : 0.7);
}

/** A line of a contents list; `isUnder`: under a head that names it one. */
export function isEntry({ block, words }: Line, heads: Heads, isUnder: boolean): boolean {
  const text = block.kind === 'paragraph' ? tabbed(block.text, block.objects) : words;
  return LEADER_SURE.test(text) || (isUnder && LEADER.test(words)) || isHead(words, heads);
}

function tabbed(text: string, objects: readonly { readonly at: number; readonly kind: string }[]): string {
  const tabs = new Set(objects.filter(({ kind }) => kind === 'tab').map(({ at }) => at));
  return [...text].map((char, at) => (tabs.has(at) ? '\t' : char)).join('');
}

const isHead = (words: string, heads: Heads): boolean => {
  const bare = sameWords(words.replace(/[\s.…]*\d{1,4}$/, ''));
  return heads.has(sameWords(words)) || heads.has(bare) || heads.has(bare.replace(/^(?:chapter |part )?\w+ /, ''));
};

const FOR_SURE =
  /^(?:dedicated to|in (?:loving |fond )?memory of|in memoriam|für meine?n?\s|à la mémoire|a la memoria de)\b/iu;
const FOR = /^(?:for|to|für|pour|à|para)\s+\S/iu;

/** `isAlone`: nothing else stands on its page. */
export function isDedication(lines: readonly Line[], isAlone: boolean): boolean {
  const length = lines.reduce((sum, { words }) => sum + words.length, 0);
  if (length > 240 || lines.length > 6) return false;
  const [{ words }] = lines;
  if (FOR_SURE.test(words) || (FOR.test(words) && length <= 160)) return true;
  const isDisplay = lines.every(({ isCentred }) => isCentred) || lines.every((line) => line.isItalic || line.isRight);
  return isAlone && isDisplay && length <= 160 && !hasSource(lines);
}

const SOURCE = /^(?:[—–―]|--?)\s*\S/u;
const TRAILING_SOURCE = /[.!?…”"’']\s*(?:[—–―]|--)\s*\p{Lu}[^.!?]{2,70}$/u;

const hasSource = (lines: readonly Line[]): boolean => {
  const last = lines[lines.length - 1];
  return (
    lines.length > 1 && last.words.length <= 120 && (SOURCE.test(last.words) || (last.isRight && !lines[0].isRight))
  );
};

/** Verse, or a quotation with its source. */
export function isEpigraph(lines: readonly Line[]): boolean {
  if (lines.length > 20 || wordCount(lines) > 150) return false;
  if (lines.every(({ isQuoted }) => isQuoted)) return true;
  if (hasSource(lines)) return true;
  return lines.length === 1 && TRAILING_SOURCE.test(lines[0].words) && lines[0].words.length <= 400;
}
