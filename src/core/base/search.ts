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
