// What the worker last said: the newest composed pages in brief, and how far the compose under way is.
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { ComposedSummary } from '../worker/typesetClient';
import { bookClosed, bookOpened } from './bookSlice';

export interface ComposeState {
  readonly summary: ComposedSummary | null;
  /** Share done, 0 to 1; null when nothing is being composed. */
  readonly progress: number | null;
  readonly failed: string | null;
}

const initialState: ComposeState = { summary: null, progress: null, failed: null };

const slice = createSlice({
  name: 'compose',
  initialState: initialState as ComposeState,
  reducers: {
    composeStarted: (state) => ({ ...state, progress: state.progress ?? 0, failed: null }),
    composeProgressed: (state, action: PayloadAction<number>) => ({ ...state, progress: action.payload }),
    composeFinished: (_state, action: PayloadAction<{ summary: ComposedSummary; isNewest: boolean }>) => ({
      summary: action.payload.summary,
      progress: action.payload.isNewest ? null : 0,
      failed: null,
    }),
    composeFailed: (state, action: PayloadAction<string>) => ({ ...state, progress: null, failed: action.payload }),
  },
  extraReducers: (builder) =>
    builder.addCase(bookOpened, () => ({ ...initialState, progress: 0 })).addCase(bookClosed, () => initialState),
});

export const { composeStarted, composeProgressed, composeFinished, composeFailed } = slice.actions;
export const composeReducer = slice.reducer;
