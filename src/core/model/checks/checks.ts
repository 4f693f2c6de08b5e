// The checks of the proof reader: what each is called, what it looks at, and how grave what it finds is. `core/typeset/findings` has a
// runner for each; findings are told in the order of this table.

export type FindingGrade = 'must' | 'should' | 'look';

/**
 * What a check is given: a paragraph as it was set; a page with its lines; what the page search had to give on a page of a division; the
 * composed book as a whole; what a device, a press or a shop says of a file that left.
 */
export type CheckScope = 'paragraph' | 'page' | 'search' | 'book' | 'outside';

export interface Check {
  /** Names what was found, many of them. */
  readonly name: string;
  readonly scope: CheckScope;
  readonly grade: FindingGrade;
}

const check = <S extends CheckScope>(scope: S, grade: FindingGrade, name: string) => ({ scope, grade, name }) as const;

export const CHECKS = {
  'missing-character': check('paragraph', 'must', 'Characters without a face'),
  'overfull-line': check('paragraph', 'must', 'Lines wider than their measure'),
  'loose-line': check('paragraph', 'should', 'Loose lines'),
  'short-line': check('paragraph', 'should', 'Lines left short'),
  'unpaired-quote': check('paragraph', 'look', 'Unpaired quote'),
  'picture-missing': check('paragraph', 'must', 'Pictures without a file'),
  'picture-not-printed': check('paragraph', 'must', 'Pictures that cannot print'),
  'picture-coarse': check('paragraph', 'look', 'Coarse pictures'),
  'picture-oversized': check('paragraph', 'look', 'Pictures finer than print needs'),
  'picture-without-bleed': check('paragraph', 'should', 'Pictures at the trim without bleed'),
  'picture-without-words': check('paragraph', 'look', 'No alternative text'),
  unweighed: check('paragraph', 'look', 'Not all settings weighed'),
  'off-page': check('page', 'must', 'Text over the page’s edge'),
  ladder: check('page', 'look', 'Ladders'),
  'stacked-words': check('page', 'look', 'Stacked words'),
  'short-last-line': check('page', 'look', 'Short last lines'),
  'marks-running': check('page', 'look', 'Stops at line ends'),
  river: check('page', 'look', 'Rivers'),
  orphan: check('search', 'must', 'Orphans'),
  widow: check('search', 'must', 'Widows'),
  'stranded-head': check('search', 'must', 'Stranded heads'),
  'break-at-page-top': check('search', 'should', 'Scene break at a page top'),
  parted: check('search', 'should', 'Kept lines separated'),
  'head-low': check('search', 'look', 'Head low on its page'),
  'line-by-break': check('search', 'look', 'Line beside a scene break'),
  'pages-unweighed': check('search', 'look', 'Not all page ends weighed'),
  'uneven-pages': check('search', 'should', 'Uneven pages'),
  'spread-depth': check('search', 'look', 'Spread short or long'),
  'line-count': check('search', 'look', 'Paragraph shorter or longer'),
  'space-given': check('search', 'look', 'Space varied'),
  'hyphen-over-recto': check('search', 'must', 'Word divided at a recto foot'),
  'short-last-page': check('search', 'should', 'Short last page'),
  'picture-over': check('search', 'look', 'Pictures and tables moved to the next page'),
  'figure-late': check('search', 'look', 'Figures pages after their reference'),
  'note-divided': check('search', 'look', 'Notes over two pages'),
  'note-late': check('search', 'must', 'Notes after their page'),
  'display-page-overflow': check('search', 'should', 'Display pages that run over'),
  'title-below-text-start': check('search', 'should', 'Titles deeper than the text start'),
  'leading-replaced': check('book', 'should', 'Leading replaced'),
  'face-missing': check('book', 'must', 'Face missing'),
  'small-capitals-scaled': check('book', 'look', 'Small capitals scaled'),
  'head-too-long': check('book', 'should', 'Running heads too long'),
  'title-empty': check('book', 'should', 'Divisions without a title'),
  'title-very-long': check('book', 'look', 'Very long titles'),
  'dummy-copy': check('book', 'must', 'Dummy copy'),
  'number-typed': check('book', 'should', 'Numbers typed beside the scheme’s'),
  'contents-empty': check('book', 'should', 'Lists with nothing in them'),
  'table-narrow': check('book', 'should', 'Tables too narrow for their words'),
  'table-as-text': check('book', 'must', 'Tables set as text'),
  'touch-lost': check('book', 'look', 'Page touches without their words'),
  'target-gone': check('book', 'must', 'Cross-references to nothing'),
  'index-mark': check('book', 'should', 'Index marks without a term'),
  'spot-rule': check('book', 'should', 'Spot rules that cannot be run'),
  'note-empty': check('book', 'must', 'Notes without words'),
  'note-without-reference': check('book', 'must', 'Notes without a reference'),
  'note-kind-gone': check('book', 'should', 'Notes of a kind that is gone'),
  'notes-nowhere': check('book', 'should', 'Notes without their division'),
  'notes-alike': check('book', 'should', 'Kinds of notes that look alike'),
  'folio-parity': check('book', 'should', 'Folios on the wrong side'),
  'folio-twice': check('book', 'should', 'Folios used twice'),
  'folio-gap': check('book', 'look', 'Folios missing'),
  unsettled: check('book', 'must', 'Page numbers that did not settle'),
  'text-area-too-small': check('book', 'must', 'Type area too small'),
  'outside-remark': check('outside', 'should', 'Remarks on files that left'),
} as const satisfies Readonly<Record<string, Check>>;

export type FindingKind = keyof typeof CHECKS;
