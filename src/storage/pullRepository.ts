// Keeps pulls: named states of a book to go back to. Parts are stored under the hash of what they say, each once.
import { migrate } from '../core/formats/migrate';
import type { Book } from '../core/model/copy/book';
import { fingerprint } from '../core/base/hash';
import type { WalnutDatabase } from './database';

export interface PullBrief {
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly time: number;
}

export class PullRepository {
  constructor(private readonly database: WalnutDatabase) {}

  /** Pulls of a book, the newest first. */
  async list(book: string): Promise<PullBrief[]> {
    const records = await this.database.pulls.where('book').equals(book).toArray();
    return records.map(({ name, time }) => ({ name, time })).sort((a, b) => b.time - a.time);
  }

  /** Keeps the book as it is; a name that is taken gets a number. Answers the name. */
  async keep(book: Book, wishedName: string, time: number): Promise<string> {
    const { pulls, pullParts } = this.database;
    const { divisions, notes, ...head } = book;
    return this.database.transaction('rw', pulls, pullParts, async () => {
      const taken = new Set((await pulls.where('book').equals(book.id).toArray()).map(({ name }) => name));
      let name = wishedName;
      for (let number = 2; taken.has(name); number += 1) name = `${wishedName} (${number})`;
      const parts = [...divisions, notes].map((value) => ({
        book: book.id,
        hash: fingerprint(JSON.stringify(value)),
        value,
      }));
      await pullParts.bulkPut(parts);
      const hashes = parts.map(({ hash }) => hash);
      await pulls.put({ book: book.id, name, time, head, divisions: hashes.slice(0, -1), notes: hashes.at(-1)! });
      return name;
    });
  }

  /** The book of a pull in today's format; undefined when there is none of that name. */
  async read(book: string, name: string): Promise<Book | undefined> {
    const { pulls, pullParts } = this.database;
    return this.database.transaction('r', pulls, pullParts, async () => {
      const record = await pulls.get([book, name]);
      if (record === undefined) return undefined;
      const part = async (hash: string) => (await pullParts.get([book, hash]))?.value;
      const divisions = await Promise.all(record.divisions.map(part));
      return migrate({ ...record.head, divisions, notes: await part(record.notes) }) as unknown as Book;
    });
  }
}
