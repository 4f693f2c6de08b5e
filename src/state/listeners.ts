// Effects of actions: every change of the book goes to the worker as edits, and to the disk within half a second.
import { isAnyOf, type ListenerMiddlewareInstance } from '@reduxjs/toolkit';
import { invertEdits } from '../core/edit';
import type { BookEdit } from '../core/model/bookEdit';
import { createAutosave } from './autosave';
import { bookClosed, bookEdited, bookOpened, editRedone, editUndone, saveChanged, type BookState } from './bookSlice';
import { composeStarted } from './composeSlice';
import type { Services } from './services';
import type { AppDispatch, RootState } from './store';

export function startListeners(
  middleware: ListenerMiddlewareInstance<RootState, AppDispatch>,
  services: Services,
): void {
  const autosave = createAutosave(services);
  middleware.startListening({
    matcher: isAnyOf(bookEdited, editUndone, editRedone),
    effect: (action, api) => {
      const before = api.getOriginalState().book;
      const after = api.getState().book;
      if (before.revision === after.revision) return;
      services.client?.apply(editsOf(action, before), before.revision, after.revision);
      api.dispatch(composeStarted());
      autosave.schedule(
        () => api.getState().book,
        (state) => api.dispatch(saveChanged(state)),
      );
    },
  });
  middleware.startListening({
    actionCreator: bookOpened,
    effect: (action) => autosave.begin(action.payload),
  });
  middleware.startListening({ actionCreator: bookClosed, effect: () => autosave.end() });
}

function editsOf(action: unknown, before: BookState): readonly BookEdit[] {
  if (bookEdited.match(action as never)) return (action as ReturnType<typeof bookEdited>).payload.edits;
  if (editUndone.match(action as never)) return invertEdits(before.entries[before.cursor - 1].edits);
  return before.entries[before.cursor].edits;
}
