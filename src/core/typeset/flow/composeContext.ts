// What composing any paragraph of a book needs of the whole book.
import type { NumberedNotes } from '../../numbering/numberNotes';
import type { HeadNumbers } from '../../numbering/numberHeads';
import type { Book } from '../../model/copy/book';
import type { PageGeometry } from '../../model/composed/pages';
import type { NotePlaces } from '../../model/composed/referenceTable';
import type { LocalLook } from '../../model/copy/streams';
import type { Pt } from '../../model/spec/length';
import type { Spec } from '../../model/spec/spec';
import type { ResolvedStyle } from '../../model/composed/styled';
import type { StyleContext, StyleSheet } from '../../styles';
import type { StageClock } from './composeParagraph';
import type { TypesetContext } from '../context';
import type { HeldStarts } from '../pages/hold';

/** Points that a figure beside text may be wide, and is where nobody said how wide. */
export interface BesideRoom {
  readonly most: Pt;
  readonly usual: Pt;
}

export interface ComposeContext {
  readonly book: Book;
  /** The spec of which the styles are resolved: the book's, or the same with its text ragged. */
  readonly sheetSpec: Spec;
  readonly sheet: StyleSheet;
  /** A style with what is changed of it on one paragraph. */
  readonly withLook: (tag: string, look: LocalLook) => ResolvedStyle;
  readonly style: StyleContext;
  readonly numbers: HeadNumbers;
  readonly notes: NumberedNotes;
  /** Whether the printed book has a division in which notes are gathered. */
  readonly hasNotesDivision: boolean;
  /** Where notes are referred to, as far as that is known, and first words of the sentences of keyed ones. */
  readonly notePlaces: NotePlaces;
  readonly keyWords: (note: string) => string;
  readonly context: TypesetContext;
  /** Width of the narrowest column, in points. */
  readonly measure: number;
  readonly geometry: PageGeometry;
  readonly clock: StageClock;
  /** What there is for the figure beside text that is being composed. */
  readonly beside?: BesideRoom | undefined;
  /** Offsets at which pages of a held pull begin, by block; undefined: nothing is held. */
  readonly held?: HeldStarts | undefined;
}
