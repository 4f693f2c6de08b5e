// What is kept of composed pages when they themselves are not: enough to hold to them, to find a place by its folio, and to tell what is
// otherwise now. Read, and never composed again: a newer engine may make other pages of the same book.
import type { BlockId } from '../copy/streams';
import type { PageRole } from './pages';

export interface PageRow {
  readonly folio: string;
  readonly role: PageRole;
  /** The first text of the copy on the page, an offset into it; null: there is none. */
  readonly start: { readonly block: BlockId; readonly offset: number } | null;
  /** Fingerprint of the ends of its lines and notes, 8 hexadecimal digits. */
  readonly lines: string;
}

export interface PageTable {
  /** Version of the engine that made the pages. */
  readonly engine: number;
  /** In order; a page's index is its place here. */
  readonly pages: readonly PageRow[];
  /** Keys of the findings of the book. */
  readonly findings: readonly string[];
}
