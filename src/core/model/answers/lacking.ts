// Characters that the face of their paragraph lacks.
import type { BlockId, StreamId } from '../copy/streams';

export interface LackingPlace {
  readonly stream: StreamId;
  readonly block: BlockId;
  /** In the paragraph's own text, in UTF-16 units. */
  readonly offset: number;
  readonly length: number;
  readonly before: string;
  readonly after: string;
}

export interface LackingCharacter {
  readonly character: string;
  readonly code: number;
  readonly places: readonly LackingPlace[];
  /** Names of the families that lack it. */
  readonly lackedBy: readonly string[];
  /** Families that have it; none: it would print as an empty box. */
  readonly families: readonly { readonly family: string; readonly name: string }[];
}
