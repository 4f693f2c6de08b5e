// A paragraph in the flow as the page search is given it: its settings, the space before it, what hangs on it.
import type { Measure } from '../model/composed/broken';
import type { Pt } from '../model/spec/length';
import type { NoteSeparator } from '../model/spec/notes';
import type { ComposedParagraph, PageSide } from '../model/composed/pages';

/** How notes of a kind stand at the foot of the page or in its margin. */
export interface NoteLayout {
  readonly place: 'foot' | 'margin';
  readonly columns: number;
  /** Of one column, and the white between two, in points. */
  readonly width: Pt;
  readonly gap: Pt;
  readonly separator: NoteSeparator;
  readonly continuation: NoteSeparator;
  /** Whether short notes follow one another in one paragraph. */
  readonly runsOn: boolean;
}

/** Note bodies by the place of their reference: an offset in the set text. */
export interface FlowNote {
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
  /** Notes at the foot of the page, and in its margin. */
  readonly notes: readonly FlowNote[];
  readonly margin?: readonly FlowNote[];
  readonly wishes?: PageWishes;
  /** Text offsets in it at which a held page begins. */
  readonly held?: readonly number[];
  /** Points by which it stands further in than its lines say: verse centred as a block. */
  readonly shift?: number;
  /** Rules of a row of a table. */
  readonly rules?: { readonly above: boolean; readonly below: boolean };
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

export interface Variant {
  readonly paragraph: ComposedParagraph;
  readonly cost: number;
}

/** Material that stands at the top of a region, on the page of its reference or after it. */
export interface FlowFloat {
  /** Index of the paragraph that refers to it. */
  readonly anchor: number;
  /** Grid lines, the space below it included. */
  readonly height: number;
}
