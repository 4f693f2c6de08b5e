// What a reader of files gives: the text as it came, before it is a book. Styles are the file's own names.
import type { Block, StreamId } from './streams';

export interface IncomingMetadata {
  readonly title?: string;
  readonly author?: string;
  readonly language?: string;
}

/** What a reader left out or changed, in words for the person, with how often. */
export interface ImportRemark {
  readonly what: string;
  readonly count: number;
}

/** A manuscript: one stream of blocks, its notes, and what the reader has to say. Style tags are ours already. */
export interface Manuscript {
  readonly metadata: IncomingMetadata;
  readonly blocks: readonly Block[];
  readonly notes: Readonly<Record<StreamId, readonly Block[]>>;
  /** The next number for an id. */
  readonly nextId: number;
  readonly remarks: readonly ImportRemark[];
}
