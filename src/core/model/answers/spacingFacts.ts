// How a book's lines and pages stand to the rules that made them: what the gauge of spaces shows, and how often each rule decided.
import type { WordSpace } from '../spec/spec';

/** Word spaces in steps of this many em. */
export const SPACE_STEP = 0.01;

export interface SpacingFacts {
  /** Full lines by their mean word space: of `SPACE_STEP` em from 0 on, the last for all wider. */
  readonly histogram: readonly number[];
  readonly lines: number;
  /** Em. */
  readonly mean: number;
  /** Limits of the text, as they count now. */
  readonly limits: WordSpace;
  readonly looseOver: number;
  readonly looseLines: number;
  /** Lines that end in a divided word; pairs of them running. */
  readonly hyphenated: number;
  readonly hyphenPairs: number;
  /** Ragged lines but the last of their paragraphs, and those among them under 70 % of the measure. */
  readonly ragged: number;
  readonly shortRagged: number;
  readonly ties: number;
  /** Marks that are set otherwise than typed. */
  readonly marks: number;
  /** Paragraphs set a line shorter, and longer, than their best. */
  readonly shorter: number;
  readonly longer: number;
  /** Spreads a line short, and long. */
  readonly shortSpreads: number;
  readonly longSpreads: number;
  /** Paragraphs that go over a page end. */
  readonly divided: number;
  /** Chapters whose last page has no more lines than the least and two. */
  readonly nearChapterEnds: number;
}
