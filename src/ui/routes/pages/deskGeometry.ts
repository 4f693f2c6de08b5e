// Where spreads stand on the desk, in CSS pixels of the scrolled area.

/** A point of the page is this many CSS pixels at actual size (CSS: 96 px to the inch). */
export const PIXELS_PER_POINT = 96 / 72;
export const GAP = 26;
export const PAD = { x: 20, top: 2 };

export interface DeskGeometry {
  /** CSS pixels a point. */
  readonly scale: number;
  readonly pageWidth: number;
  readonly pageHeight: number;
  readonly left: number;
  /** Pages side by side: one where pages are single. */
  readonly across: 1 | 2;
  readonly rowStep: number;
  readonly width: number;
  readonly height: number;
}

interface Sizes {
  readonly viewWidth: number;
  readonly viewHeight: number;
  readonly pageWidth: number;
  readonly pageHeight: number;
  readonly spreads: number;
  readonly across: 1 | 2;
}

/** Scale at which a spread fits, whole or by its width. */
export function fitScale(kind: 'spread' | 'width', sizes: Sizes): number {
  const byWidth = (sizes.viewWidth - 2 * PAD.x) / (sizes.across * sizes.pageWidth);
  if (kind === 'width') return Math.max(0.05, byWidth);
  return Math.max(0.05, Math.min(byWidth, (sizes.viewHeight - 2 * PAD.top - 16) / sizes.pageHeight));
}

export function deskGeometry(scale: number, sizes: Sizes): DeskGeometry {
  const pageWidth = sizes.pageWidth * scale;
  const pageHeight = sizes.pageHeight * scale;
  const width = Math.max(sizes.viewWidth, sizes.across * pageWidth + 2 * PAD.x);
  const rowStep = pageHeight + GAP;
  return {
    scale,
    pageWidth,
    pageHeight,
    left: (width - sizes.across * pageWidth) / 2,
    across: sizes.across,
    rowStep,
    width,
    height: Math.max(sizes.viewHeight, sizes.spreads * rowStep - GAP + 2 * PAD.top + 14),
  };
}

/** Left edge of a page: 0 for the verso of a spread, 1 for its recto. */
export function pageLeft({ left, pageWidth, across }: DeskGeometry, side: number): number {
  return left + (across === 1 ? 0 : side * pageWidth);
}

export function rowTop(geometry: DeskGeometry, row: number): number {
  return PAD.top + row * geometry.rowStep;
}

/** Spreads of which something is in view: first and last. */
export function rowsInView(
  geometry: DeskGeometry,
  scrollTop: number,
  viewHeight: number,
  spreads: number,
): [number, number] {
  const clamp = (row: number) => Math.min(spreads - 1, Math.max(0, row));
  return [
    clamp(Math.floor((scrollTop - PAD.top) / geometry.rowStep)),
    clamp(Math.floor((scrollTop + viewHeight - PAD.top) / geometry.rowStep)),
  ];
}
