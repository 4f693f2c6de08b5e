// Seeded texts for measurements: invented prose of English shape, the same for the same seed, never shown to anybody.
import { seeded } from './seeded';

const ONSETS = [
  'b',
  'br',
  'c',
  'ch',
  'd',
  'f',
  'g',
  'gr',
  'h',
  'l',
  'm',
  'n',
  'p',
  'pl',
  'r',
  's',
  'sh',
  'st',
  't',
  'th',
  'tr',
  'w',
  'w',
  '',
];
const CORES = ['a', 'e', 'i', 'o', 'u', 'ea', 'ou', 'ai', 'oo', 'e', 'a', 'i'];
const CODAS = ['', 'n', 'r', 's', 't', 'l', 'd', 'nd', 'st', 'ng', 'ck', '', 'm', 'ght'];
const SMALL = [
  'the',
  'of',
  'and',
  'to',
  'a',
  'in',
  'that',
  'it',
  'was',
  'he',
  'she',
  'had',
  'with',
  'for',
  'on',
  'as',
  'at',
  'by',
  'but',
  'not',
  'her',
  'his',
  'from',
  'they',
  'which',
];
const ENDINGS = ['', '', '', 'ing', 'ed', 'er', 'ly', 'ness', 'ation', 'ment', 'able'];

export interface SeededTextOptions {
  readonly words: number;
  readonly chapters: number;
  readonly seed: number;
}

/** A plain text with chapters, dialogue and paragraphs of varied length. */
export function seededText({ words, chapters, seed }: SeededTextOptions): string {
  const random = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const vocabulary = Array.from({ length: 2600 }, () => {
    const syllables = 1 + Math.floor(random() * random() * 3.4);
    return (
      Array.from({ length: syllables }, () => pick(ONSETS) + pick(CORES) + pick(CODAS)).join('') +
      (syllables > 1 ? pick(ENDINGS) : '')
    );
  });
  const word = () => (random() < 0.46 ? pick(SMALL) : vocabulary[Math.floor(random() * random() * vocabulary.length)]);
  let made = 0;
  const sentence = (): string => {
    const length = 4 + Math.floor(random() * random() * 34);
    made += length;
    const list = Array.from({ length }, (_, k) => (k > 2 && k < length - 2 && random() < 0.09 ? `${word()},` : word()));
    list[0] = list[0][0].toUpperCase() + list[0].slice(1);
    return `${list.join(' ')}${random() < 0.08 ? '?' : '.'}`;
  };
  const paragraph = (): string => {
    if (random() < 0.34) return `“${sentence()}”`;
    return Array.from({ length: 1 + Math.floor(random() * 8) }, sentence).join(' ');
  };
  const lines = ['Title: Seeded', 'Author: Nobody', ''];
  for (let chapter = 1; chapter <= chapters; chapter += 1) {
    lines.push(`CHAPTER ${chapter}`, '', `The ${pick(vocabulary)} ${pick(vocabulary)}`, '');
    while (made < (words * chapter) / chapters) lines.push(paragraph(), '');
  }
  return lines.join('\n');
}
