// Findings of the folios: an odd one on a verso, one that stands twice, numbers that are missing. By custom rectos are odd.
import type { Page } from '../../model/composed/pages';
import type { StreamId } from '../../model/copy/streams';
import type { Repair, RunPlace } from '../../model/checks/repairs';
import { MOST_FOLIO, type FolioRun } from '../../model/spec/numbering';
import { placeless, type BookFacts, type BookHit, type BookRunner } from './bookFacts';

type FolioKind = 'folio-parity' | 'folio-twice' | 'folio-gap';

const isArabic = ({ folio }: Page) => /\d$/.test(folio);
const isShown = ({ folio, folioHidden }: Page) => folio !== '' && folioHidden !== true;
/** What stands before the number: runs of one prefix count as one. */
const prefixOf = ({ folio }: Page) => folio.replace(/\d+$|[ivxlcdm]+$/i, '');

/** One hit for each stretch of pages that has the fault, on its first page. */
export const folios: BookRunner = (facts) => {
  const { pages } = facts.furnished;
  const runOf = (page: Page) => runPlace(facts, page);
  return [
    ...(facts.compose.book.spec.page.facing ? wrongSides(pages, runOf) : []),
    ...doubles(pages, runOf),
    ...gaps(pages, runOf),
  ];
};

/** Where the folio run of a page was said to begin: by the touch of a page or by a division; null: nowhere. */
interface RunStart {
  readonly place: RunPlace;
  readonly run: FolioRun;
  /** The page on which it begins. */
  readonly page: number;
}
type RunOf = (page: Page) => RunStart | null;

function runPlace({ furnished: { pages }, compose, touched }: BookFacts, { index }: Page): RunStart | null {
  const runs = new Map(
    compose.book.divisions.flatMap(({ id, run }) => (run === undefined ? [] : [[id, run] as const])),
  );
  for (let at = index; at >= 0; at -= 1) {
    const touch = touched.byPage.get(at)?.findLast(({ run }) => run !== undefined);
    if (touch?.run !== undefined) return { place: { touch: touch.id }, run: touch.run, page: at };
    const { division } = pages[at];
    const run = pages[at - 1]?.division === division ? undefined : runs.get(division);
    if (run !== undefined) return { place: { division }, run, page: at };
  }
  return null;
}

const hit = (
  kind: FolioKind,
  { division, index }: { division: StreamId; index: number },
  message: string,
  repairs: readonly Repair[],
): BookHit => ({
  ...placeless(division),
  kind,
  page: index,
  message,
  ...(repairs.length === 0 ? {} : { repairs }),
});

/** The run goes on from the one before it. */
const goesOn = (start: RunStart | null): Repair[] =>
  start === null || start.run.start === null ? [] : [{ kind: 'setFolioStart', run: start.place, start: null }];

function wrongSides(pages: readonly Page[], runOf: RunOf): BookHit[] {
  const isWrong = (page: Page | undefined) =>
    page !== undefined && isShown(page) && (page.number % 2 === 1) !== (page.side === 'recto');
  return pages
    .filter((page, k) => isWrong(page) && !isWrong(pages[k - 1]))
    .map((page) => {
      const [number, side] = page.number % 2 === 1 ? ['odd', 'verso'] : ['even', 'recto'];
      const message = `Folio ${page.folio} is ${number} and stands on a ${side}: begin its run at another number, or the division on its side.`;
      return hit('folio-parity', page, message, sideRepairs(page, runOf(page)));
    });
}

/** The division begins on the side of its folio, or the run a number later. */
function sideRepairs(page: Page, start: RunStart | null): Repair[] {
  if (start === null) return [];
  const side = page.number % 2 === 1 ? 'recto' : 'verso';
  const first = start.run.start;
  return [
    ...('division' in start.place && start.page === page.index
      ? [{ kind: 'setDivisionSide', division: start.place.division, side } as const]
      : []),
    ...(first !== null && first < MOST_FOLIO
      ? [{ kind: 'setFolioStart', run: start.place, start: first + 1 } as const]
      : []),
  ];
}

function doubles(pages: readonly Page[], runOf: RunOf): BookHit[] {
  const first = new Map<string, Page>();
  const hits: BookHit[] = [];
  let isIn = false;
  for (const page of pages) {
    const before = isShown(page) ? first.get(page.folio) : undefined;
    if (before !== undefined && !isIn) {
      const message = `Folio ${page.folio} stands on page ${before.index + 1} as well: give its run a prefix, or let it go on from the run before.`;
      hits.push(hit('folio-twice', page, message, goesOn(runOf(page))));
    }
    isIn = before !== undefined;
    if (isShown(page) && before === undefined) first.set(page.folio, page);
  }
  return hits;
}

function gaps(pages: readonly Page[], runOf: RunOf): BookHit[] {
  return pages.flatMap((page, k) => {
    const before = pages[k - 1];
    if (before === undefined || before.folio === '' || page.folio === '') return [];
    if (isArabic(before) !== isArabic(page) || prefixOf(before) !== prefixOf(page)) return [];
    const missing = page.number - before.number - 1;
    if (missing < 1) return [];
    const between = missing === 1 ? `A folio is missing` : `${missing} folios are missing`;
    const message = `${between} between ${before.folio} and ${page.folio}: let the run go on from the one before, unless pages come in there.`;
    return [hit('folio-gap', page, message, goesOn(runOf(page)))];
  });
}
