// Putting one list at the end of another, however long: `push(...list)` hands every item over on the stack, which is full after
// some hundred thousand.

export function append<T>(list: T[], more: Iterable<T>): void {
  for (const one of more) list.push(one);
}

/** The greatest of some numbers, and not less than the first. */
export function greatest(least: number, values: Iterable<number>): number {
  let most = least;
  for (const value of values) if (value > most) most = value;
  return most;
}

/** The least of some numbers, and not more than the first. */
export function smallest(most: number, values: Iterable<number>): number {
  let least = most;
  for (const value of values) if (value < least) least = value;
  return least;
}
