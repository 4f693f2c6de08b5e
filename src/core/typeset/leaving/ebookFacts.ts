// What an ebook is told of the composed book: looks of styles, page starts, index, lists, faces.
import { editionOf } from '../../copy/editionOf';
import { plainBook } from '../../copy/figures/gatherFigures';
import type { Book } from '../../model/copy/book';
import { holdersIn } from '../../model/copy/holders';
import type { Block, Paragraph } from '../../model/copy/streams';
import type { TypesetBook } from '../../model/composed/pages';
import type { ResolvedStyle } from '../../model/composed/styled';
import type { EbookSettings } from '../../model/products/ebook';
import { maybeFace, type FaceRecord } from '../../model/spec/faces';
import type { HarfBuzzSubsetter } from '../../fonts/harfbuzz';
import { findPlaces, marksOf, pageStarts, type PlacedMark } from '../../references';
import { resolveStyles } from '../../styles';
import type { EbookFace, EbookFacts, EbookIndexEntry, PageStart } from '../../write/epub';
import { drawnCover } from './drawnCover';
import { spaceOfFamily, type TypesetContext } from '../context';

/** A cover is drawn for a book whose picture cannot be had too. `subsetter`: cuts down the faces of a dressed book. */
export function ebookFacts(
  of: Book,
  composed: TypesetBook,
  context: TypesetContext,
  { level, cover }: Pick<EbookSettings, 'level' | 'cover'>,
  subsetter: () => HarfBuzzSubsetter,
): EbookFacts {
  const book = editionOf(of, 'ebook');
  const { references, pages } = composed;
  const { spec, particulars } = book;
  const space = (family: string) => spaceOfFamily(context, family);
  const styles = resolveStyles(spec, particulars.language, space, context.interner);
  const paragraphs = paragraphsOf(book);
  return {
    styles,
    pages: pageStarts(pages).map((start) => atWord(start, paragraphs)),
    index: indexEntries(book, composed),
    captions: references.captions.map(({ kind, block, text }) => ({ kind, block, text })),
    drawnCover: cover === 'none' ? null : (isGrey) => drawnCover(particulars, styles, context.library, isGrey),
    faces: level === 'dressed' ? facesOf(book, styles.values(), context, subsetter) : [],
  };
}

/** Every paragraph of the copy, its notes and figures, by its id. */
function paragraphsOf(of: Book): ReadonlyMap<string, Paragraph> {
  const book = plainBook(of);
  const found = new Map<string, Paragraph>();
  const add = (blocks: readonly Block[]) => {
    for (const block of blocks) {
      if (block.kind === 'paragraph') found.set(block.id, block);
      else for (const row of block.rows) for (const cell of row) add(cell.blocks);
    }
  };
  for (const { blocks } of [...book.divisions, ...Object.values(book.notes)]) add(blocks);
  return found;
}

/** A page that begins inside a word begins before it: no word is parted in a file. */
function atWord(start: PageStart, paragraphs: ReadonlyMap<string, Paragraph>): PageStart {
  const text = paragraphs.get(start.block)?.text ?? '';
  let { at } = start;
  while (at > 0 && !/\s/.test(text[at - 1]) && !/\s/.test(text[at] ?? ' ')) at -= 1;
  return { ...start, at };
}

const keyOf = ({ term, sub }: { readonly term: string; readonly sub: string }) => `${term.trim()}\u0000${sub.trim()}`;

/** Each entry with the place of the mark at which each of its ranges begins. */
function indexEntries(book: Book, { references, pages }: TypesetBook): EbookIndexEntry[] {
  if (references.index.length === 0) return [];
  const marks = new Map<string, PlacedMark[]>();
  const take = (block: Paragraph) => {
    for (const mark of marksOf(block)) marks.set(keyOf(mark), [...(marks.get(keyOf(mark)) ?? []), mark]);
  };
  const plain = plainBook(book);
  for (const { blocks } of [...plain.divisions, ...Object.values(plain.notes)])
    for (const block of blocks)
      if (block.kind === 'paragraph') take(block);
      else holdersIn(block).forEach((holder) => take(holder.block));
  const wanted = new Set([...marks.values()].flatMap((own) => own.map(({ block }) => block)));
  const pageOf = findPlaces(pages, wanted);
  return references.index.map(({ term, sub, pages: ranges, folios, see, seeAlso }) => {
    const own = (marks.get(keyOf({ term, sub })) ?? []).map((mark) => ({
      mark,
      page: pageOf(mark.block, mark.at + 1),
    }));
    const places = ranges.map(([from, to]) => {
      const found = own.find(({ page }) => page >= from && page <= to)?.mark;
      return found === undefined ? null : { block: found.block, at: found.at };
    });
    return { term, sub, folios, see, seeAlso, places };
  });
}

/** Faces of a family in an ebook: its roman and italic, and the bold that styles ask for. */
function facesOf(
  book: Book,
  styles: Iterable<ResolvedStyle>,
  { library }: TypesetContext,
  subsetter: () => HarfBuzzSubsetter,
): EbookFace[] {
  const wanted = new Map<string, FaceRecord>();
  const want = (family: string, weight: number, italic: boolean) => {
    const face = maybeFace(library.table, family, weight, italic);
    // Bit 1 of fsType forbids that a file has it.
    if (face?.family === family && library.has(face.id) && face.embedding !== 2) wanted.set(face.id, face);
  };
  for (const { family, weight, italic } of styles) {
    want(family, weight >= 600 ? weight : 400, italic);
    want(family, 400, false);
    want(family, 400, true);
  }
  const characters = charactersOf(book);
  const cutter = subsetter();
  return [...wanted.values()].map(({ id, family, weight, italic }) => ({
    ...{ family, weight, italic },
    bytes: cutter.subsetFor(library.font(id).bytes, characters),
  }));
}

/** All characters of the book, their capitals, and what every text may call for: figures, marks, the letters of the alphabet. */
function charactersOf(book: Book): ReadonlySet<number> {
  const found = new Set<number>();
  const add = (text: string) => {
    for (const character of text) found.add(character.codePointAt(0)!);
  };
  for (let code = 0x20; code < 0x7f; code += 1) found.add(code);
  add('\u00A0\u00AD–—‘’“”„«»‹›…†‡§¶•·×−');
  for (const { text } of paragraphsOf(book).values()) {
    add(text);
    add(text.toUpperCase());
  }
  Object.values(book.particulars).forEach((value) => typeof value === 'string' && add(value));
  book.particulars.people.forEach(({ name }) => add(name));
  return found;
}
