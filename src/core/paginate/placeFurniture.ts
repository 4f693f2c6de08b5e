// Running heads and folios by the role of each page: text pages carry both, openers a folio at the foot, display pages
// and blanks nothing. Written once and mirrored: everything stands at the fore-edge.
import {
  columnLeft,
  gridBaseline,
  type ComposedParagraph,
  type Page,
  type PageGeometry,
  type PlacedFurniture,
} from '../model/pages';
import type { Spec } from '../model/spec';

/** Grid lines from the first text baseline up to the head, and from the last down to the folio (house rules, section 1). */
const HEAD_ABOVE = 2;
const FOLIO_BELOW = 2.5;

export interface FurnitureSource {
  /** The line of a running head on a page; null when it has none. */
  readonly head: (page: Page) => ComposedParagraph | null;
  readonly folio: (folio: string) => ComposedParagraph;
}

export function placeFurniture(
  page: Page,
  spec: Spec,
  geometry: PageGeometry,
  source: FurnitureSource,
): PlacedFurniture[] {
  const placed: PlacedFurniture[] = [];
  const place = (kind: 'head' | 'folio', paragraph: ComposedParagraph | null, line: number) => {
    if (paragraph === null || paragraph.broken.count === 0) return;
    const left = columnLeft(geometry, page.side);
    const slack = geometry.measure - paragraph.broken.textWidth[0];
    placed.push({ kind, paragraph, x: page.side === 'verso' ? left : left + slack, y: gridBaseline(geometry, line) });
  };
  const foot = geometry.lines - 1 + FOLIO_BELOW;
  if (page.role === 'text') {
    place('head', source.head(page), -HEAD_ABOVE);
    place('folio', source.folio(page.folio), foot);
  } else if (page.role === 'opener' && spec.furniture.dropFolio) place('folio', source.folio(page.folio), foot);
  return placed;
}
