// The one chain of migrations, shared by project file and database: each step takes plain data of one format to the next.
import { BOOK_FORMAT } from './book';

export type PlainBook = Readonly<Record<string, unknown>> & { readonly format: number };
export type Migration = (book: PlainBook) => PlainBook;

/** `MIGRATIONS[n]` takes format n to n + 1. Format 1 is the first: there is nothing to migrate yet. */
export const MIGRATIONS: Readonly<Record<number, Migration>> = {};

/** The book in today's format. */
export function migrate(book: PlainBook): PlainBook {
  let current = book;
  while (current.format < BOOK_FORMAT && MIGRATIONS[current.format] !== undefined) {
    current = MIGRATIONS[current.format](current);
  }
  return current;
}
