// Effects of actions: every change of the book goes to the worker as edits, and to the disk within half a second.
import { isAnyOf, type ListenerMiddlewareInstance } from '@reduxjs/toolkit';
import { invertEdits } from '../core/edit';
import type { BookEdit } from '../core/model/copy/bookEdit';
import { bookEdited, editRedone, editUndone, type BookState } from './book/bookSlice';
import { entryToRedo, entryToUndo } from '../storage/historyWindow';
import { composeStarted } from './compose/composeSlice';
import { pageOfSpread, selectFacing } from './book/selectors';
import type { Services } from './services';
import type { RootState } from './rootState';
import type { TextInView } from '../worker/typesetClient';

export function startListeners(middleware: ListenerMiddlewareInstance<RootState>, services: Services): void {
  middleware.startListening({
    matcher: isAnyOf(bookEdited, editUndone, editRedone),
    effect: (action, api) => {
      const before = api.getOriginalState().book;
      const after = api.getState().book;
      if (before.revision === after.revision) return;
      services.sessions.current?.edited(editsOf(action, before), before.revision, after.revision);
      api.dispatch(composeStarted());
    },
  });
  // What is looked at is composed before the rest, whenever something changes.
  middleware.startListening({
    predicate: (_action, now, before) =>
      now.view.spread !== before.view.spread ||
      now.view.drawn !== before.view.drawn ||
      now.compose.summary !== before.compose.summary,
    effect: (_action, api) => services.sessions.current?.client?.look(textLookedAt(api.getState())),
  });
}

/** The text at the head of the spread in view, and its pages; null where no text stands. */
function textLookedAt(state: RootState): TextInView | null {
  const { compose, view } = state;
  const spread = view.drawn ?? view.spread;
  const facing = selectFacing(state);
  const first = pageOfSpread(spread, facing);
  const last = pageOfSpread(spread + 1, facing);
  const pages = (compose.summary?.pages ?? []).filter((page) => page.index >= first && page.index < last);
  const start = pages.find((page) => page.start !== null)?.start;
  return start ? { ...start, pages: pages.map((page) => page.index) } : null;
}

function editsOf(action: unknown, before: BookState): readonly BookEdit[] {
  if (bookEdited.match(action as never)) return (action as ReturnType<typeof bookEdited>).payload.edits;
  if (editUndone.match(action as never)) return invertEdits(entryToUndo(before)!.edits);
  return entryToRedo(before)!.edits;
}
