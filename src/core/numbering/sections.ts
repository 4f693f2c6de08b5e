// The sections of a book: each begins at a paragraph and goes on to the next one or to the end of the book, over chapter ends.
// What a section says of its pages is kept once: in the page touch at its paragraph, and in how that paragraph begins.
import type { Book, Division } from '../model/copy/book';
import type { PageTouch } from '../model/copy/pageTouches';
import type { BlockId, Paragraph, StreamId } from '../model/copy/streams';
import type { FolioRun } from '../model/spec/numbering';
import { plainWords } from '../numbering/headWords';

/** The longest name that a section takes from the words of its paragraph. */
const LONGEST_NAME = 200;

/** Where a section begins: on no page of its own, on any, or on one of a side. */
export type SectionStart = 'running' | 'page' | 'recto' | 'verso';

export interface Section {
  readonly division: StreamId;
  readonly block: BlockId;
  /** As it was given; empty: it is called by its words. */
  readonly given: string;
  readonly name: string;
  /** Its paragraph is the first of the division, which says then how it begins and which folios it has. */
  readonly opensDivision: boolean;
  readonly start: SectionStart;
  /** The folio run that begins with it. */
  readonly run: FolioRun | undefined;
  /** The page touch at its paragraph. */
  readonly touch: PageTouch | undefined;
}

/** In the order of reading. */
export function sectionsOf(book: Book): readonly Section[] {
  return book.divisions.flatMap((division) =>
    division.blocks.flatMap((block, at) =>
      block.kind === 'paragraph' && block.touches?.section !== undefined
        ? [sectionAt(book, division, block, at === 0)]
        : [],
    ),
  );
}

function sectionAt(book: Book, division: Division, block: Paragraph, opensDivision: boolean): Section {
  const touch = touchAt(book, block.id);
  const given = block.touches?.section ?? '';
  return {
    division: division.id,
    block: block.id,
    given,
    name: sectionName(block),
    opensDivision,
    start: opensDivision ? startOfDivision(division) : startOfParagraph(block),
    run: touch?.run ?? (opensDivision ? division.run : undefined),
    touch,
  };
}

/** What a section is called that begins at a paragraph. */
export const sectionName = (block: Paragraph): string =>
  block.touches?.section || plainWords(block).slice(0, LONGEST_NAME);

/** The touch of a single page that was made at the beginning of a paragraph. */
export const touchAt = ({ pageTouches, anchors }: Book, block: BlockId): PageTouch | undefined =>
  pageTouches.find(({ anchor, through }) => {
    const at = anchors[anchor];
    return through === undefined && at !== undefined && at.block === block && at.from === 0 && at.lost === undefined;
  });

function startOfParagraph({ touches }: Paragraph): SectionStart {
  const begins = touches?.breakBefore;
  if (begins === undefined || begins === false || begins === 'column') return 'running';
  return begins === true ? 'page' : begins;
}

/** A division without a word of its own on this begins a page, of the side that its role and the spec want. */
const startOfDivision = ({ start }: Division): SectionStart =>
  start === 'same' ? 'running' : start === 'recto' || start === 'verso' ? start : 'page';
