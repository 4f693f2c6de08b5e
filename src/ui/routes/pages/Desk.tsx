// The desk: a scrolled area of spreads. One canvas of the view's size draws what is in view from display lists, so that
// it is sharp at any zoom and memory stays the same; invisible text lies over the pages in view.
import {
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type MouseEvent,
  type RefObject,
} from 'react';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { selectFacing, selectSpreads } from '../../../state/book/selectors';
import { paragraphPointed, spreadReached } from '../../../state/view/viewSlice';
import { usePageCache, usePictures } from '../../pageView/pageCacheContext';
import { deskGeometry, fitScale, PIXELS_PER_POINT, rowsInView, rowTop, type DeskGeometry } from './deskGeometry';
import { DeskPages } from './DeskPages';
import { drawDesk } from './drawDesk';
import { paragraphAt, paragraphsOf } from './pointing';
import { useDeskDrop } from './useDeskDrop';
import { useDeskKeys } from './useDeskKeys';
import { useDeskMarks } from './useDeskMarks';
import { useDeskZoom } from './useDeskZoom';
import { useHandTool } from './useHandTool';
import { useLookedAtLine } from './useLookedAtLine';
import { useViewSize, type ViewSize } from './useViewSize';

export function Desk({ onScale }: { onScale: (percent: number) => void }) {
  const dispatch = useAppDispatch();
  const spreads = useAppSelector(selectSpreads);
  const { spread: current, paragraph: pointed } = useAppSelector((state) => state.view);
  const { cache, version } = usePageCache();
  const scroller = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const view = useViewSize(scroller);
  const geometry = useDeskGeometry(view, spreads.length);
  const hand = useHandTool(scroller);
  useEffect(() => onScale(Math.round((geometry.scale / PIXELS_PER_POINT) * 100)), [onScale, geometry.scale]);

  const pictures = usePictures();
  const marks = useDeskMarks();
  const draw = useCallback(() => {
    const [element, area] = [canvas.current, scroller.current];
    if (element === null || area === null) return;
    const { scrollLeft, scrollTop } = area;
    drawDesk(element, { spreads, geometry, view, marks, scrollLeft, scrollTop }, cache, pictures);
  }, [cache, geometry, marks, pictures, spreads, view]);
  useEffect(draw, [draw, version]);

  const [rows, settle] = useSettling(scroller, geometry, view, draw);
  useLookedAtLine(scroller, geometry, view.height, cache, version);
  const inView = useMemo(() => spreads.slice(rows[0], rows[1] + 1), [spreads, rows]);

  const pointBeside = useCallback(
    (step: 1 | -1) => {
      const pages = [spreads[current]?.verso, spreads[current]?.recto];
      const places = paragraphsOf(pages.map((page) => (page ? cache.get(page.index) : undefined)));
      const at = places.findIndex((place) => place.block === pointed?.block && place.stream === pointed.stream);
      const next = places[at < 0 ? (step > 0 ? 0 : places.length - 1) : at + step];
      if (next !== undefined) dispatch(paragraphPointed(next));
    },
    [cache, current, dispatch, pointed, spreads],
  );
  useDeskKeys(current, spreads.length, pointBeside);
  const point = useCallback(
    (event: MouseEvent) => {
      // Text selected by dragging stays selected.
      if (!window.getSelection()?.isCollapsed) return;
      dispatch(paragraphPointed(paragraphAt(event.target as HTMLElement, event.clientX, cache, geometry.scale)));
    },
    [cache, dispatch, geometry.scale],
  );

  const { over, trouble, close, ...drop } = useDeskDrop();

  return (
    <>
      {trouble !== '' && (
        <p
          role="alert"
          className="flex justify-between gap-4 border-y border-hairline bg-base-100 px-5 py-1.5 text-error"
        >
          {trouble}
          <button className="underline" onClick={close}>
            Close
          </button>
        </p>
      )}
      <div
        ref={scroller}
        className={`relative min-h-0 grow overflow-auto ${hand}`}
        onScroll={settle}
        onClick={point}
        {...drop}
        tabIndex={0}
        role="region"
        aria-label="Spreads"
      >
        <div className="relative" style={{ width: geometry.width, height: geometry.height }}>
          <canvas ref={canvas} aria-hidden className="sticky left-0 top-0 block" style={view} />
          <DeskPages spreads={inView} geometry={geometry} pointed={over ?? pointed} cache={cache} version={version} />
        </div>
      </div>
    </>
  );
}

/** Where spreads stand at the zoom that was chosen: one object while nothing of it changes. */
function useDeskGeometry({ width, height }: ViewSize, spreads: number): DeskGeometry {
  const page = useAppSelector((state) => state.compose.summary!.geometry);
  const zoom = useAppSelector((state) => state.view.zoom);
  const across = useAppSelector(selectFacing) ? 2 : 1;
  return useMemo(() => {
    const pageSize = { pageWidth: page.width, pageHeight: page.height };
    const sizes = { viewWidth: width, viewHeight: height, ...pageSize, spreads, across } as const;
    const scale = zoom.kind === 'scale' ? zoom.scale * PIXELS_PER_POINT : fitScale(zoom.kind, sizes);
    return deskGeometry(scale, sizes);
  }, [width, height, page.width, page.height, spreads, across, zoom]);
}

/**
 * Holds the view to its place while scale, view or book change: to the point that the wheel zooms at, else to the current spread.
 * Answers the rows in view, first and last, and what is to be done after scrolling.
 */
function useSettling(
  scrollerRef: RefObject<HTMLElement | null>,
  geometry: DeskGeometry,
  view: ViewSize,
  draw: () => void,
): [readonly [number, number], () => void] {
  const dispatch = useAppDispatch();
  const spreads = useAppSelector(selectSpreads).length;
  const { jump, spread: current } = useAppSelector((state) => state.view);
  const { width: viewWidth, height: viewHeight } = view;
  const anchorRef = useDeskZoom(scrollerRef, geometry, spreads);
  const [rows, setRows] = useState<readonly [number, number]>([0, 0]);
  const settle = useCallback(() => {
    const area = scrollerRef.current;
    if (area === null) return;
    const found = rowsInView(geometry, area.scrollTop, viewHeight, spreads);
    setRows((old) => (old[0] === found[0] && old[1] === found[1] ? old : found));
    const middle = Math.round((area.scrollTop + viewHeight / 2 - geometry.pageHeight / 2) / geometry.rowStep);
    dispatch(spreadReached(Math.min(spreads - 1, Math.max(0, middle))));
    draw();
  }, [dispatch, draw, geometry, scrollerRef, spreads, viewHeight]);

  const placedRef = useRef({ scale: 0, jump: -1, rows: 0 });
  const { scale } = geometry;
  useLayoutEffect(() => {
    const area = scrollerRef.current;
    if (area === null || viewWidth === 0) return;
    const was = placedRef.current;
    const held = anchorRef.current;
    if (was.jump !== jump || (was.scale !== scale && held === null) || was.rows === 0)
      showRow(area, geometry, current, viewHeight);
    else if (was.scale !== scale && held !== null) {
      area.scrollLeft = geometry.left + held.x * scale - held.viewX;
      area.scrollTop = rowTop(geometry, held.row) + held.y * scale - held.viewY;
    }
    anchorRef.current = null;
    placedRef.current = { scale, jump, rows: spreads };
    // Which rows are in view is known from the place to which the view has just gone.
    settle();
    // The current spread follows the view: a change of it alone moves nothing.
  }, [jump, scale, viewWidth, viewHeight, spreads]); // eslint-disable-line react-hooks/exhaustive-deps
  return [rows, settle];
}

/** Brings a row into view: in its middle when it fits, else its top. */
function showRow(area: HTMLElement, geometry: DeskGeometry, row: number, viewHeight: number): void {
  area.scrollTop = rowTop(geometry, row) - Math.max(2, (viewHeight - geometry.pageHeight) / 2);
  if (geometry.width > area.clientWidth) area.scrollLeft = (geometry.width - area.clientWidth) / 2;
}
