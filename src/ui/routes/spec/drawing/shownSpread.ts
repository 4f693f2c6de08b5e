// The spread that the drawing shows: what is worked on, where it stands.
import type { FurnitureRole } from '../../../../core/model/spec/pageRoles';
import { useAppSelector } from '../../../../state/hooks';
import { selectFacing, selectSections, selectSpreads, type Spread } from '../../../../state/book/selectors';
import type { PageSummary } from '../../../../worker/typesetClient';

/** Topics that are judged on the words that are looked at. */
export const READ_TOPICS: ReadonlySet<string> = new Set(['text', 'styles', 'spacing', 'faces']);

export interface ShownSpread {
  /** Undefined: nothing is composed yet, or no page has the role that is worked on. */
  readonly spread: Spread | undefined;
  /** No page of the book has the role whose furniture is worked on. */
  readonly isExample: boolean;
}

export function useShownSpread(): ShownSpread {
  const spreads = useAppSelector(selectSpreads);
  const { spread: current, topic, furnitureRole } = useAppSelector((state) => state.view);
  const sections = useAppSelector(selectSections);
  const across = useAppSelector(selectFacing) ? 2 : 1;
  if (topic === 'furniture' && furnitureRole !== 'text') {
    const found = spreadOfRole(spreads, current, furnitureRole, new Set(sections.map(({ page }) => page)));
    return { spread: found, isExample: found === undefined && spreads.length > 0 };
  }
  return { spread: spreadFor(topic, spreads, current, across), isExample: false };
}

export const pagesOfSpread = ({ verso, recto }: Spread): PageSummary[] =>
  [verso, recto].filter((page) => page !== null);

/** Whether a page has a role; `begun`: pages on which a section begins. */
export const hasRole = (page: PageSummary, role: FurnitureRole, begun: ReadonlySet<number>): boolean =>
  role === 'section' ? page.role === 'text' && begun.has(page.index) : page.role === role;

function spreadOfRole(
  spreads: readonly Spread[],
  current: number,
  role: FurnitureRole,
  begun: ReadonlySet<number>,
): Spread | undefined {
  const has = (spread: Spread) => pagesOfSpread(spread).some((page) => hasRole(page, role, begun));
  return spreads[current] !== undefined && has(spreads[current]) ? spreads[current] : spreads.find(has);
}

/** Openers are shown on an opener, styles wherever they were walked to, the page on full text. */
function spreadFor(topic: string, spreads: readonly Spread[], current: number, across: number): Spread | undefined {
  if (topic === 'styles' && current > 0) return spreads[current];
  // Text is judged where one was reading, be it beside an opener.
  const reads = ({ role }: PageSummary) => role === 'text' || role === 'opener';
  if (READ_TOPICS.has(topic) && spreads[current] !== undefined && pagesOfSpread(spreads[current]).some(reads))
    return spreads[current];
  if (topic === 'openers' || topic === 'numbers') {
    const isOpener = (spread: Spread) => pagesOfSpread(spread).some(({ role }) => role === 'opener');
    if (spreads[current] !== undefined && isOpener(spreads[current])) return spreads[current];
    // One of the body before one in front.
    const inBody = (spread: Spread) =>
      pagesOfSpread(spread).some(({ role, folio }) => role === 'opener' && /\d/.test(folio));
    return spreads.find(inBody) ?? spreads.find(isOpener);
  }
  if (topic === 'contents') {
    const own = spreads[current];
    if (own !== undefined && own.recto !== null && pagesOfSpread(own).some(({ role }) => role !== 'blank')) return own;
  }
  return textSpread(spreads, current, across);
}

/** The spread of text nearest to the one that was looked at, best one whose text goes on after it: full on both sides. */
function textSpread(spreads: readonly Spread[], current: number, across: number): Spread | undefined {
  const isWhole = (spread: Spread) => pagesOfSpread(spread).length === across;
  const isText = (spread: Spread | undefined) =>
    spread !== undefined && isWhole(spread) && pagesOfSpread(spread).every(({ role }) => role === 'text');
  if (isText(spreads[current])) return spreads[current];
  const isFull = (spread: Spread) => {
    const next = spreads[spread.index + 1];
    return isText(spread) && next !== undefined && (next.verso ?? next.recto)?.role === 'text';
  };
  const nearest = [...spreads].sort((a, b) => Math.abs(a.index - current) - Math.abs(b.index - current));
  return nearest.find(isFull) ?? nearest.find(isText) ?? nearest.find(isWhole);
}
