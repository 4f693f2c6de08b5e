// Page touches as they apply now: each on the page to which its words have gone.
import { roleFurniture, type FurnitureSet } from '../../model/spec/furniture';
import { FURNITURE_ROLES } from '../../model/spec/pageRoles';
import type { Book } from '../../model/copy/book';
import type { FolioRun } from '../../model/spec/numbering';
import type { Page } from '../../model/composed/pages';
import type { PageTouch } from '../../model/copy/pageTouches';
import { findPlaces } from '../../references';

/** Indexes of pages. */
export interface TouchPlace {
  readonly page: number;
  readonly to: number;
}

export interface TouchedPages {
  /** By the index of the page. */
  readonly byPage: ReadonlyMap<number, readonly PageTouch[]>;
  /** First and last page of each touch by its id; -1: its words are gone. */
  readonly places: ReadonlyMap<string, TouchPlace>;
}

export const NO_TOUCHES: TouchedPages = { byPage: new Map(), places: new Map() };

export function touchedPages({ pageTouches, anchors }: Book, pages: readonly Page[]): TouchedPages {
  if (pageTouches.length === 0) return NO_TOUCHES;
  const tied = pageTouches.flatMap(({ anchor, through = anchor }) => [anchors[anchor], anchors[through]]);
  const pageOf = findPlaces(pages, new Set(tied.flatMap((anchor) => anchor?.block ?? [])));
  const placeOf = (id: string) => {
    // A touch stays with its paragraph when the words go that it was made on.
    const at = anchors[id];
    return at === undefined ? -1 : pageOf(at.block, at.from);
  };
  const byPage = new Map<number, PageTouch[]>();
  const places = new Map<string, TouchPlace>();
  for (const touch of pageTouches) {
    const ends = [placeOf(touch.anchor), placeOf(touch.through ?? touch.anchor)];
    // Text that was moved may have changed the order of the ends; one that is gone takes the touch along.
    const [page, to] = ends.includes(-1) ? [-1, -1] : ends.sort((a, b) => a - b);
    places.set(touch.id, { page, to });
    if (page < 0) continue;
    for (let index = page; index <= to; index += 1) byPage.set(index, [...(byPage.get(index) ?? []), touch]);
  }
  return { byPage, places };
}

/** Folio runs that begin on touched pages. */
export function touchedRuns({ byPage, places }: TouchedPages): Map<number, FolioRun> {
  const runs = new Map<number, FolioRun>();
  for (const [page, touches] of byPage)
    for (const { id, run } of touches) if (run !== undefined && places.get(id)?.page === page) runs.set(page, run);
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
    const roles = FURNITURE_ROLES.map((role) => {
      const { head, foot } = roleFurniture(made, role);
      return [role, { head: touch.hideHead ? null : head, foot: touch.hideFoot ? null : foot }];
    });
    made = { roles: Object.fromEntries(roles) as FurnitureSet['roles'] };
  }
  return made;
}
