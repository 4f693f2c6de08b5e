// Numbers that an author typed at the beginning of a head: `1. Process`, `2) Process`, `IV. Process`, `Chapter 1: Process`,
// `A.1 Process`. Beside the number that a scheme gives they would be set twice.
import { isTypedNumber, meaningOfTag } from '../copy/meanings';
import type { Division } from '../model/copy/book';
import { OBJECT_CHARACTER, type BlockId, type Paragraph, type StreamId } from '../model/copy/streams';
import type { Spec } from '../model/spec/spec';
import type { HeadNumbers } from './numberHeads';
import { toRoman, toWords } from './numerals';

/** A number typed before the words of a head: `from` inclusive, `to` exclusive, the white and marks after it included. */
export interface TypedNumber {
  readonly stream: StreamId;
  readonly block: BlockId;
  readonly from: number;
  readonly to: number;
}

/** What may be a typed number. */
interface Candidate extends Omit<TypedNumber, 'stream' | 'block'> {
  /** Forms of one kind are counted together. */
  readonly form: string;
  readonly value: number;
  /** It can be nothing else; the others must agree with the counting, or with the heads beside them. */
  readonly isSure: boolean;
}

/** The largest number that a head is looked at for in roman or in words. */
const MOST = 99;

const ROMANS = new Map(Array.from({ length: MOST }, (_, k) => [toRoman(k + 1), k + 1]));

/** Names of what is numbered, in the languages that can be set. */
const NAMED =
  'chapter|part|book|section|appendix|kapitel|teil|buch|abschnitt|anhang|chapitre|partie|livre|annexe|capítulo|parte|libro|sección|apéndice';
const ORDINAL = 'first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth';
const MARKS = '[.:)\\]–—-]';

/** A name and its number: `Chapter 1: `, `Part Two `, `Appendix A. `. A lone letter wants a mark: `Book I Loved` is a title. */
const WITH_NAME = new RegExp(
  `^(?:${NAMED})\\s+(\\p{L}[\\p{L}-]*|\\d{1,3}(?:\\.\\d{1,3})*)(\\s*${MARKS}+\\s*|\\s+)(?=\\S)`,
  'iu',
);
const WITH_ORDINAL = new RegExp(`^(?:the\\s+)?(?:${ORDINAL})\\s+(?:${NAMED})\\s*${MARKS}+\\s*(?=\\S)`, 'iu');
/** `1. `, `1) `, `(1) `, `§ 1 `, `1 – `, `1` and a tab. */
const FIGURE = /^(?:§\s*(\d{1,3})[.:)]?|[([](\d{1,3})[)\]]|(\d{1,3})(?:[.:)]+|\s*[–—-]|(?=\t)))\s+(?=\S)/u;
const BARE_FIGURE = /^(\d{1,3})\s+(?=\p{L})/u;
/** `1.2 `, `1.2.3. `, `A.1 `. */
const DOTTED = /^(?:\d{1,3}|\p{Lu})((?:\.\d{1,3})+)[.:)]?\s+(?=\S)/u;
/** `IV. `, `a) `, `(B) `, `One: `, and `IV ` without a mark. */
const LETTERS = new RegExp(`^([(\\[]?)(\\p{L}[\\p{L}-]*)(\\s*${MARKS}+\\s+|\\s+)(?=\\S)`, 'u');

/** Words of numbers with their values, by language. */
const wordsOf = new Map<string, ReadonlyMap<string, number>>();

function numberWords(language: string): ReadonlyMap<string, number> {
  let words = wordsOf.get(language);
  if (words === undefined) {
    const values = Array.from({ length: MOST }, (_, k) => k + 1);
    const pairs = ['en', language].flatMap((one) =>
      values.map((value) => [toWords(value, one).toLowerCase(), value] as const),
    );
    wordsOf.set(language, (words = new Map(pairs)));
  }
  return words;
}

/** The typed numbers beside those that `numbers` gives, in the order of reading. */
export function typedHeadNumbers(
  divisions: readonly Division[],
  numbers: HeadNumbers,
  language: string,
): readonly TypedNumber[] {
  if (numbers.size === 0) return [];
  const heads = new Map<
    string,
    { stream: StreamId; block: BlockId; count: number; candidates: readonly Candidate[] }[]
  >();
  for (const { id, blocks } of divisions)
    for (const block of blocks) {
      const number = numbers.get(block.id);
      if (number === undefined || block.kind !== 'paragraph') continue;
      const head = { stream: id, block: block.id, count: number.count, candidates: candidatesOf(block, language) };
      heads.set(block.style, [...(heads.get(block.style) ?? []), head]);
    }
  const found = new Map<BlockId, TypedNumber>();
  for (const list of heads.values())
    list.forEach(({ stream, block, count, candidates }, at) => {
      const beside = [list[at - 1]?.candidates ?? [], list[at + 1]?.candidates ?? []];
      const agrees = ({ form, value }: Candidate) =>
        value === count ||
        beside[0].some((one) => one.form === form && one.value === value - 1) ||
        beside[1].some((one) => one.form === form && one.value === value + 1);
      const taken = candidates.find((one) => one.isSure || agrees(one));
      if (taken !== undefined) found.set(block, { stream, block, from: taken.from, to: taken.to });
    });
  return divisions.flatMap(({ blocks }) => blocks.flatMap(({ id }) => found.get(id) ?? []));
}

/** The ways in which the beginning of a head can be read as a number; a head keeps words of its own. */
function candidatesOf({ text }: Paragraph, language: string): readonly Candidate[] {
  const from = new RegExp(`^[\\s${OBJECT_CHARACTER}]*`, 'u').exec(text)![0].length;
  const rest = text.slice(from);
  return read(rest, numberWords(language)).map(({ length, ...one }) => ({ ...one, from, to: from + length }));
}

type Read = Omit<Candidate, 'from' | 'to'> & { readonly length: number };

function read(text: string, words: ReadonlyMap<string, number>): Read[] {
  const found: Read[] = [];
  const take = (match: RegExpExecArray, form: string, value: number, isSure: boolean) =>
    found.push({ form, value, isSure, length: match[0].length });
  const named = WITH_NAME.exec(text);
  if (named !== null && isNumber(named[1], /\S/u.test(named[2]), words)) take(named, 'name', 0, true);
  const ordinal = WITH_ORDINAL.exec(text);
  if (ordinal !== null) take(ordinal, 'name', 0, true);
  const dotted = DOTTED.exec(text);
  if (dotted !== null) take(dotted, 'dotted', Number(dotted[1].slice(dotted[1].lastIndexOf('.') + 1)), false);
  const figure = FIGURE.exec(text);
  if (figure !== null) take(figure, 'figure', Number(figure[1] ?? figure[2] ?? figure[3]), true);
  const bare = BARE_FIGURE.exec(text);
  if (bare !== null) take(bare, 'bare', Number(bare[1]), false);
  const letters = LETTERS.exec(text);
  if (letters !== null) found.push(...readLetters(letters, words));
  return found;
}

/** Whether what follows a name is a number: figures, roman, a word, or one letter before a mark. */
function isNumber(typed: string, hasMark: boolean, words: ReadonlyMap<string, number>): boolean {
  if (/^\d/.test(typed)) return true;
  if (typed.length === 1) return hasMark;
  const lower = typed.toLowerCase();
  return words.has(lower) || (ROMANS.has(lower) && (typed === lower || typed === typed.toUpperCase()));
}

function readLetters(match: RegExpExecArray, words: ReadonlyMap<string, number>): Read[] {
  const [whole, , typed, after] = match;
  const hasMark = /[^\s]/u.test(after);
  const lower = typed.toLowerCase();
  const isOneCase = typed === lower || typed === typed.toUpperCase();
  const found: Read[] = [];
  const take = (form: string, value: number | undefined) =>
    value !== undefined && found.push({ form, value, isSure: false, length: whole.length });
  // Without a mark a lone letter is a word (`I`, `A`), and a word of number is one of the title (`Two Rivers`).
  if (isOneCase && (hasMark || typed.length > 1)) take('roman', ROMANS.get(lower));
  if (hasMark && /^[a-z]$/.test(lower)) take('letter', lower.charCodeAt(0) - 0x60);
  if (hasMark) take('words', words.get(lower));
  return found;
}

/** The paragraphs of typed numbers that stand before a title. A number that is all a chapter has for a title is none. */
export function typedNumberLines(
  divisions: readonly Division[],
  { styles }: Pick<Spec, 'styles'>,
): readonly { readonly stream: StreamId; readonly block: BlockId }[] {
  return divisions.flatMap(({ id, blocks }) => {
    const hasTitle = blocks.some(({ style }) => meaningOfTag(styles, style) === 'heading1');
    if (!hasTitle) return [];
    return blocks.flatMap((block) =>
      isTypedNumber(meaningOfTag(styles, block.style)) && block.kind === 'paragraph' && block.objects.length === 0
        ? [{ stream: id, block: block.id }]
        : [],
    );
  });
}
