// The copy of a book: the divisions whose words are the author's, and not made from the particulars.
import { isMadeDivision, namesOf, type Book, type Division, type Note } from '../../model/copy/book';
import { meaningOfTag } from '../../copy/meanings';
import { holdersIn } from '../../model/copy/holders';
import { noteClass } from '../../model/spec/notes';
import type { Meaning } from '../../model/spec/spec';
import { plainWords, headingWords, titleBlock } from '../../numbering/headWords';
import { numberHeads, type HeadNumbers } from '../../numbering/numberHeads';
import { numberNotes } from '../../numbering/numberNotes';
import type { BlockId, CrossReference, Paragraph, StyleTag } from '../../model/copy/streams';

export function copyDivisions({ divisions }: Book): readonly Division[] {
  return divisions.filter((division) => !isMadeDivision(division));
}

/** Notes in the order of their references, each with its number among those of its kind. */
export interface NumberedNote {
  readonly note: Note;
  /** What a file that knows no other kinds has it as: by the place of its kind. */
  readonly kind: 'footnote' | 'endnote';
  readonly number: number;
  /** Its number as it is printed, where that does not hang on pages; of a keyed note an asterisk. */
  readonly label: string;
}

/** `divisions`: those that are written; absent: those that a copy for an author has. */
export function numberedNotes(
  book: Book,
  divisions: readonly Division[] = copyDivisions(book),
): Map<string, NumberedNote> {
  const found = new Map<string, NumberedNote>();
  const counts = { footnote: 0, endnote: 0 };
  const { labels, byDivision } = numberNotes(book);
  for (const id of divisions.flatMap((division) => byDivision.get(division.id) ?? [])) {
    const note = book.notes[id];
    if (note === undefined || found.has(id)) continue;
    const kind = noteClass(book.spec.notes, note.kind);
    counts[kind] += 1;
    found.set(id, { note, kind, number: counts[kind], label: labels.get(id) || '*' });
  }
  return found;
}

/** Meaning of a style, its own or that of an ancestor. */
export const meaningOf = ({ spec }: Book, tag: StyleTag): Meaning => meaningOfTag(spec.styles, tag);

/** Level of a heading by the meaning of its style, from 1; 0 for what is none. */
export function levelOf(book: Book, { style }: Paragraph): number {
  const meaning = meaningOf(book, style);
  return meaning.startsWith('heading') ? Number(meaning.slice(7)) : 0;
}

export const authorOf = (book: Book): string => namesOf(book.particulars, 'author');

/** The heads of a book that references go to, and the numbers of all. */
export interface HeadsOfCopy {
  readonly numbers: HeadNumbers;
  readonly targets: ReadonlyMap<
    BlockId,
    { readonly number: string; readonly title: string; readonly division: string }
  >;
  /** Heads inside divisions that the contents list, with their levels. */
  readonly listed: ReadonlyMap<BlockId, number>;
}

export function headsOf(book: Book): HeadsOfCopy {
  const numbers = numberHeads(book.divisions, book.spec, book.particulars.language);
  const wanted = new Set<BlockId>();
  for (const { blocks } of [...book.divisions, ...Object.values(book.notes)])
    for (const block of blocks)
      for (const { objects } of block.kind === 'table' ? holdersIn(block).map((holder) => holder.block) : [block])
        for (const object of objects) if (object.kind === 'reference') wanted.add(object.target);
  const targets = new Map<BlockId, { number: string; title: string; division: string }>();
  if (wanted.size > 0)
    for (const division of book.divisions) {
      const title = titleBlock(division, book.spec.styles);
      for (const block of division.blocks) {
        if (block.kind !== 'paragraph' || !wanted.has(block.id)) continue;
        const own = numbers.get(block.id)?.text;
        const number = own ?? (block === title ? headingWords(division, book.spec.styles, numbers).number : '');
        targets.set(block.id, { number, title: plainWords(block), division: division.id });
      }
    }
  return { numbers, targets, listed: listedHeads(book) };
}

function listedHeads(book: Book): Map<BlockId, number> {
  const sources = new Set(book.spec.contents.levels.map(({ source }) => source));
  const listed = new Map<BlockId, number>();
  for (const division of book.divisions) {
    if (!division.listed) continue;
    const title = titleBlock(division, book.spec.styles);
    for (const block of division.blocks)
      if (block.kind === 'paragraph' && block !== title && sources.has(block.style) && block.text.trim() !== '')
        listed.set(block.id, levelOf(book, block));
  }
  return listed;
}

/** What a cross-reference says where there are no pages: the number or the title; of a page, the title. */
export function referenceWords({ target, shows }: CrossReference, { targets }: HeadsOfCopy): string {
  const found = targets.get(target);
  if (found === undefined) return '??';
  return shows === 'number' ? found.number || found.title : found.title || found.number;
}
