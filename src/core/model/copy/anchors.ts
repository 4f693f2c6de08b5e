// What is tied to words of the copy: page touches, findings set aside, corrections, queries, figures and boxes. Anchors are kept in
// the book, and every edit takes them with the words.
import type { BlockId, StreamId } from './streams';

/** `a` and a number. */
export type AnchorId = string;

/** A stretch of one block, or a place in it. */
export interface Anchor {
  readonly stream: StreamId;
  readonly block: BlockId;
  /** UTF-16 offsets into the text of the block; `to` is the first that is not of the stretch. Equal: the place before a letter. */
  readonly from: number;
  readonly to: number;
  /** The stretch as it was when the anchor was made, its beginning when it is long; of a place, what followed it. Empty: not known. */
  readonly words: string;
  /**
   * Fingerprint of the block's text when the words went; the place is then the last that they had, and is theirs again when the
   * text is. Absent while the words, or what became of them by edits inside, stand.
   */
  readonly lost?: string;
}

export type Anchors = Readonly<Record<AnchorId, Anchor>>;
