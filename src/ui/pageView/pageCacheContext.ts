// Hands the page cache to whatever draws pages.
import { createContext, useContext, useSyncExternalStore } from 'react';
import type { PageCache } from '../../state/pageCache';

export const PageCacheContext = createContext<PageCache | null>(null);

/** The cache, and a number that changes whenever something new has arrived. */
export function usePageCache(): { cache: PageCache; version: number } {
  const cache = useContext(PageCacheContext);
  if (cache === null) throw new Error('no page cache is provided');
  const version = useSyncExternalStore(
    (listener) => cache.subscribe(listener),
    () => cache.version,
  );
  return { cache, version };
}
