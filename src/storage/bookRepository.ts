// Keeps books: one transaction writes the log entries and the divisions and notes that they touched, so that a tab that
// closes at any moment leaves the last whole state behind.
import type { Table } from 'dexie';
import { BOOK_FORMAT, type Book } from '../core/model/copy/book';
import type { HistoryEntry } from '../core/model/copy/bookEdit';
import { LOG_WITHOUT_FORMAT, migrateEntry } from '../core/formats/migrateEntry';
import { migrate } from '../core/formats/migrate';
import { picturesIn } from '../core/model/copy/holders';
import type { Block } from '../core/model/copy/streams';
import { dropPictures, keepPictures, sharePictures } from './pictureRepository';
import type { BookRecord, CoverRecord, WalnutDatabase } from './database';
import { divisionWrites, gatherDivisions } from './divisionStore';
import { firstDifference, HISTORY_PAGE, NO_HISTORY, type HistoryWindow } from './historyWindow';

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

/** The format from which on figures are records of the book. */
const FIRST_WITH_FIGURES = 14;

export class BookRepository {
  constructor(private readonly database: WalnutDatabase) {}

  /** Books, last touched first. */
  async list(): Promise<BookRecord[]> {
    return this.database.books.orderBy('touched').reverse().toArray();
  }

  /** `pictures`: its pictures by their hash. */
  async add(book: Book, time: number, pictures: Readonly<Record<string, Blob>> = {}): Promise<void> {
    const { books, divisions, pieces, notes, figures, blobs, pictureOwners } = this.database;
    const tables = [books, divisions, pieces, notes, figures, blobs, pictureOwners];
    await this.database.transaction('rw', tables, async () => {
      await keepPictures(this.database, book.id, pictures);
      await books.put({ ...headOf(book), revision: 0, cursor: 0, touched: time, words: 0, findings: 0 });
      await Promise.all(divisionWrites(this.database, book.id, [], book.divisions));
      await notes.bulkPut(Object.values(book.notes).map((value) => ({ book: book.id, note: value.id, value })));
      await figures.bulkPut(Object.values(book.figures).map((value) => ({ book: book.id, figure: value.id, value })));
    });
  }

  /**
   * Undefined when there is no such book. `claims`: begins a revision of its own, so that a tab from which the book was taken
   * writes no more, whatever it still believes. `isOwner`: who opens it may write it; a book of an older format is brought to today's on the
   * disk too. Throws NewerFormatError.
   */
  async open(id: string, claims = false, isOwner = claims): Promise<OpenBook | undefined> {
    const { books, divisions, pieces, notes, figures, log } = this.database;
    const tables = [books, divisions, pieces, notes, figures, log];
    return this.database.transaction(isOwner ? 'rw' : 'r', tables, async () => {
      const record = await books.get(id);
      if (record === undefined) return undefined;
      if (record.format > BOOK_FORMAT) throw new NewerFormatError();
      const revision = record.revision + (claims ? 1 : 0);
      if (claims) await books.update(id, { revision });
      const kept = await gatherDivisions(this.database, id);
      const noteRows = await notes.where('book').equals(id).toArray();
      const figureRows = await figures.where('book').equals(id).toArray();
      const book = migrate({
        format: record.format,
        id,
        nextId: record.nextId,
        particulars: record.particulars,
        spec: record.spec,
        divisions: record.divisionIds.map((division) => kept.divisions.get(division)!),
        notes: Object.fromEntries(noteRows.map((row) => [row.note, row.value])),
        ...(record.format < FIRST_WITH_FIGURES
          ? {}
          : { figures: Object.fromEntries(figureRows.map((row) => [row.figure, row.value])) }),
        ...(record.source === undefined ? {} : { source: record.source }),
        ...(record.anchors === undefined ? {} : { anchors: record.anchors }),
        ...(record.pageTouches === undefined ? {} : { pageTouches: record.pageTouches }),
      }) as unknown as Book;
      kept.remember(book.divisions);
      // Captions left the streams that its entries tell of: nothing of them can be taken back any more.
      const isRegathered = record.format < FIRST_WITH_FIGURES && Object.keys(book.figures).length > 0;
      if (isOwner && record.format < BOOK_FORMAT) await this.bringUp(book, isRegathered);
      const history = isRegathered ? NO_HISTORY : await this.historyAround(id, record.cursor);
      return { book, ...history, revision };
    });
  }

  /** Writes a book that was brought to today's format, so that a save need not know what the migration changed. */
  private async bringUp(book: Book, withoutLog: boolean): Promise<void> {
    const { books, notes, figures, log } = this.database;
    const { id } = book;
    await Promise.all(divisionWrites(this.database, id, [], book.divisions));
    await notes.bulkPut(Object.values(book.notes).map((value) => ({ book: id, note: value.id, value })));
    await figures.bulkPut(Object.values(book.figures).map((value) => ({ book: id, figure: value.id, value })));
    await books.update(id, { ...headOf(book), ...(withoutLog ? { cursor: 0 } : {}) });
    if (withoutLog) await log.where('book').equals(id).delete();
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
    const { books, divisions, pieces, notes, figures, log } = this.database;
    const id = after.book.id;
    await sharePictures(this.database, id, newPictures(before.book, after.book));
    await this.database.transaction('rw', [books, divisions, pieces, notes, figures, log], async () => {
      if ((await books.get(id))?.revision !== before.revision) throw new OutdatedBookError();
      await Promise.all([
        ...divisionWrites(this.database, id, before.book.divisions, after.book.divisions),
        ...recordWrites(notes, id, before.book.notes, after.book.notes, (note, value) => ({ book: id, note, value })),
        ...recordWrites(figures, id, before.book.figures, after.book.figures, (figure, value) => ({
          book: id,
          figure,
          value,
        })),
        ...this.saveLog(before, after),
        books.update(id, { ...headOf(after.book), revision: after.revision, cursor: after.cursor, touched: time }),
      ]);
    });
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
    const { books, divisions, pieces, notes, figures, log, pulls, pullParts, products, blobs, pictureOwners } =
      this.database;
    const owned = [divisions, pieces, notes, figures, log, pulls, pullParts, products];
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

/** The requests that turn the notes or the figures of a book, which have a row each, from one state into another. */
function recordWrites<T extends { readonly id: string }, Row>(
  table: Table<Row, [string, string]>,
  book: string,
  before: Readonly<Record<string, T>>,
  after: Readonly<Record<string, T>>,
  rowOf: (id: string, value: T) => Row,
): PromiseLike<unknown>[] {
  if (before === after) return [];
  const changed = Object.values(after).filter((one) => before[one.id] !== one);
  const gone = Object.keys(before).filter((id) => !(id in after));
  return [
    ...(changed.length > 0 ? [table.bulkPut(changed.map((value) => rowOf(value.id, value)))] : []),
    ...gone.map((id) => table.delete([book, id])),
  ];
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
  for (const figure of Object.values(after.figures)) {
    if (before.figures[figure.id] === figure) continue;
    const had = new Set(before.figures[figure.id]?.parts.map(({ picture }) => picture.asset));
    for (const { picture } of figure.parts)
      if (picture.asset !== '' && !had.has(picture.asset)) found.add(picture.asset);
  }
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
