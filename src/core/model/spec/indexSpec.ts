// How an index is sorted and set (house rules, section 5).

export interface IndexSpec {
  /** Letter by letter passes over spaces; word by word stops at them. */
  readonly order: 'letters' | 'words';
  /** Ranges of folios: 123-24, or 123-124. */
  readonly ranges: 'elided' | 'full';
  /** Sub-entries on lines of their own, or one after another. */
  readonly subentries: 'indented' | 'runIn';
  /** Whether each letter has a head. */
  readonly letterHeads: boolean;
}

export const INDEX: IndexSpec = { order: 'letters', ranges: 'elided', subentries: 'indented', letterHeads: true };

/** What an index mark says, and where: at its place, or from it to the mark that ends it. */
export interface IndexMark {
  readonly term: string;
  readonly sub: string;
  /** Another term that is looked up instead, and one besides; empty: none. */
  readonly see: string;
  readonly seeAlso: string;
  readonly range: 'here' | 'from' | 'to';
}
