// What a press, a shop or a device says of a file that left: kept with the file's record, and read as findings.
import { createSelector } from '@reduxjs/toolkit';
import { bookFingerprint } from '../../core/copy/bookFingerprint';
import { MOST_FACTS, type OutsideFact } from '../../core/model/checks/outside';
import type { Finding, FindingPlace } from '../../core/model/checks/finding';
import type { Book } from '../../core/model/copy/book';
import type { ProductId } from '../../core/model/products/products';
import { proofOutside } from '../../core/proof/outside';
import { checkOutsideFacts } from '../../core/validate';
import type { PageSummary } from '../../worker/typesetClient';
import type { RootState } from '../rootState';
import type { AppThunk } from '../store';
import { jobChanged } from './jobsSlice';

/** A remark as a person hands it on; `page` counts from 1, null: the file as a whole. */
export interface Remark {
  readonly source: OutsideFact['source'];
  readonly page: number | null;
  readonly message: string;
}

/** Keeps a remark on the last file of a product. What it answers is what is wrong with the remark; null: it is kept. */
export function addRemark(product: ProductId, { source, page, message }: Remark): AppThunk<Promise<string | null>> {
  return async (dispatch, getState, { products }) => {
    const { book } = getState().book;
    const { made, facts } = getState().jobs.jobs[product];
    if (book === null || made === null) return 'There is no file that this could be said of.';
    if (message.trim() === '') return 'Say what the remark is.';
    if (message.trim().length > 500) return 'A remark has at most 500 characters.';
    if (page !== null && made.pages > 0 && (page < 1 || page > made.pages))
      return `The file has pages 1 to ${made.pages}.`;
    if (facts.length >= MOST_FACTS) return `At most ${MOST_FACTS} remarks are kept of one file.`;
    const index = page === null ? null : page - 1;
    const isOfThisBook = made.book === bookFingerprint(book);
    const start = isOfThisBook && index !== null ? placeOfPage(getState(), index + (made.range?.from ?? 0)) : null;
    const fact = { source, product, hash: made.hash, message: message.trim(), page: index, place: start };
    const next = checkOutsideFacts([...facts, fact]);
    dispatch(jobChanged({ product, change: { facts: next } }));
    await products.keepFacts(book.id, product, next);
    return null;
  };
}

export function dropRemark(product: ProductId, fact: OutsideFact): AppThunk<Promise<void>> {
  return async (dispatch, getState, { products }) => {
    const { book } = getState().book;
    if (book === null) return;
    const next = getState().jobs.jobs[product].facts.filter((other) => other !== fact);
    dispatch(jobChanged({ product, change: { facts: next } }));
    await products.keepFacts(book.id, product, next);
  };
}

function placeOfPage({ compose }: RootState, page: number): FindingPlace | null {
  const start = compose.summary?.pages[page]?.start;
  return start ? { stream: start.stream, block: start.block, from: start.offset, to: start.offset } : null;
}

/** The page on which a place of the copy stands: the last of its stream that begins no later; -1: the place is gone. */
export function pageOfPlace(book: Book, pages: readonly PageSummary[], place: FindingPlace): number {
  const blocks = book.divisions.find(({ id }) => id === place.stream)?.blocks ?? [];
  const order = new Map(blocks.map(({ id }, index) => [id, index]));
  const at = order.get(place.block);
  if (at === undefined) return -1;
  let found = -1;
  for (const { index, start } of pages) {
    if (start?.stream !== place.stream) continue;
    const begins = order.get(start.block) ?? Infinity;
    if (begins < at || (begins === at && start.offset <= place.from)) found = index;
  }
  return found;
}

const NONE: readonly Finding[] = [];

/** Findings of the composed book, and of the files that left. */
export const selectFindings = createSelector(
  [
    (state: RootState) => state.compose.summary,
    (state: RootState) => state.book.book,
    (state: RootState) => state.jobs.jobs,
  ],
  (summary, book, jobs): readonly Finding[] => {
    if (summary === null || book === null) return NONE;
    const told = Object.values(jobs).flatMap(({ made, facts }) => (made === null ? [] : [{ made, facts }]));
    if (told.every(({ facts }) => facts.length === 0)) return summary.findings;
    return [...summary.findings, ...proofOutside(told, (place) => pageOfPlace(book, summary.pages, place))];
  },
);
