// What takes a finding away, as data: `core/typeset` turns it into edits of the book.
import type { BlockId, ParagraphTouches, StreamId, StyleTag } from '../copy/streams';

/** Where a folio run is said to begin. */
export type RunPlace = { readonly touch: string } | { readonly division: StreamId };

export type Repair =
  /** Wishes for the place of a paragraph, laid over those that it has. */
  | { readonly kind: 'wish'; readonly stream: StreamId; readonly block: BlockId; readonly touches: ParagraphTouches }
  /** An object of the text, such as an index mark or a reference; a note keeps its words. */
  | { readonly kind: 'dropObject'; readonly stream: StreamId; readonly block: BlockId; readonly at: number }
  /** A note with its words and its reference. */
  | { readonly kind: 'dropNote'; readonly note: StreamId }
  | { readonly kind: 'setNoteKind'; readonly note: StreamId; readonly to: string }
  | { readonly kind: 'dropPageTouch'; readonly touch: string }
  /** The first number of the folio run that a page touch or a division begins; null: it goes on from the run before. */
  | { readonly kind: 'setFolioStart'; readonly run: RunPlace; readonly start: number | null }
  /** The side of the page on which a division begins. */
  | { readonly kind: 'setDivisionSide'; readonly division: StreamId; readonly side: 'recto' | 'verso' }
  /** The dummy copy of a division. */
  | { readonly kind: 'dropDummyCopy'; readonly division: StreamId }
  /** The number that was typed in a head which has one by its scheme. */
  | { readonly kind: 'dropTypedNumber'; readonly block: BlockId }
  | { readonly kind: 'dropSpotRule'; readonly style: StyleTag; readonly pattern: string };
