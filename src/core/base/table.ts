// Tables that are looked into by words from outside: names, languages, control words of a file.

/**
 * The entries without anything inherited, so that `constructor` or `__proto__` finds nothing in it. For records of book data,
 * whose keys a person or a file gives, the check of a book refuses such words instead: see isInherited.
 */
export function table<T extends object>(entries: T): T {
  return Object.freeze(Object.assign(Object.create(null) as T, entries));
}

/** Whether every plain object answers to a word by inheritance: no name of anything of ours. */
export const isInherited = (word: string): boolean => word in Object.prototype;
