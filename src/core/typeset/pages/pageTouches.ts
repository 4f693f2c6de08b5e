// Page touches as they apply now: each on the page to which its words have gone.
import type { FurnitureSet } from '../../model/spec/furniture';
import type { Book } from '../../model/copy/book';
import type { FolioRun } from '../../model/spec/numbering';
import type { Page } from '../../model/composed/pages';
import type { PageTouch } from '../../model/copy/pageTouches';
import { findPlaces } from '../../references';

export interface TouchedPages {
  /** By the index of the page. */
  readonly byPage: ReadonlyMap<number, readonly PageTouch[]>;
  /** Page of each touch by its id; -1: its words are gone. */
  readonly places: ReadonlyMap<string, number>;
}

export const NO_TOUCHES: TouchedPages = { byPage: new Map(), places: new Map() };

export function touchedPages({ pageTouches, anchors }: Book, pages: readonly Page[]): TouchedPages {
  if (pageTouches.length === 0) return NO_TOUCHES;
  const pageOf = findPlaces(pages, new Set(pageTouches.flatMap(({ anchor }) => anchors[anchor]?.block ?? [])));
  const byPage = new Map<number, PageTouch[]>();
  const places = new Map<string, number>();
  for (const touch of pageTouches) {
    // A touch stays with its paragraph when the words go that it was made on.
    const at = anchors[touch.anchor];
    const page = at === undefined ? -1 : pageOf(at.block, at.from);
    places.set(touch.id, page);
    if (page < 0) continue;
    byPage.set(page, [...(byPage.get(page) ?? []), touch]);
  }
  return { byPage, places };
}

/** Folio runs that begin on touched pages. */
export function touchedRuns({ byPage }: TouchedPages): Map<number, FolioRun> {
  const runs = new Map<number, FolioRun>();
  for (const [page, touches] of byPage) for (const { run } of touches) if (run !== undefined) runs.set(page, run);
  return runs;
}

/** A set as the touches of a page leave it. */
export function touchedSet(
  set: FurnitureSet,
  sets: Readonly<Record<string, FurnitureSet>>,
  touches: readonly PageTouch[],
): FurnitureSet {
  let made = set;
  for (const touch of touches) {
    if (touch.furniture !== undefined && sets[touch.furniture] !== undefined) made = sets[touch.furniture];
    if (!touch.hideHead && !touch.hideFoot) continue;
    const roles = Object.entries(made.roles).map(([role, { head, foot }]) => [
      role,
      { head: touch.hideHead ? null : head, foot: touch.hideFoot ? null : foot },
    ]);
    made = { roles: Object.fromEntries(roles) as FurnitureSet['roles'] };
  }
  return made;
}
