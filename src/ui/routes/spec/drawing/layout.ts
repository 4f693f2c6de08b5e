// Where the parts of the drawing stand: everything of it in CSS pixels, from the sizes of the page in points.
import { typeArea, type TypeArea } from '../../../../core/measure/typeArea';
import type { Spec } from '../../../../core/model/spec/spec';

/** Room around the spread for its dimensions. */
const ROOM = { x: 84, top: 56, bottom: 36 };
/** And at either side of a part of it that is shown larger: what is said of the paragraph stands there. */
const BESIDE = 168;

export interface DrawingLayout {
  /** What of it is in view. */
  readonly box: { readonly width: number; readonly height: number };
  /** Pixels a point. */
  readonly scale: number;
  /** Left edge and top of the spread, width and height of a page. */
  readonly left: number;
  readonly top: number;
  readonly w: number;
  readonly h: number;
  readonly area: TypeArea;
  /** Left edge of the recto, or of a single page, and right edge of it. */
  readonly recto: number;
  readonly right: number;
  /** Pages side by side: one where pages are single. */
  readonly pages: 1 | 2;
  /** Edges of the two type areas; of single pages both are the same. */
  readonly edge: {
    readonly head: number;
    readonly foot: number;
    readonly versoLeft: number;
    readonly versoRight: number;
    readonly rectoLeft: number;
    readonly rectoRight: number;
  };
}

/** What of the spread is shown: so many pixels a point, and the point of the spread in the middle of the box, in points from its top left. */
export interface DrawingView {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

export const pagesOf = ({ page }: Spec): 1 | 2 => (page.facing ? 2 : 1);

/** The scale at which the whole spread, with its dimensions, fits a box of so many pixels. */
export function fitScale(spec: Spec, width: number, height: number): number {
  const { trim } = spec.page;
  return Math.max(
    0.1,
    Math.min(
      (width - 2 * ROOM.x) / (pagesOf(spec) * trim.width.pt),
      (height - ROOM.top - ROOM.bottom) / trim.height.pt,
    ),
  );
}

/** Lays a spread out in a box of so many pixels; the cap height in points. `view`: what of it is shown; null: all of it. */
export function drawingLayout(
  spec: Spec,
  capHeight: number,
  width: number,
  height: number,
  view: DrawingView | null = null,
): DrawingLayout {
  const { trim, margins, facing } = spec.page;
  const pages = pagesOf(spec);
  const scale = view?.scale ?? fitScale(spec, width, height);
  const [w, h] = [trim.width.pt * scale, trim.height.pt * scale];
  const left = view === null ? (width - pages * w) / 2 : offset(width / 2 - view.x * scale, pages * w, width, BESIDE);
  const top =
    view === null
      ? ROOM.top + Math.max(0, (height - ROOM.top - ROOM.bottom - h) / 2)
      : offset(height / 2 - view.y * scale, h, height, ROOM.top);
  const area = typeArea(spec.page, capHeight, spec.text.leading.pt);
  const [back, foreEdge] = [margins.back.pt * scale, margins.foreEdge.pt * scale];
  const versoLeft = left + (facing ? foreEdge : back);
  const rectoLeft = left + (pages - 1) * w + back;
  return {
    box: { width, height },
    scale,
    left,
    top,
    w,
    h,
    recto: left + (pages - 1) * w,
    right: left + pages * w,
    pages,
    area,
    edge: {
      head: top + margins.head.pt * scale,
      foot: top + (margins.head.pt + area.depth) * scale,
      versoLeft,
      versoRight: versoLeft + w - back - foreEdge,
      rectoLeft,
      rectoRight: rectoLeft + w - back - foreEdge,
    },
  };
}

/** Where something of a length begins in a box: in the middle where it fits, else never further off than its room. */
function offset(wanted: number, length: number, box: number, room: number): number {
  if (length + 2 * room <= box) return (box - length) / 2;
  return Math.min(room, Math.max(box - room - length, wanted));
}
