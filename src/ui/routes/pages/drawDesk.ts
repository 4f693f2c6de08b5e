// Draws the spreads in view on one canvas of the view's size.
import type { Spread } from '../../../state/book/selectors';
import type { PageCache } from '../../../state/compose/pageCache';
import { drawBleed, drawMarks } from '../../pageView/drawMarks';
import { drawPage } from '../../pageView/drawPage';
import type { PictureSource } from '../../pageView/pageDrawing';
import { pageLeft, rowsInView, rowTop, type DeskGeometry } from './deskGeometry';
import type { DeskMarks } from './useDeskMarks';
import type { ViewSize } from './useViewSize';

/** What is drawn, and the part of it that is in view. */
export interface DeskView {
  readonly spreads: readonly Spread[];
  readonly geometry: DeskGeometry;
  readonly view: ViewSize;
  readonly marks: DeskMarks;
  /** Scrolled so far, in CSS pixels. */
  readonly scrollLeft: number;
  readonly scrollTop: number;
}

const SPINE = 'rgba(0,0,0,0.14)';

export function drawDesk(
  canvas: HTMLCanvasElement,
  { spreads, geometry, view, marks, scrollLeft, scrollTop }: DeskView,
  cache: PageCache,
  pictures: PictureSource,
): void {
  const context = canvas.getContext('2d');
  if (context === null || view.width === 0) return;
  const ratio = window.devicePixelRatio || 1;
  const [width, height] = [Math.round(view.width * ratio), Math.round(view.height * ratio)];
  if (canvas.width !== width || canvas.height !== height) Object.assign(canvas, { width, height });
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, width, height);
  const styles = getComputedStyle(canvas);
  const [paper, ink] = [styles.getPropertyValue('--paper'), styles.getPropertyValue('--paper-ink')];
  const [pageWidth, pageHeight] = [geometry.pageWidth * ratio, geometry.pageHeight * ratio].map(Math.round);
  const outlines = (face: string, glyph: number) => cache.outline(face, glyph);
  const [first, last] = rowsInView(geometry, scrollTop, view.height, spreads.length);
  for (let row = first; row <= last; row += 1) {
    const { verso, recto } = spreads[row];
    const y = Math.round((rowTop(geometry, row) - scrollTop) * ratio);
    for (const [side, page] of [verso, recto].entries()) {
      if (page === null) continue;
      const x = Math.round((pageLeft(geometry, side) - scrollLeft) * ratio);
      context.fillStyle = paper;
      context.fillRect(x, y, pageWidth, pageHeight);
      const list = cache.get(page.index);
      if (list !== undefined) drawPage(context, list, { outlines, pictures, x, y, scale: geometry.scale * ratio, ink });
      const place = { x, y, scale: geometry.scale * ratio, ratio, width: pageWidth, height: pageHeight };
      if (marks.areShown) drawMarks(context, marks.of(page), place);
      else if (page.role === 'plate') drawBleed(context, marks.of(page), place);
      if (side === 0 || verso === null) continue;
      context.fillStyle = SPINE;
      context.fillRect(x, y, Math.max(1, Math.round(ratio)), pageHeight);
    }
  }
}
