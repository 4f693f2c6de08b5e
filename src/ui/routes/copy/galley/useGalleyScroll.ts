// The galley stands where it stood when it was left, by the row at its head: heights of stretches that are not drawn are only guessed.
import { useEffect, useLayoutEffect, type RefObject } from 'react';
import { galleyScrolled, type GalleyScroll } from '../../../../state/view/viewSlice';
import { useAppDispatch } from '../../../../state/hooks';
import { useStore } from 'react-redux';
import type { RootState } from '../../../../state/rootState';

/** Scrolling is noted when it has rested so long, in ms. */
const REST = 200;
/** Frames in a row in which nothing moves any more, after which the galley is let go; and the most that are waited for. */
const STILL = 8;
const MOST = 90;

export function useGalleyScroll(container: RefObject<HTMLElement | null>, division: string): void {
  const dispatch = useAppDispatch();
  const store = useStore<RootState>();
  useEffect(() => {
    const area = container.current;
    const kept = store.getState().view.galley;
    if (area === null || kept === null || kept.division !== division) return;
    return restore(area, kept);
  }, [container, store, division]);
  useLayoutEffect(() => {
    const area = container.current;
    if (area === null) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const note = () => {
      const place = headOf(area, division);
      if (place !== null) dispatch(galleyScrolled(place));
    };
    const scrolled = () => {
      clearTimeout(timer);
      timer = setTimeout(note, REST);
    };
    area.addEventListener('scroll', scrolled, { passive: true });
    return () => {
      clearTimeout(timer);
      area.removeEventListener('scroll', scrolled);
      note();
    };
  }, [container, dispatch, division]);
}

/** The first row of which something is in view. */
function headOf(area: HTMLElement, division: string): GalleyScroll | null {
  const { top } = area.getBoundingClientRect();
  for (const row of area.querySelectorAll<HTMLElement>('.galley-row[data-block]')) {
    const box = row.getBoundingClientRect();
    if (box.bottom > top) return { division, block: row.dataset.block!, off: box.top - top, top: area.scrollTop };
  }
  return null;
}

/** Puts the row back where it stood, until nothing moves any more or a person does something. */
function restore(area: HTMLElement, { block, off, top }: GalleyScroll): () => void {
  let [still, frames, next] = [0, 0, 0];
  area.scrollTop = top;
  const step = () => {
    const row = area.querySelector<HTMLElement>(`.galley-row[data-block="${block}"]`);
    const by = row === null ? 0 : row.getBoundingClientRect().top - area.getBoundingClientRect().top - off;
    still = row !== null && Math.abs(by) < 1 ? still + 1 : 0;
    if (Math.abs(by) >= 1) area.scrollTop += by;
    frames += 1;
    if (still < STILL && frames < MOST) next = requestAnimationFrame(step);
    else end();
  };
  const events = ['wheel', 'pointerdown', 'keydown'] as const;
  const end = () => {
    cancelAnimationFrame(next);
    for (const event of events) window.removeEventListener(event, end);
  };
  for (const event of events) window.addEventListener(event, end, { passive: true });
  next = requestAnimationFrame(step);
  return end;
}
