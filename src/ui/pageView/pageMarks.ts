// What a page is made on and nobody prints: the baselines of its grid, its type area, the guides, the bleed. In points from the
// corner of the trim, for whatever draws them.
import { typeArea } from '../../core/measure/typeArea';
import type { Guide } from '../../core/model/spec/pageSpec';
import type { PageSide } from '../../core/model/spec/pageRoles';
import type { Margins, Spec } from '../../core/model/spec/spec';
import type { DivisionRole } from '../../core/model/copy/roles';

/** On paper, which is light by day and by evening: what is measured, guides, and what is cut away. */
export const MARK_COLOURS = { leaf: '#27694b', guide: '#7a5ea8', bleed: '#a4452c' } as const;

export interface MarkBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A line from edge to edge of the trim: `x` of one down the page, or `y` of one across it. */
export type GuideLine = { readonly x: number } | { readonly y: number };

export interface PageMarks {
  readonly area: MarkBox;
  /** Heights of the baselines. */
  readonly baselines: readonly number[];
  readonly guides: readonly GuideLine[];
  /** Null: nothing bleeds. */
  readonly bleed: MarkBox | null;
}

/** `margins`: those of the page, where its division has some of its own. */
export function pageMarks(
  spec: Spec,
  capHeight: number,
  side: PageSide,
  margins: Margins = spec.page.margins,
): PageMarks {
  const { trim, guides, facing } = spec.page;
  const isRecto = side === 'recto' || !facing;
  const leading = spec.text.leading.pt;
  const { lines, depth, measure } = typeArea({ ...spec.page, margins }, capHeight, leading);
  return {
    area: {
      x: (isRecto ? margins.back : margins.foreEdge).pt,
      y: margins.head.pt,
      width: measure,
      height: depth,
    },
    baselines: Array.from({ length: lines }, (_, k) => margins.head.pt + capHeight + k * leading),
    guides: guides.filter(({ on }) => isOn(on, isRecto)).map((guide) => lineOf(guide, trim.width.pt, isRecto)),
    bleed: bleedBox(spec, isRecto),
  };
}

const isOn = (on: Guide['on'], isRecto: boolean) => on === 'all' || on === 'mirrored' || (on === 'recto') === isRecto;

function lineOf({ axis, at, on }: Guide, width: number, isRecto: boolean): GuideLine {
  if (axis === 'across') return { y: at.pt };
  return { x: on === 'mirrored' && !isRecto ? width - at.pt : at.pt };
}

function bleedBox({ page: { trim, bleed } }: Spec, isRecto: boolean): MarkBox | null {
  if (Math.max(bleed.head.pt, bleed.foot.pt, bleed.back.pt, bleed.foreEdge.pt) <= 0) return null;
  const [left, right] = isRecto ? [bleed.back.pt, bleed.foreEdge.pt] : [bleed.foreEdge.pt, bleed.back.pt];
  return {
    x: -left,
    y: -bleed.head.pt,
    width: trim.width.pt + left + right,
    height: trim.height.pt + bleed.head.pt + bleed.foot.pt,
  };
}

/** The margins of the pages of a division. */
export function marginsOf({ page, pages }: Spec, division: string, role: DivisionRole | undefined): Margins {
  return pages.others[division]?.margins ?? pages.others[role ?? '']?.margins ?? page.margins;
}
