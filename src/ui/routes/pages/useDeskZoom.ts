// Zooming with the wheel: the point under the pointer stays where it is on the screen.
import { useEffect, useRef, type RefObject } from 'react';
import { useAppDispatch } from '../../../state/hooks';
import { zoomChosen } from '../../../state/view/viewSlice';
import { PIXELS_PER_POINT, rowTop, type DeskGeometry } from './deskGeometry';

const SCALES = { least: 0.1, most: 32 };
/** One notch of a wheel. */
const WHEEL_STEP = 0.0015;

/** A point of a spread that stays where it is on the screen while the scale changes. */
export interface ZoomAnchor {
  readonly row: number;
  /** Offset in points inside the row. */
  readonly x: number;
  readonly y: number;
  /** Place in the view, in CSS pixels. */
  readonly viewX: number;
  readonly viewY: number;
}

/** Answers the point that the next scale is to keep in its place; null for none. */
export function useDeskZoom(
  scrollerRef: RefObject<HTMLElement | null>,
  geometry: DeskGeometry,
  spreads: number,
): RefObject<ZoomAnchor | null> {
  const dispatch = useAppDispatch();
  const anchorRef = useRef<ZoomAnchor | null>(null);
  useEffect(() => {
    const area = scrollerRef.current!;
    const { scale } = geometry;
    const wheel = (event: WheelEvent) => {
      if (!event.ctrlKey && !event.metaKey) return;
      event.preventDefault();
      const bounds = area.getBoundingClientRect();
      const [viewX, viewY] = [event.clientX - bounds.left, event.clientY - bounds.top];
      const row = Math.min(spreads - 1, Math.max(0, Math.floor((area.scrollTop + viewY) / geometry.rowStep)));
      const x = (area.scrollLeft + viewX - geometry.left) / scale;
      const y = (area.scrollTop + viewY - rowTop(geometry, row)) / scale;
      anchorRef.current = { row, x, y, viewX, viewY };
      const next = (scale / PIXELS_PER_POINT) * Math.exp(-event.deltaY * WHEEL_STEP);
      dispatch(zoomChosen({ kind: 'scale', scale: Math.min(SCALES.most, Math.max(SCALES.least, next)) }));
    };
    area.addEventListener('wheel', wheel, { passive: false });
    return () => area.removeEventListener('wheel', wheel);
  }, [dispatch, scrollerRef, geometry, spreads]);
  return anchorRef;
}
