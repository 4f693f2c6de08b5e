// The making of the store. The book is left out of the development checks: it is large and never mutated.
import { configureStore, createListenerMiddleware, type ThunkAction, type UnknownAction } from '@reduxjs/toolkit';
import { startListeners } from './listeners';
import { rootReducer, type RootState } from './rootState';
import type { Services } from './services';

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
