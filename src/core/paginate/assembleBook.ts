// Puts the pages of the divisions one after another: sides, blanks and roles.
import type { Division, StartSide } from '../model/copy/book';
import { sideOfPage, type Page, type PageSide } from '../model/composed/pages';
import { isDisplayRole, roleFacts } from '../model/copy/roles';
import type { Spec } from '../model/spec/spec';
import { withFolios, type RunsByPage } from './folios';
import type { DivisionPage } from './divisionPage';

export interface AssembledBook {
  /** Pages without furniture. */
  readonly pages: readonly Page[];
  /** Index of the first page of each division. */
  readonly firstPages: ReadonlyMap<string, number>;
}

/** A division with those that go on on its pages. */
export interface AssembledPart {
  readonly division: Division;
  readonly followers?: readonly Division[];
  readonly pages: readonly DivisionPage[];
  /** Of the division's own. */
  readonly own?: Page['own'];
}

/** The side on which a division begins: its own wish, else its role's. One that cannot go on begins a page. */
export function startSide(division: Division, before: Division | undefined, spec: Spec): Exclude<StartSide, 'same'> {
  if (!spec.page.facing) return 'any';
  const { start } = division;
  if (start !== undefined && start !== 'same') return start;
  if (before === undefined) return 'recto';
  if (start === 'same') return 'any';
  if (division.role === 'imprint') return before.role === 'title' ? 'verso' : 'any';
  const opensBody = division.matter === 'body' && before.matter !== 'body' && !isDisplayRole(division.role);
  if (opensBody || before.role === 'part') return 'recto';
  const wished = roleFacts(division.role).start;
  return wished === 'chapter' || wished === 'same' ? spec.openers.chaptersStart : wished;
}

/** True for a division that goes on on the page where the one before it ends. */
export function joinsPage(division: Division, before: Division | undefined): boolean {
  if (division.start !== 'same' || before === undefined) return false;
  return !isDisplayRole(division.role) && !isDisplayRole(before.role);
}

/** `touched`: runs of folios that begin on single pages. */
export function assembleBook(
  divisions: readonly AssembledPart[],
  spec: Spec,
  runsOf?: (pages: readonly Page[], firstPages: ReadonlyMap<string, number>) => RunsByPage,
): AssembledBook {
  const pages: Page[] = [];
  const firstPages = new Map<string, number>();
  divisions.forEach(({ division, followers = [], pages: made, own }, index) => {
    const before = lastOf(divisions[index - 1]);
    const wished = startSide(division, before, spec);
    const pageSide = (): PageSide => sideOfPage(pages.length, spec.page.facing);
    if (needsBlank(division, wished, pageSide())) pages.push(blankPage(pages.length, pageSide(), before ?? division));
    firstPages.set(division.id, pages.length);
    const waiting = new Set(followers.map(({ id }) => id));
    for (const page of made) {
      for (const id of waiting)
        if (page.fragments.some(({ paragraph }) => paragraph.styled.stream === id)) {
          firstPages.set(id, pages.length);
          waiting.delete(id);
        }
      const known = lastPages.get(page);
      const isSame = known?.index === pages.length && known.division === division.id && known.side === pageSide();
      if (isSame && known.divisionRole === division.role && sameOwn(known.own, own)) {
        pages.push(known);
        continue;
      }
      const placed = pageOf(page, pages.length, division, pageSide(), own);
      lastPages.set(page, placed);
      pages.push(placed);
    }
    // A follower without words stands where the reach ends.
    for (const id of waiting) firstPages.set(id, pages.length - 1);
  });
  const all = divisions.flatMap(({ division, followers = [] }) => [division, ...followers]);
  return { pages: withFolios(pages, all, spec, firstPages, runsOf?.(pages, firstPages)), firstPages };
}

const lastOf = (part: AssembledPart | undefined): Division | undefined => part?.followers?.at(-1) ?? part?.division;

/** Whether a blank has to be made so that a division begins on its side. */
export function needsBlank(division: Division, wished: Exclude<StartSide, 'same'>, side: PageSide): boolean {
  return wished !== 'any' && wished !== side && division.noBlank !== true;
}

/**
 * The pages of one division where they stood last, with the folios that stood there. Provisional: what comes before may yet
 * move them. Pages beyond those that were there count on.
 */
export function placeDivision(
  pages: readonly DivisionPage[],
  division: Division,
  earlier: readonly Page[],
  index: number,
  spec: Spec,
  own?: Page['own'],
): Page[] {
  return pages.map((page, k) => {
    const placed = pageOf(page, index + k, division, sideOfPage(index + k, spec.page.facing), own);
    const { folio = '', number = index + k + 1, folioHidden } = earlier[index + k] ?? {};
    return { ...placed, folio, number, ...(folioHidden ? { folioHidden } : {}) };
  });
}

/** What each page of a division became last: in its old place it stays the same object, and all that is known of it stays. */
const lastPages = new WeakMap<DivisionPage, Page>();

function pageOf(made: DivisionPage, index: number, division: Division, side: PageSide, own: Page['own']): Page {
  const { role, fragments, notes, noteRules, depth } = made;
  return {
    index,
    side,
    role,
    division: division.id,
    divisionRole: division.role,
    folio: '',
    number: 0,
    fragments,
    notes,
    noteRules,
    depth,
    furniture: [],
    ...(own === undefined ? {} : { own }),
  };
}

const sameOwn = (a: Page['own'], b: Page['own']) => a === b || JSON.stringify(a) === JSON.stringify(b);

function blankPage(index: number, side: PageSide, owner: Division): Page {
  return {
    index,
    side,
    role: 'blank',
    division: owner.id,
    divisionRole: owner.role,
    folio: '',
    number: 0,
    isMade: true,
    fragments: [],
    notes: [],
    noteRules: [],
    depth: 0,
    furniture: [],
  };
}
