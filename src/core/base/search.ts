// The one binary search of core, over sorted numbers in any array.

/**
 * Index of the last element that is at most `value`, or -1 when all are greater.
 * `sorted` ascends; `length` limits the search to its first elements.
 */
export function lastAtMost(sorted: ArrayLike<number>, value: number, length = sorted.length): number {
  let low = 0;
  let high = length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle] <= value) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** How many elements two lists have in common, by identity, at their beginnings and at their ends, none counted twice. */
export function sharedEnds(a: readonly unknown[], b: readonly unknown[]): [number, number] {
  const most = Math.min(a.length, b.length);
  let before = 0;
  while (before < most && a[before] === b[before]) before += 1;
  let behind = 0;
  while (behind < most - before && a[a.length - 1 - behind] === b[b.length - 1 - behind]) behind += 1;
  return [before, behind];
}
