// What screens read, worked out from the store.
import { countDummyCopy, findParagraph, typedInHeads } from '../../core/edit';
import { wordsOfBlock } from '../../core/copy/firstPages';
import { countHouseMarks, NO_MARKS } from '../../core/looks/countHouseMarks';
import { typedNumberLines } from '../../core/numbering/typedNumbers';
import { sectionsOf, type Section } from '../../core/numbering/sections';
import { settledKind } from '../../core/numbering/settledKind';
import { createSelector } from '@reduxjs/toolkit';
import { canBeRead, type Book, type Division } from '../../core/model/copy/book';
import { editionOf } from '../../core/copy/editionOf';
import { headingWords } from '../../core/numbering/headWords';
import { numberHeads, type HeadNumbers } from '../../core/numbering/numberHeads';
import type { NotePlaces } from '../../core/model/composed/referenceTable';
import { isDisplayRole, isMadeDivision, roleName } from '../../core/model/copy/roles';
import { entryToRedo, entryToUndo } from '../../storage/historyWindow';
import type { PageSummary } from '../../worker/typesetClient';
import type { Spec } from '../../core/model/spec/spec';
import { keepIdentity } from '../keptIdentity';
import type { RootState } from '../rootState';

/** A spread: a recto alone, or a verso with its recto (absent after the last page). A single page is a spread of its own. */
export interface Spread {
  readonly index: number;
  readonly verso: PageSummary | null;
  readonly recto: PageSummary | null;
}

const selectPages = (state: RootState) => state.compose.summary?.pages;

export const selectSpreads = createSelector([selectPages], (pages): readonly Spread[] => {
  if (pages === undefined || pages.length === 0) return [];
  if (!areFacing(pages)) return pages.map((page, index) => ({ index, verso: null, recto: page }));
  const spreads: Spread[] = [{ index: 0, verso: null, recto: pages[0] }];
  for (let k = 1; k < pages.length; k += 2) {
    spreads.push({ index: spreads.length, verso: pages[k], recto: pages[k + 1] ?? null });
  }
  return spreads;
});

/** Whether pages as they are composed are seen two by two: single ones are all rectos. */
function areFacing(pages: readonly PageSummary[] | undefined): boolean {
  return pages?.[1]?.side !== 'recto';
}

export const selectFacing = (state: RootState): boolean => areFacing(selectPages(state));

/** Spread of a page. */
export function spreadOfPage(page: number, facing: boolean): number {
  return facing ? Math.floor((page + 1) / 2) : page;
}

/** A page of a spread to go by: its first. */
export function pageOfSpread(spread: number, facing: boolean): number {
  return facing ? Math.max(0, spread * 2 - 1) : spread;
}

export interface RunningOrderRow {
  readonly id: string;
  readonly role: Division['role'];
  readonly matter: Division['matter'];
  readonly name: string;
  readonly words: number | null;
  readonly pages: number | null;
  readonly firstPage: number;
  readonly folio: string;
  readonly start: Division['start'];
  /** Left out of the printed book. */
  readonly isOut: boolean;
  /** Left out of print, and in the ebook. */
  readonly isEbookOnly: boolean;
  /** A blank was made so that it begins on its side. */
  readonly madeBlank: boolean;
}

/** Numbers of the heads of the book as it is. */
export const selectHeadNumbers = createSelector(
  [
    ({ book: { book } }: RootState) => book && editionOf(book, 'print').divisions,
    (state: RootState) => state.book.book?.spec,
    (state: RootState) => state.book.book?.particulars.language,
  ],
  (divisions, spec, language): HeadNumbers =>
    divisions === null || spec === undefined ? new Map() : numberHeads(divisions, spec, language),
);

const keepRows = keepIdentity<RunningOrderRow>(({ id }) => id);

export const selectRunningOrder = createSelector(
  [(state: RootState) => state.book.book, (state: RootState) => state.compose.summary, selectHeadNumbers],
  (book, summary, numbers): readonly RunningOrderRow[] => {
    if (book === null) return [];
    const extents = new Map(summary?.extents.map((extent) => [extent.division, extent]));
    const rows = book.divisions.map((division): RunningOrderRow => {
      const extent = extents.get(division.id);
      const firstPage = extent?.firstPage ?? -1;
      return {
        id: division.id,
        role: division.role,
        matter: division.matter,
        name: divisionName(division, book.spec.styles, numbers),
        words: extent?.words ?? null,
        pages: extent?.pages ?? null,
        firstPage,
        folio: summary?.pages[firstPage]?.folio ?? '',
        start: division.start,
        isOut: division.notInPrint === true,
        isEbookOnly: division.notInPrint === true && division.notInEbook !== true && canBeRead(division),
        madeBlank: summary?.pages[firstPage - 1]?.isMade === true,
      };
    });
    return keepRows(rows);
  },
);

/** A section with its place in the composed book. */
export interface SectionRow extends Section {
  /** Index of the page on which it begins, -1: not known; its folio; how many pages it goes over, the one where the next begins left out. */
  readonly page: number;
  readonly folio: string;
  readonly pages: number | null;
}

const keepSections = keepIdentity<SectionRow>(({ block }) => block);

/** The sections of the book, in order. */
export const selectSections = createSelector(
  [
    (state: RootState) => state.book.book,
    (state: RootState) => state.compose.summary?.sections,
    (state: RootState) => state.compose.summary?.pages.length ?? 0,
  ],
  (book, places = [], pageCount): readonly SectionRow[] => {
    if (book === null) return [];
    const placeOf = new Map(places.map((place) => [place.block, place]));
    const begun = places.filter(({ page }) => page >= 0).sort((a, b) => a.page - b.page);
    const rows = sectionsOf(book).map((section): SectionRow => {
      const page = placeOf.get(section.block)?.page ?? -1;
      const at = begun.findIndex(({ block }) => block === section.block);
      const end = begun[at + 1]?.page ?? pageCount;
      const folio = placeOf.get(section.block)?.folio ?? '';
      return { ...section, page, folio, pages: page < 0 ? null : Math.max(1, end - page) };
    });
    return keepSections(rows);
  },
);

/** What a division is called in lists: number and title, or its role. */
export function divisionName(division: Division, styles: Spec['styles'], numbers?: HeadNumbers): string {
  const { number, title } = headingWords(division, styles, numbers);
  const joined =
    division.role === 'part' ? [number, title].filter(Boolean).join(': ') : [number, title].filter(Boolean).join(' ');
  return joined || firstWordsOf(division) || roleName(division.role);
}

/** Characters of a name made of first words. */
const FIRST_WORDS = 36;

/** First words of text before the first chapter that has no head: its role says little. */
function firstWordsOf({ role, matter, blocks }: Division): string {
  if (matter !== 'front' || isDisplayRole(role) || isMadeDivision({ role })) return '';
  const words = blocks.map(wordsOfBlock).find((text) => text !== '') ?? '';
  return words.length > FIRST_WORDS ? `${words.slice(0, FIRST_WORDS - 1).trimEnd()}…` : words;
}

/** The paragraph of a stream; undefined when it has gone. */
export function selectParagraph({ book }: RootState, stream: string, id: string) {
  return book.book === null ? undefined : findParagraph(book.book, stream, id);
}

/** Terms of the index marks of the book, each once. */
export const selectIndexTerms = createSelector(
  [(state: RootState) => state.book.book?.divisions],
  (divisions = []): readonly string[] => {
    const terms = new Set<string>();
    for (const { blocks } of divisions)
      for (const block of blocks)
        if (block.kind === 'paragraph')
          for (const object of block.objects) if (object.kind === 'index') terms.add(object.term);
    return [...terms].sort();
  },
);

/** Places that are set otherwise than they were typed. */
export const selectMarkCounts = createSelector([(state: RootState) => state.book.book], (book) =>
  book === null ? NO_MARKS : countHouseMarks(book),
);

/** How much dummy copy the book has. */
export const selectDummyCount = createSelector([(state: RootState) => state.book.book], (book) =>
  book === null ? { paragraphs: 0, divisions: 0 } : countDummyCopy(book),
);

/** Numbers that were typed into the copy: on lines of their own above titles, and before the words of heads that have one. */
export const selectTypedNumbers = createSelector([(state: RootState) => state.book.book], (book) => ({
  lines: book === null ? 0 : typedNumberLines(book.divisions, book.spec).length,
  heads: book === null ? [] : typedInHeads(book).map(({ stream, block, to }) => wordsAround(book, stream, block, to)),
}));

/** Letters of a head that are shown with its typed number. */
const SHOWN_OF_HEAD = 24;

function wordsAround(book: Book, stream: string, block: string, to: number): string {
  const text = findParagraph(book, stream, block)?.text ?? '';
  return text.length > to + SHOWN_OF_HEAD ? `${text.slice(0, to + SHOWN_OF_HEAD).trimEnd()}…` : text;
}

/** Where notes are referred to, for books in which their numbers hang on that; undefined for others. */
export function selectNotePlaces({ book: { book }, compose }: RootState): NotePlaces | undefined {
  const isByPage =
    book !== null && Object.values(book.spec.notes.kinds).some((kind) => settledKind(kind, book).restart === 'page');
  return isByPage ? compose.summary?.notes : undefined;
}

/** The names of what undo takes back and redo applies again; undefined when there is nothing. */
export const selectUndo = ({ book }: RootState): string | undefined => entryToUndo(book)?.name;
export const selectRedo = ({ book }: RootState): string | undefined => entryToRedo(book)?.name;
