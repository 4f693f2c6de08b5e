// What two flows of a reach, before and after an edit, have in common at both ends.
import { commonEndsBy } from '../base/commonEnds';
import type { Flow } from './flow';
import type { PagePlan } from './pagePlan';
import { LAST_PAGES } from './searchLimits';

/** How many paragraphs at both ends two flows have in common. */
export function sharedEnds(a: Flow, b: Flow): [number, number] {
  if (a.floats !== b.floats && (a.floats.length > 0 || b.floats.length > 0)) return [0, 0];
  return commonEndsBy(a.items.length, b.items.length, (i, j) => a.items[i].source === b.items[j].source);
}

/**
 * The last paragraph before which nothing hangs on what comes later than the next few. Two things do: whether a page is
 * perhaps the last one is told by whether any notes are left, and by how much text is; and where columns end level on
 * the last page, what can stand there is told by how much text is left.
 */
export function lastUnhurried(a: Flow, b: Flow, plan: PagePlan): number {
  const most = Math.min(a.items.length, b.items.length);
  const isLevel = plan.balance && plan.columns.length > 1;
  const page = isLevel ? plan.columns.length * (plan.lines + 1) + 2 : LAST_PAGES * plan.lines;
  let p = 0;
  while (p < most && Math.min(a.rest[p + 1], b.rest[p + 1]) > page && hasNotesLeft(a, p) === hasNotesLeft(b, p)) p += 1;
  return p;
}

const hasNotesLeft = ({ noteStart, notes }: Flow, p: number) => noteStart[p + 1] < notes.lineOf.length;
