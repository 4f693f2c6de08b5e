// The pipeline: styles, shape, break, pages, numbers and references until nothing moves, furniture, proof. A generator:
// every yield is a place at which the work can be stopped or other work let in.
import type { Book } from '../model/copy/book';
import type { Finding } from '../model/answers/finding';
import { sideOfPage, type DivisionExtent, type TypesetBook } from '../model/composed/pages';
import { NO_REFERENCES, sameReferences, type NotePlaces, type ReferenceTable } from '../model/composed/referenceTable';
import { assembleBook, needsBlank, startSide, type AssembledBook, type AssembledPart } from '../paginate';
import { proofBook } from '../proof';
import { notePlaces, readReferences } from '../references';
import { composeContext, composeFor, withReferences } from './flow/bookContext';
import { divisionGeometry, pageGeometry } from './pages/bookGeometry';
import type { TypesetContext } from './context';
import { furnish, type FurnishedBook } from './pages/furnish';
import type { HeldStarts } from './pages/hold';
import { faceMeasures } from './facts/qualityOf';
import { noteFindings } from './findings/noteFindings';
import { orderFindings } from './findings/orderFindings';
import { pageFindings } from './findings/pageFindings';
import { NO_TOUCHES, touchedPages, touchedRuns, type TouchedPages } from './pages/pageTouches';
import { paginateCached } from './pages/paginateCached';
import { composeReach, printedDivisions, reachesOf } from './pages/reaches';
import { styleFindings } from './findings/styleFindings';
import { wordsIn } from './pages/wordsIn';
import { withProgress } from './withProgress';

/** Passes after which the fixpoint gives up, keeps the last pages and says so. */
const MOST_PASSES = 6;
/** Pages that are shown before the rest is there. */
const FIRST_PAGES = 6;

/** Progress of a compose: the share done, from 0 to 1. */
export type TypesetProgress = number;

/**
 * Composes the whole book. The faces and patterns of `needsOf(book)` must have been given to the context. Never throws
 * for what a person wrote or chose: what has to give is in the findings. `held`: page starts of a pull that are kept where
 * they can be. `onFirst`: given the first pages of a book that was never composed, as soon as there are some; what is said
 * in them of later pages is not yet known.
 */
export function* typesetBook(
  book: Book,
  context: TypesetContext,
  held?: HeldStarts,
  onFirst?: (first: TypesetBook) => void,
): Generator<TypesetProgress, TypesetBook> {
  const clock = { style: 0, shape: 0, break: 0 };
  const times = { pages: 0, proof: 0 };
  const geometry = pageGeometry(book, context);
  const divisions = printedDivisions(book);
  const reaches = reachesOf(divisions);
  let compose = { ...composeContext(book, context, geometry, clock), held };
  const facts = {
    book,
    numbers: compose.numbers,
    meaningOf: (tag: string) => compose.sheet.get(tag)?.meaning ?? 'body',
  };
  let references: ReferenceTable =
    context.cache.references ?? readReferences(divisions, [], new Map(), facts) ?? NO_REFERENCES;
  let assembled: AssembledBook;
  let divisionPages: AssembledPart[];
  let touched: TouchedPages = NO_TOUCHES;
  let passes = 0;
  let settled = false;
  let awaitsFirst = onFirst !== undefined && context.cache.references === undefined;
  do {
    passes += 1;
    // Later passes are short: each takes half of what is left, so that progress never goes back.
    const [begun, share] = [0.9 * (1 - 0.5 ** (passes - 1)), 0.9 * 0.5 ** passes];
    divisionPages = [];
    let pageCount = 0;
    compose = { ...withReferences(compose, references), held };
    for (const [index, reach] of reaches.entries()) {
      const { division, followers } = reach;
      const own = divisionGeometry(book, division, geometry);
      const ownCompose = composeFor(compose, own);
      const flow = yield* withProgress(
        composeReach(reach, ownCompose, references),
        begun + (index / reaches.length) * share,
      );
      const start = context.now();
      const { facing } = book.spec.page;
      const wished = startSide(division, reach.before, book.spec);
      if (needsBlank(division, wished, sideOfPage(pageCount, facing))) pageCount += 1;
      const paginated = paginateCached(division, flow, ownCompose, own, sideOfPage(pageCount, facing));
      const pages = yield* withProgress(paginated, begun + ((index + 1) / reaches.length) * share);
      pageCount += pages.length;
      const part = { division, followers, pages };
      divisionPages.push(own === geometry ? part : { ...part, own });
      times.pages += context.now() - start;
      if (awaitsFirst && pageCount >= FIRST_PAGES) {
        awaitsFirst = false;
        onFirst!(put(assembleBook(divisionPages, book.spec), []));
      }
    }
    assembled = assembleBook(divisionPages, book.spec, (placed) => {
      touched = touchedPages(book, placed);
      return touchedRuns(touched);
    });
    const found = readReferences(divisions, assembled.pages, assembled.firstPages, facts);
    settled = sameReferences(found, references);
    references = found;
  } while (!settled && passes < MOST_PASSES);
  context.cache.references = references;
  const furnished = furnish(assembled, compose, touched);
  const { pages } = furnished;
  const notes = notePlaces(pages, book, true);
  const startProof = context.now();
  const findings = [
    ...(yield* withProgress(proofBook({ pages, geometry }, faceMeasures(context)), 0.95)),
    ...pageFindings(divisionPages, assembled),
    ...styleFindings(pages, new Set(context.library.table.map(({ family }) => family))),
    ...orderFindings(book, compose, furnished, references, touched),
    ...noteFindings(book, compose, notes),
  ];
  if (!settled) findings.push(unsettled());
  if (geometry.lines === 1) findings.push(areaTooSmall());
  times.proof = context.now() - startProof;
  return put(assembled, findings, furnished, notes);

  /** The composed book of pages that are placed. */
  function put(
    placed: AssembledBook,
    found: readonly Finding[],
    known?: FurnishedBook,
    noted: NotePlaces = {},
  ): TypesetBook {
    const { pages: done } = known ?? furnish(placed, compose, NO_TOUCHES);
    const extents = extentsOf(book, placed, context);
    return {
      pages: done,
      geometry,
      references,
      extents,
      findings: found,
      touched: [...touched.places].map(([id, page]) => ({ id, page })),
      notes: noted,
      words: extents.reduce((sum, extent) => sum + extent.words, 0),
      lines: done.reduce((sum, page) => sum + page.fragments.reduce((n, part) => n + part.to - part.from, 0), 0),
      passes,
      times: { ...clock, ...times },
    };
  }
}

function unsettled(): Finding {
  const message = `Page numbers and the text that repeats them did not settle in ${MOST_PASSES} passes.`;
  return { kind: 'unsettled', grade: 'must', stream: '', block: '', page: -1, message };
}

function areaTooSmall(): Finding {
  const message = 'The margins leave a single line of text on a page.';
  return { kind: 'text-area-too-small', grade: 'must', stream: '', block: '', page: -1, message };
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
