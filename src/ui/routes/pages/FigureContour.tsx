// The contour that lines beside a figure follow, on the page: its corners are dragged, moved by the arrow keys, added and taken away.
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { PLAIN_AROUND, type Contour } from '../../../core/model/copy/figureSetting';
import type { Figure } from '../../../core/model/copy/figures';
import { withContour, withCorner, withCornerAfter, withoutCorner, type Area } from './figureGestures';
import type { FigureGesture } from './useFigureGesture';

interface Props {
  readonly figure: Figure;
  readonly contour: Contour;
  /** Of the picture, in points from the corner of its page. */
  readonly area: Area;
  readonly scale: number;
  readonly gesture: FigureGesture;
}

/** Points by which an arrow key moves a corner, and with the shift key. */
const STEPS = [1, 10] as const;
const NAME = 'Contour of a figure';

export function FigureContour({ figure, contour, area, scale, gesture }: Props) {
  const start = useRef<{ readonly x: number; readonly y: number } | null>(null);
  const put = (make: (contour: Contour) => Contour) => {
    gesture.begin();
    gesture.change(({ figure: from }) => withContour(from, make(contourOf(from))), NAME);
    gesture.end();
  };
  const shift = (at: number, across: number, down: number) => (from: Contour) =>
    withCorner(from, at, across / area.width, down / area.height);
  const move = (at: number, event: PointerEvent) => {
    const from = start.current;
    if (from === null) return;
    const [across, down] = [(event.clientX - from.x) / scale, (event.clientY - from.y) / scale];
    gesture.change(({ figure: held }) => withContour(held, shift(at, across, down)(contourOf(held))), NAME);
  };
  const press = (at: number, event: KeyboardEvent) => {
    const by = STEPS[event.shiftKey ? 1 : 0];
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (dx !== 0 || dy !== 0) put(shift(at, dx * by, dy * by));
    else if (event.key === 'Delete' || event.key === 'Backspace') put((from) => withoutCorner(from, at));
    else if (event.key === 'Insert' || event.key === '+') put((from) => withCornerAfter(from, at));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const corners = contour.map(([x, y]) => [x * area.width * scale, y * area.height * scale] as const);
  return (
    <div
      role="group"
      aria-label={`The contour of ${figure.parts[0].picture.name || 'the picture'}`}
      className="pointer-events-none absolute"
      style={{ left: area.x * scale, top: area.y * scale, width: area.width * scale, height: area.height * scale }}
    >
      <svg className="figure-contour h-full w-full overflow-visible" aria-hidden>
        <polygon points={corners.map((corner) => corner.join()).join(' ')} />
      </svg>
      {corners.map(([x, y], at) => (
        <button
          key={at}
          type="button"
          aria-label={`Corner ${at + 1} of ${corners.length}: arrow keys move it, Insert adds one after it, Delete takes it away`}
          className="figure-corner pointer-events-auto absolute touch-none"
          style={{ left: x, top: y }}
          onClick={(event) => event.stopPropagation()}
          onDoubleClick={(event) => {
            event.stopPropagation();
            put((from) => withCornerAfter(from, at));
          }}
          onKeyDown={(event) => press(at, event)}
          onPointerDown={(event) => {
            if (event.button !== 0) return;
            event.stopPropagation();
            event.currentTarget.setPointerCapture(event.pointerId);
            start.current = { x: event.clientX, y: event.clientY };
            gesture.begin();
          }}
          onPointerMove={(event) => move(at, event)}
          onPointerUp={() => {
            start.current = null;
            gesture.end();
          }}
          onPointerCancel={() => {
            start.current = null;
            gesture.end();
          }}
        />
      ))}
    </div>
  );
}

const contourOf = ({ around = PLAIN_AROUND }: Figure): Contour => around.contour ?? [];

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
