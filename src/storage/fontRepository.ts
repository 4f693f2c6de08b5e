// Keeps font files of the person's own, for all books of this browser.
import type { OwnFont } from '../core/model/spec/faces';
import type { WalnutDatabase } from './database';

export class FontRepository {
  constructor(private readonly database: WalnutDatabase) {}

  /** A face of the same family, weight and slope gives way. */
  async keep({ record, bytes }: OwnFont): Promise<void> {
    await this.database.fonts.put({ hash: record.id, record, bytes });
  }

  async all(): Promise<readonly OwnFont[]> {
    return (await this.database.fonts.toArray()).map(({ record, bytes }) => ({ record, bytes }));
  }

  async drop(id: string): Promise<void> {
    await this.database.fonts.delete(id);
  }
}
