// A page of one division, as the page maker hands it on.
import type { Fragment, NoteRule, PageRole } from '../model/composed/pages';
import type { Give } from './gives';

/** What a page of the division holds, before it has a number and a folio. */
export interface DivisionPage {
  readonly role: PageRole;
  readonly fragments: readonly Fragment[];
  readonly notes: readonly Fragment[];
  /** A rule over the notes of each column that has some. */
  readonly noteRules: readonly NoteRule[];
  /** Lines more or fewer than the page has by its spec. */
  readonly depth: -1 | 0 | 1;
  /** What had to give on it. */
  readonly gives: readonly Give[];
  /** True when the head of an opener pushed its text below the text start. */
  readonly headTooDeep: boolean;
}
