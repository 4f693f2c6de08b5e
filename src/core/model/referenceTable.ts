// What page making finds out and other text repeats: numbers of pages, where headings stand.
import type { StreamId } from './streams';

export interface HeadingPlace {
  readonly division: StreamId;
  readonly role: 'part' | 'chapter' | 'other';
  /** Level 1 to 6 of its meaning. */
  readonly level: number;
  readonly number: string;
  readonly title: string;
  /** Index of the page from 0; -1 while not known. */
  readonly page: number;
  /** The folio as shown, such as `vii` or `12`. */
  readonly folio: string;
}

export interface ReferenceTable {
  readonly headings: readonly HeadingPlace[];
}

/** True when nothing that text can repeat differs: the fixpoint has settled. */
export function sameReferences(a: ReferenceTable, b: ReferenceTable): boolean {
  return (
    a.headings.length === b.headings.length &&
    a.headings.every((heading, index) => {
      const other = b.headings[index];
      return (
        heading.page === other.page &&
        heading.folio === other.folio &&
        heading.title === other.title &&
        heading.number === other.number
      );
    })
  );
}
