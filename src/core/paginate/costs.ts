// What may give on a page, and what each costs, in the order of the house rules, section 4: each step is dearer than a
// few of the step before, so that the cheap ones are used up first. The last group is never taken while any other way
// exists.

export const COST = {
  /** Half a line, or a line, taken from or added to an elastic space. */
  ELASTIC: 4,
  /** A paragraph a line shorter or longer, before what its lines cost more. */
  SHORTER: 8,
  LONGER: 14,
  /** Per unit that the spec puts on a short or long spread (1 and 3 in the novel). */
  SPREAD: 30,
  /** A head with other white above it than the head before it on the spread, or that gives above and not below. */
  UNLIKE_HEADS: 1500,
  /** A chapter end of 3 lines, and each line fewer. */
  STUB_LINE: 120,
  STUB: 2500,
  /** Facing pages off by one line; by more, the square. Off by less, such as the half line of an extract. */
  UNEVEN: 1000,
  UNEVEN_PART: 150,
  ORPHAN: 4000,
  /** A widow of at least two thirds of the measure. */
  WIDOW: 9000,

  SHORT_WIDOW: 60_000,
  OPPOSITE_SPREADS: 30_000,
  RECTO_HYPHEN: 40_000,
  /** A space break at a page top, where nobody can see it. */
  BREAK_AT_TOP: 20_000,
  /** Text that stands below the foot line, where nothing else is possible. */
  TOO_DEEP: 1e6,
  /** What a person wished: binds before nearly everything. */
  WISH: 1e7,
  /** A head that ends a page: the page is left short instead, whatever that costs. */
  STRANDED_HEAD: 1e9,
  /** A page that ends beside a figure, which reaches below it then. */
  BY_FIGURE: 1e9,

  /** Two lines after a head at a page foot instead of three. */
  TWO_AFTER_HEAD: 300,
  /** One line between a page's edge and a space break. */
  LINE_BY_BREAK: 500,
  /** What stands together is parted: a short stanza, a paragraph kept whole, a lead-in and its list. */
  PARTED: 6000,
  VERSO_HYPHEN: 12,
  COLUMN_HYPHEN: 8,
  /** A page top that is a line under half measure; a page foot that is a one-line paragraph ending in a colon. */
  SHORT_TOP: 10,
  COLON_FOOT: 25,
  /** A note that goes on over the page, and each line of it. */
  SPLIT_NOTE: 40,
  OWED_LINE: 4,
  /** A note that cannot even begin on the page of its reference, where any other way is left. */
  LATE_NOTE: 100_000,
  /** White between text and notes, per line squared beyond the first. */
  NOTE_WHITE: 12,
  /** White before what is deep and cannot be divided, such as a picture, per line. */
  WHITE_BEFORE_TALL: 60,
  /** The same before rows of a table, which could be parted elsewhere: so much more per line squared. */
  WHITE_BEFORE_ROWS: 20,
  /** A picture that goes over to a later region. */
  PASSED: 40,
  /** A table that goes on on another page, inside a group of rows and between two. */
  TABLE_ROW: 120,
  TABLE_GROUP: 60,
  /** A float a region later than its reference. */
  FLOAT_LATE: 60,
  /** A blank recto before a picture over two pages. */
  BLANK_PAGE: 3000,
  /** A page start that is not the held one. */
  MOVED_START: 200,
  /** Columns of a last page that could not be made level, and each line by which they differ. */
  UNBALANCED: 400,
  BALANCE_LINE: 20,
  PAGE: 1,
} as const;

/** What white before an item costs that cannot be divided; null before any other. */
export function whiteBefore(
  { isTall, source }: { readonly isTall: boolean; readonly source: { readonly rows?: unknown } },
  white: number,
): number | null {
  if (source.rows !== undefined) return COST.WHITE_BEFORE_TALL * white + COST.WHITE_BEFORE_ROWS * white * white;
  return isTall ? COST.WHITE_BEFORE_TALL * white : null;
}
