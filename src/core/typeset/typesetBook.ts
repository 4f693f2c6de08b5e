// The pipeline: styles, shape, break, pages, numbers and references until nothing moves, furniture, proof. A generator:
// every yield is a place at which the work can be stopped or other work let in.
import { editionOf } from '../copy/editionOf';
import { flatBook } from '../copy/figures/flatBook';
import type { Book } from '../model/copy/book';
import type { DivisionExtent, Page, TypesetBook } from '../model/composed/pages';
import type { AssembledBook } from '../paginate';
import { proofBook } from './findings/proofBook';
import { notePlaces } from '../references';
import type { TypesetContext } from './context';
import { pageGeometry } from './pages/bookGeometry';
import { furnish, type FurnishedBook } from './pages/furnish';
import type { HeldStarts } from './pages/hold';
import { NO_TOUCHES } from './pages/pageTouches';
import { wordsIn } from './pages/wordsIn';
import { settleReferences, type PlacedBook } from './settleReferences';
import { withProgress, type TypesetProgress } from './withProgress';

/**
 * Composes the whole book. The faces and patterns of `needsOf(book)` must have been given to the context. Never throws
 * for what a person wrote or chose: what has to give is in the findings. `held`: page starts of a pull that are kept where
 * they can be. `onFirst`: given the first pages of a book that was never composed, as soon as there are some; what is said
 * in them of later pages is not yet known.
 */
export function* typesetBook(
  of: Book,
  context: TypesetContext,
  held?: HeldStarts,
  onFirst?: (first: TypesetBook) => void,
): Generator<TypesetProgress, TypesetBook> {
  const book = flatBook(editionOf(of, 'print'));
  const geometry = pageGeometry(book, context);
  const settled = yield* settleReferences(
    { book, context, geometry, held },
    onFirst && ((first) => onFirst(composedBook(first, furnish(first.assembled, first.compose, NO_TOUCHES)))),
  );
  const furnished = furnish(settled.assembled, settled.compose, settled.touched);
  const notes = notePlaces(furnished.pages, book, true);
  const startProof = context.now();
  const { compose, references, touched, isSettled } = settled;
  const facts = { compose, furnished, references, touched, notes, isSettled };
  const findings = yield* withProgress(proofBook(facts, settled.parts, settled.assembled), 0.95);
  const times = { pages: settled.pagesTime, proof: context.now() - startProof };
  return composedBook(settled, furnished, { findings, notes, times });
}

type Told = Pick<TypesetBook, 'findings' | 'notes'> & {
  readonly times: { readonly pages: number; readonly proof: number };
};

const NOTHING_TOLD: Told = { findings: [], notes: {}, times: { pages: 0, proof: 0 } };

/** The composed book of pages that are placed and furnished, with what is told of it. */
function composedBook(placed: PlacedBook, { pages }: FurnishedBook, told: Told = NOTHING_TOLD): TypesetBook {
  const { assembled, compose, references, touched, passes } = placed;
  const { book, context, geometry, clock } = compose;
  const extents = extentsOf(book, assembled, context);
  return {
    pages,
    geometry,
    references,
    extents,
    findings: told.findings,
    touched: [...touched.places].map(([id, { page, to }]) => ({ id, page, to })),
    notes: told.notes,
    words: extents.reduce((sum, extent) => sum + extent.words, 0),
    lines: pages.reduce((sum, page) => sum + linesOn(page), 0),
    passes,
    times: { ...clock, ...told.times },
  };
}

function extentsOf(book: Book, assembled: AssembledBook, context: TypesetContext): DivisionExtent[] {
  const counts = new Map<string, number>();
  for (const page of assembled.pages)
    if (page.role !== 'blank') counts.set(page.division, (counts.get(page.division) ?? 0) + 1);
  return book.divisions.map((division) => ({
    division: division.id,
    words: wordsIn(division.blocks, context),
    firstPage: assembled.firstPages.get(division.id) ?? -1,
    pages: counts.get(division.id) ?? 0,
  }));
}

/** Lines of text on a page; what stands for rows of a table, and heads that stand again, are none. */
const linesOn = ({ fragments }: Page) =>
  fragments.reduce((sum, { from, to, marks, isRepeated }) => sum + (marks || isRepeated ? 0 : to - from), 0);
