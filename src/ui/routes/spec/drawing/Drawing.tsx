// The page as a dimensioned drawing: a spread to scale with the book's own text in its type area, every measure typed
// where it stands.
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { selectLookedAt } from '../../../../state/view/lookedAt';
import { spreadDrawn, type ParagraphPlace } from '../../../../state/view/viewSlice';
import type { Spread } from '../../../../state/book/selectors';
import type { PageCache } from '../../../../state/compose/pageCache';
import type { PageSummary } from '../../../../worker/typesetClient';
import { usePageCache } from '../../../pageView/pageCacheContext';
import { useUnits } from '../../../components/useUnits';
import { FurnitureSlots } from '../furniture/FurnitureSlots';
import { FurnitureStrips } from '../furniture/FurnitureStrips';
import { GuideEdges } from './GuideEdges';
import { Handles } from './Handles';
import { drawingLayout, type DrawingLayout } from './layout';
import { CHIP_WIDTH } from './LengthChip';
import { OpenerLines } from './OpenerLines';
import type { DisplayList } from '../../../../core/model/composed/displayList';
import { Layers, Rulers } from './Layers';
import { LiveSpread } from './LiveSpread';
import { PageMeasures } from './PageMeasures';
import { ParagraphDimensions } from './ParagraphDimensions';
import { TextDimensions } from './TextDimensions';
import { useDrawingView } from './useDrawingView';
import { lineOfPlace } from '../../../pageView/lineOfPlace';
import { READ_TOPICS, useShownSpread } from './shownSpread';
import { useSpec } from '../useSetSpec';

/** Pixels by which the frame of the type area stands off the letters. */
const FRAME = 3;

export function Drawing() {
  const { spec } = useSpec();
  const { box, width, height } = useSize();
  useDrawnSpread(useShownSpread().spread);
  const { trim } = spec.page;
  const capHeight = useAppSelector((state) => state.compose.summary?.geometry.capHeight) ?? 0;
  const topic = useAppSelector((state) => state.view.topic);
  const slot = useAppSelector((state) => state.view.slot);
  const { spread, isExample } = useShownSpread();
  const pointed = useAppSelector(selectLookedAt);
  const { cache, version: _ } = usePageCache();
  const place = placeOnSpread(spread, (page) => cache.get(page), pointed);
  const side = (topic === 'notes' ? sideWithNotes(spread, cache) : null) ?? sideOf(topic, spread, place?.side ?? null);
  const focus = { topic, slot, side, block: pointed?.block ?? null, paragraphY: place?.y ?? null };
  const { view, drag, isMoved } = useDrawingView(box, spec, focus, { width, height });
  const layout = drawingLayout(spec, capHeight, width, height, view);
  const { left, recto, right, top, h, edge, pages } = layout;
  const shown = useAppSelector((state) => state.view.layers);
  const units = useUnits();
  // Only the whole spread is measured: its parts show what their topic sets.
  const isClean = shown.length === 1 && shown[0] === 'text';
  const measured = shown.includes('measures') && topic !== 'furniture' && (topic === 'page' || view === null);
  // Heads and feet of both pages do not fit at a size that can be judged, but for what is between them.
  if (topic === 'furniture' && slot === null && !isMoved)
    return (
      <div ref={box} className="relative min-h-0 grow overflow-hidden">
        {width > 0 && <FurnitureStrips size={{ width, height }} capHeight={capHeight} isExample={isExample} />}
      </div>
    );
  return (
    <div ref={box} className="relative min-h-0 grow touch-none overflow-hidden" onPointerDown={drag}>
      {width > 0 && (
        <>
          {shown.includes('text') ? (
            <LiveSpread layout={layout} isExample={isExample} />
          ) : (
            <div className="absolute bg-paper" style={{ left, top, width: right - left, height: h }} />
          )}
          <svg width={width} height={height} className="pointer-events-none absolute inset-0" aria-hidden>
            {!isClean && (
              <g fill="none" stroke="var(--quiet)" strokeWidth={1}>
                <rect x={left + 0.5} y={top + 0.5} width={right - left} height={h} />
                {pages === 2 && <line x1={recto} x2={recto} y1={top} y2={top + h} />}
              </g>
            )}
            <Layers spec={spec} layout={layout} shown={shown} />
            {shown.includes('rulers') && (
              <Rulers layout={layout} unit={units.unit ?? trim.width.unit} dpi={units.dpi} />
            )}
            {!isClean && (
              <g fill="none" stroke="#27694b" strokeWidth={1}>
                {/* Beside the letters, not through them. */}
                {[...new Set([edge.versoLeft, edge.rectoLeft])].map((x) => (
                  <rect
                    key={x}
                    x={x - FRAME}
                    y={edge.head - FRAME}
                    width={edge.rectoRight - edge.rectoLeft + 2 * FRAME}
                    height={edge.foot - edge.head + 2 * FRAME}
                  />
                ))}
              </g>
            )}
          </svg>
          {!isClean && (
            <>
              <GuideEdges layout={layout} />
              <Handles layout={layout} />
              <Openers layout={layout} />
              <TextDimensions layout={layout} focus={focus} />
              <ParagraphDimensions layout={layout} focus={focus} />
              <FurnitureOnDrawing layout={layout} />
            </>
          )}
          {measured && <PageMeasures layout={layout} hasRulers={shown.includes('rulers')} />}
          {pages === 2 && !isClean && (
            <>
              <p className="absolute text-quiet" style={{ left, top: top + h + 11 }}>
                verso
              </p>
              <p
                className="absolute -translate-x-full text-quiet"
                style={{ left: right - CHIP_WIDTH - 16, top: top + h + 11 }}
              >
                recto
              </p>
            </>
          )}
        </>
      )}
    </div>
  );
}

/** Which page of the spread a topic works on: that of the paragraph, the opener, the contents; else the recto. */
function sideOf(topic: string, spread: Spread | undefined, found: 'verso' | 'recto' | null): 'verso' | 'recto' {
  if (found !== null && READ_TOPICS.has(topic)) return found;
  if (
    (topic === 'openers' || topic === 'numbers' || topic === 'contents') &&
    spread?.recto?.role !== 'opener' &&
    spread?.verso?.role === 'opener'
  )
    return 'verso';
  return spread?.recto == null ? 'verso' : 'recto';
}

/** The page of the spread that has notes at its foot; null: neither is known to. */
function sideWithNotes(spread: Spread | undefined, cache: PageCache): 'verso' | 'recto' | null {
  const has = (page: PageSummary | null | undefined) =>
    page != null && (cache.get(page.index)?.items.some(({ source }) => source?.meaning === 'note') ?? false);
  return has(spread?.recto) ? 'recto' : has(spread?.verso) ? 'verso' : null;
}

/** Where a paragraph stands on the spread, the line of its place or its middle; null: it is not there. */
function placeOnSpread(
  spread: Spread | undefined,
  listOf: (page: number) => DisplayList | undefined,
  place: ParagraphPlace | null,
): { readonly side: 'verso' | 'recto'; readonly y: number } | null {
  if (place === null) return null;
  for (const side of ['verso', 'recto'] as const) {
    const page = spread?.[side];
    const list = page ? listOf(page.index) : undefined;
    const y = list === undefined ? null : lineOfPlace(list, place);
    if (y !== null) return { side, y };
  }
  return null;
}

/** The openers of the spread that is shown, dimensioned, while openers are worked on. */
function Openers({ layout }: { layout: DrawingLayout }) {
  const topic = useAppSelector((state) => state.view.topic);
  const { spread } = useShownSpread();
  if (topic !== 'openers') return null;
  return (
    <>
      {[spread?.verso, spread?.recto].map(
        (page, side) =>
          page?.role === 'opener' && <OpenerLines key={page.index} layout={layout} page={page} isRecto={side === 1} />,
      )}
    </>
  );
}

/** The slots of furniture, to be edited where they stand. */
function FurnitureOnDrawing({ layout }: { layout: DrawingLayout }) {
  const topic = useAppSelector((state) => state.view.topic);
  return topic === 'furniture' ? <FurnitureSlots layout={layout} /> : null;
}

/** What is drawn is looked at, and composed before the rest; the view stays where it is. */
function useDrawnSpread(spread: Spread | undefined): void {
  const dispatch = useAppDispatch();
  const current = useAppSelector((state) => state.view.spread);
  const drawn = spread === undefined || spread.index === current ? null : spread.index;
  useEffect(() => {
    dispatch(spreadDrawn(drawn));
  }, [dispatch, drawn]);
  useEffect(() => () => void dispatch(spreadDrawn(null)), [dispatch]);
}

function useSize() {
  const box = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) =>
      setSize({ width: entry.contentRect.width, height: entry.contentRect.height }),
    );
    observer.observe(box.current!);
    return () => observer.disconnect();
  }, []);
  return { box, ...size };
}
