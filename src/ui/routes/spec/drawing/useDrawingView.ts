// What of the spread the drawing shows: each topic its part at a size that can be judged, until a person zooms or moves it. Wheel
// and keys are those of the desk.
import { useEffect, useState, type PointerEvent, type RefObject } from 'react';
import type { Spec } from '../../../../core/model/spec/spec';
import type { SlotPlace } from '../../../../state/view/viewSlice';
import { isTyping } from '../../../frame/useShortcuts';
import { fitScale, pagesOf, type DrawingView } from './layout';

const SCALES = { least: 0.2, most: 12 };
/** One notch of a wheel. */
const WHEEL_STEP = 0.0015;
/** Pixels of the type size at which text is read without effort. */
export const READABLE = 14.5;
/** CSS pixels a point. */
const ACTUAL = 96 / 72;
/** Room for chips on either side of a page that is shown by itself, in pixels. */
const BESIDE = 120;
/** Room for what is said of a paragraph, in pixels. */
const SAID = 150;

export interface Focus {
  readonly topic: string;
  readonly slot: SlotPlace | null;
  /** Which page of the spread is worked on. */
  readonly side: 'verso' | 'recto';
  /** The paragraph that is looked at; null: none is. */
  readonly block: string | null;
  /** Its line that is looked at, else its middle, in points from the head of its page; null: none is known. */
  readonly paragraphY: number | null;
}

/** The part of the spread that a topic works on, in a box of so many pixels; null: the whole spread. */
export function viewOfTopic(spec: Spec, focus: Focus, width: number, height: number): DrawingView | null {
  const { trim, margins } = spec.page;
  const [w, h] = [trim.width.pt, trim.height.pt];
  const fit = fitScale(spec, width, height);
  const readable = Math.max(fit, READABLE / spec.text.size.pt);
  const onePage = Math.max(fit, (width - 2 * BESIDE) / w);
  const middleOf = (side: 'verso' | 'recto') => (side === 'verso' ? w / 2 : w * (pagesOf(spec) - 0.5));
  const middle = middleOf(focus.side);
  // The outer edge of the page so far from that of the box that what is said of its text has room.
  const besideOf = (x: number) => {
    const outer = focus.side === 'verso' ? 0 : w * pagesOf(spec);
    const wished =
      focus.side === 'verso' ? outer + (0.5 * width - SAID) / readable : outer - (0.5 * width - SAID) / readable;
    return focus.side === 'verso' ? Math.min(x, wished) : Math.max(x, wished);
  };
  switch (focus.topic) {
    case 'text':
    case 'styles':
    case 'spacing':
    case 'faces':
      return {
        scale: readable,
        x: besideOf(middle),
        y: focus.paragraphY ?? margins.head.pt + (0.3 * height) / readable,
      };
    case 'openers':
    case 'numbers':
      return { scale: onePage, x: middle, y: (0.5 * height) / onePage - 30 / onePage };
    case 'contents':
      return { scale: onePage, x: middle, y: (0.5 * height) / onePage - 30 / onePage };
    case 'notes':
      return { scale: readable, x: middle, y: h - margins.foot.pt - (0.3 * height) / readable };
    case 'furniture':
      return focus.slot === null
        ? null
        : { scale: readable, x: middleOf(focus.slot.side), y: focus.slot.at === 'head' ? 0 : h };
    default:
      return null;
  }
}

interface DrawingZoom {
  readonly view: DrawingView | null;
  /** A person zoomed or moved it since the topic was opened. */
  readonly isMoved: boolean;
  /** Moves the drawing with the pointer. */
  readonly drag: (event: PointerEvent<HTMLElement>) => void;
}

export function useDrawingView(
  box: RefObject<HTMLElement | null>,
  spec: Spec,
  focus: Focus,
  { width, height }: { readonly width: number; readonly height: number },
): DrawingZoom {
  const [own, setOwn] = useState<{ readonly topic: string; readonly view: DrawingView | null } | null>(null);
  const { trim } = spec.page;
  const pages = pagesOf(spec);
  const view = own?.topic === focus.topic ? own.view : viewOfTopic(spec, focus, width, height);
  const fit = fitScale(spec, width, height);
  const shown = view ?? { scale: fit, x: (pages * trim.width.pt) / 2, y: trim.height.pt / 2 };
  useEffect(() => {
    const area = box.current;
    if (area === null) return;
    const put = (next: DrawingView | null) => setOwn({ topic: focus.topic, view: next });
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      if (!event.ctrlKey && !event.metaKey) {
        put(moved(shown, event.deltaX / shown.scale, event.deltaY / shown.scale, trim));
        return;
      }
      const bounds = area.getBoundingClientRect();
      const [px, py] = [event.clientX - bounds.left - width / 2, event.clientY - bounds.top - height / 2];
      const scale = Math.min(SCALES.most, Math.max(SCALES.least, shown.scale * Math.exp(-event.deltaY * WHEEL_STEP)));
      // The point under the pointer stays where it is.
      const move = (at: number, off: number) => at + off / shown.scale - off / scale;
      put({ scale, x: move(shown.x, px), y: move(shown.y, py) });
    };
    const press = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const key = event.key.toLowerCase();
      // The whole spread, and from there back to the part that the topic works on.
      if (key === 's') {
        if (own?.topic === focus.topic && own.view === null) setOwn(null);
        else put(null);
      } else if (key === 'w') put({ ...shown, scale: (width - 40) / trim.width.pt });
      else if (key === 'a') put({ ...shown, scale: ACTUAL });
    };
    area.addEventListener('wheel', wheel, { passive: false });
    window.addEventListener('keydown', press);
    return () => {
      area.removeEventListener('wheel', wheel);
      window.removeEventListener('keydown', press);
    };
  });
  const drag = (event: PointerEvent<HTMLElement>) =>
    dragView(event, (dx, dy) =>
      setOwn({ topic: focus.topic, view: moved(shown, -dx / shown.scale, -dy / shown.scale, trim) }),
    );
  return { view, isMoved: own?.topic === focus.topic, drag };
}

const within = (at: number, most: number) => Math.min(most, Math.max(0, at));

/** The view moved by points, its middle kept on the spread. */
const moved = (view: DrawingView, dx: number, dy: number, trim: Spec['page']['trim']): DrawingView => ({
  ...view,
  x: within(view.x + dx, 2 * trim.width.pt),
  y: within(view.y + dy, trim.height.pt),
});

/** Follows the pointer from where it was pressed, but for controls on the drawing. */
function dragView(event: PointerEvent<HTMLElement>, move: (dx: number, dy: number) => void): void {
  if (event.button !== 0 || (event.target as HTMLElement).closest('input, button, [role=slider]') !== null) return;
  const start = { left: event.clientX, top: event.clientY };
  const follow = (next: globalThis.PointerEvent) => move(next.clientX - start.left, next.clientY - start.top);
  const end = () => {
    window.removeEventListener('pointermove', follow);
    window.removeEventListener('pointerup', end);
  };
  window.addEventListener('pointermove', follow);
  window.addEventListener('pointerup', end);
}
