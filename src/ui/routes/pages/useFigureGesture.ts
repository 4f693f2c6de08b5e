// A gesture on a figure: what it was when it was taken, and one undo step for all that is made of it until it is let go.
import { useRef } from 'react';
import type { Figure } from '../../../core/model/copy/figures';
import { GESTURE } from '../../../state/book/bookSlice';
import { setFigure } from '../../../state/copy/figureThunks';
import { useAppDispatch } from '../../../state/hooks';
import type { FigureStand } from './figureGestures';

/** A figure as it was when a gesture began. */
export interface HeldFigure {
  readonly figure: Figure;
  readonly stand: FigureStand;
  readonly gesture: string;
}

export interface FigureGesture {
  readonly begin: () => void;
  /** Does what `make` makes of the figure that was taken; nothing where none is. */
  readonly change: (make: (from: HeldFigure) => Figure, name: string) => void;
  readonly end: () => void;
}

let gestures = 0;
const nextGesture = () => `${GESTURE}figure.${(gestures += 1)}`;

export function useFigureGesture(figure: Figure, stand: FigureStand): FigureGesture {
  const dispatch = useAppDispatch();
  const held = useRef<HeldFigure | null>(null);
  // A pointer says more than a screen shows: the newest of a frame is taken.
  const waiting = useRef<{ frame: number; take: () => void } | null>(null);
  const begin = () => {
    held.current = { figure, stand, gesture: nextGesture() };
  };
  const change: FigureGesture['change'] = (make, name) => {
    const from = held.current;
    if (from === null) return;
    const to = make(from);
    const take = () => {
      waiting.current = null;
      dispatch(setFigure(to, name, from.gesture));
    };
    if (waiting.current !== null) waiting.current.take = take;
    else waiting.current = { frame: requestAnimationFrame(() => waiting.current?.take()), take };
  };
  const end = () => {
    if (waiting.current !== null) {
      cancelAnimationFrame(waiting.current.frame);
      waiting.current.take();
    }
    held.current = null;
  };
  return { begin, change, end };
}
