// Keeps pictures as Blobs by their hash, each once, for the books that have it.
import { picturesOf, type Book } from '../core/model/copy/book';
import type { WalnutDatabase } from './database';

export class PictureRepository {
  constructor(private readonly database: WalnutDatabase) {}

  /** Keeps pictures for a book, before its text refers to them. */
  async keep(book: string, pictures: Readonly<Record<string, Blob>>): Promise<void> {
    const { blobs, pictureOwners } = this.database;
    await this.database.transaction('rw', [blobs, pictureOwners], () => keepPictures(this.database, book, pictures));
  }

  /** The pictures of a book that are here: handles, whose bytes are read when they are asked for. */
  async load(book: Book): Promise<Record<string, Blob>> {
    const rows = await this.database.blobs.bulkGet([...picturesOf(book)]);
    return Object.fromEntries(rows.flatMap((row) => (row === undefined ? [] : [[row.hash, row.blob]])));
  }

  /** A picture by its hash, whichever book brought it. */
  async find(asset: string): Promise<Blob | undefined> {
    return (await this.database.blobs.get(asset))?.blob;
  }
}

/** Puts pictures by, and the book among their owners; in a transaction of the caller. What is there already stays as it is. */
export async function keepPictures(
  { blobs, pictureOwners }: WalnutDatabase,
  book: string,
  pictures: Readonly<Record<string, Blob>>,
): Promise<void> {
  const hashes = Object.keys(pictures);
  if (hashes.length === 0) return;
  const there = await blobs.where('hash').anyOf(hashes).primaryKeys();
  const known = new Set(there);
  for (const hash of hashes) if (!known.has(hash)) await blobs.put({ hash, blob: pictures[hash] });
  await pictureOwners.bulkPut(hashes.map((hash) => ({ hash, book })));
}

/** Makes a book an owner of pictures that are here, as text with them came to it from another book. */
export async function sharePictures(
  { blobs, pictureOwners }: WalnutDatabase,
  book: string,
  hashes: ReadonlySet<string>,
): Promise<void> {
  if (hashes.size === 0) return;
  const there = await blobs
    .where('hash')
    .anyOf([...hashes])
    .primaryKeys();
  await pictureOwners.bulkPut(there.map((hash) => ({ hash, book })));
}

/** A book has its pictures no longer; those that no other has go. */
export async function dropPictures({ blobs, pictureOwners }: WalnutDatabase, book: string): Promise<void> {
  const owned = await pictureOwners.where('book').equals(book).toArray();
  await pictureOwners.where('book').equals(book).delete();
  for (const { hash } of owned) {
    const others = await pictureOwners.where('[hash+book]').between([hash, ''], [hash, '\uffff']).count();
    if (others === 0) await blobs.delete(hash);
  }
}
