// What the parts of a session know of it.
import type { Dispatch, UnknownAction } from '@reduxjs/toolkit';
import type { TypesetClient } from '../../worker/typesetClient';
import type { PageCache } from '../compose/pageCache';
import type { RootState } from '../rootState';

/**
 * - `opening`: lock and book are being asked for.
 * - `open`: this tab holds the book and writes it.
 * - `failing`: it holds the book, and the last write has failed.
 * - `readOnly`: another tab holds the book; this one shows what that one writes.
 * - `lost`: the book was taken away with changes that were not written; they wait for what is said of them.
 * - `closing`: the last write is under way. `closed`: nothing comes of it any more.
 */
export type SessionLife = 'opening' | 'open' | 'failing' | 'readOnly' | 'lost' | 'closing' | 'closed';

/** The store, as a session uses it. */
export interface SessionStore {
  readonly dispatch: Dispatch<UnknownAction>;
  readonly getState: () => RootState;
}

/** A session, as what belongs to it sees it. */
export interface OpenSession {
  readonly life: SessionLife;
  /** Nothing comes of it any more. */
  readonly isClosed: boolean;
  readonly pageCache: PageCache;
  /** The worker that composes the book; null before the book is there and after it is closed. */
  readonly client: TypesetClient | null;
}
