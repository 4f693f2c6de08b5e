// What the worker last said: the newest composed pages in brief, and how far the compose under way is. A plain reducer: a
// long book's summary is never drafted or frozen.
import { createAction, type UnknownAction } from '@reduxjs/toolkit';
import type { ComposedSummary } from '../../worker/typesetClient';
import { bookClosed, bookOpened } from '../book/bookSlice';

export interface ComposeState {
  readonly summary: ComposedSummary | null;
  /** Share done, 0 to 1; null when nothing is being composed. */
  readonly progress: number | null;
  readonly failed: string | null;
}

const NOTHING: ComposeState = { summary: null, progress: null, failed: null };

export const composeStarted = createAction('compose/started');
export const composeProgressed = createAction<number>('compose/progressed');
export const composeFinished = createAction<{ summary: ComposedSummary; isNewest: boolean }>('compose/finished');
export const composeFailed = createAction<string>('compose/failed');

export function composeReducer(state: ComposeState = NOTHING, action: UnknownAction): ComposeState {
  if (composeStarted.match(action))
    return state.progress !== null && state.failed === null ? state : { ...state, progress: 0, failed: null };
  if (composeProgressed.match(action)) return { ...state, progress: action.payload };
  if (composeFinished.match(action)) {
    const { summary, isNewest } = action.payload;
    return { summary, progress: isNewest ? null : 0, failed: null };
  }
  if (composeFailed.match(action)) return { ...state, progress: null, failed: action.payload };
  if (bookOpened.match(action)) return { ...NOTHING, progress: 0 };
  return bookClosed.match(action) ? NOTHING : state;
}
