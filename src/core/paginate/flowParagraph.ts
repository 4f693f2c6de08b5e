// A paragraph in the flow as the page search is given it: its settings, the space before it, what it refers to.
import type { Measure } from '../model/composed/broken';
import type { Pt } from '../model/spec/length';
import type { NoteSeparator } from '../model/spec/notes';
import type { ComposedParagraph, PageSide, TableMark } from '../model/composed/pages';

/** How notes of a kind stand at the foot of the page or in its margin. */
export interface NoteLayout {
  readonly columns: number;
  /** Of one column, and the white between two, in points. */
  readonly width: Pt;
  readonly gap: Pt;
  readonly separator: NoteSeparator;
  readonly continuation: NoteSeparator;
  /** Whether short notes follow one another in one paragraph. */
  readonly runsOn: boolean;
}

/**
 * What stands beside the text because the text refers to it. `place` is the rule of where: at the *foot* of the region that holds the
 * line of its reference, going on in the next where there is too little room; in the *margin* beside that line; a float at the *head* or the *foot* of a
 * region of that line's page or of a later one, whole, or on a *page* by itself. `at`: the place of the reference, an offset in the set text.
 */
export type Insertion = FlowNote | FlowFloat;

export interface FlowNote {
  readonly place: 'foot' | 'margin';
  readonly at: number;
  readonly paragraphs: readonly ComposedParagraph[];
  readonly layout: NoteLayout;
}

/** What a person wished for a paragraph's place (model/streams, PageTouches). */
export interface PageWishes {
  readonly breakBefore?: 'page' | 'column' | PageSide;
  /** Stays on one page, and with the paragraph after it. */
  readonly together?: boolean;
  readonly lines?: -1 | 1;
  readonly spread?: -1 | 0 | 1;
}

/** A paragraph in the flow. */
export interface FlowParagraph {
  /** Its best setting. */
  readonly paragraph: ComposedParagraph;
  /** A line shorter and a line longer, where that can be set well, and what their lines cost beyond the best. */
  readonly shorter?: Variant;
  readonly longer?: Variant;
  /** Grid lines kept free before it when it is not first in its region; `elastic`: others that may stand for it. */
  readonly gap: number;
  readonly elastic?: readonly number[];
  /** In the order of their references. */
  readonly insertions: readonly Insertion[];
  readonly wishes?: PageWishes;
  /** Text offsets in it at which a held page begins. */
  readonly held?: readonly number[];
  /** Points by which it stands further in than its lines say: verse centred as a block. */
  readonly shift?: number;
  /** Rows of a table: `paragraph` is one empty line as deep as they are. */
  readonly rows?: SetRows;
  /** With it and never parted from it: the captions of a picture, where its style says. */
  readonly captions?: readonly CaptionParagraph[];
  /** Lines of it that stand beside a figure. */
  readonly byFigure?: BesideLines;
  /** Figures that begin at a line of it, beside it and what follows. */
  readonly hung?: readonly HungFigure[];
  /** A picture that may go over to the head of a later region, in its order, while the text after it goes on. It brings no notes. */
  readonly mayPass?: boolean;
  /** `gap` where the picture before it has gone over; absent: the same. */
  readonly gapPassed?: number;
  /** Set at the right end of the measure on lines of it. */
  readonly marginal?: readonly { readonly line: number; readonly paragraph: ComposedParagraph }[];
  /** Set in place of an empty space break that falls last, or first, on its page. */
  readonly ornament?: ComposedParagraph;
  /**
   * Sets it to columns of several widths; needed only where columns differ. As many first lines as the measure has widths
   * of their own stand as they do in `before`.
   */
  readonly toMeasure?: (measure: Measure, before: ComposedParagraph | null) => ComposedParagraph;
}

/** Rows of a paragraph that stand beside a figure: it and they are on one page. A row is a line, or two on either side of the figure. */
export interface BesideLines {
  /** From the first, to the one after the last. */
  readonly from: number;
  readonly to: number;
  /** The figure began beside the paragraph before. */
  readonly joins: boolean;
  /** Lines that stand on the row of the line before, at the other side of the figure. */
  readonly doubled: readonly number[];
  /** Grid lines from the first of these rows to the end of the figure and of all lines beside it. */
  readonly depth: number;
}

export interface HungFigure {
  readonly figure: FlowParagraph;
  /** From the cap height of this line of the paragraph down, and by so many points more. */
  readonly line: number;
  readonly down: Pt;
  /** Its left edge from that of the column. */
  readonly x: Pt;
  /** Grid lines of text by which it stands later than its place: at the head of the next page, as it had no room. */
  readonly moved: number;
}

export interface CaptionParagraph {
  readonly paragraph: ComposedParagraph;
  /** Grid lines above it. */
  readonly gap: number;
}

/** Grid lines of a paragraph as it is best set, with its captions. `leading`: of the grid, in points. */
export function depthOfWhole(
  { paragraph, captions = [] }: Pick<FlowParagraph, 'paragraph' | 'captions'>,
  leading: number,
): number {
  const linesOf = ({ broken, styled }: ComposedParagraph) => (broken.count * styled.style.leading) / leading;
  const depth = captions.reduce((sum, { paragraph: own, gap }) => sum + gap + linesOf(own), 0);
  const own = linesOf(paragraph);
  return paragraph.styled.style.captionAt === 'beside' ? Math.max(own, depth) : own + depth;
}

/** Rows of a table that no page end parts, with what stands with them. Down from the baseline above, right from the column's left edge. */
export interface SetRows {
  readonly texts: readonly SetText[];
  readonly marks: readonly TableMark[];
  /** What stands over them where they are first in a region, such as the heads again; `depth` in grid lines. */
  readonly top: { readonly texts: readonly SetText[]; readonly marks: readonly TableMark[]; readonly depth: number };
  /** The table has begun before: a page end parts it, inside a group or between two. */
  readonly goesOn: 'row' | 'group' | null;
  /** A whole table with a caption: it may go over to a later page while the text goes on. */
  readonly mayPass: boolean;
}

/** Lines of a paragraph in a table; `y`: the baseline of the first. */
export interface SetText {
  readonly paragraph: ComposedParagraph;
  readonly from: number;
  readonly to: number;
  readonly x: Pt;
  readonly y: Pt;
}

export interface Variant {
  readonly paragraph: ComposedParagraph;
  readonly cost: number;
}

/** At the head or the foot of a region, at the head of a page after that of the reference, or on a page by itself. */
export type FloatPlace = 'head' | 'foot' | 'next' | 'page';

export interface FlowFloat {
  readonly place: FloatPlace;
  readonly at: number;
  /** Grid lines, the space between it and the text included; of a page by itself, those of the page. */
  readonly height: number;
  /** A picture with its captions. */
  readonly figure: FlowParagraph;
  /** Of a picture over two facing pages, which is two floats in a row: one for a verso, and the other for the recto after it. */
  readonly half?: 'verso' | 'recto';
}

/** The notes of a paragraph that stand at one place. */
export const notesAt = ({ insertions }: Pick<FlowParagraph, 'insertions'>, place: FlowNote['place']): FlowNote[] =>
  insertions.filter((insertion): insertion is FlowNote => !isFloat(insertion) && insertion.place === place);

export const isFloat = (insertion: Insertion): insertion is FlowFloat => 'figure' in insertion;

export function sameInsertions(a: readonly Insertion[], b: readonly Insertion[]): boolean {
  return a.length === b.length && a.every((insertion, k) => sameInsertion(insertion, b[k]));
}

function sameInsertion(a: Insertion, b: Insertion): boolean {
  if (a === b) return true;
  if (a.at !== b.at) return false;
  if (isFloat(a) || isFloat(b))
    return (
      isFloat(a) &&
      isFloat(b) &&
      a.place === b.place &&
      a.height === b.height &&
      a.figure === b.figure &&
      a.half === b.half
    );
  const { paragraphs } = b;
  const isAlike = a.place === b.place && a.layout === b.layout && a.paragraphs.length === paragraphs.length;
  return isAlike && a.paragraphs.every((paragraph, k) => paragraph === paragraphs[k]);
}
