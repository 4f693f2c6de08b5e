// Keeps books: one transaction writes the log entries and the divisions and notes that they touched, so that a tab that
// closes at any moment leaves the last whole state behind.
import { BOOK_FORMAT, type Book } from '../core/model/copy/book';
import type { HistoryEntry } from '../core/model/copy/bookEdit';
import { LOG_WITHOUT_FORMAT, migrateEntry } from '../core/formats/migrateEntry';
import { migrate } from '../core/formats/migrate';
import { picturesIn, type Block } from '../core/model/copy/streams';
import { dropPictures, keepPictures, sharePictures } from './pictureRepository';
import type { BookRecord, CoverRecord, WalnutDatabase } from './database';
import { divisionWrites, gatherDivisions } from './divisionStore';
import { firstDifference, HISTORY_PAGE, type HistoryWindow } from './historyWindow';

/** A book with the part of its history that lies around the cursor, as it is held open. */
export interface OpenBook extends HistoryWindow {
  readonly book: Book;
  /** Grows with every edit, undo and redo, and when a tab takes the book from another. */
  readonly revision: number;
}

/** Another tab has written the book since this one read it, or it was removed: nothing is written over that. */
export class OutdatedBookError extends Error {
  readonly code = 'outdated';
  constructor() {
    super('The book was changed or removed in another tab meanwhile.');
  }
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

  /** `pictures`: its pictures by their hash. */
  async add(book: Book, time: number, pictures: Readonly<Record<string, Blob>> = {}): Promise<void> {
    const { books, divisions, pieces, notes, blobs, pictureOwners } = this.database;
    await this.database.transaction('rw', [books, divisions, pieces, notes, blobs, pictureOwners], async () => {
      await keepPictures(this.database, book.id, pictures);
      await books.put({ ...headOf(book), revision: 0, cursor: 0, touched: time, words: 0, findings: 0 });
      await Promise.all(divisionWrites(this.database, book.id, [], book.divisions));
      await notes.bulkPut(Object.values(book.notes).map((value) => ({ book: book.id, note: value.id, value })));
    });
  }

  /**
   * Undefined when there is no such book. `claims`: begins a revision of its own, so that a tab from which the book was taken
   * writes no more, whatever it still believes. Throws NewerFormatError.
   */
  async open(id: string, claims = false): Promise<OpenBook | undefined> {
    const { books, divisions, pieces, notes, log } = this.database;
    return this.database.transaction(claims ? 'rw' : 'r', books, divisions, pieces, notes, log, async () => {
      const record = await books.get(id);
      if (record === undefined) return undefined;
      if (record.format > BOOK_FORMAT) throw new NewerFormatError();
      const revision = record.revision + (claims ? 1 : 0);
      if (claims) await books.update(id, { revision });
      const kept = await gatherDivisions(this.database, id);
      const noteRows = await notes.where('book').equals(id).toArray();
      const history = await this.historyAround(id, record.cursor);
      const book = migrate({
        format: record.format,
        id,
        nextId: record.nextId,
        particulars: record.particulars,
        spec: record.spec,
        divisions: record.divisionIds.map((division) => kept.divisions.get(division)!),
        notes: Object.fromEntries(noteRows.map((row) => [row.note, row.value])),
        ...(record.source === undefined ? {} : { source: record.source }),
        ...(record.anchors === undefined ? {} : { anchors: record.anchors }),
        ...(record.pageTouches === undefined ? {} : { pageTouches: record.pageTouches }),
      }) as unknown as Book;
      kept.remember(book.divisions);
      return { book, ...history, revision };
    });
  }

  /** The revision of a book on the disk; undefined when there is no such book. */
  async revisionOf(id: string): Promise<number | undefined> {
    return (await this.database.books.get(id))?.revision;
  }

  /** Entries of the log by their numbers, from 1, both ends included. */
  async history(id: string, from: number, to: number): Promise<readonly HistoryEntry[]> {
    const rows = await this.database.log.where('[book+number]').between([id, from], [id, to], true, true).toArray();
    return rows.map(({ entry, format = LOG_WITHOUT_FORMAT }) => migrateEntry(entry, format));
  }

  /** A page of the log on each side of the cursor; how long the log is takes one step from its end. */
  private async historyAround(id: string, cursor: number): Promise<HistoryWindow> {
    const last = await this.database.log.where('[book+number]').between([id, 0], [id, Infinity]).last();
    const total = Math.max(cursor, last?.number ?? 0);
    const base = Math.max(0, cursor - HISTORY_PAGE);
    const entries = await this.history(id, base + 1, Math.min(total, cursor + HISTORY_PAGE));
    return { base, entries, cursor, total };
  }

  /**
   * Writes what changed between two states of an open book. All writes are requested at once: each answer waits for the
   * screen's own work, and in a row they would take long while somebody types. Throws OutdatedBookError, and writes nothing,
   * when the disk does not hold the revision of `before`.
   */
  async save(before: OpenBook, after: OpenBook, time: number): Promise<void> {
    const { books, divisions, pieces, notes, log } = this.database;
    const id = after.book.id;
    await sharePictures(this.database, id, newPictures(before.book, after.book));
    await this.database.transaction('rw', books, divisions, pieces, notes, log, async () => {
      if ((await books.get(id))?.revision !== before.revision) throw new OutdatedBookError();
      await Promise.all([
        ...divisionWrites(this.database, id, before.book.divisions, after.book.divisions),
        ...this.saveNotes(before.book, after.book),
        ...this.saveLog(before, after),
        books.update(id, { ...headOf(after.book), revision: after.revision, cursor: after.cursor, touched: time }),
      ]);
    });
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

  /** Entries from the first difference on are written, those beyond the end deleted. */
  private saveLog(before: OpenBook, after: OpenBook): PromiseLike<unknown>[] {
    const { log } = this.database;
    const id = after.book.id;
    const first = firstDifference(before, after);
    const written = after.entries
      .slice(first - after.base - 1)
      .map((entry, k) => log.put({ book: id, number: first + k, entry, format: BOOK_FORMAT }));
    if (before.total <= after.total) return written;
    const beyond = log.where('[book+number]').between([id, after.total + 1], [id, Infinity]);
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
    const { books, divisions, pieces, notes, log, pulls, pullParts, products, blobs, pictureOwners } = this.database;
    const owned = [divisions, pieces, notes, log, pulls, pullParts, products];
    await this.database.transaction('rw', [books, blobs, pictureOwners, ...owned], async () => {
      await books.delete(id);
      await dropPictures(this.database, id);
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
  const { id, format, nextId, particulars, spec, source, anchors, pageTouches, divisions } = book;
  return {
    id,
    format,
    nextId,
    particulars,
    spec,
    source,
    anchors,
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
