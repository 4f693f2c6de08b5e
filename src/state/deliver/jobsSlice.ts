// The products being written, one job each.
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { CopyKind } from '../../core/model/copy/copyKinds';
import { bookClosed } from '../book/bookSlice';

export type Product = 'press' | 'screen' | 'project' | 'epub' | 'copy';

export interface ProductJob {
  readonly status: 'idle' | 'running' | 'done' | 'failed' | 'stopped';
  readonly share: number;
  readonly message: string | null;
  /** Revision of the book that was written: an older one than the book's is stale. */
  readonly revision: number;
  readonly fileName: string;
  readonly bytes: number;
  readonly pages: number;
  /** Of the copy: the format in which it is written. */
  readonly format: CopyKind;
}

const IDLE: ProductJob = {
  status: 'idle',
  share: 0,
  message: null,
  revision: -1,
  fileName: '',
  bytes: 0,
  pages: 0,
  format: 'docx',
};

export type JobsState = Readonly<Record<Product, ProductJob>>;
const initialState: JobsState = { press: IDLE, screen: IDLE, project: IDLE, epub: IDLE, copy: IDLE };

const slice = createSlice({
  name: 'jobs',
  initialState: initialState as JobsState,
  reducers: {
    jobChanged: (state, action: PayloadAction<{ product: Product; change: Partial<ProductJob> }>) => ({
      ...state,
      [action.payload.product]: { ...state[action.payload.product], ...action.payload.change },
    }),
  },
  extraReducers: (builder) => builder.addCase(bookClosed, () => initialState),
});

export const { jobChanged } = slice.actions;
export const jobsReducer = slice.reducer;
