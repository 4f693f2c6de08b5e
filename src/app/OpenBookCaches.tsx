// Hands the caches of the open book to what draws pages; those of no book where none is open.
import { use, useSyncExternalStore, type ReactNode } from 'react';
import type { Sessions } from '../state/session/sessions';
import { PageCacheContext, PictureCacheContext } from '../ui/pageView/pageCacheContext';

export function OpenBookCaches({ sessions, children }: { sessions: Sessions; children: ReactNode }) {
  const session = useSyncExternalStore(
    (listener) => sessions.subscribe(listener),
    () => sessions.current,
  );
  const none = { pages: use(PageCacheContext), pictures: use(PictureCacheContext) };
  return (
    <PageCacheContext value={session?.pageCache ?? none.pages}>
      <PictureCacheContext value={session?.pictureCache ?? none.pictures}>{children}</PictureCacheContext>
    </PageCacheContext>
  );
}
