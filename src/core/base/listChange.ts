// What became of a list, told by its middle: what stands at both ends stays the same objects.
import { commonEndsBy } from './commonEnds';

/** From `at`, so many were taken out and these put in. */
export interface ListChange<T> {
  readonly at: number;
  readonly removed: number;
  readonly inserted: readonly T[];
}

/** The change that makes one list another. */
export function listChange<T>(
  before: readonly T[],
  after: readonly T[],
  isSame: (a: T, b: T) => boolean = (a, b) => a === b || JSON.stringify(a) === JSON.stringify(b),
): ListChange<T> {
  const [at, end] = commonEndsBy(before.length, after.length, (i, j) => isSame(before[i], after[j]));
  return { at, removed: before.length - end - at, inserted: after.slice(at, after.length - end) };
}

/** The list after the change; the same list when there is none. */
export function withChange<T>(before: readonly T[], { at, removed, inserted }: ListChange<T>): readonly T[] {
  if (removed === 0 && inserted.length === 0) return before;
  return [...before.slice(0, at), ...inserted, ...before.slice(at + removed)];
}
