// What two flows of a reach, before and after an edit, have in common at both ends.
import { commonEndsBy } from '../base/commonEnds';
import type { Flow } from './flow';
import type { PagePlan } from './pagePlan';
import { MAX_AHEAD } from './regionStarts';
import { LAST_PAGES } from './searchLimits';

/** How many paragraphs at both ends two flows have in common. */
export function sharedEnds(a: Flow, b: Flow): [number, number] {
  return commonEndsBy(a.items.length, b.items.length, (i, j) => a.items[i].source === b.items[j].source);
}

/** A head looks back over two paragraphs and a space break ahead over two: so far a change is felt. */
export const FELT = 3;

/** The first paragraph from which a search must be made again, when `same` paragraphs at the beginning are the same. */
export function firstChanged(a: Flow, b: Flow, plan: PagePlan, same: number): number {
  const hasFloats = [a, b].some(({ floats }) => floats.some(({ isPicture }) => !isPicture));
  return Math.min(same - FELT - (hasFloats ? MAX_AHEAD : 0), lastUnhurried(a, b, plan));
}

/**
 * The last paragraph before which nothing hangs on what comes later than the next few. Two things do: whether a page is
 * perhaps the last one is told by whether any notes are left, and by how much text is; and where columns end level on
 * the last page, what can stand there is told by how much text is left.
 */
function lastUnhurried(a: Flow, b: Flow, plan: PagePlan): number {
  const most = Math.min(a.items.length, b.items.length);
  const lines = Math.max(...plan.regions.list.map((region) => region.lines));
  const columns = Math.max(...plan.regions.list.map((region) => region.columns));
  const isLevel = plan.balance && columns > 1;
  const page = isLevel ? columns * (lines + 1) + 2 : LAST_PAGES * lines;
  let p = 0;
  while (p < most && Math.min(a.rest[p + 1], b.rest[p + 1]) > page && hasNotesLeft(a, p) === hasNotesLeft(b, p)) p += 1;
  return p;
}

const hasNotesLeft = ({ noteStart, notes }: Flow, p: number) => noteStart[p + 1] < notes.lineOf.length;
