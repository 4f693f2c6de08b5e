// How much of the page search is left out.

/** How much of the search is left out because it hardly ever pays. */
export interface SearchLimits {
  /** States dearer than the best before the same paragraph by more than this are given up. */
  readonly beam: number;
  /** The same where the paragraph is entered from more states than `many`: the ways to go on are then known well enough. */
  readonly narrow: number;
  readonly many: number;
  /** Grid lines that a region may stay short where nothing forces it to. */
  readonly white: number;
  /**
   * Ends of regions looked at inside one paragraph, and so many more for each of its lines; beyond it only the cheapest `few`
   * states go on. Counted by paragraph and not together, so that a search after an edit comes to what one from the start does.
   */
  readonly work: { readonly base: number; readonly perLine: number };
  readonly few: number;
}

/**
 * Facing pages off by a line are within the beam, what is graver is not: wider beams were tried and came to the same
 * figures of quality. With thirty ways to stand in the text there is a cheap way on from most. Of five seeded texts one came
 * out 3.5 % dearer with a narrow beam of 150 than with 250, the others alike; of the letters typed into a division of a
 * hundred thousand words one in twenty had 400 paragraphs looked at again with 250, 200 with 150.
 */
export const LIMITS: SearchLimits = {
  beam: 1500,
  narrow: 150,
  many: 30,
  white: 2,
  // The demonstration books and the seeded ones need at most some hundred; a spec of large type in narrow pages, with notes in
  // columns under paragraphs of hundreds of lines, took four millions and half a minute.
  work: { base: 20_000, perLine: 40 },
  few: 12,
};

/**
 * Costs nearer to each other than this are one: sums of the same prices differ in their last digits by the order in which they
 * were added up, which an edit far before them changes. A way exactly as dear as a beam is wide goes on in every search.
 */
export const TIE = 1e-6;

/** So many pages of text, as it is best set, could never be set as one. */
export const LAST_PAGES = 2;

/** Nothing left out: what the tests compare with brute force. No book is composed with it. */
export const EXACT: SearchLimits = {
  beam: Infinity,
  narrow: Infinity,
  many: Infinity,
  white: Infinity,
  work: { base: Infinity, perLine: 0 },
  few: Infinity,
};

/** The `few` states that cost least, the earlier ones first among equals; all of them where there are no more. */
export const cheapest = (states: readonly number[], cost: ArrayLike<number>, few: number): readonly number[] =>
  states.length <= few ? states : [...states].sort((a, b) => cost[a] - cost[b] || a - b).slice(0, few);
