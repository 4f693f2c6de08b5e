// White between a figure and the text beside it, as a dimension line with its value: dragged, or changed by the arrow keys.
import { useRef, type PointerEvent } from 'react';
import { useUnits } from '../../components/useUnits';

interface Props {
  readonly name: string;
  /** Points. */
  readonly value: number;
  /** Where the line begins, at the figure's edge, in CSS pixels of the page. */
  readonly x: number;
  readonly y: number;
  /** CSS pixels a point. */
  readonly scale: number;
  /** Away from the figure. */
  readonly direction: readonly [number, number];
  readonly onBegin: () => void;
  /** Points since the beginning. */
  readonly onChange: (by: number) => void;
  readonly onEnd: () => void;
}

/** Pixels on each side of the line where it can be taken. */
const REACH = 5;

export function WhiteHandle({ name, value, x, y, scale, direction: [dx, dy], onBegin, onChange, onEnd }: Props) {
  const units = useUnits();
  const start = useRef<{ readonly x: number; readonly y: number } | null>(null);
  const length = Math.max(3, value * scale);
  const isAcross = dx !== 0;
  const [left, top] = [dx < 0 ? x - length : isAcross ? x : x - REACH, dy < 0 ? y - length : isAcross ? y - REACH : y];
  const move = (event: PointerEvent) => {
    const from = start.current;
    if (from === null) return;
    onChange(((event.clientX - from.x) * dx + (event.clientY - from.y) * dy) / scale);
  };
  const end = () => {
    start.current = null;
    onEnd();
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={value}
      aria-valuemin={0}
      aria-valuemax={200}
      aria-valuetext={units.show({ pt: value, unit: units.unit ?? 'pt' })}
      title={`${name}: ${units.show({ pt: value, unit: units.unit ?? 'pt' })}`}
      className={`figure-white absolute touch-none ${isAcross ? 'is-across cursor-ew-resize' : 'cursor-ns-resize'}`}
      style={{ left, top, width: isAcross ? length : 2 * REACH, height: isAcross ? 2 * REACH : length }}
      onClick={(event) => event.stopPropagation()}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        event.preventDefault();
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        start.current = { x: event.clientX, y: event.clientY };
        onBegin();
      }}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={(event) => {
        const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        onBegin();
        onChange(by * (event.shiftKey ? 10 : 1));
        onEnd();
      }}
    />
  );
}
