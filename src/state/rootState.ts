// The shape of the store: a reducer for each slice.
import { combineReducers } from '@reduxjs/toolkit';
import { arrivalReducer } from './arrivalSlice';
import { bookReducer } from './bookSlice';
import { composeReducer } from './composeSlice';
import { jobsReducer } from './jobsSlice';
import { shelfReducer } from './shelfSlice';
import { viewReducer } from './viewSlice';

export const rootReducer = combineReducers({
  arrival: arrivalReducer,
  book: bookReducer,
  compose: composeReducer,
  jobs: jobsReducer,
  shelf: shelfReducer,
  view: viewReducer,
});

export type RootState = ReturnType<typeof rootReducer>;
