// What was made for an object, and made again only when something that it depends on is another object.

export const sameParts = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((part, index) => part === b[index]);

/** One value for each owner: the last one, with the parts that it was made of, compared by identity. It is forgotten with its owner. */
export class Remembered<K extends object, V> {
  private readonly known = new WeakMap<K, { readonly parts: readonly unknown[]; readonly value: V }>();

  take(owner: K, parts: readonly unknown[], make: (before: V | undefined) => V): V {
    const before = this.known.get(owner);
    if (before !== undefined && sameParts(before.parts, parts)) return before.value;
    const value = make(before?.value);
    this.known.set(owner, { parts, value });
    return value;
  }

  /** The value as it was last, whatever it depends on. */
  last(owner: K): V | undefined {
    return this.known.get(owner)?.value;
  }
}
