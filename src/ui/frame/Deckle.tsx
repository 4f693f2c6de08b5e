// The deckle: the whole book at the right edge of every stage. One row per spread, verso and recto side by side; roles by
// shape and fill; division names; signatures as ticks; findings as notches; the current spread framed.
import { memo, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useLocation, useNavigate } from 'react-router';
import type { PageSummary } from '../../worker/typesetClient';
import { selectFindings } from '../../state/send-out/outsideFacts';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import {
  selectFacing,
  selectRunningOrder,
  spreadOfPage,
  selectSpreads,
  type RunningOrderRow,
  type Spread,
} from '../../state/book/selectors';
import { spreadCalled } from '../../state/view/viewSlice';

const WIDTH = 112;
const CELL = { width: 11, gap: 1 };
const CELLS_LEFT = WIDTH - 2 * CELL.width - CELL.gap - 12;
const MOST_ROW = 14;
const PADDING = 10;
/** Names closer than this would touch. */
const NAME_STEP = 14;
/** Pages of a signature. */
const SIGNATURE = 16;

export function Deckle() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const location = useLocation();
  const spreads = useAppSelector(selectSpreads);
  const rows = useAppSelector(selectRunningOrder);
  const facing = useAppSelector(selectFacing);
  const current = useAppSelector((state) => state.view.spread);
  const findings = useAppSelector(selectFindings);
  const [pointed, setPointed] = useState<number | null>(null);
  const { box, height } = useHeight();
  const row = spreads.length === 0 ? MOST_ROW : Math.min(MOST_ROW, (height - 2 * PADDING) / spreads.length);
  const marked = useMemo(() => new Set(findings.map((finding) => finding.page)), [findings]);
  const names = useMemo(() => placeNames(rows, row, facing), [rows, row, facing]);

  const go = (spread: number) => {
    dispatch(spreadCalled(Math.min(spreads.length - 1, Math.max(0, spread))));
    if (/\/(copy|send-out)$/.test(location.pathname)) void navigate('pages');
  };
  const spreadAt = (event: PointerEvent): number => {
    const top = event.currentTarget.getBoundingClientRect().top;
    return Math.min(spreads.length - 1, Math.max(0, Math.floor((event.clientY - top - PADDING) / row)));
  };
  const press = (event: KeyboardEvent) => {
    const steps: Record<string, number> = { ArrowUp: -1, ArrowDown: 1, PageUp: -8, PageDown: 8, Home: -1e6, End: 1e6 };
    const step = steps[event.key];
    if (step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    go(current + step);
  };
  const shown = spreads[pointed ?? current];
  // A single page has the column of rectos to itself.
  const cellsLeft = facing ? CELLS_LEFT : CELLS_LEFT + CELL.width + CELL.gap;
  return (
    <aside
      ref={box}
      className="relative isolate z-10 shrink-0 border-l border-hairline bg-base-200"
      style={{ width: WIDTH }}
      aria-label="The whole book"
    >
      {spreads.length === 0 ? (
        <p className="p-3 text-quiet">Composing</p>
      ) : (
        <svg
          width={WIDTH - 1}
          height={height}
          className="block touch-none outline-offset-[-2px]"
          tabIndex={0}
          role="slider"
          aria-label="Spread"
          aria-orientation="vertical"
          aria-valuemin={1}
          aria-valuemax={spreads.length}
          aria-valuenow={current + 1}
          aria-valuetext={spreadWords(shown, rows)}
          onKeyDown={press}
          onPointerMove={(event) => {
            setPointed(spreadAt(event));
            if (event.buttons === 1) go(spreadAt(event));
          }}
          onPointerLeave={() => setPointed(null)}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            go(spreadAt(event));
          }}
        >
          {spreads.map(({ index, verso, recto }) => (
            <Row
              key={index}
              verso={verso}
              recto={recto}
              y={PADDING + index * row}
              height={row}
              hasFinding={(verso !== null && marked.has(verso.index)) || (recto !== null && marked.has(recto.index))}
            />
          ))}
          <rect
            x={cellsLeft - 3.5}
            y={PADDING + current * row - 1.5}
            width={CELLS_LEFT - cellsLeft + 2 * CELL.width + CELL.gap + 7}
            height={Math.max(row, 3)}
            fill="none"
            stroke="var(--color-primary)"
            strokeWidth={1.5}
          />
        </svg>
      )}
      {spreads.length > 0 &&
        names.map((name) => (
          <span
            key={name.id}
            className="absolute left-1.5 -translate-y-1/2 cursor-pointer truncate text-[11px] leading-[13px]"
            style={{ top: name.y, width: CELLS_LEFT - 16 }}
            title={name.text}
            onPointerDown={() => go(name.spread)}
          >
            {name.text}
          </span>
        ))}
      {pointed !== null && shown && (
        <div
          className="pointer-events-none absolute right-full z-10 mr-1 whitespace-nowrap rounded-sm bg-neutral px-2 py-1 text-neutral-content"
          style={{ top: Math.min(height - 30, Math.max(4, PADDING + pointed * row - 12)) }}
        >
          {spreadWords(shown, rows)}
        </div>
      )}
    </aside>
  );
}

interface RowProps {
  readonly verso: PageSummary | null;
  readonly recto: PageSummary | null;
  readonly y: number;
  readonly height: number;
  readonly hasFinding: boolean;
}

/** A row is drawn again only when its pages, which keep their identity, or its place have changed. */
const Row = memo(function Row({ verso, recto, y, height, hasFinding }: RowProps) {
  const pages = [verso, recto];
  const startsSignature = pages.some((page) => page !== null && page.index % SIGNATURE === 0 && page.index > 0);
  return (
    <g>
      {startsSignature && (
        <line
          x1={CELLS_LEFT - 10}
          x2={CELLS_LEFT - 6}
          y1={y + 0.5}
          y2={y + 0.5}
          stroke="var(--quiet)"
          strokeWidth={1}
        />
      )}
      {pages.map((page, side) =>
        page === null ? null : (
          <Cell
            key={side}
            page={page}
            x={CELLS_LEFT + side * (CELL.width + CELL.gap)}
            y={y}
            height={Math.max(1.2, height - (height > 9 ? 3 : height > 4 ? 2 : 0.5))}
          />
        ),
      )}
      {hasFinding && <rect x={WIDTH - 8} y={y + height / 2 - 2} width={3} height={3} fill="var(--color-error)" />}
    </g>
  );
});

/** Text is filled, an opener has a white head, a display page is outlined, a blank has a broken outline. */
function Cell({ page, x, y, height }: { page: PageSummary; x: number; y: number; height: number }) {
  const fill = 'var(--deckle-fill)';
  const width = CELL.width;
  if (page.role === 'text') return <rect x={x} y={y} width={width} height={height} fill={fill} />;
  const outline = {
    x: x + 0.5,
    y: y + 0.5,
    width: width - 1,
    height: Math.max(0.5, height - 1),
    stroke: fill,
    strokeWidth: 1,
  };
  if (page.role === 'blank') return <rect {...outline} fill="none" strokeDasharray="2 1.5" />;
  if (page.role === 'display') return <rect {...outline} fill="var(--paper)" />;
  return (
    <g>
      <rect {...outline} fill="var(--paper)" />
      <rect x={x} y={y + height * 0.5} width={width} height={height * 0.5} fill={fill} />
    </g>
  );
}

interface PlacedName {
  readonly id: string;
  readonly text: string;
  readonly y: number;
  readonly spread: number;
}

/** Names at the row of their first page, those that would touch the one above left out; front matter is one name. */
function placeNames(rows: readonly RunningOrderRow[], row: number, facing: boolean): PlacedName[] {
  const names: PlacedName[] = [];
  let last = -Infinity;
  const add = (id: string, text: string, page: number) => {
    const spread = spreadOfPage(page, facing);
    const y = PADDING + spread * row + Math.min(row, 10) / 2;
    if (page < 0 || y < last + NAME_STEP) return;
    names.push({ id, text, y, spread });
    last = y;
  };
  if (rows.some((entry) => entry.matter === 'front')) add('front', 'Front', 0);
  for (const entry of rows) if (entry.matter !== 'front') add(entry.id, entry.name, entry.firstPage);
  return names;
}

function spreadWords(spread: Spread | undefined, rows: readonly RunningOrderRow[]): string {
  if (spread === undefined) return '';
  const pages = [spread.verso, spread.recto].filter((page) => page !== null);
  const folios = pages.map((page) => page.folio).join(' and ');
  const name = rows.find((entry) => entry.id === pages[pages.length - 1]?.division)?.name ?? '';
  const numbers = pages.map((page) => page.index + 1).join(' and ');
  return `${pages.length > 1 ? 'Pages' : 'Page'} ${numbers}, folio ${folios} · ${name}`;
}

function useHeight() {
  const box = useRef<HTMLElement>(null);
  const [height, setHeight] = useState(600);
  useLayoutEffect(() => {
    const element = box.current;
    if (element === null) return;
    const observer = new ResizeObserver(([entry]) => setHeight(entry.contentRect.height));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { box, height };
}
