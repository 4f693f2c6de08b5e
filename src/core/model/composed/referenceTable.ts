// What page making finds out and other text repeats: numbers of pages, where heads stand, where sections begin.
import type { BlockId, StreamId, StyleTag } from '../copy/streams';

export interface HeadingPlace {
  readonly division: StreamId;
  /** Its paragraph; empty for a division without a title. */
  readonly block: BlockId;
  readonly tag: StyleTag;
  readonly role: 'part' | 'chapter' | 'other';
  /** Level 1 to 6 of its meaning. */
  readonly level: number;
  readonly number: string;
  readonly title: string;
  /** Words of the lines in the division's head that name its author and describe it. */
  readonly author?: string;
  readonly description?: string;
  /** Index of the page from 0; -1 while not known. */
  readonly page: number;
  /** The folio as shown, such as `vii` or `12`. */
  readonly folio: string;
}

/** A place to which the text refers. */
export interface ReferencedPlace {
  readonly number: string;
  readonly title: string;
  readonly page: number;
  readonly folio: string;
}

/** A caption, for the lists of figures and tables. */
export interface CaptionPlace {
  readonly kind: 'figure' | 'table';
  readonly block: BlockId;
  readonly text: string;
  readonly page: number;
  readonly folio: string;
}

export interface SectionPlace {
  readonly division: StreamId;
  readonly block: BlockId;
  readonly name: string;
  readonly page: number;
  readonly folio: string;
}

/** An entry of the index, with the folios as they are told. */
export interface IndexLocators {
  readonly term: string;
  readonly sub: string;
  /** Page indexes, first and last. */
  readonly pages: readonly (readonly [number, number])[];
  readonly folios: readonly (readonly [string, string])[];
  readonly see: string;
  readonly seeAlso: readonly string[];
}

/** Where the reference of a note stands: page index from 0 and folio as shown. */
export type NotePlaces = Readonly<Record<StreamId, { readonly page: number; readonly folio: string }>>;

export interface ReferenceTable {
  /** Entries of the contents. */
  readonly headings: readonly HeadingPlace[];
  readonly captions: readonly CaptionPlace[];
  readonly sections: readonly SectionPlace[];
  readonly index: readonly IndexLocators[];
  /** Sub-entries of the index that begin a verso: their term is said again above them. */
  readonly continued: readonly string[];
  /** What cross-references go to; one that is gone is not there. */
  readonly targets: Readonly<Record<BlockId, ReferencedPlace>>;
  /** Pages on which cross-references stand, by `block:offset`. */
  readonly sources: Readonly<Record<string, number>>;
  /** Of notes whose number or words hang on the page. */
  readonly notes: NotePlaces;
  /** Right end of the widest line of a book of verse, in points from the left edge of its column; 0: not known, or no such book. */
  readonly verse: number;
}

export const NO_REFERENCES: ReferenceTable = {
  headings: [],
  captions: [],
  sections: [],
  index: [],
  continued: [],
  targets: {},
  sources: {},
  notes: {},
  verse: 0,
};

/** True when nothing that text can repeat differs: the fixpoint has settled. */
export function sameReferences(a: ReferenceTable, b: ReferenceTable): boolean {
  return (
    sameHeadings(a.headings, b.headings) &&
    sameData(a.captions, b.captions) &&
    sameData(a.sections, b.sections) &&
    sameData(a.index, b.index) &&
    sameData(a.continued, b.continued) &&
    sameData(a.targets, b.targets) &&
    sameData(a.sources, b.sources) &&
    sameData(a.notes, b.notes) &&
    a.verse === b.verse
  );
}

const sameData = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

function sameHeadings(a: readonly HeadingPlace[], b: readonly HeadingPlace[]): boolean {
  return (
    a.length === b.length &&
    a.every((heading, index) => {
      const other = b[index];
      return (
        heading.block === other.block &&
        heading.page === other.page &&
        heading.folio === other.folio &&
        heading.title === other.title &&
        heading.number === other.number &&
        heading.tag === other.tag &&
        heading.author === other.author &&
        heading.description === other.description
      );
    })
  );
}
