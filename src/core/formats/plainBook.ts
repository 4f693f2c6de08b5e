// A kept book before it is known to be one: plain data that a step of migration changes in places.

export type PlainBook = Readonly<Record<string, unknown>> & { readonly format: number };
/** Takes data of one format to the next. What is malformed is passed on: the check after the last step says so. */
export type Migration = (book: PlainBook) => PlainBook;
export type Plain = Readonly<Record<string, unknown>>;

/** A part of plain data as an object; empty when it is none. */
export function part(of: Plain, key: string): Plain {
  const value = of[key];
  return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Plain) : {};
}

/** The book in another format, with its spec changed. */
export function withSpec(book: PlainBook, format: number, change: (spec: Plain) => Plain): PlainBook {
  return { ...book, format, spec: change(part(book, 'spec')) };
}
