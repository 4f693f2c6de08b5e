// The fixpoint of references: pages are made, what is read off them is put into the text that repeats it, and pages are made
// again, until nothing moves.
import type { Book } from '../model/copy/book';
import { sideOfPage, type PageGeometry } from '../model/composed/pages';
import { NO_REFERENCES, sameReferences, type ReferenceTable } from '../model/composed/referenceTable';
import { assembleBook, needsBlank, startSide, type AssembledBook, type AssembledPart } from '../paginate';
import { readReferences } from '../references';
import type { TypesetContext } from './context';
import { composeContext, composeFor, withReferences } from './flow/bookContext';
import type { ComposeContext } from './flow/composeContext';
import { divisionGeometry } from './pages/bookGeometry';
import type { HeldStarts } from './pages/hold';
import { NO_TOUCHES, touchedPages, touchedRuns, type TouchedPages } from './pages/pageTouches';
import { paginateStanding } from './pages/standFigures';
import { composeReach, printedDivisions, reachesOf, type Reach } from './pages/reaches';
import { withProgress, type TypesetProgress } from './withProgress';

/** Passes after which the fixpoint gives up and keeps the last pages. */
export const MOST_PASSES = 6;
/** Pages that are shown before the rest is there. */
const FIRST_PAGES = 6;

/** What is to be composed, and with what. */
export interface BookToSettle {
  readonly book: Book;
  readonly context: TypesetContext;
  readonly geometry: PageGeometry;
  /** Page starts of a pull that are kept where they can be. */
  readonly held: HeldStarts | undefined;
}

/** The divisions on their pages after a pass, or the first of them during one. */
export interface PlacedBook {
  readonly parts: readonly AssembledPart[];
  readonly assembled: AssembledBook;
  readonly compose: ComposeContext;
  readonly references: ReferenceTable;
  readonly touched: TouchedPages;
  readonly passes: number;
}

export interface SettledBook extends PlacedBook {
  /** False when the passes were spent before nothing moved. */
  readonly isSettled: boolean;
  /** Milliseconds in the page search. */
  readonly pagesTime: number;
}

/** What is told while a pass goes on. */
interface PassWatch {
  readonly progress: (reaches: number) => TypesetProgress;
  readonly searched: (milliseconds: number) => void;
  readonly placed: (parts: readonly AssembledPart[], pages: number) => void;
}

/**
 * The pages of the book when nothing moves any more. `onFirst`: given the first pages of a book that was never composed; what is
 * said in them of later pages is not yet known.
 */
export function* settleReferences(
  work: BookToSettle,
  onFirst?: (first: PlacedBook) => void,
): Generator<TypesetProgress, SettledBook> {
  const { book, context, geometry, held } = work;
  const divisions = printedDivisions(book);
  const reaches = reachesOf(divisions);
  let compose: ComposeContext = { ...composeContext(book, context, geometry, { style: 0, shape: 0, break: 0 }), held };
  const facts = {
    book,
    numbers: compose.numbers,
    meaningOf: (tag: string) => compose.sheet.get(tag)?.meaning ?? 'body',
  };
  const known = context.cache.references ?? null;
  let references = known ?? readReferences(divisions, [], new Map(), facts) ?? NO_REFERENCES;
  let tellFirst = known === null ? onFirst : undefined;
  let touched: TouchedPages = NO_TOUCHES;
  let pagesTime = 0;
  for (let passes = 1; ; passes += 1) {
    compose = { ...withReferences(compose, references), held };
    // Later passes are short: each takes half of what is left, so that progress never goes back.
    const [begun, share] = [0.9 * (1 - 0.5 ** (passes - 1)), 0.9 * 0.5 ** passes];
    const parts = yield* makePass(work, reaches, compose, references, {
      progress: (done) => begun + (done / reaches.length) * share,
      searched: (milliseconds) => void (pagesTime += milliseconds),
      placed: (some, pages) => {
        if (tellFirst === undefined || pages < FIRST_PAGES) return;
        tellFirst({ parts: [...some], assembled: assembleBook(some, book.spec), compose, references, touched, passes });
        tellFirst = undefined;
      },
    });
    const assembled = assembleBook(parts, book.spec, (placed) => {
      touched = touchedPages(book, placed);
      return touchedRuns(touched);
    });
    const found = readReferences(divisions, assembled.pages, assembled.firstPages, facts);
    const isSettled = sameReferences(found, references);
    references = found;
    if (!isSettled && passes < MOST_PASSES) continue;
    context.cache.references = references;
    return { parts, assembled, compose, references, touched, passes, isSettled, pagesTime };
  }
}

/** The reaches of the book on pages, with what is known of references. */
function* makePass(
  { book, context, geometry }: BookToSettle,
  reaches: readonly Reach[],
  compose: ComposeContext,
  references: ReferenceTable,
  watch: PassWatch,
): Generator<TypesetProgress, AssembledPart[]> {
  const parts: AssembledPart[] = [];
  let pageCount = 0;
  for (const [index, reach] of reaches.entries()) {
    const { division, followers } = reach;
    const own = divisionGeometry(book, division, geometry);
    const ownCompose = composeFor(compose, own);
    const flow = yield* withProgress(composeReach(reach, ownCompose, references), watch.progress(index));
    const start = context.now();
    const { facing } = book.spec.page;
    const wished = startSide(division, reach.before, book.spec);
    if (needsBlank(division, wished, sideOfPage(pageCount, facing))) pageCount += 1;
    const paginated = paginateStanding(division, flow, ownCompose, own, sideOfPage(pageCount, facing));
    const pages = yield* withProgress(paginated, watch.progress(index + 1));
    pageCount += pages.length;
    const part = { division, followers, pages };
    parts.push(own === geometry ? part : { ...part, own });
    watch.searched(context.now() - start);
    watch.placed(parts, pageCount);
  }
  return parts;
}
