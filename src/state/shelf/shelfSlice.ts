// The books in this browser, in brief, and the manuscripts being read.
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export interface ShelfBook {
  readonly id: string;
  readonly title: string;
  readonly author: string;
  readonly trim: string;
  readonly pages: number;
  readonly words: number;
  readonly findings: number;
  readonly touched: number;
  readonly hasCover: boolean;
}

export interface ShelfState {
  /** Null until they have been read. */
  readonly books: readonly ShelfBook[] | null;
  /** Names of the files being read. */
  readonly reading: readonly string[];
  /** What could not be read, and why: one sentence each. */
  readonly refused: readonly string[];
  readonly failed: string | null;
}

const initialState: ShelfState = { books: null, reading: [], refused: [], failed: null };

const slice = createSlice({
  name: 'shelf',
  initialState: initialState as ShelfState,
  reducers: {
    shelfRead: (state, action: PayloadAction<readonly ShelfBook[]>) => ({
      ...state,
      books: action.payload,
      failed: null,
    }),
    shelfFailed: (state, action: PayloadAction<string>) => ({ ...state, failed: action.payload }),
    readingStarted: (state, action: PayloadAction<string>) => ({
      ...state,
      reading: [...state.reading, action.payload],
    }),
    readingEnded: (state, action: PayloadAction<string>) => {
      const at = state.reading.indexOf(action.payload);
      return { ...state, reading: state.reading.filter((_, index) => index !== at) };
    },
    fileRefused: (state, action: PayloadAction<string>) => ({ ...state, refused: [...state.refused, action.payload] }),
    refusalsDismissed: (state) => ({ ...state, refused: [] }),
  },
});

export const { shelfRead, shelfFailed, readingStarted, readingEnded, fileRefused, refusalsDismissed } = slice.actions;
export const shelfReducer = slice.reducer;
