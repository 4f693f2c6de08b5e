// The composed book: its paragraphs in lines, and the table of its pages. Display lists are made from it page by page.
import type { BrokenParagraph } from './broken';
import type { DivisionRole } from '../copy/book';
import type { Finding } from '../checks/finding';
import type { SlotName } from '../spec/furniture';
import type { Pt } from '../spec/length';
import type { PageRole, PageSide } from '../spec/pageRoles';
import type { SetInk } from '../spec/inks';
import type { NotePlaces, ReferenceTable } from './referenceTable';
import type { ShapedParagraph } from './shaped';
import type { StyledParagraph } from './styled';
import type { StreamId } from '../copy/streams';

export type { PageRole, PageSide } from '../spec/pageRoles';

export interface ComposedParagraph {
  readonly styled: StyledParagraph;
  readonly shaped: ShapedParagraph;
  readonly broken: BrokenParagraph;
  /** Notes that run on in it after its first, each with the source offsets of its number. */
  readonly joined?: readonly { readonly note: StreamId; readonly from: number; readonly to: number }[];
}

/**
 * Lines of a paragraph on a page; `x` is the left edge of their column from that of the type area, `y` the baseline of the
 * first line, from the top of the trimmed page.
 */
export interface Fragment {
  readonly paragraph: ComposedParagraph;
  readonly from: number;
  readonly to: number;
  readonly x: Pt;
  readonly y: Pt;
  /** Rows of a table, an empty line as deep as they are: what is drawn around them. */
  readonly marks?: readonly TableMark[];
  /** Heads of a table that stand again: their words have their place where they stood first. */
  readonly isRepeated?: true;
}

/** A rule or a ground of a table: `y` its middle, down from the baseline above the rows, `x` from the left edge of their fragment. */
export interface TableMark {
  readonly kind: 'table' | 'ground';
  readonly x: Pt;
  readonly y: Pt;
  readonly width: Pt;
  readonly thickness: Pt;
  /** Null: black. */
  readonly ink: SetInk | null;
}

/** Between text and notes: `x` from the left edge of the type area, `y` from the top of the trimmed page. */
export interface NoteRule {
  readonly x: Pt;
  readonly y: Pt;
  readonly width: Pt;
  readonly weight: Pt;
}

/** A slot of furniture: a single line, its left edge and baseline on the trimmed page. */
export interface PlacedFurniture {
  /** `folio`: a line that tells the page's folio. */
  readonly kind: 'head' | 'folio';
  readonly at: 'head' | 'foot';
  readonly slot: SlotName;
  readonly paragraph: ComposedParagraph;
  readonly x: Pt;
  readonly y: Pt;
}

/** A rule over or under a line of furniture, from the top left corner of the trimmed page. */
export interface PlacedRule {
  readonly x: Pt;
  readonly y: Pt;
  readonly width: Pt;
  readonly weight: Pt;
  readonly ink?: SetInk;
}

export interface Page {
  /** From 0; page 0 is a recto. */
  readonly index: number;
  readonly side: PageSide;
  readonly role: PageRole;
  readonly division: StreamId;
  readonly divisionRole: DivisionRole;
  /** The folio as it would be shown, such as `vii`; empty in a run without numerals. */
  readonly folio: string;
  /** Its number in its folio run. */
  readonly number: number;
  /** Its run is counted and not shown. */
  readonly folioHidden?: boolean;
  /** A blank that was made so that the next division begins on its side. */
  readonly isMade?: boolean;
  readonly fragments: readonly Fragment[];
  readonly notes: readonly Fragment[];
  /** The page of its division's own; absent: that of the book. */
  readonly own?: PageGeometry;
  /** The rules over the notes, one for each column that has some. */
  readonly noteRules: readonly NoteRule[];
  /** Lines more or fewer than the type area has: those of its spread. */
  readonly depth: -1 | 0 | 1;
  readonly furniture: readonly PlacedFurniture[];
  readonly furnitureRules?: readonly PlacedRule[];
}

/** Counts for the running order. */
export interface DivisionExtent {
  readonly division: StreamId;
  readonly words: number;
  readonly firstPage: number;
  readonly pages: number;
}

/** Milliseconds of each stage, as given by the caller's clock. */
export type StageTimes = Readonly<Record<string, number>>;

export interface TypesetBook {
  readonly pages: readonly Page[];
  readonly geometry: PageGeometry;
  readonly references: ReferenceTable;
  readonly extents: readonly DivisionExtent[];
  readonly findings: readonly Finding[];
  /** Pages of the page touches by their id; -1: the words are gone. */
  readonly touched: readonly { readonly id: string; readonly page: number; readonly to: number }[];
  /** Where notes are referred to. */
  readonly notes: NotePlaces;
  readonly words: number;
  readonly lines: number;
  /** Passes of the fixpoint, and whether it settled. */
  readonly passes: number;
  readonly times: StageTimes;
}

/** Sizes that all pages share, in points. */
export interface PageGeometry {
  readonly width: Pt;
  readonly height: Pt;
  readonly measure: Pt;
  readonly head: Pt;
  readonly back: Pt;
  readonly foreEdge: Pt;
  readonly leading: Pt;
  readonly capHeight: Pt;
  /** Grid lines of the type area. */
  readonly lines: number;
  /** Columns of the type area from left to right; `x` from its left edge. */
  readonly columns: readonly { readonly x: Pt; readonly width: Pt }[];
  /** Thickness of the rule between them; 0: none. */
  readonly columnRule: Pt;
}

/** The geometry of a page: its division's own, or the book's. */
export const geometryOf = (page: Pick<Page, 'own'>, ofBook: PageGeometry): PageGeometry => page.own ?? ofBook;

/** Side of a page by its place in the book, counted from 0; pages that stand alone are all alike. */
export function sideOfPage(index: number, facing: boolean): PageSide {
  return index % 2 === 0 || !facing ? 'recto' : 'verso';
}

/** Left edge of the type area of a page of that side. */
export function columnLeft(geometry: PageGeometry, side: PageSide): Pt {
  return side === 'recto' ? geometry.back : geometry.foreEdge;
}

/** Baseline of a grid line, counted from 0, from the top of the trimmed page. */
export function gridBaseline(geometry: PageGeometry, line: number): Pt {
  return geometry.head + geometry.capHeight + line * geometry.leading;
}
