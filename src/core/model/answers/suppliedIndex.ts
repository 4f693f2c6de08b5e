// What came of an index that somebody else made: its marks as edits, and what has to be looked at.
import type { BookEdit } from '../copy/bookEdit';

/** What somebody has to look at of a supplied index. */
export interface IndexQuestion {
  readonly term: string;
  /** Folios as the index names them. */
  readonly locator: string;
  readonly why: 'no page' | 'words not found' | 'text gone' | 'moved' | 'straddles';
  /** The folio on which it stands now; empty for none. */
  readonly now: string;
  readonly block: string;
}

export interface SuppliedIndex {
  readonly edits: readonly BookEdit[];
  readonly entries: number;
  readonly marks: number;
  readonly questions: readonly IndexQuestion[];
}
