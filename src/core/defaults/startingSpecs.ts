// The six starting specs (house rules, section 2): what a book can be set as before anything of it is changed. Each goes out from
// the novel's styles, so that a book keeps its tags when it is set as another.
import { plainFurniture, token, type PlainFurniture } from '../model/spec/furniture';
import { FOOTNOTE, NOTES } from '../model/spec/notes';
import { PAGE_DEFAULTS } from '../model/spec/pageSpec';
import type { Length, Unit } from '../model/spec/length';
import { NOVEL_SPEC } from './novelSpec';
import type { ParagraphStyle, Spec } from '../model/spec/spec';

export type StartingKey = 'novel' | 'largeType' | 'essays' | 'handbook' | 'verse' | 'workbook';

export interface StartingSpec {
  readonly key: StartingKey;
  readonly spec: Spec;
  /** What it is for, in a sentence. */
  readonly reason: string;
}

const pt = (value: number): Length => ({ pt: value, unit: 'pt' });
const inches = (value: number): Length => ({ pt: value * 72, unit: 'in' as Unit });
const mm = (value: number): Length => ({ pt: (value / 25.4) * 72, unit: 'mm' as Unit });

const ofBook = (plain: PlainFurniture) => ({ set: 'Book', sets: { Book: plainFurniture(plain) } });
/** The A head that a page ends in; the chapter where there is none. */
const A_HEAD = token('lastHead', { level: 2, orElse: 'chapterTitle' });

type StyleChanges = Readonly<Record<string, Partial<ParagraphStyle>>>;

/** Parts of the novel with others in their place; styles are laid over one by one. */
function changed(
  name: string,
  parts: {
    readonly [K in 'page' | 'text' | 'marks' | 'pages' | 'openers' | 'furniture' | 'folios' | 'notes']?: Partial<
      Spec[K]
    >;
  },
  styles: StyleChanges,
): Spec {
  const laid: Record<string, ParagraphStyle> = { ...NOVEL_SPEC.styles };
  for (const [tag, change] of Object.entries(styles)) laid[tag] = { ...laid[tag], ...change };
  return {
    ...NOVEL_SPEC,
    name,
    page: { ...NOVEL_SPEC.page, ...parts.page },
    text: { ...NOVEL_SPEC.text, ...parts.text },
    marks: { ...NOVEL_SPEC.marks, ...parts.marks },
    pages: { ...NOVEL_SPEC.pages, ...parts.pages },
    openers: { ...NOVEL_SPEC.openers, ...parts.openers },
    furniture: { ...NOVEL_SPEC.furniture, ...parts.furniture },
    folios: { ...NOVEL_SPEC.folios, ...parts.folios },
    notes: { ...NOVEL_SPEC.notes, ...parts.notes },
    styles: laid,
  };
}

/** The index stands in two columns; `gap`: the white between them, in points. */
const indexColumns = (gap: number) => ({ index: { columns: 2, columnGap: pt(gap) } });

const RAGGED_HYPHENS = { ...NOVEL_SPEC.text.hyphenation, before: 3, after: 3, running: 1 };
const NO_HYPHENS = { ...NOVEL_SPEC.text.hyphenation, on: false };
/** Small capitals of the novel's furniture and display pages as words of the text's own case. */
const PLAIN_CAPS = { caps: 'none', tracking: 0 } as const;

/** Four characters of mean width, in em: measure by characters a line is the same in both specs (house rules, section 2). */
const FOUR_CHARACTERS = 1.87;

const LARGE_TYPE = changed(
  'Large type',
  {
    page: {
      trim: { width: mm(156), height: mm(234) },
      margins: { head: pt(54), foot: pt(94.6), back: pt(63), foreEdge: pt(43.2) },
      ...PAGE_DEFAULTS,
    },
    text: {
      face: 'source-serif-4',
      size: pt(16),
      leading: pt(21),
      setting: 'ragged',
      lastLine: FOUR_CHARACTERS,
      indent: pt(24),
      hyphenation: NO_HYPHENS,
    },
    pages: { chapterEnd: 4, spreadLong: null, columnGap: pt(21), others: indexColumns(21) },
    openers: { sink: 3, textStart: 9 },
    furniture: ofBook({ verso: null, recto: null, folio: 'centre', dropFolio: true }),
  },
  {
    EXT: { size: 16, leftIndent: 24, rightIndent: 0 },
    VRS: { size: 16, leftIndent: 32, firstIndent: -32 },
    VN: { size: 13 },
    LI: { leftIndent: 24 },
    CAP: { size: 14, leading: 18 },
    CN: { size: 16, align: 'left', ...PLAIN_CAPS },
    CT: { size: 24, leading: 28, align: 'left', weight: 600 },
    PT: { size: 28, leading: 33 },
    CST: { size: 18, leading: 21, align: 'left' },
    AH: { size: 18, leading: 21, weight: 600, ...PLAIN_CAPS },
    BH: { size: 16 },
    NT: { size: 13, leading: 17 },
    HT: { size: 20, leading: 23.5, align: 'left' },
    BT: { size: 34, leading: 39.5, align: 'left' },
    BS: { size: 18, leading: 21, align: 'left' },
    BA: { size: 19, leading: 22.5, align: 'left' },
    BP: { size: 14, leading: 16.5, align: 'left', ...PLAIN_CAPS },
    DED: { align: 'left' },
    IMP: { size: 13, leading: 16, above: 0.5 },
    // Large, they stand out by their weight.
    TOP: { ...PLAIN_CAPS, weight: 600, rightIndent: 48 },
    TOC: { leftIndent: 24, firstIndent: -24, rightIndent: 48 },
    RH: { size: 14 },
    RHA: { size: 14, ...PLAIN_CAPS },
    FO: { size: 16, align: 'centre' },
  },
);

const ESSAYS = changed(
  'Essays',
  {
    page: {
      trim: { width: inches(5.25), height: inches(8) },
      margins: { head: pt(58), foot: pt(91.4), back: pt(55), foreEdge: pt(49) },
      ...PAGE_DEFAULTS,
    },
    text: { face: 'spectral', size: pt(10), leading: pt(14), indent: pt(14) },
    pages: { columnGap: pt(14), others: indexColumns(14) },
    openers: { sink: 4, textStart: 10, chaptersStart: 'recto' },
    furniture: ofBook({ verso: null, recto: token('chapterTitle'), folio: 'foreEdge', dropFolio: true }),
  },
  {
    EXT: { size: 9.25, leftIndent: 14, rightIndent: 0 },
    VRS: { size: 9.25, leftIndent: 22, firstIndent: -22 },
    VN: { size: 7.5 },
    LI: { leftIndent: 14 },
    CAP: { size: 8.5, leading: 11 },
    CN: { size: 10, align: 'left' },
    CT: { size: 18, leading: 21, align: 'left', italic: true },
    PT: { size: 21, leading: 24.5 },
    CST: { size: 12, leading: 14, align: 'left' },
    AH: { size: 10 },
    NT: { size: 8.25, leading: 11 },
    HT: { size: 13, leading: 15.5, align: 'left' },
    BT: { size: 26, leading: 30.5, align: 'left' },
    BS: { size: 12, leading: 14, align: 'left' },
    BA: { size: 13, leading: 15.5, align: 'left' },
    BP: { size: 9.5, align: 'left' },
    DED: { align: 'left' },
    IMP: { size: 8, leading: 11 },
    TOC: { leftIndent: 14, firstIndent: -14 },
    RH: { size: 9 },
    RHA: { size: 8.5 },
    FO: { size: 9.5 },
  },
);

const SANS = { face: 'source-sans-3', ...PLAIN_CAPS } as const;

const HANDBOOK = changed(
  'Handbook',
  {
    page: {
      trim: { width: inches(6), height: inches(9) },
      margins: { head: pt(60), foot: pt(95.3), back: pt(66), foreEdge: pt(60) },
      ...PAGE_DEFAULTS,
    },
    text: { face: 'source-serif-4', size: pt(10), leading: pt(13.5), indent: pt(13.5) },
    pages: { chapterEnd: 4, spreadShort: 4, spreadLong: 6, columnGap: pt(13.5), others: indexColumns(13.5) },
    openers: { sink: 3, textStart: 10, chaptersStart: 'recto' },
    furniture: ofBook({ verso: token('chapterTitle'), recto: A_HEAD, folio: 'head', dropFolio: true }),
  },
  {
    EXT: { size: 9.25, leading: 12, leftIndent: 13.5, rightIndent: 0 },
    VRS: { size: 9.25, leading: 12, leftIndent: 22, firstIndent: -22 },
    VN: { size: 7.5 },
    LI: { leftIndent: 13.5 },
    CAP: { ...SANS, size: 8.5, leading: 11 },
    CN: { ...SANS, size: 10, align: 'left' },
    CT: { ...SANS, size: 20, leading: 23.5, align: 'left', weight: 600 },
    PT: { size: 24, leading: 28 },
    CST: { size: 12, leading: 14, align: 'left' },
    AH: { ...SANS, size: 12.5, leading: 13.5, weight: 600 },
    BH: { ...SANS, size: 10.5, weight: 600, italic: false },
    NT: { size: 8.25, leading: 10.5 },
    HT: { size: 13, leading: 15.5, align: 'left' },
    BT: { ...SANS, size: 27, leading: 31.5, align: 'left', weight: 600 },
    BS: { ...SANS, size: 13, leading: 15.5, align: 'left', italic: false },
    BA: { ...SANS, size: 12.5, leading: 15, align: 'left' },
    BP: { ...SANS, size: 10, align: 'left' },
    DED: { align: 'left' },
    IMP: { size: 8, leading: 10.5 },
    TOP: { ...SANS, weight: 600 },
    TOC: { leftIndent: 13.5, firstIndent: -13.5 },
    RH: { ...SANS, size: 8.5, italic: false },
    RHA: { ...SANS, size: 8.5 },
    FO: { ...SANS, size: 9 },
  },
);

const VERSE = changed(
  'Verse',
  {
    page: {
      trim: { width: inches(5.5), height: inches(8.5) },
      margins: { head: pt(66), foot: pt(103.5), back: pt(66), foreEdge: pt(48) },
      ...PAGE_DEFAULTS,
    },
    text: { leading: pt(15), setting: 'ragged', lastLine: 0, indent: pt(0), hyphenation: NO_HYPHENS },
    pages: { chapterEnd: 2, footFree: true, elastic: false, columnGap: pt(15), others: indexColumns(15) },
    openers: { sink: 2, textStart: 6 },
    furniture: ofBook({ verso: null, recto: null, folio: 'foreEdge', dropFolio: true }),
  },
  {
    // Every paragraph is a line; what does not fit goes on beyond the deepest indent.
    TX: { meaning: 'verse', align: 'longest', leftIndent: 23, firstIndent: -23 },
    TXF: { firstIndent: -23 },
    EXT: { meaning: 'extract', align: 'text', leftIndent: 15, rightIndent: 15 },
    VRS: { size: 11.5, above: 0, below: 0 },
    SB: { meaning: 'break', leftIndent: 0 },
    LI: { meaning: 'listItem', align: 'left', leftIndent: 15 },
    CN: { size: 10.5, align: 'left', leftIndent: 0 },
    CT: { size: 13, leading: { grid: 1 }, align: 'left', caps: 'small', tracking: 40, leftIndent: 0 },
    PT: { size: 18, leading: 21 },
    AH: { leftIndent: 0 },
    BH: { leftIndent: 0 },
    ...Object.fromEntries(['TB', 'CAP', 'IMP', 'RH', 'VN', 'IXL'].map((tag) => [tag, { leftIndent: 0 }])),
    // Display pages stand at the edge of the titles.
    ...Object.fromEntries(
      ['HT', 'BT', 'BS', 'BA', 'BP', 'DED', 'CST'].map((tag) => [tag, { leftIndent: 0, align: 'left' }]),
    ),
    TOP: { leftIndent: 0 },
    TOC: { leftIndent: 15, firstIndent: -15 },
    NT: { size: 9, leading: 11.5, leftIndent: 0, align: 'left' },
  },
);

const WORKBOOK = changed(
  'Workbook',
  {
    page: {
      trim: { width: inches(8.5), height: inches(11) },
      margins: { head: pt(60), foot: pt(79.6), back: pt(72), foreEdge: pt(180) },
      ...PAGE_DEFAULTS,
    },
    text: {
      face: 'source-serif-4',
      size: pt(11),
      leading: pt(15),
      setting: 'ragged',
      lastLine: FOUR_CHARACTERS,
      indent: pt(0),
      hyphenation: RAGGED_HYPHENS,
    },
    pages: { chapterEnd: 3, footFree: true, columnGap: pt(18), others: indexColumns(18) },
    openers: { sink: 0, textStart: 6, chaptersStart: 'recto' },
    furniture: ofBook({ verso: token('chapterTitle'), recto: A_HEAD, folio: 'foreEdge', dropFolio: true }),
    // The column beside the text holds its notes.
    notes: { kinds: { ...NOTES.kinds, footnote: { ...FOOTNOTE, place: 'margin', style: 'NM' } }, columnGap: 18 },
  },
  {
    // Paragraphs are parted by half a line and not by an indent.
    TX: { below: 0.5 },
    TXF: { firstIndent: 0 },
    EXT: { size: 10.25, leftIndent: 18, rightIndent: 0 },
    VRS: { size: 10.25, leftIndent: 26, firstIndent: -26, below: 1 },
    VN: { size: 8.5, below: 0 },
    LI: { leftIndent: 18, below: 1 },
    TB: { below: 0 },
    CAP: { ...SANS, size: 9.5, leading: 12, below: 1 },
    CN: { ...SANS, size: 12, align: 'left', below: 0 },
    CT: { ...SANS, size: 26, leading: 30, align: 'left', weight: 600, below: 0 },
    PT: { size: 30, leading: 35 },
    CST: { size: 15, leading: 17.5, align: 'left', below: 0 },
    AH: { ...SANS, size: 15, leading: 15, weight: 600, below: 1 },
    BH: { ...SANS, size: 12, weight: 600, italic: false, below: 0 },
    NT: { size: 9, leading: 12, below: 0 },
    NM: { size: 9, leading: 12, below: 0 },
    HT: { ...SANS, size: 16, leading: 19, align: 'left', below: 0 },
    BT: { ...SANS, size: 34, leading: 39.5, align: 'left', weight: 600, below: 0 },
    BS: { ...SANS, size: 15, leading: 17.5, align: 'left', italic: false, below: 0 },
    BA: { ...SANS, size: 14, leading: 16.5, align: 'left', below: 0 },
    BP: { ...SANS, size: 11, align: 'left', below: 0 },
    IMP: { size: 9, leading: 12, below: 0 },
    DED: { align: 'left', below: 0 },
    TOP: { ...SANS, weight: 600, below: 0 },
    TOC: { leftIndent: 18, firstIndent: -18, below: 0 },
    RH: { ...SANS, size: 9.5, italic: false, below: 0 },
    RHA: { ...SANS, size: 9.5 },
    FO: { ...SANS, size: 10 },
  },
);

/** In the order in which they are offered. */
export const STARTING_SPECS: readonly StartingSpec[] = [
  {
    key: 'novel',
    spec: NOVEL_SPEC,
    reason: 'Long reading: an old face at a full measure, indents, level pages.',
  },
  {
    key: 'largeType',
    spec: LARGE_TYPE,
    reason: 'For readers who need large letters: sixteen points, ragged, no divided words, little furniture.',
  },
  {
    key: 'essays',
    spec: ESSAYS,
    reason: 'Shorter pieces with notes: a small page, each piece on a recto under its title.',
  },
  {
    key: 'handbook',
    spec: HANDBOOK,
    reason: 'Looked up as much as read: sans heads of several levels, the chapter named on every page.',
  },
  {
    key: 'verse',
    spec: VERSE,
    reason: 'Line for line: nothing is justified or divided, and turned-over lines stand clear.',
  },
  {
    key: 'workbook',
    spec: WORKBOOK,
    reason: 'Written into: a large page with a wide outer margin, paragraphs parted by space.',
  },
];

/**
 * The spec that a book has when it is set as a starting spec: styles that only the book knows stay, and so do its own divisions
 * of words, its lifted ties, its inks, its guides, the unit of its lengths, its numbering, notes, contents and index.
 */
export function specSetAs(own: Spec, starting: Spec): Spec {
  const { hyphenation } = starting.text;
  const { unit, dpi, guides } = own.page;
  return {
    ...starting,
    page: { ...starting.page, unit, dpi, guides },
    text: {
      ...starting.text,
      hyphenation: { ...hyphenation, exceptions: own.text.hyphenation.exceptions },
      liftedTies: own.text.liftedTies,
    },
    marks: own.marks,
    inks: own.inks,
    // What is numbered, noted, listed and indexed is of the book, and no part of its look.
    numbering: own.numbering,
    // Kinds of notes that nobody changed go along.
    notes: isUntouched(own.notes) ? starting.notes : own.notes,
    contents: own.contents,
    index: own.index,
    furniture: { ...starting.furniture, sets: { ...own.furniture.sets, ...starting.furniture.sets } },
    styles: withOwnNumbers({ ...own.styles, ...starting.styles }, own.styles),
    characterStyles: { ...own.characterStyles, ...starting.characterStyles },
  };
}

/** Whether the notes are those of a starting spec. */
const isUntouched = (notes: Spec['notes']) =>
  STARTING_SPECS.some(({ spec }) => JSON.stringify(spec.notes) === JSON.stringify(notes));

/** Styles with the numbering that those of the book had. */
function withOwnNumbers(styles: Spec['styles'], own: Spec['styles']): Spec['styles'] {
  const numbered = Object.entries(own).filter(([tag, { number }]) => number != null && styles[tag] !== undefined);
  return { ...styles, ...Object.fromEntries(numbered.map(([tag, { number }]) => [tag, { ...styles[tag], number }])) };
}
