// How well a book is composed, in figures: what `npm run quality` prints and a later screen shows.

/** Shares are percent from 0 to 100; lengths in em of the size unless said. */
export interface QualityFigures {
  readonly pages: number;
  readonly lines: number;
  /** Full justified lines of text, their last lines left out, and the word space on them. */
  readonly fullLines: number;
  readonly spaceMean: number;
  readonly spaceDeviation: number;
  readonly spaceWidest: number;
  /** Mean word space less the wish, in percent of the wish. */
  readonly spaceOffWish: number;
  /** Lines over one and a half times, and under three quarters of, the face's own space. */
  /** Lines left short are among them, by the spaces that would have filled them. */
  readonly looseLines: number;
  readonly looseShare: number;
  readonly shortLines: number;
  readonly tightLines: number;
  /** Lines that end in a divided word; runs of three or more of them. */
  readonly hyphenatedLines: number;
  readonly hyphenatedShare: number;
  readonly ladders: number;
  /** Words divided over the end of a recto. */
  readonly hyphensOverRectos: number;
  readonly widows: number;
  readonly orphans: number;
  readonly strandedHeads: number;
  /** Spreads of two full pages, and how many of them end level. */
  readonly spreads: number;
  readonly levelSpreads: number;
  readonly levelShare: number;
  /** Baselines of text on the grid. */
  readonly onGridShare: number;
  /** Last lines narrower than the style allows. */
  readonly shortLastLines: number;
  /** The same word at three line starts or ends running. */
  readonly stacks: number;
  /** White running down through four lines or more. */
  readonly rivers: number;
  readonly overfullLines: number;
  /** More than three lines running that end in a hyphen, dash or stop. */
  readonly markRuns: number;
}
