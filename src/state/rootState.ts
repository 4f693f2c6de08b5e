// The shape of the store: a reducer for each slice.
import { combineReducers } from '@reduxjs/toolkit';
import { arrivalReducer } from './arrival/arrivalSlice';
import { bookReducer } from './book/bookSlice';
import { composeReducer } from './compose/composeSlice';
import { jobsReducer } from './send-out/jobsSlice';
import { shelfReducer } from './shelf/shelfSlice';
import { viewReducer } from './view/viewSlice';

export const rootReducer = combineReducers({
  arrival: arrivalReducer,
  book: bookReducer,
  compose: composeReducer,
  jobs: jobsReducer,
  shelf: shelfReducer,
  view: viewReducer,
});

export type RootState = ReturnType<typeof rootReducer>;
