// Keeps books: one transaction writes the log entries and the divisions and notes that they touched, so that a tab that
// closes at any moment leaves the last whole state behind.
import { BOOK_FORMAT, type Book } from '../core/model/book';
import type { HistoryEntry } from '../core/model/bookEdit';
import { migrate } from '../core/model/migrations';
import { picturesIn, type Block, type PictureBytes } from '../core/model/streams';
import type { BookRecord, CoverRecord, WalnutDatabase } from './database';
import { divisionWrites, gatherDivisions } from './divisionStore';

/** A book with its history, as it is held open. */
export interface OpenBook {
  readonly book: Book;
  readonly entries: readonly HistoryEntry[];
  readonly cursor: number;
  readonly revision: number;
}

/** The database holds a book of a newer format than this program knows. */
export class NewerFormatError extends Error {
  constructor() {
    super('This book was last opened by a newer Walnut Leaf; this one cannot open it.');
  }
}

export class BookRepository {
  constructor(private readonly database: WalnutDatabase) {}

  /** Books, last touched first. */
  async list(): Promise<BookRecord[]> {
    return this.database.books.orderBy('touched').reverse().toArray();
  }

  /** `pictures`: bytes of its pictures by their hash. */
  async add(book: Book, time: number, pictures: PictureBytes = {}): Promise<void> {
    const { books, divisions, pieces, notes, pictures: kept } = this.database;
    await this.database.transaction('rw', books, divisions, pieces, notes, kept, async () => {
      await kept.bulkPut(Object.entries(pictures).map(([hash, bytes]) => ({ book: book.id, hash, bytes })));
      await books.put({ ...headOf(book), revision: 0, cursor: 0, touched: time, words: 0, findings: 0 });
      await Promise.all(divisionWrites(this.database, book.id, [], book.divisions));
      await notes.bulkPut(Object.values(book.notes).map((value) => ({ book: book.id, note: value.id, value })));
    });
  }

  /** Undefined when there is no such book. Throws NewerFormatError. */
  async open(id: string): Promise<OpenBook | undefined> {
    const { books, divisions, pieces, notes, log } = this.database;
    return this.database.transaction('r', books, divisions, pieces, notes, log, async () => {
      const record = await books.get(id);
      if (record === undefined) return undefined;
      if (record.format > BOOK_FORMAT) throw new NewerFormatError();
      const kept = await gatherDivisions(this.database, id);
      const noteRows = await notes.where('book').equals(id).toArray();
      const entries = await log.where('book').equals(id).sortBy('number');
      const book = migrate({
        format: record.format,
        id,
        nextId: record.nextId,
        particulars: record.particulars,
        spec: record.spec,
        divisions: record.divisionIds.map((division) => kept.divisions.get(division)!),
        notes: Object.fromEntries(noteRows.map((row) => [row.note, row.value])),
        ...(record.source === undefined ? {} : { source: record.source }),
        ...(record.pageTouches === undefined ? {} : { pageTouches: record.pageTouches }),
      }) as unknown as Book;
      kept.remember(book.divisions);
      return { book, entries: entries.map((row) => row.entry), cursor: record.cursor, revision: record.revision };
    });
  }

  /**
   * Writes what changed between two states of an open book. All requests are made at once: each answer waits for the
   * screen's own work, and in a row they would take long while somebody types.
   */
  async save(before: OpenBook, after: OpenBook, time: number): Promise<void> {
    const { books, divisions, pieces, notes, log } = this.database;
    const id = after.book.id;
    await this.keepPictures(before.book, after.book);
    await this.database.transaction('rw', books, divisions, pieces, notes, log, () =>
      Promise.all([
        ...divisionWrites(this.database, id, before.book.divisions, after.book.divisions),
        ...this.saveNotes(before.book, after.book),
        ...this.saveLog(before, after),
        books.update(id, { ...headOf(after.book), revision: after.revision, cursor: after.cursor, touched: time }),
      ]),
    );
  }

  /** Pictures that came with text from another book become this book's own. */
  private async keepPictures(before: Book, after: Book): Promise<void> {
    const { pictures } = this.database;
    for (const hash of newPictures(before, after)) {
      if ((await pictures.get([after.id, hash])) !== undefined) continue;
      const other = await pictures.where('hash').equals(hash).first();
      if (other !== undefined) await pictures.put({ ...other, book: after.id });
    }
  }

  private saveNotes(before: Book, after: Book): PromiseLike<unknown>[] {
    if (before.notes === after.notes) return [];
    const changed = Object.values(after.notes).filter((note) => before.notes[note.id] !== note);
    const gone = Object.keys(before.notes).filter((note) => !(note in after.notes));
    const { notes } = this.database;
    return [
      ...(changed.length > 0
        ? [notes.bulkPut(changed.map((value) => ({ book: after.id, note: value.id, value })))]
        : []),
      ...gone.map((note) => notes.delete([after.id, note])),
    ];
  }

  /** Entries are compared by identity: those from the first difference on are written, those beyond the end deleted. */
  private saveLog(before: OpenBook, after: OpenBook): PromiseLike<unknown>[] {
    const { log } = this.database;
    const id = after.book.id;
    let first = 0;
    while (first < after.entries.length && before.entries[first] === after.entries[first]) first += 1;
    const written = after.entries.slice(first).map((entry, k) => log.put({ book: id, number: first + k + 1, entry }));
    if (before.entries.length <= after.entries.length) return written;
    const beyond = log.where('[book+number]').between([id, after.entries.length + 1], [id, Infinity]);
    return [...written, beyond.delete()];
  }

  /** Facts of the last compose that the Shelf shows. */
  async keepComposed(
    id: string,
    facts: { readonly cover: CoverRecord; readonly words: number; readonly findings: number },
  ): Promise<void> {
    await this.database.books.update(id, facts);
  }

  async remove(id: string): Promise<void> {
    const { books, divisions, pieces, notes, log, pulls, pullParts, pictures } = this.database;
    const owned = [divisions, pieces, notes, log, pulls, pullParts, pictures];
    await this.database.transaction('rw', [books, ...owned], async () => {
      await books.delete(id);
      await Promise.all(owned.map((table) => table.where('book').equals(id).delete()));
    });
  }

  async setting<T>(key: string): Promise<T | undefined> {
    return (await this.database.settings.get(key))?.value as T | undefined;
  }

  async keepSetting(key: string, value: unknown): Promise<void> {
    await this.database.settings.put({ key, value });
  }
}

function headOf(book: Book) {
  const { id, format, nextId, particulars, spec, source, pageTouches, divisions } = book;
  return {
    id,
    format,
    nextId,
    particulars,
    spec,
    source,
    pageTouches,
    divisionIds: divisions.map((division) => division.id),
  };
}

/** Pictures of the streams that changed and that these did not have before. */
function newPictures(before: Book, after: Book): Set<string> {
  const found = new Set<string>();
  if (before.divisions === after.divisions && before.notes === after.notes) return found;
  const old = new Map<string, { readonly blocks: readonly Block[] }>(before.divisions.map((one) => [one.id, one]));
  const assetsOf = (blocks: readonly Block[]) => blocks.flatMap((block) => picturesIn(block).map(({ asset }) => asset));
  const changed = [
    ...after.divisions.filter((one) => old.get(one.id) !== one).map((one) => [one, old.get(one.id)] as const),
    ...Object.values(after.notes).flatMap((one) =>
      before.notes[one.id] === one ? [] : [[one, before.notes[one.id]] as const],
    ),
  ];
  for (const [now, then] of changed) {
    const had = new Set(assetsOf(then?.blocks ?? []));
    for (const asset of assetsOf(now.blocks)) if (asset !== '' && !had.has(asset)) found.add(asset);
  }
  return found;
}
