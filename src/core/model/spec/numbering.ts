// How things are counted: folios, heads, lists.
import type { StyleTag } from '../copy/streams';

/** Signs of a number: 1; i; I; a; A; one; none at all. */
export const NUMERALS = ['arabic', 'roman', 'Roman', 'letters', 'Letters', 'words', 'none'] as const;
export type Numerals = (typeof NUMERALS)[number];

/** A stretch of pages numbered together. */
export interface FolioRun {
  /** `none`: the pages are counted and have no folio. */
  readonly numerals: Numerals;
  /** The first number; null: it goes on from the page before. */
  readonly start: number | null;
  /** Put before each folio, such as `A-`. */
  readonly prefix: string;
  /** Counted and not shown. */
  readonly hidden: boolean;
}

/** The largest number at which a run may start: four figures fit a folio's place. */
export const MOST_FOLIO = 9999;

/** How the heads of a style are numbered. */
export interface NumberScheme {
  readonly numerals: Numerals;
  /** Set before and after the number, such as `Chapter ` or a point. */
  readonly before: string;
  readonly after: string;
  /** Whether the numbers of the heads above go before it: 1.1.1. */
  readonly whole: boolean;
  /** Run in before the words, hanging at their left, or on a line of its own above. */
  readonly place: 'runIn' | 'hanging' | 'ownLine';
  /** Em between number and words; the width of the hang. */
  readonly gap: number;
  /** Character style of the number; null: as the words. Of a line of its own: its paragraph style. */
  readonly style: StyleTag | null;
  /** Whether it begins again under each head above, under each part alone, or never. */
  readonly restart: 'above' | 'part' | 'never';
}

/** A figure before the words, counted under each head above. */
export const PLAIN_SCHEME: NumberScheme = {
  numerals: 'arabic',
  before: '',
  after: '',
  whole: false,
  place: 'runIn',
  gap: 1,
  style: null,
  restart: 'above',
};

export interface NumberingSpec {
  /** How an appendix is numbered where chapters are: the numerals, and the word before. */
  readonly appendix: { readonly numerals: Numerals; readonly before: string };
  /** Marks of lists by level, from the first; deeper ones begin again. */
  readonly ordered: readonly Numerals[];
  readonly bullets: readonly string[];
}

export const NUMBERING: NumberingSpec = {
  appendix: { numerals: 'Letters', before: 'Appendix ' },
  ordered: ['arabic', 'letters', 'roman'],
  bullets: ['•', '–'],
};
