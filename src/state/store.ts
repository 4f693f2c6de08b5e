// The store's shape and its making. The book is left out of the development checks: it is large and never mutated.
import {
  combineReducers,
  configureStore,
  createListenerMiddleware,
  type ThunkAction,
  type UnknownAction,
} from '@reduxjs/toolkit';
import { arrivalReducer } from './arrivalSlice';
import { bookReducer } from './bookSlice';
import { composeReducer } from './composeSlice';
import { jobsReducer } from './jobsSlice';
import type { Services } from './services';
import { shelfReducer } from './shelfSlice';
import { viewReducer } from './viewSlice';
import { startListeners } from './listeners';

const rootReducer = combineReducers({
  arrival: arrivalReducer,
  book: bookReducer,
  compose: composeReducer,
  jobs: jobsReducer,
  shelf: shelfReducer,
  view: viewReducer,
});

export type RootState = ReturnType<typeof rootReducer>;

export function createAppStore(services: Services) {
  const listeners = createListenerMiddleware<RootState>();
  startListeners(listeners as never, services);
  return configureStore({
    reducer: rootReducer,
    middleware: (defaults) =>
      defaults({ thunk: { extraArgument: services }, serializableCheck: false, immutableCheck: false }).prepend(
        listeners.middleware,
      ),
  });
}

export type AppStore = ReturnType<typeof createAppStore>;
export type AppDispatch = AppStore['dispatch'];
export type AppThunk<T = void> = ThunkAction<T, RootState, Services, UnknownAction>;
