// Findings of the folios: an odd one on a verso, one that stands twice, numbers that are missing. By custom rectos are odd.
import type { Page } from '../../model/composed/pages';
import type { StreamId } from '../../model/copy/streams';
import { placeless, type BookHit, type BookRunner } from './bookFacts';

type FolioKind = 'folio-parity' | 'folio-twice' | 'folio-gap';

const isArabic = ({ folio }: Page) => /\d$/.test(folio);
const isShown = ({ folio, folioHidden }: Page) => folio !== '' && folioHidden !== true;
/** What stands before the number: runs of one prefix count as one. */
const prefixOf = ({ folio }: Page) => folio.replace(/\d+$|[ivxlcdm]+$/i, '');

/** One hit for each stretch of pages that has the fault, on its first page. */
export const folios: BookRunner = ({ furnished: { pages }, compose }) => [
  ...(compose.book.spec.page.facing ? wrongSides(pages) : []),
  ...doubles(pages),
  ...gaps(pages),
];

const hit = (
  kind: FolioKind,
  { division, index }: { division: StreamId; index: number },
  message: string,
): BookHit => ({
  ...placeless(division),
  kind,
  page: index,
  message,
});

function wrongSides(pages: readonly Page[]): BookHit[] {
  const isWrong = (page: Page | undefined) =>
    page !== undefined && isShown(page) && (page.number % 2 === 1) !== (page.side === 'recto');
  return pages
    .filter((page, k) => isWrong(page) && !isWrong(pages[k - 1]))
    .map((page) => {
      const [number, side] = page.number % 2 === 1 ? ['odd', 'verso'] : ['even', 'recto'];
      const message = `Folio ${page.folio} is ${number} and stands on a ${side}: begin its run at another number, or the division on its side.`;
      return hit('folio-parity', page, message);
    });
}

function doubles(pages: readonly Page[]): BookHit[] {
  const first = new Map<string, Page>();
  const hits: BookHit[] = [];
  let isIn = false;
  for (const page of pages) {
    const before = isShown(page) ? first.get(page.folio) : undefined;
    if (before !== undefined && !isIn) {
      const message = `Folio ${page.folio} stands on page ${before.index + 1} as well: give its run a prefix, or let it go on from the run before.`;
      hits.push(hit('folio-twice', page, message));
    }
    isIn = before !== undefined;
    if (isShown(page) && before === undefined) first.set(page.folio, page);
  }
  return hits;
}

function gaps(pages: readonly Page[]): BookHit[] {
  return pages.flatMap((page, k) => {
    const before = pages[k - 1];
    if (before === undefined || before.folio === '' || page.folio === '') return [];
    if (isArabic(before) !== isArabic(page) || prefixOf(before) !== prefixOf(page)) return [];
    const missing = page.number - before.number - 1;
    if (missing < 1) return [];
    const between = missing === 1 ? `A folio is missing` : `${missing} folios are missing`;
    const message = `${between} between ${before.folio} and ${page.folio}: let the run go on from the one before, unless pages come in there.`;
    return [hit('folio-gap', page, message)];
  });
}
