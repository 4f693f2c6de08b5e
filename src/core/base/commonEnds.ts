// What two lists or texts have in common at both ends.

/**
 * How many of `a` and `b` elements are the same from the beginning on, and how many before the end; none is counted twice.
 * `isSame` compares the element i of the first with the element j of the second.
 */
export function commonEndsBy(a: number, b: number, isSame: (i: number, j: number) => boolean): [number, number] {
  const most = Math.min(a, b);
  let before = 0;
  while (before < most && isSame(before, before)) before += 1;
  let behind = 0;
  while (behind < most - before && isSame(a - 1 - behind, b - 1 - behind)) behind += 1;
  return [before, behind];
}

/** The same for elements compared by identity, and for UTF-16 units of texts. */
export function commonEnds(a: ArrayLike<unknown>, b: ArrayLike<unknown>): [number, number] {
  return commonEndsBy(a.length, b.length, (i, j) => a[i] === b[j]);
}
