// What the tokens of furniture are called.
import type { FurniturePart, Token } from '../../../../core/model/spec/furniture';

export const TOKEN_NAMES: Readonly<Record<Token, string>> = {
  folio: 'Folio',
  pageCount: 'Page count',
  title: 'Book title',
  subtitle: 'Subtitle',
  shortTitle: 'Short book title',
  author: 'Author',
  partTitle: 'Part title',
  partNumber: 'Part number',
  chapterTitle: 'Chapter title',
  chapterNumber: 'Chapter number',
  firstHead: 'First head',
  lastHead: 'Last head',
  section: 'Section',
  notePages: 'Pages of the notes',
  date: 'Date',
};

export const HEAD_LEVELS: readonly (readonly [string, string])[] = [
  ['2', 'A head'],
  ['3', 'B head'],
  ['4', 'C head'],
  ['5', 'level 5'],
  ['6', 'level 6'],
];

export const hasLevel = (token: Token): boolean => token === 'firstHead' || token === 'lastHead';

/** A part in a word or two. */
export function partName(part: FurniturePart): string {
  if (part.kind === 'tab') return 'tab';
  if (part.kind === 'rule') return `rule, ${part.length} em`;
  if (part.kind === 'text') return SPACES.get(part.text) ?? `“${part.text}”`;
  const level = HEAD_LEVELS.find(([key]) => key === String(part.level ?? 2))?.[1] ?? '';
  return hasLevel(part.token) ? `${TOKEN_NAMES[part.token].split(' ')[0]} ${level}` : TOKEN_NAMES[part.token];
}

/** White of a fixed width. */
export const SPACES: ReadonlyMap<string, string> = new Map([
  ['\u2003', 'em space'],
  ['\u2002', 'en space'],
  ['\u2009', 'thin space'],
]);
