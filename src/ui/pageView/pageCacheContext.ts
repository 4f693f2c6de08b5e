// Hands the page cache to whatever draws pages.
import { createContext, useCallback, useContext, useSyncExternalStore } from 'react';
import { PageCache } from '../../state/compose/pageCache';
import type { PictureCache } from '../../state/compose/pictureCache';
import type { PictureSource } from './pageDrawing';

/** Where no book is open there are no pages. */
export const PageCacheContext = createContext(new PageCache(() => null));

/** The cache, and a number that changes whenever something new has arrived. */
export function usePageCache(): { cache: PageCache; version: number } {
  const cache = useContext(PageCacheContext);
  const version = useSyncExternalStore(
    (listener) => cache.subscribe(listener),
    () => cache.version,
  );
  return { cache, version };
}

export const PictureCacheContext = createContext<PictureCache | null>(null);

/** The pictures of the open book, for whatever draws pages. */
export function usePictures(): PictureSource {
  const cache = useContext(PictureCacheContext);
  return useCallback((wanted) => cache?.image(wanted), [cache]);
}
