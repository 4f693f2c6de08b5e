// Where pages are larger than the view, the line that was looked at in another stage is brought into it when the desk is laid out.
import { useEffect, useRef, type RefObject } from 'react';
import { useAppSelector } from '../../../state/hooks';
import { selectSpreads } from '../../../state/book/selectors';
import { selectLookedAt } from '../../../state/view/lookedAt';
import type { PageCache } from '../../../state/compose/pageCache';
import { lineOfPlace } from '../../pageView/lineOfPlace';
import { rowTop, type DeskGeometry } from './deskGeometry';

/** Tried until the page is there, once; given up when a person scrolls. `version`: grows with what the cache has. */
export function useLookedAtLine(
  scroller: RefObject<HTMLElement | null>,
  geometry: DeskGeometry,
  viewHeight: number,
  cache: PageCache,
  version: number,
): void {
  const current = useAppSelector((state) => state.view.spread);
  const place = useAppSelector(selectLookedAt);
  const spread = useAppSelector(selectSpreads)[current];
  const isDone = useRef(false);
  useEffect(() => {
    const area = scroller.current;
    const give = () => {
      isDone.current = true;
    };
    area?.addEventListener('wheel', give, { passive: true });
    return () => area?.removeEventListener('wheel', give);
  }, [scroller]);
  useEffect(() => {
    const area = scroller.current;
    if (isDone.current || area === null || viewHeight === 0 || spread === undefined) return;
    if (place === null || geometry.pageHeight <= viewHeight) {
      isDone.current = true;
      return;
    }
    for (const page of [spread.verso, spread.recto]) {
      const list = page === null ? undefined : cache.get(page.index);
      const y = list === undefined ? null : lineOfPlace(list, place);
      if (y === null) continue;
      area.scrollTop = rowTop(geometry, spread.index) + y * geometry.scale - viewHeight / 2;
      isDone.current = true;
    }
  }, [scroller, geometry, viewHeight, cache, version, spread, place]);
}
