// While the space bar is held, dragging moves the desk.
import { useEffect, useState, type RefObject } from 'react';
import { isTyping } from '../../frame/useShortcuts';

/** The class for the cursor of the desk. */
export function useHandTool(box: RefObject<HTMLElement | null>): string {
  const [isHeld, setHeld] = useState(false);
  const [isDragging, setDragging] = useState(false);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.code !== 'Space' || isTyping(event.target) || event.target instanceof HTMLButtonElement) return;
      event.preventDefault();
      setHeld(true);
    };
    const lift = (event: KeyboardEvent) => event.code === 'Space' && setHeld(false);
    window.addEventListener('keydown', press);
    window.addEventListener('keyup', lift);
    return () => {
      window.removeEventListener('keydown', press);
      window.removeEventListener('keyup', lift);
    };
  }, []);
  useEffect(() => {
    const area = box.current;
    if (!area || !isHeld) return undefined;
    let from: { x: number; y: number; left: number; top: number } | null = null;
    const down = (event: PointerEvent) => {
      event.preventDefault();
      from = { x: event.clientX, y: event.clientY, left: area.scrollLeft, top: area.scrollTop };
      area.setPointerCapture(event.pointerId);
      setDragging(true);
    };
    const move = (event: PointerEvent) => {
      if (from === null) return;
      area.scrollLeft = from.left - (event.clientX - from.x);
      area.scrollTop = from.top - (event.clientY - from.y);
    };
    const up = () => {
      from = null;
      setDragging(false);
    };
    area.addEventListener('pointerdown', down);
    area.addEventListener('pointermove', move);
    area.addEventListener('pointerup', up);
    return () => {
      area.removeEventListener('pointerdown', down);
      area.removeEventListener('pointermove', move);
      area.removeEventListener('pointerup', up);
      setDragging(false);
    };
  }, [box, isHeld]);
  if (!isHeld) return '';
  return isDragging ? 'cursor-grabbing select-none' : 'cursor-grab select-none';
}
