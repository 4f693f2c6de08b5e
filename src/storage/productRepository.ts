// Keeps what is known of the products of a book: of each the last that was written, without its bytes.
import type { OutsideFact } from '../core/model/checks/outside';
import type { MadeProduct, ProductId } from '../core/model/products/products';
import type { WalnutDatabase } from './database';

export class ProductRepository {
  constructor(private readonly database: WalnutDatabase) {}

  /** The records as they were kept, with what was said of their files; who reads them checks them. */
  async list(book: string): Promise<readonly { readonly made: unknown; readonly facts: unknown }[]> {
    const rows = await this.database.products.where('book').equals(book).toArray();
    return rows.map(({ made, facts = [] }) => ({ made, facts }));
  }

  /** What was said of the file before goes with it. */
  async keep(book: string, made: MadeProduct): Promise<void> {
    await this.database.products.put({ book, product: made.product, made });
  }

  async keepFacts(book: string, product: ProductId, facts: readonly OutsideFact[]): Promise<void> {
    await this.database.products.update([book, product], { facts });
  }
}
