// Ties by rule as they are listed: two words that no line end may part, unless a person lifts the tie.

/** Lifted in the one paragraph, in the whole book, or not at all. */
export type TieState = 'tied' | 'here' | 'book';

export interface BookTie {
  readonly words: string;
  readonly count: number;
}

/** What became of a tie: `here` and `inBook` are those that are lifted. */
export function tieState(words: string, here: readonly string[], inBook: readonly string[]): TieState {
  return inBook.includes(words) ? 'book' : here.includes(words) ? 'here' : 'tied';
}
