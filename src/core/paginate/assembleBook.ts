// Puts the pages of the divisions one after another: sides, blanks, roles and folios.
import type { Division, StartSide } from '../model/book';
import { sideOfPage, type Page, type PageSide } from '../model/pages';
import type { Spec } from '../model/spec';
import { isDisplayRole, type DivisionPage } from './paginateDivision';

export interface AssembledBook {
  /** Pages without furniture. */
  readonly pages: readonly Page[];
  /** Index of the first page of each division. */
  readonly firstPages: ReadonlyMap<string, number>;
}

/** The side on which a division begins: its own wish, else its role's. */
export function startSide(division: Division, before: Division | undefined, spec: Spec): StartSide {
  if (!spec.page.facing) return 'any';
  if (division.start !== undefined) return division.start;
  if (before === undefined) return 'recto';
  if (division.role === 'imprint') return before.role === 'title' ? 'verso' : 'any';
  if (isDisplayRole(division.role) || ['part', 'contents', 'foreword'].includes(division.role)) return 'recto';
  const opensBody = division.matter === 'body' && before.matter !== 'body';
  if (opensBody || before.role === 'part') return 'recto';
  return spec.openers.chaptersStart;
}

export function assembleBook(
  divisions: readonly {
    readonly division: Division;
    readonly pages: readonly DivisionPage[];
    /** Of the division's own. */
    readonly columns?: Page['columns'];
  }[],
  spec: Spec,
): AssembledBook {
  const pages: Page[] = [];
  const firstPages = new Map<string, number>();
  divisions.forEach(({ division, pages: own, columns }, index) => {
    const before = divisions[index - 1]?.division;
    const wished = startSide(division, before, spec);
    const pageSide = (): PageSide => sideOfPage(pages.length, spec.page.facing);
    if (wished !== 'any' && wished !== pageSide()) pages.push(blankPage(pages.length, pageSide(), before ?? division));
    firstPages.set(division.id, pages.length);
    for (const page of own) {
      const known = lastPages.get(page);
      const isSame = known?.index === pages.length && known.division === division.id && known.side === pageSide();
      if (isSame && known.divisionRole === division.role) {
        pages.push(known);
        continue;
      }
      const placed = pageOf(page, pages.length, division, pageSide(), columns);
      lastPages.set(page, placed);
      pages.push(placed);
    }
  });
  return {
    pages: withFolios(
      pages,
      divisions.map((item) => item.division),
      spec,
    ),
    firstPages,
  };
}

/**
 * The pages of one division where they stood last: the first at `index` with the folio `folio`. Provisional: what comes
 * before may yet move them.
 */
export function placeDivision(
  pages: readonly DivisionPage[],
  division: Division,
  index: number,
  folio: string,
  spec: Spec,
  columns?: Page['columns'],
): Page[] {
  const first = /^\d+$/.test(folio) ? Number(folio) : null;
  return pages.map((page, k) => ({
    ...pageOf(page, index + k, division, sideOfPage(index + k, spec.page.facing), columns),
    folio: first === null ? toRoman(index + k + 1) : String(first + k),
  }));
}

/** What each page of a division became last: in its old place it stays the same object, and all that is known of it stays. */
const lastPages = new WeakMap<DivisionPage, Page>();

function pageOf(made: DivisionPage, index: number, division: Division, side: PageSide, columns: Page['columns']): Page {
  const { role, fragments, notes, noteRules, depth } = made;
  return {
    index,
    side,
    role,
    division: division.id,
    divisionRole: division.role,
    folio: '',
    fragments,
    notes,
    noteRules,
    depth,
    furniture: [],
    ...(columns === undefined ? {} : { columns }),
  };
}

function blankPage(index: number, side: PageSide, owner: Division): Page {
  return {
    index,
    side,
    role: 'blank',
    division: owner.id,
    divisionRole: owner.role,
    folio: '',
    fragments: [],
    notes: [],
    noteRules: [],
    depth: 0,
    furniture: [],
  };
}

const numbered = new WeakMap<Page, Page>();

/** Folio runs: roman for the front matter and arabic from 1 for the body, or one arabic run. */
function withFolios(pages: readonly Page[], divisions: readonly Division[], spec: Spec): Page[] {
  const front = new Set(divisions.filter((division) => division.matter === 'front').map((division) => division.id));
  const bodyStart = spec.folios.front === 'arabic' ? 0 : pages.findIndex((page) => !front.has(page.division));
  return pages.map((page, index) => {
    const inFront = bodyStart < 0 || index < bodyStart;
    const folio = inFront ? toRoman(index + 1) : String(index - bodyStart + 1);
    const known = numbered.get(page);
    if (known?.folio === folio) return known;
    const made = { ...page, folio };
    numbered.set(page, made);
    return made;
  });
}

const ROMAN: readonly [number, string][] = [
  [1000, 'm'],
  [900, 'cm'],
  [500, 'd'],
  [400, 'cd'],
  [100, 'c'],
  [90, 'xc'],
  [50, 'l'],
  [40, 'xl'],
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
];

/** Lower-case roman numeral of a positive whole number. */
export function toRoman(value: number): string {
  let rest = value;
  let text = '';
  for (const [worth, letters] of ROMAN) {
    while (rest >= worth) {
      text += letters;
      rest -= worth;
    }
  }
  return text;
}
