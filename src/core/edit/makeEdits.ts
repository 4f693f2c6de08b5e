// Makes the edits of small changes from the book as it is, so that what they remove is always what is there.
import { invariant } from '../base/errors';
import type { Book, Particulars } from '../model/copy/book';
import type { BookEdit, Plain } from '../model/copy/bookEdit';

/** The value at a path of the spec; throws InvariantError when a key does not exist. */
export function specValue(book: Book, path: readonly string[]): Plain {
  let value = book.spec as unknown as Plain;
  for (const key of path) {
    invariant(value !== null && typeof value === 'object' && key in value, `the spec has ${path.join('.')}`);
    value = (value as Record<string, Plain>)[key];
  }
  return value;
}

export function setSpecEdit(book: Book, path: readonly string[], to: Plain): BookEdit {
  return { kind: 'setSpec', path, from: specValue(book, path), to };
}

/** What is given of a particular: nothing is an empty text, and of the cover null. */
export const givenOf = (particulars: Particulars, key: keyof Particulars): Plain =>
  (particulars[key] ?? (key === 'cover' ? null : '')) as unknown as Plain;

export function setParticularsEdit<K extends keyof Particulars>(book: Book, key: K, to: Particulars[K]): BookEdit {
  return {
    kind: 'setParticulars',
    key,
    from: givenOf(book.particulars, key),
    to: (to ?? null) as unknown as Plain,
  };
}
