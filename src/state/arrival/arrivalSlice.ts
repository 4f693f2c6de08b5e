// What came in with the manuscripts of this session, by the books that were made of them.
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Arrival } from '../../core/model/copy/manuscript';

export type ArrivalState = Readonly<Record<string, Arrival>>;

const slice = createSlice({
  name: 'arrival',
  initialState: {} as ArrivalState,
  reducers: {
    manuscriptArrived: (state, action: PayloadAction<{ bookId: string; arrival: Arrival }>) => ({
      ...state,
      [action.payload.bookId]: action.payload.arrival,
    }),
    arrivalClosed: (state, action: PayloadAction<string>) => {
      const { [action.payload]: _, ...rest } = state;
      return rest;
    },
  },
});

export const { manuscriptArrived, arrivalClosed } = slice.actions;
export const arrivalReducer = slice.reducer;
