// The shape of text: streams of blocks, paragraphs with spans and inline objects. See docs/decisions/001-book-model.md.

import type { Edition } from './editions';
import { MOST_PARTS, type Crop, type FigureSetting } from './figureSetting';
import type { IndexMark } from '../spec/indexSpec';
import type { Pt } from '../spec/length';
import type { InkUse } from '../spec/inks';

/** The id of what owns the stream: a division, a note, a table cell; of a figure, that of its caption or its credit line. */
export type StreamId = string;
/** `f` and a number. */
export type FigureId = string;
export type BlockId = string;
export type StyleTag = string;

/** Stands in the text where an inline object is (U+FFFC OBJECT REPLACEMENT CHARACTER). */
export const OBJECT_CHARACTER = '\uFFFC';

/** Properties of a style that can be changed on one paragraph; as in ParagraphStyle. */
export interface LocalLook {
  readonly face?: string;
  readonly size?: Pt;
  readonly leading?: Pt;
  readonly weight?: number;
  readonly italic?: boolean;
  readonly caps?: 'none' | 'small' | 'all' | 'title';
  readonly tracking?: number;
  readonly ink?: InkUse;
  readonly firstIndent?: Pt;
  readonly leftIndent?: Pt;
  readonly rightIndent?: Pt;
  readonly above?: number;
  readonly below?: number;
  readonly hyphenate?: boolean;
}

/** Left to right, or right to left (UAX #9, 3.3.1). */
export type Direction = 'ltr' | 'rtl';

/** Local exceptions on a paragraph; absent keys follow the style. */
export interface ParagraphTouches {
  readonly align?: 'justify' | 'left' | 'right' | 'centre';
  /** The direction of the paragraph; absent: that of its language. */
  readonly direction?: Direction;
  /** Begins a page: any, or one of a side; or a column. */
  readonly breakBefore?: boolean | 'column' | 'recto' | 'verso';
  /** Stays whole on one page, and with the paragraph after it. */
  readonly together?: boolean;
  /** Runs so many lines longer than its best setting. */
  readonly lines?: -1 | 1;
  /** Ties by rule that this paragraph does without, such as `Mrs Vane`. */
  readonly liftedTies?: readonly string[];
  /** The spread on which it begins runs so many lines longer; 0: as the page is. */
  readonly spread?: -1 | 0 | 1;
  /** What is changed of its style, on this paragraph alone. */
  readonly look?: LocalLook;
  /** Has no number where others of its style have one. */
  readonly unnumbered?: boolean;
  /** A named section begins here, for the furniture; empty: named by its own words. */
  readonly section?: string;
  /** Of a paragraph of a division: left out of the other edition; absent: in both. */
  readonly onlyIn?: Edition;
}

/** Local exceptions on a stretch of text; absent keys follow the style. */
export interface TextTouches {
  readonly italic?: boolean;
  readonly bold?: boolean;
  readonly underline?: boolean;
  readonly strike?: boolean;
  /** As the file has it, where it differs from the paragraph around: a family's name, points, `#rrggbb`. */
  readonly face?: string;
  readonly size?: Pt;
  readonly colour?: string;
}

/** A stretch of text that differs: `from` inclusive, `to` exclusive, in UTF-16 units. Sorted, disjoint, never empty. */
export interface Span {
  readonly from: number;
  readonly to: number;
  readonly style?: StyleTag;
  readonly touches?: TextTouches;
  readonly language?: string;
  readonly link?: string;
}

/** Facts of the book, filled in when composing. */
export const FIELD_NAMES = [
  'title',
  'subtitle',
  'author',
  'otherPeople',
  'publisher',
  'place',
  'publisherAndPlace',
  'rights',
  'edition',
  'isbn',
  'isbnPrint',
  'printAddress',
  'series',
  'credits',
] as const;
export type FieldName = (typeof FIELD_NAMES)[number];

/** Kinds of picture files that are told apart; `other`: kept as it came, and nothing here can draw it. */
export const PICTURE_KINDS = ['jpeg', 'png', 'gif', 'webp', 'bmp', 'tiff', 'svg', 'other'] as const;
export type PictureKind = (typeof PICTURE_KINDS)[number];

/** A picture in the text. Its bytes are kept apart from the book, by their hash. */
export interface PictureFacts {
  readonly kind: 'picture';
  /** Hash of its bytes; empty when only its place is known. */
  readonly asset: string;
  readonly format: PictureKind;
  readonly name: string;
  /** What it shows, for those who do not see it. */
  readonly alt: string;
  /** Pixels; 0 where nothing says. */
  readonly width: number;
  readonly height: number;
  /** Points at which the file shows it; 0 where it does not say. */
  readonly shownWidth: number;
  readonly shownHeight: number;
  /** Of a picture that stands for a figure: in flat blocks alone (core/copy/figures), never in a book. */
  readonly figure?: FigureTie;
}

/** The figure that a picture among flat blocks stands for. */
export interface FigureTie extends FigureSetting {
  readonly id: FigureId;
  readonly caption: StreamId;
  readonly credit: StreamId;
  /** Its parts after the first. */
  readonly more: readonly PictureFacts[];
  /** How its parts stand in their frames, in their order; undefined for those that stand plainly. */
  readonly crops: readonly (Crop | undefined)[];
}

/** Bytes of pictures by their hash. */
export type PictureBytes = Readonly<Record<string, Uint8Array>>;

/** What a cross-reference tells of the head to which it goes. */
export const REFERENCE_SHOWS = ['number', 'title', 'page', 'pageOrOpposite'] as const;
export type ReferenceShows = (typeof REFERENCE_SHOWS)[number];

export interface CrossReference {
  readonly target: BlockId;
  /** `pageOrOpposite`: `page 12`, or `opposite` on a facing page, `this page` on its own. */
  readonly shows: ReferenceShows;
}

/** What an U+FFFC in the text stands for; `at` is its offset. */
export type InlineObject =
  | { readonly at: number; readonly kind: 'note'; readonly note: string }
  | { readonly at: number; readonly kind: 'field'; readonly field: FieldName }
  | ({ readonly at: number; readonly kind: 'reference' } & CrossReference)
  | ({ readonly at: number; readonly kind: 'index' } & IndexMark)
  | { readonly at: number; readonly kind: 'break' }
  | { readonly at: number; readonly kind: 'tab' }
  | { readonly at: number; readonly kind: 'figure'; readonly figure: FigureId }
  | PictureObject;

export type PictureObject = PictureFacts & { readonly at: number };

export interface Paragraph {
  readonly kind: 'paragraph';
  readonly id: BlockId;
  readonly style: StyleTag;
  readonly touches?: ParagraphTouches;
  /** `start`: the number of this item, 0 to 9999; absent: one more than the item before it. */
  readonly list?: { readonly level: number; readonly ordered: boolean; readonly start?: number };
  /** Names by which links lead here: a span's link `#name`. One that stands twice is the first paragraph's. */
  readonly names?: readonly string[];
  readonly text: string;
  readonly spans: readonly Span[];
  readonly objects: readonly InlineObject[];
  /** Of a caption or credit line among flat blocks (core/copy/figures): the stream of its figure in which it stands. Never in a book. */
  readonly stream?: StreamId;
  /** Of what stands for rows of a table among flat blocks: the id of the table. Never in a book. */
  readonly table?: BlockId;
}

/** What a row is: a head, the units under it, a row of the body, the name of a group of rows, a total. */
export const TABLE_ROW_KINDS = ['head', 'units', 'body', 'group', 'total'] as const;
export type TableRowKind = (typeof TABLE_ROW_KINDS)[number];

/** How the entries of a column stand; `mark`: with their decimal marks, or another mark, one under another. */
export const CELL_ALIGNS = ['left', 'right', 'centre', 'mark'] as const;
export type CellAlign = (typeof CELL_ALIGNS)[number];

export interface TableRowLook {
  readonly kind: TableRowKind;
  /** A person's wish: the row begins a page. */
  readonly breakBefore?: true;
}

export interface TableColumnLook {
  /** In points, or a share of what the columns without a length have; absent: by content. */
  readonly width?: number;
  readonly share?: number;
  /** Absent: figures at their marks or ends, words at the left. */
  readonly align?: CellAlign;
  /** Of `mark`: the characters that stand one under another; absent: the decimal mark. */
  readonly mark?: string;
}

/** Where a table stands, and how wide it is. */
export interface TableSetting {
  /** Absent: where it stands in the copy. */
  readonly place?: 'head' | 'foot' | 'next' | 'page';
  /** `column`: the whole measure; or points. Absent: as wide as its content, the measure at most. */
  readonly width?: 'column' | number;
  /** Never parted, as long as a page holds it. */
  readonly together?: true;
  /** Left out of the other edition; absent: in both. */
  readonly onlyIn?: Edition;
}

/** A table: rows of cells, each the owner of a stream. */
export interface Table {
  readonly kind: 'table';
  readonly id: BlockId;
  /** The tag of its table style. */
  readonly style: StyleTag;
  readonly columns: number;
  /** The cells that begin in each row: one that goes on from a row above is not in it. */
  readonly rows: readonly (readonly TableCell[])[];
  /** One for each row; absent: the first of several is the head. */
  readonly rowLooks?: readonly TableRowLook[];
  /** One for each column; absent: all by content. */
  readonly columnLooks?: readonly TableColumnLook[];
  readonly setting?: TableSetting;
}

export interface TableCell {
  readonly id: StreamId;
  readonly blocks: readonly Block[];
  /** Columns and rows that it covers; absent: 1. */
  readonly across?: number;
  readonly down?: number;
  /** Absent: as its column. */
  readonly align?: CellAlign;
}

/** What the k-th row of a table is. */
export const rowKindOf = ({ rows, rowLooks }: Pick<Table, 'rows' | 'rowLooks'>, k: number): TableRowKind =>
  rowLooks?.[k]?.kind ?? (k === 0 && rows.length > 1 ? 'head' : 'body');

export type Block = Paragraph | Table;

/** A paragraph without exceptions. */
export function paragraph(id: BlockId, style: StyleTag, text: string, rest: Partial<Paragraph> = {}): Paragraph {
  return { kind: 'paragraph', id, style, text, spans: [], objects: [], ...rest };
}

/** Sorts, drops empty stretches, and merges neighbours that say the same. The input's stretches may not overlap. */
export function normaliseSpans(spans: readonly Span[]): Span[] {
  const sorted = spans.filter((span) => span.to > span.from).sort((a, b) => a.from - b.from);
  const merged: Span[] = [];
  for (const span of sorted) {
    const last = merged[merged.length - 1];
    if (last !== undefined && last.to === span.from && sameSpanLook(last, span)) {
      merged[merged.length - 1] = { ...last, to: span.to };
    } else merged.push(span);
  }
  return merged;
}

function sameSpanLook(a: Span, b: Span): boolean {
  const touches = (span: Span) => JSON.stringify(span.touches ?? {});
  return a.style === b.style && a.language === b.language && a.link === b.link && touches(a) === touches(b);
}

/** True for a paragraph that holds pictures, not more than a figure may have, and no words. */
export const isPictureAlone = (block: Block): block is Paragraph => holdsOnly(block, 'picture', MOST_PARTS);

/** True for a paragraph that holds the mark of one figure and no words. */
export const isFigureAlone = (block: Block): block is Paragraph => holdsOnly(block, 'figure', 1);

function holdsOnly(block: Block, kind: InlineObject['kind'], most: number): boolean {
  if (block.kind !== 'paragraph' || block.list !== undefined) return false;
  const { objects, text } = block;
  if (objects.length === 0 || objects.length > most || objects.some((object) => object.kind !== kind)) return false;
  return text.replaceAll(OBJECT_CHARACTER, '').trim() === '';
}
