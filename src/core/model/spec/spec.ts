// The spec: everything that decides how the book looks. Every key of it is described in docs/formats.md, with unit,
// range and default, and a test holds that file against the schema.
import type { Length, Pt } from './length';
import type { ContentsSpec } from './contents';
import type { FurnitureSpec } from './furniture';
import type { IndexSpec } from './indexSpec';
import type { NotesSpec } from './notes';
import type { NumberingSpec, NumberScheme } from './numbering';
import type { InksSpec, InkUse } from './inks';
import type { TablesSpec } from './tableStyle';
import type { Margins, PageSpec, Trim } from './pageSpec';
import type { FallbackFaces } from './scripts';
import type { StyleTag } from '../copy/streams';

export type { FurnitureSpec, Margins, PageSpec, Trim };

export interface HyphenationSpec {
  readonly on: boolean;
  /** Letters of the shortest word that may be divided, and least letters before and after the hyphen. */
  readonly smallestWord: number;
  readonly before: number;
  readonly after: number;
  /** Most hyphens at the ends of lines that follow each other. */
  readonly running: number;
  /** Whether words with a capital are divided at a price, or never. */
  readonly capitals: 'dear' | 'never';
  /** The book's own divisions, such as `ta-ble`; a word without a hyphen is never divided. */
  readonly exceptions: readonly string[];
}

export interface WordSpace {
  /** In em of the face's size. */
  readonly least: number;
  readonly wished: number;
  readonly most: number;
}

export interface TextSpec {
  /** Family key of the body face; styles without a face of their own use it. */
  readonly face: string;
  readonly size: Length;
  /** Distance of baselines, and the step of the grid. */
  readonly leading: Length;
  readonly setting: 'justified' | 'ragged';
  readonly indent: Length;
  /** Null: the limits held for the face, with letters that may give or without. */
  readonly wordSpace: WordSpace | null;
  readonly hyphenation: HyphenationSpec;
  /** Least width of a paragraph's last line, in em. */
  readonly lastLine: number;
  /** Depth of the rag, in em: a ragged line so much shorter than its measure costs what a justified one does at its limit. */
  readonly rag: number;
  /** How much narrower or wider the letters of a justified line may be set, in percent; neighbours differ by at most 2. */
  readonly letterWidth: number;
  /** How far stops, hyphens, quotes and some letters hang into the margin: percent of our table's values. */
  readonly hangingPunctuation: number;
  /** How far the letters of a justified line may stand closer or farther apart, in thousandths of an em; 0: not at all. */
  readonly letterPlay: number;
  /** Whether words are tied by rule: initials and name, figure and unit, day and month. */
  readonly ties: boolean;
  /** Ties that the book does without, such as `Mrs Vane`. */
  readonly liftedTies: readonly string[];
  /** Families for characters that the wished face lacks, by script; those without one are looked for in the faces that ship. */
  readonly fallbacks: FallbackFaces;
}

/** What pages keep, and what may give (house rules, section 4). */
export interface PagesSpec {
  /** Least lines of a paragraph at the foot and at the head of a page. */
  readonly linesAtFoot: number;
  readonly linesAtHead: number;
  /** Least lines of a chapter's last page. */
  readonly chapterEnd: number;
  /** Price of a spread one line short, and one line long, in units; null: never. */
  readonly spreadShort: number | null;
  readonly spreadLong: number | null;
  /** Whether paragraphs may run a line shorter or longer, and spaces give, to make good pages. */
  readonly elastic: boolean;
  /** Pages need not end level. */
  readonly footFree: boolean;
  readonly columns: number;
  readonly columnGap: Length;
  /** Thickness of the rule between columns; nothing: none. */
  readonly columnRule: Length;
  /** Shares of the measure, one per column; null: equal columns. */
  readonly columnShares: readonly number[] | null;
  readonly balanceColumns: boolean;
  /** Pages of single divisions by their id, and of all divisions of a role. */
  readonly others: Readonly<Record<string, OtherPages>>;
}

/** Equal columns of their own, and margins, where they differ from the book's. */
export interface OtherPages {
  readonly columns: number;
  readonly columnGap: Length;
  readonly margins?: Margins;
}

/** How quotes, dashes and the like are set: as typed, by the book's language, or by one house's habit. */
export type MarkSet = 'typed' | 'language' | 'us' | 'uk' | 'french' | 'german';
export const MARK_SETS: readonly MarkSet[] = ['language', 'us', 'uk', 'french', 'german', 'typed'];

export interface MarksSpec {
  readonly set: MarkSet;
  /** Whether the comma or stop after a few italic words is roman, or as the copy has it. */
  readonly afterItalic: 'roman' | 'typed';
}

export interface OpenersSpec {
  /** Grid lines left empty above the first element of an opener. */
  readonly sink: number;
  /** Grid line, counted from 1, on which the text of an opener begins. */
  readonly textStart: number;
  readonly chaptersStart: 'any' | 'recto';
  /** Lines of the drop capital with which an opener's text begins; 0: none. And its letters. */
  readonly dropLines: number;
  readonly dropLetters: number;
  /** First words of an opener's text that are set in small capitals. */
  readonly leadWords: number;
  /** Openers of parts, of front matter and of short pieces, where they differ from those of chapters. */
  readonly part: OpenerVariant | null;
  readonly front: OpenerVariant | null;
  readonly short: OpenerVariant | null;
  /** A piece of fewer words is a short one. */
  readonly shortUnder: number;
}

export interface OpenerVariant {
  readonly sink: number;
  readonly textStart: number;
}

export interface FoliosSpec {
  /** Whether the front matter has a roman run of its own, or the book one arabic run. */
  readonly front: 'roman' | 'arabic';
  /** Whether pages of plates are counted; those that are not have the folio of the page before them, and show none. */
  readonly plates: 'counted' | 'uncounted';
}

/** What the paragraphs of a style are. */
export const MEANINGS = [
  'body',
  'heading1',
  'heading2',
  'heading3',
  'heading4',
  'heading5',
  'heading6',
  'extract',
  'verse',
  'listItem',
  'caption',
  'note',
  'title',
  'break',
  'table',
  // Parts of an opener besides its title.
  'chapterNumber',
  'partNumber',
  'subtitle',
  'chapterAuthor',
  'epigraph',
  'ornament',
  'other',
] as const;
export type Meaning = (typeof MEANINGS)[number];

/**
 * `foreEdge` and `back`: ragged away from that side of the page, mirrored. `longest`: flush left, the paragraphs that follow
 * each other so centred as one block on their longest line (verse).
 */
export type Align = 'text' | 'justify' | 'left' | 'right' | 'centre' | 'foreEdge' | 'back' | 'longest';

/** A place to which a tab goes, from the edge of the column where lines begin; `end`: their other end. */
export interface TabStop {
  readonly at: Pt | 'end';
  /** How the text after the tab stands at the place; `decimal`: its first point or comma does. */
  readonly kind: 'left' | 'right' | 'centre' | 'decimal';
  /** Repeated over the tab's white, such as `.`. */
  readonly leader?: string;
}

/** `all`: capitals; `title`: words begin with one, by the habit of the language. */
export type Caps = 'none' | 'small' | 'all' | 'title';

export interface DropCapital {
  readonly lines: number;
  readonly letters: number;
}

/**
 * A character style on the beginning of a paragraph: so many words or letters, the first line, or all up to and with a mark.
 * Without a style: small capitals.
 */
export interface LeadIn {
  readonly kind: 'words' | 'letters' | 'line' | 'mark';
  readonly count: number;
  readonly mark: string;
  readonly style: StyleTag | null;
}

/** A character style on whatever matches a pattern. */
export interface SpotRule {
  readonly pattern: string;
  readonly style: StyleTag;
}

/** How words are divided in one style (house rules, section 3). */
export type WordDivision = Pick<HyphenationSpec, 'smallestWord' | 'before' | 'after' | 'running' | 'capitals'>;

/** A rule above or below a paragraph. */
export interface ParagraphRule {
  readonly weight: Pt;
  readonly ink?: InkUse;
  /** As wide as the paragraph, as its words, or a length. */
  readonly width: 'paragraph' | 'words' | Pt;
  /** From the baseline of the first line upwards, or of the last downwards. */
  readonly offset: Pt;
}

/** A paragraph style as written: what is absent comes from `basedOn`, and at the root from the text spec. */
export interface ParagraphStyle {
  readonly name: string;
  readonly basedOn?: StyleTag;
  readonly meaning?: Meaning;
  readonly face?: string;
  readonly size?: Pt;
  /** Distance of baselines: points, or whole grid lines. */
  readonly leading?: Pt | { readonly grid: number };
  readonly weight?: number;
  readonly italic?: boolean;
  readonly caps?: Caps;
  /** Letter-space in thousandths of an em. */
  readonly tracking?: number;
  /** `text`: as the text is set. */
  readonly align?: Align;
  /** How the last line of a justified paragraph stands. */
  readonly lastAlign?: 'left' | 'right' | 'centre' | 'justify';
  /** OpenType features besides those that the engine sets, such as `dlig,ss01,-liga`. */
  readonly features?: string;
  /** `text`: the indent of the text spec. */
  readonly firstIndent?: Pt | 'text';
  readonly leftIndent?: Pt;
  readonly rightIndent?: Pt;
  /** Grid lines above and below. */
  readonly above?: number;
  readonly below?: number;
  readonly hyphenate?: boolean;
  readonly withNext?: boolean;
  /** Never divided over two pages. */
  readonly keepTogether?: boolean;
  /** Keeps the space above it at a page top. */
  readonly keepSpace?: boolean;
  /** The paragraphs from the first of this style on stand at the foot of their page. */
  readonly atFoot?: boolean;
  readonly tabs?: readonly TabStop[];
  /** Every so many lines, such as those of verse, their number stands at the end of the measure; 0: never. */
  readonly lineNumbers?: number;
  /** The style of a paragraph that is begun after one of this. */
  readonly next?: StyleTag;
  /** Baseline shift of the words, upwards. */
  readonly rise?: Pt;
  readonly language?: string;
  readonly breakBefore?: 'none' | 'column' | 'page' | 'recto' | 'verso';
  /** How its paragraphs are numbered; null: not, whatever it takes from. */
  readonly number?: NumberScheme | null;
  /** Null: none, whatever the style takes from. */
  readonly drop?: DropCapital | null;
  readonly lead?: LeadIn | null;
  readonly spots?: readonly SpotRule[];
  /** Limits of the word space of its own; null: those of the text or the face, whatever it takes from. */
  readonly wordSpace?: WordSpace | null;
  /** How its words are divided, where otherwise than in the text; null: as in the text. */
  readonly division?: WordDivision | null;
  readonly ink?: InkUse;
  readonly background?: InkUse | null;
  readonly ruleAbove?: ParagraphRule | null;
  readonly ruleBelow?: ParagraphRule | null;
  /**
   * Characters set in place of those that the paragraph has; a space break that is empty has them where it falls first or last on its page.
   * Null: what it has, and three asterisks.
   */
  readonly ornament?: string | null;
  /** Came in with a file, and stands beside our styles until it is matched or taken over. */
  readonly waits?: boolean;
}

/** A character style; what is absent follows the paragraph. */
export interface CharacterStyle {
  readonly name: string;
  readonly basedOn?: StyleTag;
  /** Family key; absent: the face of the paragraph. */
  readonly face?: string;
  readonly size?: Pt;
  readonly italic?: 'on' | 'opposite';
  readonly weight?: number;
  readonly caps?: Caps;
  readonly tracking?: number;
  /** Baseline shift, upwards. */
  readonly rise?: Pt;
  readonly ink?: InkUse;
  readonly language?: string;
  readonly position?: 'superior' | 'inferior';
  readonly features?: string;
  readonly line?: 'under' | 'through';
  /** Code: no house marks, no hyphens. */
  readonly asTyped?: 'on' | 'off';
}

export interface Spec {
  readonly name: string;
  readonly page: PageSpec;
  readonly text: TextSpec;
  readonly marks: MarksSpec;
  readonly pages: PagesSpec;
  readonly openers: OpenersSpec;
  readonly furniture: FurnitureSpec;
  readonly folios: FoliosSpec;
  readonly numbering: NumberingSpec;
  readonly notes: NotesSpec;
  readonly contents: ContentsSpec;
  readonly index: IndexSpec;
  readonly inks: InksSpec;
  readonly tables: TablesSpec;
  readonly styles: Readonly<Record<StyleTag, ParagraphStyle>>;
  readonly characterStyles: Readonly<Record<StyleTag, CharacterStyle>>;
}
