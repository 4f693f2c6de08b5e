// Keeps the bytes of pictures, for each book its own, by their hash.
import { picturesOf, type Book } from '../core/model/copy/book';
import type { PictureBytes } from '../core/model/copy/streams';
import type { WalnutDatabase } from './database';

export class PictureRepository {
  constructor(private readonly database: WalnutDatabase) {}

  /** Keeps pictures for a book, before its text refers to them. */
  async keep(book: string, pictures: PictureBytes): Promise<void> {
    const rows = Object.entries(pictures).map(([hash, bytes]) => ({ book, hash, bytes }));
    if (rows.length > 0) await this.database.pictures.bulkPut(rows);
  }

  /** The pictures of a book that are here. */
  async load(book: Book): Promise<PictureBytes> {
    const found: Record<string, Uint8Array> = {};
    for (const asset of picturesOf(book)) {
      const bytes = await this.find(asset);
      if (bytes !== undefined) found[asset] = bytes;
    }
    return found;
  }

  /** A picture by its hash, whichever book brought it. */
  async find(asset: string): Promise<Uint8Array | undefined> {
    return (await this.database.pictures.where('hash').equals(asset).first())?.bytes;
  }
}
