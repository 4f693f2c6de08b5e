// Lists that are worked out anew keep the identity of what is the same as before, so that nobody draws it again.

type Row = Readonly<Record<string, unknown>>;

/** Answers the list with those rows of the one before that have the same values; that one itself when all do. `keyOf`: what tells rows apart. */
export function keepIdentity<T extends object>(keyOf: (row: T) => string): (list: readonly T[]) => readonly T[] {
  let before: readonly T[] = [];
  return (list) => {
    const known = new Map(before.map((row) => [keyOf(row), row]));
    const kept = list.map((row) => {
      const old = known.get(keyOf(row));
      return old !== undefined && isSame(old as Row, row as Row) ? old : row;
    });
    const isAll = kept.length === before.length && kept.every((row, at) => row === before[at]);
    if (!isAll) before = kept;
    return before;
  };
}

function isSame(a: Row, b: Row): boolean {
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => a[key] === b[key]);
}
