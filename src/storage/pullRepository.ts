// Keeps pulls: named states of a book to go back to, with a table of their pages. Parts are stored under the hash of what they say, each
// once.
import { migrate } from '../core/formats/migrate';
import type { PageTable } from '../core/model/composed/pageTable';
import type { Book } from '../core/model/copy/book';
import type { PullRecord, WalnutDatabase } from './database';
import { divisionOf, PartSet, recordsOf } from './pullParts';

/** Begins the name of a pull that no list shows. No person types it. */
const HIDDEN = '\u0001base ';

export interface PullBrief {
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly time: number;
}

/** A kept book with its pages; `table` null: they were not composed when it was kept. */
export interface Pull {
  readonly book: Book;
  readonly table: PageTable | null;
}

export class PullRepository {
  constructor(private readonly database: WalnutDatabase) {}

  /** Pulls of a book, the newest first. */
  async list(book: string): Promise<PullBrief[]> {
    const records = await this.database.pulls.where('book').equals(book).toArray();
    return records
      .filter(({ name }) => !name.startsWith(HIDDEN))
      .map(({ name, time }) => ({ name, time }))
      .sort((a, b) => b.time - a.time);
  }

  /** Keeps the copy as an author sent it, under its fingerprint. It stays as long as the book: undo may come back to it. */
  async keepBase(id: string, hash: string, base: Book, time: number): Promise<void> {
    const known = await this.database.pulls.get([id, HIDDEN + hash]);
    if (known === undefined) await this.keep({ ...base, id }, HIDDEN + hash, time);
  }

  /** Undefined when there is none. */
  async readBase(id: string, hash: string): Promise<Book | undefined> {
    return (await this.read(id, HIDDEN + hash))?.book;
  }

  /** Keeps the book as it is, and the table of its pages where there is one; a name that is taken gets a number. Answers the name. */
  async keep(book: Book, wishedName: string, time: number, table: PageTable | null = null): Promise<string> {
    const { pulls, pullParts } = this.database;
    const { divisions, notes, figures, spec, ...head } = book;
    const set = new PartSet();
    const record = {
      ...{ book: book.id, time, head },
      spec: set.add(spec),
      divisions: divisions.map((division) => set.division(division)),
      notes: set.records(notes),
      figures: set.records(figures),
      table: table === null ? null : set.add(table),
    };
    return this.database.transaction('rw', pulls, pullParts, async () => {
      const taken = new Set((await pulls.where('book').equals(book.id).toArray()).map(({ name }) => name));
      let name = wishedName;
      for (let number = 2; taken.has(name); number += 1) name = `${wishedName} (${number})`;
      const hashes = [...set.parts.keys()];
      const known = await pullParts.bulkGet(hashes.map((hash) => [book.id, hash] as [string, string]));
      const fresh = hashes.filter((_, at) => known[at] === undefined);
      await pullParts.bulkPut(fresh.map((hash) => ({ book: book.id, hash, value: set.parts.get(hash) })));
      await pulls.put({ ...record, name });
      return name;
    });
  }

  /** The book of a pull in today's format, and its pages; undefined when there is none of that name. */
  async read(book: string, name: string): Promise<Pull | undefined> {
    const { pulls, pullParts } = this.database;
    return this.database.transaction('r', pulls, pullParts, async () => {
      const record = await pulls.get([book, name]);
      if (record === undefined) return undefined;
      const hashes = hashesOf(record);
      const rows = await pullParts.bulkGet(hashes.map((hash) => [book, hash] as [string, string]));
      const values = new Map(hashes.map((hash, at) => [hash, rows[at]?.value]));
      return pullOf(record, (hash) => values.get(hash));
    });
  }
}

function hashesOf({ divisions, notes, figures = [], spec, table }: PullRecord): string[] {
  return [
    ...divisions.flatMap((division) => (typeof division === 'string' ? [division] : division.pieces)),
    ...(typeof notes === 'string' ? [notes] : notes),
    ...figures,
    ...(spec === undefined ? [] : [spec]),
    ...(table == null ? [] : [table]),
  ];
}

function pullOf(record: PullRecord, part: (hash: string) => unknown): Pull {
  const { head, divisions, notes, figures, spec, table } = record;
  const book = {
    ...head,
    ...(spec === undefined ? {} : { spec: part(spec) }),
    divisions: divisions.map((division) =>
      typeof division === 'string' ? part(division) : divisionOf(division, part),
    ),
    notes: typeof notes === 'string' ? part(notes) : recordsOf(notes, part),
    ...(figures === undefined ? {} : { figures: recordsOf(figures, part) }),
  };
  return {
    book: migrate(book as never) as unknown as Book,
    table: table == null ? null : ((part(table) as PageTable | undefined) ?? null),
  };
}
