// The contents and the lists of figures and tables: what is listed, and how an entry is arranged.
import type { StyleTag } from '../copy/streams';

/**
 * Where an entry's folio stands: at the end of the measure over a leader or white, after the words, or before them; or the
 * entries run in one after another.
 */
export type EntryArrangement = 'leaders' | 'white' | 'after' | 'first' | 'runIn';

/** The heads of one style, and how their entries are set. */
export interface ContentsLevel {
  /** Paragraph style of the heads. */
  readonly source: StyleTag;
  /** Paragraph style of the entries. */
  readonly entry: StyleTag;
  /** Whether the number of the head is told. */
  readonly number: boolean;
  readonly arrangement: EntryArrangement;
}

export interface ContentsSpec {
  readonly levels: readonly ContentsLevel[];
  /** Repeated between words and folio. */
  readonly leader: string;
  /** Style of a line under an entry that names the author of the piece; null: none. What is listed has it in its head. */
  readonly author: { readonly source: StyleTag; readonly entry: StyleTag } | null;
  /** The same for a line that describes it. */
  readonly description: { readonly source: StyleTag; readonly entry: StyleTag } | null;
}

/** Chapters and parts, the folio at the end of the measure. */
export const CONTENTS: ContentsSpec = {
  levels: [
    { source: 'PT', entry: 'TOP', number: true, arrangement: 'white' },
    { source: 'CT', entry: 'TOC', number: true, arrangement: 'white' },
  ],
  leader: '.',
  author: null,
  description: null,
};
