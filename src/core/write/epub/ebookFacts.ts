// What an ebook is told of the composed book: how its styles look, where its pages begin, what its index and its lists name.
import type { IndexLocators } from '../../model/composed/referenceTable';
import type { ResolvedStyle } from '../../model/composed/styled';
import type { BlockId, StyleTag } from '../../model/copy/streams';

/** A place of the copy: a block, and the offset in its text. */
export interface CopyPlace {
  readonly block: BlockId;
  readonly at: number;
}

/** Where a page of the printed book begins. */
export interface PageStart extends CopyPlace {
  readonly folio: string;
}

/** An entry of the index, with the place of the mark that each of its ranges begins with. */
export interface EbookIndexEntry extends Pick<IndexLocators, 'term' | 'sub' | 'folios' | 'see' | 'seeAlso'> {
  /** As long as `folios`. */
  readonly places: readonly (CopyPlace | null)[];
}

/** A figure or table that a list of them names. */
export interface ListedCaption {
  readonly kind: 'figure' | 'table';
  readonly block: BlockId;
  readonly text: string;
}

/** The file of a face cut down to the characters of the book. */
export interface EbookFace {
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
  readonly bytes: Uint8Array;
}

export interface EbookFacts {
  readonly styles: ReadonlyMap<StyleTag, ResolvedStyle>;
  readonly pages: readonly PageStart[];
  readonly index: readonly EbookIndexEntry[];
  readonly captions: readonly ListedCaption[];
  /** Draws a cover (PNG) for a book without a picture for it; null: none is wished. */
  readonly drawnCover: ((isGrey: boolean) => Uint8Array) | null;
  /** Of a dressed book. */
  readonly faces: readonly EbookFace[];
}

/** Of a book that is not composed: no page list, the device's own look. */
export const NO_FACTS: EbookFacts = {
  styles: new Map(),
  pages: [],
  index: [],
  captions: [],
  drawnCover: null,
  faces: [],
};
