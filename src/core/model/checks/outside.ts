// What a device, a press or a shop says of a file that it was given.
import type { MadeProduct, ProductId } from '../products/products';
import type { FindingPlace } from './finding';

export const OUTSIDE_SOURCES = ['press', 'shop', 'device'] as const;
export type OutsideSource = (typeof OUTSIDE_SOURCES)[number];

/** At most so many of one file are kept. */
export const MOST_FACTS = 500;

export interface OutsideFact {
  readonly source: OutsideSource;
  readonly product: ProductId;
  /** Fingerprint of the file that it is said of: the bytes of another one may be free of it. */
  readonly hash: string;
  /** One sentence, 1 to 500 characters. */
  readonly message: string;
  /** Page of the file, from 0; null: the file as a whole. */
  readonly page: number | null;
  /** Where in the copy that page begins; null: the file was written from another state of the book, or the page has no text. */
  readonly place: FindingPlace | null;
}

/** A file that left, with what was said of it. */
export interface ToldProduct {
  readonly made: MadeProduct;
  readonly facts: readonly OutsideFact[];
}
