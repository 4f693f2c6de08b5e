// Keeps what is known of the products of a book: of each the last that was written, without its bytes.
import type { MadeProduct } from '../core/model/products/products';
import type { WalnutDatabase } from './database';

export class ProductRepository {
  constructor(private readonly database: WalnutDatabase) {}

  /** The records as they were kept; who reads them checks them. */
  async list(book: string): Promise<readonly unknown[]> {
    const rows = await this.database.products.where('book').equals(book).toArray();
    return rows.map(({ made }) => made);
  }

  async keep(book: string, made: MadeProduct): Promise<void> {
    await this.database.products.put({ book, product: made.product, made });
  }
}
