// Seeded texts for measurements: prose with the words of the demonstration novel, each followed by one that follows it
// there, so that lengths of words and places to divide them are those of real English. Never shown to anybody.
import { seeded } from './seeded';

export interface SeededTextOptions {
  readonly words: number;
  /** 0: one division, without chapters. */
  readonly chapters: number;
  readonly seed: number;
  /** The manuscript from which the words are taken: demo/the-ferry-register.txt. */
  readonly source: string;
}

/** Most words of a sentence before one that ends it is looked for. */
const LONG_SENTENCE = 46;

/** A plain text with chapters, dialogue and paragraphs of varied length. */
export function seededText({ words, chapters, seed, source }: SeededTextOptions): string {
  const random = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const { starts, after, ends } = followers(source);
  let made = 0;
  const sentence = (): string => {
    const list = [pick(starts)];
    for (;;) {
      const word = list[list.length - 1];
      if (/[.?!]$/.test(word)) break;
      list.push(list.length > LONG_SENTENCE ? pick(ends) : pick(after.get(word) ?? ends));
    }
    made += list.length;
    return list.join(' ');
  };
  const paragraph = (): string => {
    const kind = random();
    if (kind < 0.3) return `“${sentence()}”`;
    if (kind < 0.42) return `“${sentence()}” ${sentence()}`;
    return Array.from({ length: 1 + Math.floor(random() * 7) }, sentence).join(' ');
  };
  const lines = ['Title: Seeded', 'Author: Nobody', ''];
  for (let chapter = 1; chapter <= Math.max(1, chapters); chapter += 1) {
    if (chapters > 0) {
      const title = sentence().split(' ').slice(0, 3).join(' ').replace(/[,.;:?!]/g, '');
      lines.push(`CHAPTER ${chapter}`, '', title, '');
    }
    while (made < (words * chapter) / Math.max(1, chapters)) lines.push(paragraph(), '');
  }
  return lines.join('\n');
}

/** Words with their stops: those that begin a sentence, those that follow each, those that end one. */
function followers(source: string) {
  const text = source
    .split('\n')
    .filter((line) => line !== '' && !/^[@#>{*-]/.test(line))
    .map((line) => line.replace(/\{[^}]*\}|\[[^\]]*\]|[*_~“”"()]/g, ''))
    .join(' ');
  const list = text.split(/\s+/).filter((word) => /^[A-Za-z][A-Za-z’'-]*[,;:.?!]?$/.test(word));
  const starts: string[] = [];
  const ends: string[] = [];
  const after = new Map<string, string[]>();
  list.forEach((word, k) => {
    const before = list[k - 1] ?? '.';
    if (/[.?!]$/.test(before)) {
      if (/^[A-Z]/.test(word) && !/[.?!]$/.test(word)) starts.push(word);
    } else if (after.has(before)) after.get(before)!.push(word);
    else after.set(before, [word]);
    if (/[.?!]$/.test(word)) ends.push(word);
  });
  return { starts, after, ends };
}
