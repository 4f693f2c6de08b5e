// Rows of a table that no page end parts, as they are laid out.
import type { Pt } from '../../model/spec/length';
import type { SetRows } from '../../paginate';

export interface LaidPart {
  readonly rows: SetRows;
  readonly height: Pt;
  /** The id by which it is known: that of the first paragraph in it. */
  readonly id: string;
  readonly beginsPage: boolean;
}
