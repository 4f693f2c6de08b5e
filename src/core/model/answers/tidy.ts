// What is told of Tidy jobs: which there are for a copy, and where they would act.
import type { StreamId } from '../copy/streams';

/** `safe`: taken together without looking; `look`: one by one, with before and after; `tell`: nothing is changed. */
export type JobKind = 'safe' | 'look' | 'tell';

/** One change: where, and what stands there before and after. */
export interface TidyPlace {
  readonly block: string;
  /** Offset in the paragraph as it was. */
  readonly at: number;
  readonly was: string;
  readonly is: string;
  /** What is to be known of it, of a place that is only told. */
  readonly why?: string;
  /** The stretch of the paragraph's text that becomes `text`; absent for what is done to the paragraph as a whole. */
  readonly range?: { readonly from: number; readonly to: number; readonly text: string };
}

export interface TidyChange extends TidyPlace {
  readonly job: string;
  readonly stream: StreamId;
}

export interface TidyCount {
  readonly id: string;
  readonly name: string;
  readonly kind: JobKind;
  readonly count: number;
}

/** A job that a copy needs, with the first of its places. */
export interface TidyOffer extends TidyCount {
  readonly places: readonly TidyChange[];
}
