// The desk: a scrolled area of spreads. One canvas of the view's size draws what is in view from display lists, so that
// it is sharp at any zoom and memory stays the same; invisible text lies over the pages in view.
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { DisplayList } from '../../../core/model/composed/displayList';
import { useAppDispatch, useAppSelector } from '../../../state/hooks';
import { selectSpreads } from '../../../state/book/selectors';
import {
  paragraphPointed,
  spreadCalled,
  spreadReached,
  zoomChosen,
  type ParagraphPlace,
} from '../../../state/view/viewSlice';
import { isTyping } from '../../frame/useShortcuts';
import { drawPage } from '../../pageView/drawPage';
import { usePageCache, usePictures } from '../../pageView/pageCacheContext';
import { TextLayer } from '../../pageView/TextLayer';
import { deskGeometry, fitScale, PIXELS_PER_POINT, rowsInView, rowTop, type DeskGeometry } from './deskGeometry';
import { Bracket } from './Bracket';
import { useHandTool } from './useHandTool';

const SCALES = { least: 0.1, most: 32 };
/** One notch of a wheel. */
const WHEEL_STEP = 0.0015;

/** A point of a spread that stays where it is on the screen while the scale changes. */
interface Anchor {
  readonly row: number;
  /** Offset in points inside the row. */
  readonly x: number;
  readonly y: number;
  /** Place in the view, in CSS pixels. */
  readonly viewX: number;
  readonly viewY: number;
}

export function Desk({ onScale }: { onScale: (percent: number) => void }) {
  const dispatch = useAppDispatch();
  const spreads = useAppSelector(selectSpreads);
  const size = useAppSelector((state) => state.compose.summary!.geometry);
  const { zoom, jump, spread: current, paragraph: pointed } = useAppSelector((state) => state.view);
  const { cache, version } = usePageCache();
  const pictures = usePictures();
  const scroller = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const anchor = useRef<Anchor | null>(null);
  const view = useViewSize(scroller);
  const sizes = {
    viewWidth: view.width,
    viewHeight: view.height,
    pageWidth: size.width,
    pageHeight: size.height,
    spreads: spreads.length,
  };
  const scale = zoom.kind === 'scale' ? zoom.scale * PIXELS_PER_POINT : fitScale(zoom.kind, sizes);
  const geometry = deskGeometry(scale, sizes);
  const [rows, setRows] = useState<[number, number]>([0, 0]);
  const hand = useHandTool(scroller);

  useEffect(() => onScale(Math.round((scale / PIXELS_PER_POINT) * 100)), [onScale, scale]);

  const draw = useCallback(() => {
    const element = canvas.current;
    const area = scroller.current;
    const context = element?.getContext('2d');
    if (!element || !area || !context || view.width === 0) return;
    const ratio = window.devicePixelRatio || 1;
    const [width, height] = [Math.round(view.width * ratio), Math.round(view.height * ratio)];
    if (element.width !== width || element.height !== height) Object.assign(element, { width, height });
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, width, height);
    const styles = getComputedStyle(element);
    const [paper, ink] = [styles.getPropertyValue('--paper'), styles.getPropertyValue('--paper-ink')];
    const [first, last] = rowsInView(geometry, area.scrollTop, view.height, spreads.length);
    for (let row = first; row <= last; row += 1) {
      const pages = [spreads[row].verso, spreads[row].recto];
      pages.forEach((page, side) => {
        if (page === null) return;
        const x = Math.round((geometry.left + side * geometry.pageWidth - area.scrollLeft) * ratio);
        const y = Math.round((rowTop(geometry, row) - area.scrollTop) * ratio);
        context.fillStyle = paper;
        context.fillRect(x, y, Math.round(geometry.pageWidth * ratio), Math.round(geometry.pageHeight * ratio));
        const list = cache.get(page.index);
        if (list !== undefined)
          drawPage(
            context,
            list,
            (face, glyph) => cache.outline(face, glyph),
            x,
            y,
            geometry.scale * ratio,
            ink,
            pictures,
          );
        if (side === 1 && pages[0] !== null) {
          context.fillStyle = 'rgba(0,0,0,0.14)';
          context.fillRect(x, y, Math.max(1, Math.round(ratio)), Math.round(geometry.pageHeight * ratio));
        }
      });
    }
  }, [cache, geometry, pictures, spreads, view]);

  const settle = useCallback(() => {
    const area = scroller.current;
    if (!area) return;
    const found = rowsInView(geometry, area.scrollTop, view.height, spreads.length);
    setRows((old) => (old[0] === found[0] && old[1] === found[1] ? old : found));
    const middle = Math.round((area.scrollTop + view.height / 2 - geometry.pageHeight / 2) / geometry.rowStep);
    dispatch(spreadReached(Math.min(spreads.length - 1, Math.max(0, middle))));
    draw();
  }, [dispatch, draw, geometry, spreads.length, view.height]);

  // Keep the anchored point in its place when the scale changes; without one, keep the current spread in view.
  const placed = useRef({ scale: 0, jump: -1, rows: 0 });
  useLayoutEffect(() => {
    const area = scroller.current;
    if (!area || view.width === 0) return;
    const was = placed.current;
    if (was.jump !== jump || (was.scale !== scale && anchor.current === null) || was.rows === 0)
      showRow(area, geometry, current, view.height);
    else if (was.scale !== scale && anchor.current !== null) {
      area.scrollLeft = geometry.left + anchor.current.x * scale - anchor.current.viewX;
      area.scrollTop = rowTop(geometry, anchor.current.row) + anchor.current.y * scale - anchor.current.viewY;
    }
    anchor.current = null;
    placed.current = { scale, jump, rows: spreads.length };
    settle();
  }, [jump, scale, view.width, view.height, spreads.length]); // eslint-disable-line react-hooks/exhaustive-deps

  useEffect(draw, [draw, version]);

  useEffect(() => {
    const area = scroller.current!;
    const wheel = (event: WheelEvent) => {
      if (!event.ctrlKey && !event.metaKey) return;
      event.preventDefault();
      const bounds = area.getBoundingClientRect();
      const [viewX, viewY] = [event.clientX - bounds.left, event.clientY - bounds.top];
      const row = Math.min(spreads.length - 1, Math.max(0, Math.floor((area.scrollTop + viewY) / geometry.rowStep)));
      const x = (area.scrollLeft + viewX - geometry.left) / scale;
      const y = (area.scrollTop + viewY - rowTop(geometry, row)) / scale;
      anchor.current = { row, x, y, viewX, viewY };
      const next = (scale / PIXELS_PER_POINT) * Math.exp(-event.deltaY * WHEEL_STEP);
      dispatch(zoomChosen({ kind: 'scale', scale: Math.min(SCALES.most, Math.max(SCALES.least, next)) }));
    };
    area.addEventListener('wheel', wheel, { passive: false });
    return () => area.removeEventListener('wheel', wheel);
  }, [dispatch, geometry, scale, spreads.length]);

  /** Points at the paragraph after or before the one pointed at, among those of the spread in view. */
  const pointBeside = useCallback(
    (step: 1 | -1) => {
      const spread = spreads[current];
      const shown = [spread?.verso, spread?.recto].flatMap((page) =>
        page ? (cache.get(page.index)?.items ?? []) : [],
      );
      const places: ParagraphPlace[] = [];
      for (const { source } of shown) {
        const last = places[places.length - 1];
        if (source !== null && (last?.block !== source.block || last.stream !== source.stream))
          places.push({ stream: source.stream, block: source.block });
      }
      const at = places.findIndex((place) => place.block === pointed?.block && place.stream === pointed.stream);
      const next = places[at < 0 ? (step > 0 ? 0 : places.length - 1) : at + step];
      if (next !== undefined) dispatch(paragraphPointed(next));
    },
    [cache, current, dispatch, pointed, spreads],
  );

  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key === 'Escape') dispatch(paragraphPointed(null));
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const key = event.key.toLowerCase();
      const moves: Record<string, number> = {
        arrowleft: current - 1,
        arrowright: current + 1,
        home: 0,
        end: spreads.length - 1,
      };
      if (key in moves) {
        event.preventDefault();
        dispatch(spreadCalled(Math.min(spreads.length - 1, Math.max(0, moves[key]))));
      } else if (key === 'n' || key === 'p') pointBeside(key === 'n' ? 1 : -1);
      else if (key === 's') dispatch(zoomChosen({ kind: 'spread' }));
      else if (key === 'w') dispatch(zoomChosen({ kind: 'width' }));
      else if (key === 'a') dispatch(zoomChosen({ kind: 'scale', scale: 1 }));
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [dispatch, current, spreads.length, pointBeside]);

  /** Points at the paragraph clicked on; a click beside all text points at none. Text selected by dragging stays selected. */
  const point = (event: React.MouseEvent) => {
    if (!window.getSelection()?.isCollapsed) return;
    const target = (event.target as HTMLElement).closest<HTMLElement>('[data-block]');
    const page = target?.closest<HTMLElement>('[data-page]');
    const { stream, block, item } = target?.dataset ?? {};
    if (!stream || !block) return void dispatch(paragraphPointed(null));
    const list = page == null ? undefined : cache.get(Number(page.dataset.page) - 1);
    const left = (event.clientX - (page?.getBoundingClientRect().left ?? 0)) / scale;
    const offset = list === undefined || item === undefined ? undefined : offsetAt(list, Number(item), left);
    dispatch(paragraphPointed({ stream, block, ...(offset === undefined ? {} : { offset }) }));
  };

  return (
    <div
      ref={scroller}
      className={`relative min-h-0 grow overflow-auto ${hand}`}
      onScroll={settle}
      onClick={point}
      tabIndex={0}
      role="region"
      aria-label="Spreads"
    >
      <div className="relative" style={{ width: geometry.width, height: geometry.height }}>
        <canvas
          ref={canvas}
          aria-hidden
          className="sticky left-0 top-0 block"
          style={{ width: view.width, height: view.height }}
        />
        {spreads.slice(rows[0], rows[1] + 1).map((spread) =>
          [spread.verso, spread.recto].map((page, side) => {
            const list = page ? cache.get(page.index) : undefined;
            if (!page) return null;
            return (
              <article
                key={page.index}
                data-page={page.index + 1}
                data-role={page.role}
                aria-label={`Page ${page.index + 1}, folio ${page.folio}${page.role === 'blank' ? ', blank' : ''}`}
                className="absolute overflow-hidden"
                style={{
                  left: geometry.left + side * geometry.pageWidth,
                  top: rowTop(geometry, spread.index),
                  width: geometry.pageWidth,
                  height: geometry.pageHeight,
                }}
              >
                {list && <TextLayer list={list} scale={geometry.scale} />}
                {list && pointed && (
                  <Bracket list={list} place={pointed} scale={geometry.scale} side={side === 0 ? 'verso' : 'recto'} />
                )}
              </article>
            );
          }),
        )}
      </div>
    </div>
  );
}

/** The place in the text of the glyph of an item that stands at `left` on its page, in points. */
function offsetAt(list: DisplayList, index: number, left: number): number | undefined {
  const item = list.items[index];
  if (item === undefined || item.source === null || item.count === 0) return undefined;
  let found = 0;
  for (let k = 0; k < item.count; k += 1) if (list.xs[item.first + k] <= left) found = k;
  return list.sourceOffsets[item.first + found];
}

/** Brings a row into view: in its middle when it fits, else its top. */
function showRow(area: HTMLElement, geometry: DeskGeometry, row: number, viewHeight: number): void {
  area.scrollTop = rowTop(geometry, row) - Math.max(2, (viewHeight - geometry.pageHeight) / 2);
  if (geometry.width > area.clientWidth) area.scrollLeft = (geometry.width - area.clientWidth) / 2;
}

function useViewSize(box: React.RefObject<HTMLElement | null>) {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = box.current!;
    const measure = () =>
      setSize((old) =>
        old.width === element.clientWidth && old.height === element.clientHeight
          ? old
          : { width: element.clientWidth, height: element.clientHeight },
      );
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    measure();
    return () => observer.disconnect();
  }, [box]);
  return size;
}
