// What a slot would say on a page that the book does not have: its own title and author, its first chapter, a folio.
import { namesOf, type Book } from '../../../../core/model/copy/book';
import type { FurniturePart, FurnitureSlot, Token } from '../../../../core/model/spec/furniture';
import type { PageSide } from '../../../../core/model/spec/pageRoles';
import { headingWords } from '../../../../core/numbering/headWords';
import { partName } from './tokens';

const FOLIOS: Readonly<Record<PageSide, string>> = { verso: '48', recto: '49' };

/** The words of a slot on a page of a side. */
export function exampleWords(book: Book, slot: FurnitureSlot, side: PageSide): string {
  return slot.parts.map((part) => wordsOf(book, part, side)).join('');
}

function wordsOf(book: Book, part: FurniturePart, side: PageSide): string {
  if (part.kind === 'text') return part.text;
  if (part.kind === 'tab') return '\u2003';
  if (part.kind === 'rule') return '—'.repeat(Math.min(6, part.length));
  return tokenWords(book, part.token, side) || `[${partName(part)}]`;
}

function tokenWords({ particulars, divisions, spec }: Book, token: Token, side: PageSide): string {
  const headOf = (role: 'chapter' | 'part') => {
    const division = divisions.find((one) => one.role === role);
    return division === undefined ? null : headingWords(division, spec.styles);
  };
  switch (token) {
    case 'folio':
      return FOLIOS[side];
    case 'title':
      return particulars.title;
    case 'subtitle':
      return particulars.subtitle;
    case 'shortTitle':
      return particulars.shortTitle || particulars.title;
    case 'author':
      return namesOf(particulars, 'author');
    case 'chapterTitle':
      return headOf('chapter')?.title ?? '';
    case 'chapterNumber':
      return headOf('chapter')?.number ?? '';
    case 'partTitle':
      return headOf('part')?.title ?? '';
    case 'partNumber':
      return headOf('part')?.number ?? '';
    default:
      return '';
  }
}
