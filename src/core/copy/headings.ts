// Tells what a heading is from its words: a part, a chapter with or without a number, neither.

const NUMBER_WORDS =
  'one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|' +
  '(?:twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)(?:[- ](?:one|two|three|four|five|six|seven|eight|nine))?';
const ORDINALS = 'first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth';
const ROMAN = '(?=[ivxlc])(?:xc|xl|l?x{0,3})(?:ix|iv|v?i{0,3})';
const NUMBER = `(?:\\d{1,3}|${NUMBER_WORDS}|${ROMAN})`;

const PART = new RegExp(
  `^(?:the\\s+)?((?:part|book)\\s+(?:the\\s+)?(?:${NUMBER}|${ORDINALS})|(?:${ORDINALS})\\s+(?:part|book))\\b[\\s.:–—-]*(.*)$`,
  'iu',
);
const CHAPTER = new RegExp(`^(chapter\\s+${NUMBER})(?![\\p{L}\\p{N}])[\\s.:–—-]*(.*)$`, 'iu');
const NUMBERED = new RegExp(`^(\\d{1,3}|${ROMAN})[.:)]?(?:\\s*[–—-]\\s*|\\s+|$)(.*)$`, 'u');
const NUMBERED_UPPER = new RegExp(`^(${ROMAN.toUpperCase()})[.:)]?(?:\\s*[–—-]\\s*|\\s+|$)(.*)$`, 'u');
const UNNUMBERED = /^(prologue|epilogue|interlude|introduction|foreword|preface|afterword|acknowledge?ments)[.:]?$/iu;

export interface HeadingWords {
  readonly kind: 'part' | 'chapter';
  /** As typed, such as `Chapter IV` or `3`; empty when there is none. */
  readonly number: string;
  /** What stands beside the number; empty when there is only a number. */
  readonly title: string;
  /** Offset in the text at which the title starts. */
  readonly titleAt: number;
}

/** A roman numeral with words after it and no mark between: a number, or the first word of a title. */
const MAY_BE_WORD = new RegExp(`^(${ROMAN}|${ROMAN.toUpperCase()})\\s+\\p{L}`, 'u');
const VALUES: Readonly<Record<string, number>> = { i: 1, v: 5, x: 10, l: 50, c: 100 };

function romanValue(numeral: string): number {
  const values = [...numeral.toLowerCase()].map((letter) => VALUES[letter]);
  return values.reduce((sum, value, k) => sum + (value < (values[k + 1] ?? 0) ? -value : value), 0);
}

/** The roman numerals that begin headings of a book, with or without a title after them, by their values. */
export function romanSeries(headings: Iterable<string>): ReadonlySet<number> {
  const found = new Set<number>();
  for (const heading of headings) {
    const match = NUMBERED.exec(heading.trim()) ?? NUMBERED_UPPER.exec(heading.trim());
    if (match !== null && /^[ivxlc]+$/i.test(match[1])) found.add(romanValue(match[1]));
  }
  return found;
}

/**
 * Reads the words of a line that is known to be a heading. Never fails: a heading without a number is a chapter's title.
 * `series`: the roman numerals of all headings: one without a neighbour and without a mark after it is a word, as in “I Sit and
 * Look Out”.
 */
export function readHeading(text: string, series?: ReadonlySet<number>): HeadingWords {
  const trimmed = text.trim();
  const numbered =
    PART.exec(trimmed) ?? CHAPTER.exec(trimmed) ?? NUMBERED.exec(trimmed) ?? NUMBERED_UPPER.exec(trimmed);
  const kind = PART.test(trimmed) ? 'part' : 'chapter';
  const word = series === undefined ? null : MAY_BE_WORD.exec(trimmed);
  const value = word === null ? 0 : romanValue(word[1]);
  const isWord = word !== null && !series!.has(value - 1) && !series!.has(value + 1);
  if (numbered === null || isWord)
    return { kind, number: '', title: trimmed, titleAt: text.length - text.trimStart().length };
  const title = numbered[2];
  return { kind, number: numbered[1], title, titleAt: text.lastIndexOf(title, text.trimEnd().length - title.length) };
}

/** The longest line that can be a heading of a plain text. */
const LONGEST_HEADING = 80;

/** True when a line of plain text must be a heading: it says part or chapter with a number, or a name that only a division has. */
export function looksLikeHeading(line: string): boolean {
  const trimmed = line.trim();
  if (trimmed === '' || trimmed.length > LONGEST_HEADING) return false;
  if (UNNUMBERED.test(trimmed)) return true;
  const match = CHAPTER.exec(trimmed) ?? PART.exec(trimmed);
  if (match === null) return false;
  // A sentence that begins with "Part one of the work was ..." is no heading.
  const title = match[2];
  return title === '' || (/^[\p{Lu}\p{N}“"‘']/u.test(title) && !/[,;]$|[a-z]\.$/u.test(title));
}

/** True when a line is only a number as chapters are numbered: `IV`, `12`, `3.`. */
export function isBareNumber(line: string): boolean {
  return new RegExp(`^(?:\\d{1,3}|${ROMAN.toUpperCase()})\\.?$`, 'u').test(line.trim());
}

/** True when a paragraph is a space break drawn with marks: `***`, `* * *`, `#`, `⁂`, `—`. */
export function isBreakMark(text: string): boolean {
  return /^(?:[*•·~–—-]\s*){1,5}$|^#{1,3}$|^⁂$/u.test(text.trim());
}
