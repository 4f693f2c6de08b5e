// Reads proof of a composed book: all checks, in the order of their table.
import type { Finding } from '../../model/checks/finding';
import type { AssembledBook, DivisionPage } from '../../paginate';
import { findingOf, proofPages, runnersOf } from '../../proof';
import type { Division } from '../../model/copy/book';
import { faceMeasures } from '../facts/qualityOf';
import type { BookFacts } from './bookFacts';
import { BOOK_RUNNERS, SEARCH_RUNNERS } from './runners';

const OF_SEARCH = runnersOf(SEARCH_RUNNERS);
const OF_BOOK = runnersOf(BOOK_RUNNERS);

type DivisionParts = readonly { readonly division: Division; readonly pages: readonly DivisionPage[] }[];

/** Every yield is a place at which the work can be stopped or other work let in. */
export function* proofBook(
  facts: BookFacts,
  parts: DivisionParts,
  assembled: AssembledBook,
): Generator<void, Finding[]> {
  const { compose, furnished } = facts;
  const placed = { pages: furnished.pages, geometry: compose.geometry };
  const findings = yield* proofPages(placed, faceMeasures(compose.context));
  for (const { division, pages } of parts) {
    const first = assembled.firstPages.get(division.id) ?? 0;
    pages.forEach((page, index) => {
      if (page.gives.length === 0 && page.role !== 'display' && !page.headTooDeep) return;
      for (const run of OF_SEARCH)
        for (const hit of run({ page, stream: division.id, index })) findings.push(findingOf(hit, first + index));
    });
  }
  for (const run of OF_BOOK) for (const { page, ...hit } of run(facts)) findings.push(findingOf(hit, page));
  return findings;
}
