// What takes a finding away, as data: `core/typeset` turns it into edits of the book.
import type { BlockId, ParagraphTouches, StreamId, StyleTag } from '../copy/streams';

export type Repair =
  /** Wishes for the place of a paragraph, laid over those that it has. */
  | { readonly kind: 'wish'; readonly stream: StreamId; readonly block: BlockId; readonly touches: ParagraphTouches }
  /** An object of the text, such as an index mark or a reference; a note keeps its words. */
  | { readonly kind: 'dropObject'; readonly stream: StreamId; readonly block: BlockId; readonly at: number }
  /** A note with its words and its reference. */
  | { readonly kind: 'dropNote'; readonly note: StreamId }
  | { readonly kind: 'setNoteKind'; readonly note: StreamId; readonly to: string }
  | { readonly kind: 'dropPageTouch'; readonly touch: string }
  | { readonly kind: 'dropSpotRule'; readonly style: StyleTag; readonly pattern: string };
