// Where words of a composed page lead. A target is named, not placed: on which page it stands is known when all pages are.
import type { BlockId, StreamId } from '../copy/streams';

export type LinkTarget =
  | { readonly kind: 'address'; readonly address: string }
  /** A paragraph, or a division by its id. */
  | { readonly kind: 'place'; readonly id: BlockId | StreamId }
  /** A paragraph by one of its names. */
  | { readonly kind: 'name'; readonly name: string }
  /** What a cross-reference goes to. */
  | { readonly kind: 'reference'; readonly target: BlockId }
  | { readonly kind: 'note'; readonly note: StreamId }
  /** From a note back to where it is referred to. */
  | { readonly kind: 'noteReference'; readonly note: StreamId }
  /** One of the locators of an index entry, from 0. */
  | { readonly kind: 'locator'; readonly term: string; readonly sub: string; readonly at: number };

/** A stretch of a text that leads somewhere, in UTF-16 offsets; which text, whoever has the link says. */
export interface TextLink {
  readonly from: number;
  readonly to: number;
  readonly target: LinkTarget;
}

/** A link on the whole of a text, however long. */
export const wholeLink = (target: LinkTarget): TextLink => ({ from: 0, to: Infinity, target });
