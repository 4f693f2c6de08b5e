// Chooses among near-equal ways of breaking by faults that no single line shows. Branch and bound (A. H. Land and A. G. Doig,
// An Automatic Method of Solving Discrete Programming Problems, 1960): the optimum without regard to them bounds every other
// way; where it has a fault, a better way must do without one of the breaks that make it.
import type { LineFault } from './lineFaults';
import type { FittedLines } from './fitSettings';

/** The cheapest ways that are looked at: a fault that outlasts them stays. */
const MOST_TRIED = 32;

interface Branch {
  readonly barred: ReadonlySet<number>;
  readonly found: FittedLines;
}

/**
 * Ways looked for at most: each is a search through the paragraph, whose cost grows with its opportunities. Prose has some
 * hundred of these and needs a few ways; a long paragraph of nothing but faults has thousands.
 */
const MOST_SEARCHED = 60_000;
const LEAST_WAYS = 6;

export const mostWays = (opportunities: number): number =>
  Math.max(LEAST_WAYS, Math.floor(MOST_SEARCHED / Math.max(1, opportunities)));

/**
 * The way whose demerits and faults together cost least, among those that `find` comes to without the breaks that it is
 * not given; its `demerits` hold both. `most`: how many ways are looked for. Null when there is no way at all.
 */
export function chooseNearEqual(
  find: (barred: ReadonlySet<number>) => FittedLines | null,
  faultsOf: (ends: readonly number[]) => readonly LineFault[],
  most = Infinity,
): FittedLines | null {
  const first = find(NONE);
  if (first === null) return null;
  let best: FittedLines | null = null;
  const open: Branch[] = [{ barred: NONE, found: first }];
  const seen = new Set<string>();
  let ways = 1;
  for (let tried = 0; open.length > 0 && tried < MOST_TRIED; tried += 1) {
    let next = 0;
    for (let k = 1; k < open.length; k += 1) if (open[k].found.demerits < open[next].found.demerits) next = k;
    const [{ barred, found }] = open.splice(next, 1);
    if (best !== null && found.demerits >= best.demerits) break;
    const faults = faultsOf(found.ends);
    const cost = faults.reduce((sum, fault) => sum + fault.cost, found.demerits);
    if (best === null || cost < best.demerits) best = { ends: found.ends, demerits: cost };
    if (faults.length === 0) break;
    // A way with all of these faults costs no less: a better one does without some of them.
    for (const end of new Set(faults.flatMap((fault) => fault.ends))) {
      const more = new Set(barred).add(end);
      const key = [...more].sort((a, b) => a - b).join();
      if (seen.has(key)) continue;
      seen.add(key);
      if ((ways += 1) > most) return { ...best, isUnweighed: true };
      const way = find(more);
      if (way !== null && way.demerits < best.demerits) open.push({ barred: more, found: way });
    }
  }
  return best;
}

const NONE: ReadonlySet<number> = new Set();
