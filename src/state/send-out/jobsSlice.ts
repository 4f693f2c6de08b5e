// The products: what is chosen for each, the job that writes it, and what is known of the last that was written.
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { OutsideFact, ToldProduct } from '../../core/model/checks/outside';
import {
  FIRST_SETTINGS,
  PRODUCT_IDS,
  type MadeProduct,
  type ProductId,
  type ProductSettings,
} from '../../core/model/products/products';
import { bookClosed } from '../book/bookSlice';

export interface ProductJob {
  readonly status: 'idle' | 'running' | 'done' | 'failed' | 'stopped';
  readonly share: number;
  readonly message: string | null;
  /** Revision of the book that was written; -1 before. */
  readonly revision: number;
  /** The last that was written, now or before; null: none was. */
  readonly made: MadeProduct | null;
  /** What a press, a shop or a device said of it. */
  readonly facts: readonly OutsideFact[];
}

const IDLE: ProductJob = { status: 'idle', share: 0, message: null, revision: -1, made: null, facts: [] };

export interface JobsState {
  readonly jobs: Readonly<Record<ProductId, ProductJob>>;
  readonly settings: ProductSettings;
}

const initialState: JobsState = {
  jobs: Object.fromEntries(PRODUCT_IDS.map((id) => [id, IDLE])) as JobsState['jobs'],
  settings: FIRST_SETTINGS,
};

const withJob = (state: JobsState, product: ProductId, change: Partial<ProductJob>): JobsState => ({
  ...state,
  jobs: { ...state.jobs, [product]: { ...state.jobs[product], ...change } },
});

const slice = createSlice({
  name: 'jobs',
  initialState: initialState as JobsState,
  reducers: {
    jobChanged: (state, action: PayloadAction<{ product: ProductId; change: Partial<ProductJob> }>) =>
      withJob(state, action.payload.product, action.payload.change),
    /** What was written is of other choices: it is not shown as the product any more. */
    settingsChosen: (state, action: PayloadAction<Partial<ProductSettings>>) =>
      (Object.keys(action.payload) as ProductId[]).reduce(
        (current, product) => withJob(current, product, { status: 'idle', made: null, facts: [] }),
        { ...state, settings: { ...state.settings, ...action.payload } } as JobsState,
      ),
    /** Those written before, with what was chosen for them; one written since is newer. */
    madeProductsRead: (state, action: PayloadAction<readonly ToldProduct[]>) =>
      action.payload.reduce((current, { made, facts }) => {
        if (current.jobs[made.product].made !== null) return current;
        const settings = { ...current.settings, [made.product]: made.settings };
        return withJob({ ...current, settings }, made.product, { made, facts });
      }, state as JobsState),
  },
  extraReducers: (builder) => builder.addCase(bookClosed, () => initialState),
});

export const { jobChanged, settingsChosen, madeProductsRead } = slice.actions;
export const jobsReducer = slice.reducer;
