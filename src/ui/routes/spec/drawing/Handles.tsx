// The edges of the type area can be dragged: the margin follows, on both pages, with its value beside the pointer. One drag is
// one undo step; Escape puts the margin back.
import { useEffect, useRef, useState } from 'react';
import { GESTURE } from '../../../../state/book/bookSlice';
import type { Length } from '../../../../core/model/spec/length';
import type { Margins } from '../../../../core/model/spec/pageSpec';
import { roundedTo } from '../../../../core/measure/units';
import { useUnits } from '../../../components/useUnits';
import { useSpec } from '../useSetSpec';
import type { DrawingLayout } from './layout';

type Side = keyof Margins;
const NAMES: Readonly<Record<Side, string>> = { head: 'Head', foot: 'Foot', back: 'Back', foreEdge: 'Fore-edge' };

/** Pixels on each side of an edge where it can be taken. */
const REACH = 5;

interface Handle {
  readonly key: string;
  readonly side: Side;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Points of margin that a pixel to the right, or down, adds. */
  readonly sign: 1 | -1;
}

interface Drag {
  readonly handle: Handle;
  readonly from: Length;
  readonly startAt: number;
  readonly gesture: string;
}

let gestures = 0;

export function Handles({ layout }: { layout: DrawingLayout }) {
  const { spec, readOnly, set } = useSpec();
  const units = useUnits();
  const drag = useRef<Drag | null>(null);
  const [shown, setShown] = useState<{ side: Side; x: number; y: number; problem: string | null } | null>(null);
  const isVertical = (side: Side) => side === 'head' || side === 'foot';
  const give = (side: Side, to: Length, gesture: string) =>
    set(`page.margins.${side}`, to, `${NAMES[side]} margin`, gesture);

  const move = (event: React.PointerEvent) => {
    const held = drag.current;
    if (held === null) return;
    const { side, sign } = held.handle;
    const moved = (isVertical(side) ? event.clientY : event.clientX) - held.startAt;
    const unit = units.unit ?? held.from.unit;
    const wished = held.from.pt + (sign * moved) / layout.scale;
    const to = { pt: Math.max(0, roundedTo(wished, unit, units.dpi)), unit };
    const box = event.currentTarget.parentElement!.getBoundingClientRect();
    const problem = give(side, to, held.gesture);
    setShown({ side, x: event.clientX - box.left, y: event.clientY - box.top, problem });
  };
  const end = () => {
    drag.current = null;
    setShown(null);
  };
  // Escape is listened for on the page: an edge has no focus of its own.
  const putBack = useRef(() => undefined as void);
  useEffect(() => {
    putBack.current = () => {
      const held = drag.current;
      if (held === null) return;
      give(held.handle.side, held.from, held.gesture);
      end();
    };
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => event.key === 'Escape' && putBack.current();
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  if (readOnly) return null;
  return (
    <>
      {handlesOf(layout).map((handle) => (
        <div
          key={handle.key}
          data-handle={handle.key}
          title={`${NAMES[handle.side]} margin: drag`}
          className={`absolute touch-none hover:bg-primary/20 ${isVertical(handle.side) ? 'cursor-ns-resize' : 'cursor-ew-resize'}`}
          style={{ left: handle.x, top: handle.y, width: handle.width, height: handle.height }}
          onPointerDown={(event) => {
            if (event.button !== 0) return;
            event.preventDefault();
            event.currentTarget.setPointerCapture(event.pointerId);
            const startAt = isVertical(handle.side) ? event.clientY : event.clientX;
            gestures += 1;
            drag.current = {
              handle,
              from: spec.page.margins[handle.side],
              startAt,
              gesture: `${GESTURE}margin.${gestures}`,
            };
          }}
          onPointerMove={move}
          onPointerUp={end}
          onPointerCancel={end}
        />
      ))}
      {shown && (
        <p
          role="status"
          className={`pointer-events-none absolute z-30 max-w-56 rounded-sm border bg-base-100 px-2 py-0.5 ${shown.problem ? 'border-error text-[12px] text-error' : 'border-primary font-semibold'}`}
          style={{ left: shown.x + 14, top: shown.y + 14 }}
        >
          {shown.problem ?? `${NAMES[shown.side]} ${units.show(spec.page.margins[shown.side])}`}
        </p>
      )}
    </>
  );
}

function handlesOf({ edge, pages }: DrawingLayout): Handle[] {
  const across = (key: string, side: Side, left: number, right: number, y: number, sign: 1 | -1): Handle => ({
    key,
    side,
    x: left,
    y: y - REACH,
    width: Math.max(0, right - left),
    height: 2 * REACH,
    sign,
  });
  const down = (key: string, side: Side, x: number, sign: 1 | -1): Handle => ({
    key,
    side,
    x: x - REACH,
    y: edge.head,
    width: 2 * REACH,
    height: Math.max(0, edge.foot - edge.head),
    sign,
  });
  const verso = [
    across('head-verso', 'head', edge.versoLeft, edge.versoRight, edge.head, 1),
    across('foot-verso', 'foot', edge.versoLeft, edge.versoRight, edge.foot, -1),
    down('outer-verso', 'foreEdge', edge.versoLeft, 1),
    down('inner-verso', 'back', edge.versoRight, -1),
  ];
  return [
    ...(pages === 2 ? verso : []),
    across('head-recto', 'head', edge.rectoLeft, edge.rectoRight, edge.head, 1),
    across('foot-recto', 'foot', edge.rectoLeft, edge.rectoRight, edge.foot, -1),
    down('back-recto', 'back', edge.rectoLeft, 1),
    down('foreEdge-recto', 'foreEdge', edge.rectoRight, -1),
  ];
}
