// What screens read, worked out from the store.
import { findParagraph } from '../core/edit';
import { createSelector } from '@reduxjs/toolkit';
import type { Division } from '../core/model/book';
import type { PageSummary } from '../worker/typesetClient';
import type { RootState } from './store';

/** A spread: a recto alone, or a verso with its recto (absent after the last page). */
export interface Spread {
  readonly index: number;
  readonly verso: PageSummary | null;
  readonly recto: PageSummary | null;
}

const selectPages = (state: RootState) => state.compose.summary?.pages;

export const selectSpreads = createSelector([selectPages], (pages): readonly Spread[] => {
  if (pages === undefined || pages.length === 0) return [];
  const spreads: Spread[] = [{ index: 0, verso: null, recto: pages[0] }];
  for (let k = 1; k < pages.length; k += 2) {
    spreads.push({ index: spreads.length, verso: pages[k], recto: pages[k + 1] ?? null });
  }
  return spreads;
});

/** Spread of a page. */
export function spreadOfPage(page: number): number {
  return Math.floor((page + 1) / 2);
}

/** A page of a spread to go by: its first. */
export function pageOfSpread(spread: number): number {
  return Math.max(0, spread * 2 - 1);
}

const ROLE_NAMES: Readonly<Record<Division['role'], string>> = {
  'half-title': 'Half-title',
  blank: 'Blank',
  title: 'Title page',
  imprint: 'Imprint page',
  dedication: 'Dedication',
  epigraph: 'Epigraph',
  contents: 'Contents',
  foreword: 'Foreword',
  part: 'Part',
  chapter: 'Chapter',
  afterword: 'Afterword',
};

export interface RunningOrderRow {
  readonly id: string;
  readonly role: Division['role'];
  readonly matter: Division['matter'];
  readonly name: string;
  readonly words: number | null;
  readonly pages: number | null;
  readonly firstPage: number;
  readonly folio: string;
}

export const selectRunningOrder = createSelector(
  [(state: RootState) => state.book.book, (state: RootState) => state.compose.summary],
  (book, summary): readonly RunningOrderRow[] => {
    if (book === null) return [];
    const extents = new Map(summary?.extents.map((extent) => [extent.division, extent]));
    return book.divisions.map((division) => {
      const extent = extents.get(division.id);
      const firstPage = extent?.firstPage ?? -1;
      return {
        id: division.id,
        role: division.role,
        matter: division.matter,
        name: divisionName(division),
        words: extent?.words ?? null,
        pages: extent?.pages ?? null,
        firstPage,
        folio: summary?.pages[firstPage]?.folio ?? '',
      };
    });
  },
);

/** What a division is called in lists: number and title, or its role. */
export function divisionName(division: Division): string {
  const words = (tags: readonly string[]) => {
    const block = division.blocks.find((candidate) => tags.includes(candidate.style));
    return block?.kind === 'paragraph' ? block.text.replace(/[\uFFFC\s]+/gu, ' ').trim() : '';
  };
  const number = words(['CN', 'PN']);
  const title = words(['CT', 'PT']);
  const joined =
    division.role === 'part' ? [number, title].filter(Boolean).join(': ') : [number, title].filter(Boolean).join(' ');
  return joined || ROLE_NAMES[division.role];
}

/** The paragraph of a stream; undefined when it has gone. */
export function selectParagraph({ book }: RootState, stream: string, id: string) {
  return book.book === null ? undefined : findParagraph(book.book, stream, id);
}
