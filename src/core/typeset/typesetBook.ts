// The pipeline: styles, shape, break, pages, numbers and references until nothing moves, furniture, proof. A generator:
// every yield is a place at which the work can be stopped or other work let in.
import { countWords, type Book, type Division } from '../model/book';
import type { Finding } from '../model/finding';
import { maybeFace } from '../model/faces';
import type { DivisionExtent, Page, PageGeometry, PageSide, TypesetBook } from '../model/pages';
import { sameReferences, type ReferenceTable } from '../model/referenceTable';
import type { PagesSpec } from '../model/spec';
import type { Block } from '../model/streams';
import { typeArea } from '../measure/typeArea';
import {
  assembleBook,
  paginateDivision,
  placeFurniture,
  startSide,
  type AssembledBook,
  type DivisionPage,
} from '../paginate';
import { proofBook } from '../proof';
import { readReferences } from '../references';
import { fieldText } from '../measure/fields';
import { resolveStyles } from '../styles';
import { composeDivision, type ComposeContext } from './composeDivision';
import { spaceOfFamily, type TypesetContext } from './context';
import { furnitureSource } from './furniture';
import { numberNotes } from '../measure/numberNotes';
import type { HeldStarts } from './hold';
import { faceMeasures } from './qualityOf';
import { pageFindings } from './pageFindings';
import { styleFindings } from './styleFindings';
import { sameParts } from './stageCache';

/** Passes after which the fixpoint gives up, keeps the last pages and says so. */
const MOST_PASSES = 6;

/** Progress of a compose: the share done, from 0 to 1. */
export type TypesetProgress = number;

/**
 * Composes the whole book. The faces and patterns of `needsOf(book)` must have been given to the context. Never throws
 * for what a person wrote or chose: what has to give is in the findings. `held`: page starts of a pull that are kept where
 * they can be.
 */
export function* typesetBook(
  book: Book,
  context: TypesetContext,
  held?: HeldStarts,
): Generator<TypesetProgress, TypesetBook> {
  const clock = { style: 0, shape: 0, break: 0 };
  const times = { pages: 0, proof: 0 };
  const geometry = pageGeometry(book, context);
  const compose = { ...composeContext(book, context, geometry, clock), held };
  let references: ReferenceTable = context.cache.references ?? readReferences(book.divisions, [], new Map());
  let assembled: AssembledBook;
  let divisionPages: { division: Division; pages: readonly DivisionPage[] }[];
  let passes = 0;
  let settled = false;
  do {
    passes += 1;
    // Later passes are short: each takes half of what is left, so that progress never goes back.
    const [begun, share] = [0.9 * (1 - 0.5 ** (passes - 1)), 0.9 * 0.5 ** passes];
    divisionPages = [];
    let pageCount = 0;
    for (const [index, division] of book.divisions.entries()) {
      const flow = yield* withProgress(
        composeDivision(division, compose, references),
        begun + (index / book.divisions.length) * share,
      );
      const start = context.now();
      const wished = startSide(division, book.divisions[index - 1], book.spec);
      if (wished !== 'any' && wished !== sideOf(pageCount)) pageCount += 1;
      const paginated = paginateCached(division, flow, compose, geometry, sideOf(pageCount));
      const pages = yield* withProgress(paginated, begun + ((index + 1) / book.divisions.length) * share);
      pageCount += pages.length;
      divisionPages.push({ division, pages });
      times.pages += context.now() - start;
    }
    assembled = assembleBook(divisionPages, book.spec);
    const found = readReferences(book.divisions, assembled.pages, assembled.firstPages);
    settled = sameReferences(found, references);
    references = found;
  } while (!settled && passes < MOST_PASSES);
  context.cache.references = references;
  const furniture = furnitureSource(compose);
  const pages = assembled.pages.map((page) =>
    withFurniture(page, placeFurniture(page, book.spec, geometry, furniture)),
  );
  const startProof = context.now();
  const findings = [
    ...(yield* withProgress(proofBook({ pages, geometry }, faceMeasures(context)), 0.95)),
    ...pageFindings(divisionPages, assembled),
    ...styleFindings(pages),
  ];
  if (!settled) findings.push(unsettled());
  if (geometry.lines === 1) findings.push(areaTooSmall());
  times.proof = context.now() - startProof;
  const extents = extentsOf(book, assembled, context);
  return {
    pages,
    geometry,
    references,
    extents,
    findings,
    words: extents.reduce((sum, extent) => sum + extent.words, 0),
    lines: pages.reduce((sum, page) => sum + page.fragments.reduce((n, part) => n + part.to - part.from, 0), 0),
    passes,
    times: { ...clock, ...times },
  };
}

const furnished = new WeakMap<Page, Page>();

/** The page with its furniture: the same object as last time when that is the same. */
function withFurniture(page: Page, furniture: Page['furniture']): Page {
  const known = furnished.get(page);
  const isSame = (placed: Page['furniture'][number], k: number) => {
    const other = furniture[k];
    return placed.paragraph === other.paragraph && placed.x === other.x && placed.y === other.y;
  };
  if (known !== undefined && known.furniture.length === furniture.length && known.furniture.every(isSame)) return known;
  const made = { ...page, furniture };
  furnished.set(page, made);
  return made;
}

function* withProgress<T>(work: Generator<void, T>, progress: TypesetProgress): Generator<TypesetProgress, T> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield progress;
  }
}

const sideOf = (pages: number): PageSide => (pages % 2 === 0 ? 'recto' : 'verso');

function pageGeometry(book: Book, context: TypesetContext): PageGeometry {
  const { page, text } = book.spec;
  const face = maybeFace(context.library.table, text.face, 400, false) ?? context.library.table[0];
  const capHeight = (face.capHeight / face.unitsPerEm) * text.size.pt;
  const area = typeArea(page, capHeight, text.leading.pt);
  return {
    width: page.trim.width.pt,
    height: page.trim.height.pt,
    measure: area.measure,
    head: page.margins.head.pt,
    back: page.margins.back.pt,
    foreEdge: page.margins.foreEdge.pt,
    leading: text.leading.pt,
    capHeight,
    lines: Math.max(1, area.lines),
    columns: columnsOf(book.spec.pages, area.measure),
  };
}

/** Columns side by side; a measure too narrow for all of them and their gaps has one. */
function columnsOf({ columns, columnGap, columnShares }: PagesSpec, measure: number): PageGeometry['columns'] {
  const room = measure - (columns - 1) * columnGap.pt;
  if (columns === 1 || room <= 0) return [{ x: 0, width: measure }];
  const shares = columnShares?.length === columns ? columnShares : new Array<number>(columns).fill(1);
  const sum = shares.reduce((total, share) => total + share, 0);
  let x = 0;
  return shares.map((share) => {
    const width = (room * share) / sum;
    const placed = { x, width };
    x += width + columnGap.pt;
    return placed;
  });
}

function composeContext(
  book: Book,
  context: TypesetContext,
  geometry: PageGeometry,
  clock: ComposeContext['clock'],
): ComposeContext {
  const labels = numberNotes(book);
  return {
    book,
    sheet: resolveStyles(
      book.spec,
      book.particulars.language,
      (family) => spaceOfFamily(context, family),
      context.interner,
    ),
    style: {
      spec: book.spec,
      faces: context.library.table,
      fieldText: (field) => fieldText(field, book.particulars),
      noteLabel: (note) => labels.get(note) ?? '?',
    },
    context,
    measure: geometry.columns[0].width,
    clock,
  };
}

/** Pages of a division, made again only when a paragraph of it, the page or the side on which it begins changed. */
function* paginateCached(
  division: Division,
  flow: Parameters<typeof paginateDivision>[0],
  compose: ComposeContext,
  geometry: PageGeometry,
  side: PageSide,
): Generator<void, readonly DivisionPage[]> {
  const { openers, pages: spec } = compose.book.spec;
  const { cache } = compose.context;
  const { width, height, measure, head, leading, capHeight, lines, columns } = geometry;
  const page = [
    width,
    height,
    measure,
    head,
    leading,
    capHeight,
    lines,
    ...columns.flatMap((one) => [one.x, one.width]),
  ];
  const parts = [flow.role, side, openers.sink, openers.textStart, spec, ...page, ...flow.head, ...flow.text];
  const known = cache.divisions.get(division.id);
  if (known !== undefined && sameParts(known.parts, parts)) return known.pages;
  const made = yield* paginateDivision(flow, geometry, openers, spec, side, known?.memory);
  cache.pagedCount += 1;
  cache.visitedCount += made.memory?.fill.visited ?? flow.text.length;
  cache.divisions.set(division.id, { parts, ...made });
  return made.pages;
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

function wordsIn(blocks: readonly Block[], context: TypesetContext): number {
  let words = 0;
  for (const block of blocks) {
    if (block.kind === 'table')
      block.rows.forEach((row) => row.forEach((cell) => (words += wordsIn(cell.blocks, context))));
    else {
      let own = context.cache.words.get(block);
      if (own === undefined) context.cache.words.set(block, (own = countWords(block.text)));
      words += own;
    }
  }
  return words;
}
