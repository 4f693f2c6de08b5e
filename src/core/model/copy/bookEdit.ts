// The edits of a book: a closed union, each carrying what it removes, so that its inverse needs no book. They are the
// only way to change a book; undo, autosave and the worker's replica all live on them.
import type { Anchor, AnchorId } from './anchors';
import type { Division, Note, Particulars, Source } from './book';
import type { Figure } from './figures';
import type { PageTouch } from './pageTouches';
import type { ParagraphStyle } from '../spec/spec';
import type { Block, BlockId, FigureId, StreamId, StyleTag } from './streams';

/** A plain value at a path of the spec or the particulars. */
export type Plain = string | number | boolean | null | readonly Plain[] | { readonly [key: string]: Plain };

export type BookEdit =
  | {
      readonly kind: 'replaceBlocks';
      readonly stream: StreamId;
      readonly at: number;
      readonly removed: readonly Block[];
      readonly inserted: readonly Block[];
    }
  | { readonly kind: 'setSpec'; readonly path: readonly string[]; readonly from: Plain; readonly to: Plain }
  | {
      readonly kind: 'setParticulars';
      readonly key: keyof Particulars;
      readonly from: Plain;
      readonly to: Plain;
    }
  | {
      readonly kind: 'setStyle';
      readonly tag: StyleTag;
      readonly from: ParagraphStyle | null;
      readonly to: ParagraphStyle | null;
    }
  | { readonly kind: 'moveDivision'; readonly from: number; readonly to: number }
  | { readonly kind: 'insertDivision'; readonly at: number; readonly division: Division }
  | { readonly kind: 'removeDivision'; readonly at: number; readonly division: Division }
  | {
      readonly kind: 'setDivision';
      readonly id: StreamId;
      readonly from: DivisionFacts;
      readonly to: DivisionFacts;
    }
  | { readonly kind: 'setNote'; readonly id: StreamId; readonly from: Note | null; readonly to: Note | null }
  | {
      readonly kind: 'setFigure';
      readonly id: FigureId;
      readonly from: Figure | null;
      readonly to: Figure | null;
    }
  | {
      readonly kind: 'setAnchor';
      readonly id: AnchorId;
      readonly from: Anchor | null;
      readonly to: Anchor | null;
    }
  | {
      readonly kind: 'setPageTouches';
      readonly from: readonly PageTouch[];
      readonly to: readonly PageTouch[];
    }
  | { readonly kind: 'setSource'; readonly from: Source; readonly to: Source }
  | { readonly kind: 'setNextId'; readonly from: number; readonly to: number };

/** Everything of a division but its id and text. */
export type DivisionFacts = Omit<Division, 'id' | 'blocks'>;

/** What was selected in a stream: from the anchor to the head, where the caret is. */
export interface TextSelection {
  readonly stream: StreamId;
  readonly anchor: { readonly block: BlockId; readonly offset: number };
  readonly head: { readonly block: BlockId; readonly offset: number };
}

/** One entry of the history: what a person did, under a name that they would use. */
export interface HistoryEntry {
  readonly name: string;
  readonly edits: readonly BookEdit[];
  /** Milliseconds since 1970, given by whoever made the edit. */
  readonly time: number;
  /** Entries with the same key that follow closely are joined into one: typing. */
  readonly joinKey?: string;
  /** What was selected before and after; absent for what is not done in the text. */
  readonly selection?: { readonly before: TextSelection; readonly after: TextSelection };
}
