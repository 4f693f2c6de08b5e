// The page as a dimensioned drawing: a spread to scale with the book's own text in its type area, every measure typed
// where it stands.
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { useAppDispatch, useAppSelector } from '../../../../state/hooks';
import { spreadDrawn } from '../../../../state/view/viewSlice';
import { selectSpreads, type Spread } from '../../../../state/book/selectors';
import { usePageCache, usePictures } from '../../../pageView/pageCacheContext';
import { PageCanvas } from '../../../pageView/PageCanvas';
import { useUnits } from '../../../components/useUnits';
import type { PageRole } from '../../../../core/model/spec/pageRoles';
import { FurnitureSlots } from '../furniture/FurnitureSlots';
import { Handles } from './Handles';
import { drawingLayout, type DrawingLayout } from './layout';
import { CHIP_WIDTH, LengthChip } from './LengthChip';
import { OpenerLines } from './OpenerLines';
import type { DisplayList } from '../../../../core/model/composed/displayList';
import { Layers, Rulers } from './Layers';
import { TextDimensions } from './TextDimensions';
import { useDrawingView } from './useDrawingView';
import { useSpec } from '../useSetSpec';

/** Pixels by which the frame of the type area stands off the letters. */
const FRAME = 3;

export function Drawing() {
  const { spec } = useSpec();
  const { box, width, height } = useSize();
  const { trim, margins } = spec.page;
  const capHeight = useAppSelector((state) => state.compose.summary?.geometry.capHeight) ?? 0;
  const topic = useAppSelector((state) => state.view.topic);
  const slot = useAppSelector((state) => state.view.slot);
  const spread = useShownSpread();
  const pointed = useAppSelector((state) => state.view.paragraph);
  const { cache, version: _ } = usePageCache();
  const place = placeOnSpread(spread, (page) => cache.get(page), pointed?.block ?? null);
  const focus = { topic, slot, side: sideOf(topic, spread, place?.side ?? null), paragraphY: place?.y ?? null };
  const { view, drag } = useDrawingView(box, spec, focus, { width, height });
  const layout = drawingLayout(spec, capHeight, width, height, view);
  const { scale, left, top, w, h, area, edge } = layout;
  const shown = useAppSelector((state) => state.view.layers);
  const units = useUnits();
  // Only the whole spread is measured: its parts show what their topic sets.
  const measured = shown.includes('measures') && topic !== 'furniture' && (topic === 'page' || view === null);
  /** Back and fore-edge are dimensioned low in the foot, clear of the folio. */
  const sideY = Math.max(edge.foot + 6, top + h - 38);
  return (
    <div ref={box} className="relative min-h-0 grow touch-none overflow-hidden" onPointerDown={drag}>
      {width > 0 && (
        <>
          {shown.includes('text') ? (
            <LiveSpread left={left} top={top} width={w} height={h} />
          ) : (
            <div className="absolute bg-paper" style={{ left, top, width: 2 * w, height: h }} />
          )}
          <svg width={width} height={height} className="pointer-events-none absolute inset-0" aria-hidden>
            <g fill="none" stroke="var(--quiet)" strokeWidth={1}>
              <rect x={left + 0.5} y={top + 0.5} width={2 * w} height={h} />
              <line x1={left + w} x2={left + w} y1={top} y2={top + h} />
            </g>
            <Layers spec={spec} layout={layout} shown={shown} />
            {shown.includes('rulers') && (
              <Rulers layout={layout} unit={units.unit ?? trim.width.unit} dpi={units.dpi} />
            )}
            <g fill="none" stroke="#27694b" strokeWidth={1}>
              {/* Beside the letters, not through them. */}
              <rect
                x={edge.versoLeft - FRAME}
                y={edge.head - FRAME}
                width={edge.versoRight - edge.versoLeft + 2 * FRAME}
                height={edge.foot - edge.head + 2 * FRAME}
              />
              <rect
                x={edge.rectoLeft - FRAME}
                y={edge.head - FRAME}
                width={edge.rectoRight - edge.rectoLeft + 2 * FRAME}
                height={edge.foot - edge.head + 2 * FRAME}
              />
            </g>
            {measured && (
              <>
                <Dimension x1={left} x2={left + w} y={top - 22} />
                <Dimension x1={edge.rectoLeft} x2={edge.rectoRight} y={top - 22} />
                <Dimension vertical x1={top} x2={top + h} y={left - 42} />
                <Dimension vertical x1={edge.head} x2={edge.foot} y={left + 2 * w + 34} />
                <Dimension vertical x1={top} x2={edge.head} y={left + w / 2} onPaper />
                <Dimension vertical x1={edge.foot} x2={top + h} y={left + w / 2} onPaper />
                <Dimension x1={left + w} x2={edge.rectoLeft} y={sideY} onPaper />
                <Dimension x1={edge.rectoRight} x2={left + 2 * w} y={sideY} onPaper />
              </>
            )}
          </svg>
          <Handles layout={layout} />
          <Openers layout={layout} />
          <TextDimensions layout={layout} focus={focus} />
          <FurnitureOnDrawing layout={layout} />
          {measured && (
            <>
              <LengthChip label="Trim width" path="page.trim.width" value={trim.width} x={left + w / 2} y={top - 22} />
              <LengthChip
                label="Trim height"
                path="page.trim.height"
                value={trim.height}
                x={left - 42}
                y={top + h / 2}
              />
              <LengthChip
                label="Head margin"
                path="page.margins.head"
                value={margins.head}
                x={left + w / 2 + 44}
                y={(top + edge.head) / 2}
              />
              <LengthChip
                label="Foot margin"
                path="page.margins.foot"
                value={margins.foot}
                x={left + w / 2 + 44}
                y={(edge.foot + top + h) / 2}
              />
              <LengthChip
                label="Back margin"
                path="page.margins.back"
                value={margins.back}
                x={left + w + Math.max(margins.back.pt * scale, CHIP_WIDTH + 8) / 2}
                y={sideY + 18}
              />
              <LengthChip
                label="Fore-edge margin"
                path="page.margins.foreEdge"
                value={margins.foreEdge}
                x={left + 2 * w - Math.max(margins.foreEdge.pt * scale, CHIP_WIDTH + 8) / 2}
                y={sideY + 18}
              />
              <Fact
                x={(edge.rectoLeft + edge.rectoRight) / 2}
                y={top - 22}
                words={units.show({ pt: area.measure, unit: margins.back.unit })}
              />
              <Fact x={left + 2 * w + 34} y={(edge.head + edge.foot) / 2} words={`${area.lines} lines`} />
            </>
          )}
          <p className="absolute text-quiet" style={{ left, top: top + h + 6 }}>
            {spec.page.facing ? 'verso' : ''}
          </p>
          <p className="absolute -translate-x-full text-quiet" style={{ left: left + 2 * w, top: top + h + 6 }}>
            {spec.page.facing ? 'recto' : ''}
          </p>
        </>
      )}
    </div>
  );
}

/** Which page of the spread a topic works on: that of the paragraph, the opener, the contents; else the recto. */
function sideOf(topic: string, spread: Spread | undefined, found: 'verso' | 'recto' | null): 'verso' | 'recto' {
  if (found !== null && topic === 'styles') return found;
  if (
    (topic === 'openers' || topic === 'numbers') &&
    spread?.recto?.role !== 'opener' &&
    spread?.verso?.role === 'opener'
  )
    return 'verso';
  return spread?.recto == null ? 'verso' : 'recto';
}

/** Where a paragraph stands on the spread; null: it is not there. */
function placeOnSpread(
  spread: Spread | undefined,
  listOf: (page: number) => DisplayList | undefined,
  block: string | null,
): { readonly side: 'verso' | 'recto'; readonly y: number } | null {
  if (block === null) return null;
  for (const side of ['verso', 'recto'] as const) {
    const page = spread?.[side];
    const lines = page ? (listOf(page.index)?.items.filter(({ source }) => source?.block === block) ?? []) : [];
    if (lines.length > 0) return { side, y: lines[Math.floor(lines.length / 2)].y };
  }
  return null;
}

/** The openers of the spread that is shown, dimensioned, while openers are worked on. */
function Openers({ layout }: { layout: DrawingLayout }) {
  const topic = useAppSelector((state) => state.view.topic);
  const spread = useShownSpread();
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

function useShownSpread(): Spread | undefined {
  const spreads = useAppSelector(selectSpreads);
  const current = useAppSelector((state) => state.view.spread);
  const topic = useAppSelector((state) => state.view.topic);
  const role = useAppSelector((state) => state.view.furnitureRole);
  return spreadFor(topic, spreads, current, role);
}

/** Two facing pages of the book with text on both, as composed last. */
function LiveSpread({ left, top, width, height }: { left: number; top: number; width: number; height: number }) {
  const { cache, version } = usePageCache();
  const pictures = usePictures();
  const dispatch = useAppDispatch();
  const spread = useShownSpread();
  const current = useAppSelector((state) => state.view.spread);
  // What is drawn is looked at, and composed before the rest; the view stays where it is.
  const drawn = spread === undefined || spread.index === current ? null : spread.index;
  useEffect(() => {
    dispatch(spreadDrawn(drawn));
  }, [dispatch, drawn]);
  useEffect(() => () => void dispatch(spreadDrawn(null)), [dispatch]);
  const isAhead = [spread?.verso, spread?.recto].some((page) => page && cache.isAhead(page.index));
  return (
    <>
      {isAhead && (
        <p
          className="absolute -translate-x-1/2 text-[12px] text-quiet"
          style={{ left: left + width, top: top + height + 6 }}
        >
          folios to be settled
        </p>
      )}
      {[spread?.verso, spread?.recto].map((page, side) => {
        const list = page ? cache.get(page.index) : undefined;
        return (
          <div key={side} className="absolute bg-paper" style={{ left: left + side * width, top, width }}>
            {list && (
              <PageCanvas
                list={list}
                outlines={(face, glyph) => cache.outline(face, glyph)}
                width={width}
                version={version}
                pictures={pictures}
                label={`Page ${page!.index + 1} in this spec`}
              />
            )}
          </div>
        );
      })}
    </>
  );
}

/** What is worked on is shown where it stands: openers on an opener, styles wherever they were walked to, the page on full text. */
function spreadFor(topic: string, spreads: readonly Spread[], current: number, role: PageRole): Spread | undefined {
  if (topic === 'furniture' && role !== 'text') {
    const has = ({ verso, recto }: Spread) => verso?.role === role || recto?.role === role;
    const found = spreads[current] !== undefined && has(spreads[current]) ? spreads[current] : spreads.find(has);
    if (found !== undefined) return found;
  }
  if (topic === 'styles' && current > 0) return spreads[current];
  if (topic === 'openers' || topic === 'numbers') {
    const isOpener = ({ verso, recto }: Spread) => verso?.role === 'opener' || recto?.role === 'opener';
    if (spreads[current] !== undefined && isOpener(spreads[current])) return spreads[current];
    // One of the body before one in front.
    const inBody = ({ verso, recto }: Spread) =>
      [verso, recto].some((page) => page?.role === 'opener' && /\d/.test(page.folio));
    return spreads.find(inBody) ?? spreads.find(isOpener);
  }
  if (topic === 'contents') {
    const own = spreads[current];
    if (own !== undefined && own.recto !== null && (own.verso?.role !== 'blank' || own.recto.role !== 'blank'))
      return own;
  }
  return textSpread(spreads, current);
}

/** The spread of text nearest to the one that was looked at, best one whose text goes on after it: full on both sides. */
function textSpread(spreads: readonly Spread[], current: number): Spread | undefined {
  const isText = (spread: Spread | undefined) => spread?.verso?.role === 'text' && spread.recto?.role === 'text';
  if (isText(spreads[current])) return spreads[current];
  const isFull = (spread: Spread) => isText(spread) && spreads[spread.index + 1]?.verso?.role === 'text';
  const nearest = [...spreads].sort((a, b) => Math.abs(a.index - current) - Math.abs(b.index - current));
  return (
    nearest.find(isFull) ??
    nearest.find(isText) ??
    nearest.find((spread) => spread.verso !== null && spread.recto !== null)
  );
}

interface DimensionProps {
  /** Start and end along the line, and its place across. */
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  readonly vertical?: boolean;
  readonly onPaper?: boolean;
}

/** A dimension line with slanted ends, as in a workshop drawing. */
function Dimension({ x1, x2, y, vertical = false, onPaper = false }: DimensionProps) {
  const stroke = onPaper ? '#5f5a51' : 'var(--color-base-content)';
  const point = (along: number, across: number) => (vertical ? `${across} ${along}` : `${along} ${across}`);
  const slant = (along: number) => `M${point(along - 3, y + 3)} L${point(along + 3, y - 3)}`;
  return (
    <path
      d={`M${point(x1, y)} L${point(x2, y)} ${slant(x1)} ${slant(x2)}`}
      fill="none"
      stroke={stroke}
      strokeWidth={1}
    />
  );
}

function Fact({ x, y, words }: { x: number; y: number; words: string }) {
  return (
    <span
      className="absolute -translate-x-1/2 -translate-y-1/2 whitespace-nowrap bg-base-200 px-1.5 text-primary"
      style={{ left: x, top: y }}
    >
      {words}
    </span>
  );
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
