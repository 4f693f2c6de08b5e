// The edits that fill a book with dummy copy and take it out again. Dummy copy is known by its words: it carries no mark, and what
// is typed over it is copy.
import { append } from '../../base/append';
import { dummyCopy, dummyStretches, dummyTitle, isDummy, isDummyTitle, takesDummyCopy } from '../../copy/dummyCopy';
import { appendParagraph, cutParagraph } from '../../copy/cutParagraph';
import type { Book, Division } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import { paragraph, type Block, type Paragraph, type StreamId } from '../../model/copy/streams';
import { titleBlock } from '../../numbering/headWords';
import { applyEdits } from '../applyEdit';
import { addDivisionOfRole } from '../order/runningOrder';

/** Paragraphs of a chapter of a book that is filled: some 2,900 words. */
const OF_A_CHAPTER = 40;
/** The most chapters and pages that are filled at once. */
export const MOST_DUMMY_CHAPTERS = 100;
export const MOST_DUMMY_PAGES = 400;

/** So many paragraphs of dummy copy at the end of a division; empty paragraphs there give way. */
export function fillDivisionEdits(book: Book, id: StreamId, paragraphs: number): BookEdit[] {
  const division = book.divisions.find((one) => one.id === id);
  if (division === undefined || paragraphs < 1) return [];
  let { nextId } = book;
  const first = division.blocks.findLastIndex((block) => !isEmpty(block)) + 1;
  const inserted = dummyCopy(paragraphs).map((text) => paragraph(`p${nextId++}`, 'TX', text));
  return [
    { kind: 'setNextId', from: book.nextId, to: nextId },
    { kind: 'replaceBlocks', stream: id, at: first, removed: division.blocks.slice(first), inserted },
  ];
}

const isEmpty = (block: Block): boolean =>
  block.kind === 'paragraph' && block.style !== 'CT' && block.text === '' && block.objects.length === 0;

/**
 * Fills the book: each division of text without words, and new chapters after the last until there are `chapters`, with titles
 * where they have none.
 */
export function fillBookEdits(book: Book, chapters: number): BookEdit[] {
  const edits: BookEdit[] = [];
  let current = book;
  const take = (made: readonly BookEdit[]) => {
    append(edits, made);
    current = applyEdits(current, made);
  };
  const count = () => current.divisions.filter(({ role }) => role === 'chapter').length;
  for (let missing = Math.min(chapters, MOST_DUMMY_CHAPTERS) - count(); missing > 0; missing -= 1) {
    const after = current.divisions.findLastIndex(({ role }) => role === 'chapter');
    take(addDivisionOfRole(current, 'chapter', after < 0 ? undefined : after + 1).edits);
  }
  let chapter = 0;
  for (const { id } of current.divisions) {
    const division = current.divisions.find((one) => one.id === id)!;
    if (division.role === 'chapter') chapter += 1;
    if (!takesDummyCopy(division) || hasWords(current, division)) continue;
    if (division.role === 'chapter') take(titleEdits(current, division, dummyTitle(chapter - 1)));
    take(fillDivisionEdits(current, id, OF_A_CHAPTER));
  }
  return edits;
}

/** Words besides its title. */
function hasWords({ spec }: Book, division: Division): boolean {
  const title = titleBlock(division, spec.styles);
  return division.blocks.some((block) => block !== title && !isEmpty(block));
}

function titleEdits({ spec }: Book, division: Division, text: string): BookEdit[] {
  const title = titleBlock(division, spec.styles);
  if (title === undefined || title.text !== '' || title.objects.length > 0) return [];
  const at = division.blocks.indexOf(title);
  return [{ kind: 'replaceBlocks', stream: division.id, at, removed: [title], inserted: [{ ...title, text }] }];
}

/** How much dummy copy there is. */
export interface DummyCount {
  readonly paragraphs: number;
  readonly divisions: number;
}

export function countDummyCopy(book: Book): DummyCount {
  const counts = book.divisions.map(({ blocks }) => blocks.filter(isDummy).length).filter((count) => count > 0);
  return { paragraphs: counts.reduce((sum, count) => sum + count, 0), divisions: counts.length };
}

/**
 * Takes dummy copy out, of the book or of one division. What was typed beside it stays; a chapter that had nothing else goes with
 * its title, the last one stays empty.
 */
export function dropDummyCopyEdits(book: Book, only?: StreamId): BookEdit[] {
  const edits: BookEdit[] = [];
  const isWhole = (division: Division) =>
    division.role === 'chapter' &&
    division.blocks.some(isDummy) &&
    division.blocks.every(
      (block) => block.kind === 'paragraph' && (isEmpty(block) || isBare(block) || isTitle(block, division, book)),
    );
  let chapters = book.divisions.filter(({ role }) => role === 'chapter').length;
  for (let at = book.divisions.length - 1; at >= 0; at -= 1) {
    const division = book.divisions[at];
    if ((only !== undefined && division.id !== only) || !division.blocks.some(isDummy)) continue;
    if (isWhole(division) && chapters > 1) {
      chapters -= 1;
      edits.push({ kind: 'removeDivision', at, division });
      continue;
    }
    const inserted = division.blocks.flatMap((block) => withoutDummy(block));
    edits.push({ kind: 'replaceBlocks', stream: division.id, at: 0, removed: division.blocks, inserted });
  }
  return edits;
}

/** The whole of it is dummy copy. */
const isBare = (block: Paragraph): boolean => isDummy(block) && withoutDummy(block).length === 0;

const isTitle = (block: Paragraph, division: Division, { spec }: Book): boolean =>
  block === titleBlock(division, spec.styles) && (block.text === '' || isDummyTitle(block.text));

function withoutDummy(block: Block): Block[] {
  if (block.kind !== 'paragraph' || !isDummy(block)) return [block];
  let left = block;
  for (const [from, to] of dummyStretches(block.text).toReversed())
    left = appendParagraph(cutParagraph(left, 0, from), cutParagraph(left, to, left.text.length));
  return left.text.trim() === '' && left.objects.length === 0 ? [] : [left];
}
