// What a Tidy job is: it looks at one stream, says what it would change and where, and changes it.
import type { Block, StreamId, StyleTag } from '../model/copy/streams';
import type { JobKind, TidyPlace } from '../model/answers/tidy';

export type { JobKind, TidyPlace };

/** The order in which jobs are run: each finds what the ones before it left. */
export const TIDY_STAGES = [
  'lineEnds',
  'characters',
  'spaces',
  'paragraphs',
  'breaks',
  'quotes',
  'dashes',
  'styles',
  'notes',
] as const;
export type TidyStage = (typeof TIDY_STAGES)[number];

export interface TidyContext {
  /** BCP 47 tag of the copy. */
  readonly language: string;
  /** Hands out ids for paragraphs that are made. */
  readonly takeId: () => string;
  /** Whether a paragraph style is italic; absent where no styles are known yet. */
  readonly isItalic?: (style: StyleTag) => boolean;
  /** Whether a place is to be changed. */
  readonly accepts: (place: TidyPlace) => boolean;
}

export interface TidyResult {
  /** The same list when nothing changed; untouched blocks are the same objects. */
  readonly blocks: readonly Block[];
  /** What was changed, or would be. */
  readonly places: readonly TidyPlace[];
}

export interface TidyJob {
  readonly id: string;
  readonly name: string;
  readonly kind: JobKind;
  readonly stage: TidyStage;
  readonly run: (blocks: readonly Block[], context: TidyContext) => TidyResult;
  /** Of a job that looks at the whole copy at once; `run` does nothing then. */
  readonly runAll?: (streams: ReadonlyMap<StreamId, readonly Block[]>, context: TidyAllContext) => TidyAllResult;
}

export interface TidyAllContext extends TidyContext {
  /** The streams of the text, without cells and notes, in the order of reading. */
  readonly texts: readonly StreamId[];
  /** Hands out ids for notes that are made. */
  readonly takeNote: () => StreamId;
}

export interface TidyAllResult {
  /** The streams that changed. */
  readonly streams: ReadonlyMap<StreamId, readonly Block[]>;
  /** Notes that were made of paragraphs of the text. */
  readonly notes: ReadonlyMap<StreamId, readonly Block[]>;
  readonly places: readonly (TidyPlace & { readonly stream: StreamId })[];
}
