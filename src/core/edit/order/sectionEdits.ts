// Edits of sections. What a section says of its pages goes where that is kept: the page touch at its paragraph, the paragraph's
// own beginning, or those of the division that it opens.
import { anchorOn } from '../../copy/anchorState';
import { sectionsOf, touchAt, type Section, type SectionStart } from '../../numbering/sections';
import type { Book } from '../../model/copy/book';
import type { BookEdit, DivisionFacts } from '../../model/copy/bookEdit';
import type { PageTouch } from '../../model/copy/pageTouches';
import type { BlockId, StreamId } from '../../model/copy/streams';
import type { FolioRun } from '../../model/spec/numbering';
import { findParagraph, setTouchesEdit } from '../copy/touches';
import { dropPageTouch } from '../repairEdits';
import { setDivisionEdit } from './runningOrder';

/** What of the furniture of a section's first page can be said apart. */
export type FirstPageFurniture = Pick<PageTouch, 'hideHead' | 'hideFoot' | 'furniture'>;

const sectionOf = (book: Book, block: BlockId): Section | undefined =>
  sectionsOf(book).find((section) => section.block === block);

/** Where a section begins. */
export function sectionStartEdits(book: Book, block: BlockId, start: SectionStart): BookEdit[] {
  const section = sectionOf(book, block);
  if (section === undefined || section.start === start) return [];
  if (section.opensDivision)
    return divisionEdits(book, section.division, {
      start: start === 'running' ? 'same' : start === 'page' ? 'any' : start,
    });
  const breakBefore = start === 'running' ? undefined : start === 'page' ? true : start;
  const made = setTouchesEdit(book, section.division, block, { breakBefore });
  return made === null ? [] : [made];
}

/** The folio run that begins with a section; undefined: the one before goes on. `page`: where it begins now, from 0. */
export function sectionRunEdits(book: Book, block: BlockId, run: FolioRun | undefined, page: number): BookEdit[] {
  const section = sectionOf(book, block);
  if (section === undefined) return [];
  if (section.opensDivision && section.touch?.run === undefined) return divisionEdits(book, section.division, { run });
  return touchEdits(book, section, { run }, page);
}

/** The furniture of a section's first page; what is undefined or false there is as its division has it. */
export function sectionFurnitureEdits(
  book: Book,
  block: BlockId,
  change: FirstPageFurniture,
  page: number,
): BookEdit[] {
  const section = sectionOf(book, block);
  return section === undefined ? [] : touchEdits(book, section, change, page);
}

/** Ends the section that begins at a paragraph: the one before goes on. What was said of its first page goes with it. */
export function dropSectionEdits(book: Book, stream: StreamId, block: BlockId): BookEdit[] {
  const named = setTouchesEdit(book, stream, block, { section: undefined });
  const touch = touchAt(book, block);
  return [...(named === null ? [] : [named]), ...(touch === undefined ? [] : dropPageTouch(book, touch.id))];
}

function divisionEdits(book: Book, id: StreamId, change: Partial<DivisionFacts>): BookEdit[] {
  const made = setDivisionEdit(book, id, change);
  return made === null ? [] : [made];
}

type TouchFacts = Omit<PageTouch, 'id' | 'anchor' | 'madeOn'>;

/** Lays facts over the page touch of a section: makes it with its anchor, and takes it back when it says nothing any more. */
function touchEdits(book: Book, { division, block, touch }: Section, change: TouchFacts, page: number): BookEdit[] {
  const { id: _, anchor: __, madeOn: ___, ...said } = touch ?? ({} as PageTouch);
  const facts: TouchFacts = Object.fromEntries(
    Object.entries({ ...said, ...change }).filter(([, value]) => value !== undefined && value !== false),
  );
  const from = book.pageTouches;
  if (Object.keys(facts).length === 0) return touch === undefined ? [] : dropPageTouch(book, touch.id);
  if (touch !== undefined) {
    const changed: PageTouch = { ...facts, id: touch.id, anchor: touch.anchor, madeOn: touch.madeOn };
    return [{ kind: 'setPageTouches', from, to: from.map((one) => (one === touch ? changed : one)) }];
  }
  const paragraph = findParagraph(book, division, block);
  if (paragraph === undefined) return [];
  const anchor = `a${book.nextId}`;
  return [
    { kind: 'setNextId', from: book.nextId, to: book.nextId + 2 },
    { kind: 'setAnchor', id: anchor, from: null, to: anchorOn(division, paragraph, 0) },
    {
      kind: 'setPageTouches',
      from,
      to: [...from, { ...facts, id: `t${book.nextId + 1}`, anchor, madeOn: Math.max(0, page) }],
    },
  ];
}
