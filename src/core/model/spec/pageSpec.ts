// The page of a spec: trim, margins and what they are derived from, bleed, guides, and the unit in which lengths are read.
import type { Length, Unit } from './length';

export interface Trim {
  readonly width: Length;
  readonly height: Length;
}

export interface Margins {
  readonly head: Length;
  readonly foot: Length;
  readonly back: Length;
  readonly foreEdge: Length;
}

/** The back margin of books up to an extent; the last row, without one, takes all longer ones. */
export interface BackRow {
  readonly upTo: number | null;
  readonly back: Length;
}

/**
 * A rule that derives margins from the trim.
 * `twoThirds`: type area as high as the page is wide; what is left divided 1:2. `nths`: one part of `parts` at back and head, two
 * at fore-edge and foot. `ratio`: shares of a part; without one, so much that a third of the width is margin. `equal`: one
 * margin all around, a sixth of the width when none is given. `bound`: the back margin by the extent, the others as they are.
 */
export type Canon =
  | { readonly kind: 'twoThirds' }
  | { readonly kind: 'nths'; readonly parts: number }
  | {
      readonly kind: 'ratio';
      readonly back: number;
      readonly head: number;
      readonly foreEdge: number;
      readonly foot: number;
      readonly part: Length | null;
    }
  | { readonly kind: 'equal'; readonly margin: Length | null }
  | { readonly kind: 'bound'; readonly binding: 'adhesive' | 'sewn'; readonly table: readonly BackRow[] };

export type CanonKind = Canon['kind'];

/** A line of the person's own on the drawing. `across`: from the head; `down`: from the back, mirrored, or from the left. */
export interface Guide {
  readonly axis: 'across' | 'down';
  readonly at: Length;
  readonly on: 'recto' | 'verso' | 'mirrored' | 'all';
}

export interface PageSpec {
  readonly trim: Trim;
  readonly margins: Margins;
  /** Two pages seen together, mirrored at the back; else every page stands alone, its back at the left. */
  readonly facing: boolean;
  /** Taken by the binding: canons apply to the page without it. */
  readonly bindingAllowance: Length;
  /** The rule that the margins were taken from; null: none. */
  readonly canon: Canon | null;
  /** What runs over the trim on each side, to be cut away. */
  readonly bleed: Margins;
  /** Room around the bleed for notes to the press. */
  readonly sheetEdge: Length;
  readonly guides: readonly Guide[];
  /** The unit in which lengths are shown; null: the one in which each was typed. */
  readonly unit: Unit | null;
  /** Pixels in an inch. */
  readonly dpi: number;
}

/** What a page has besides trim and margins when nobody says more: nothing bleeds, no canon, facing pages. */
export const PAGE_DEFAULTS: Omit<PageSpec, 'trim' | 'margins'> = {
  facing: true,
  bindingAllowance: { pt: 9, unit: 'in' },
  canon: null,
  bleed: {
    head: { pt: 0, unit: 'mm' },
    foot: { pt: 0, unit: 'mm' },
    back: { pt: 0, unit: 'mm' },
    foreEdge: { pt: 0, unit: 'mm' },
  },
  sheetEdge: { pt: 0, unit: 'mm' },
  guides: [],
  unit: null,
  dpi: 96,
};
