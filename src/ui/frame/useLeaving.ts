// A book is left when it is written: a way out of it waits for that, and for the person's answer where it cannot be written.
import { useEffect } from 'react';
import { useBlocker } from 'react-router';
import { closeBook } from '../../state/book/bookThunks';
import { useAppDispatch, useAppSelector } from '../../state/hooks';

/** The ways on after the question of UnwrittenQuestion. */
export function useLeaving(bookId: string): { readonly settled: () => void; readonly stay: () => void } {
  const dispatch = useAppDispatch();
  const mayLose = useAppSelector(({ book }) => book.unwritten !== null || (!book.readOnly && book.save !== 'saved'));
  const inside = `/book/${bookId}`;
  const blocker = useBlocker(
    ({ nextLocation: { pathname } }) => mayLose && pathname !== inside && !pathname.startsWith(`${inside}/`),
  );
  useEffect(() => {
    if (blocker.state !== 'blocked') return;
    dispatch(closeBook()).then(
      (isClosed) => isClosed && blocker.proceed(),
      () => blocker.reset(),
    );
  }, [blocker.state]);
  return {
    settled: () => blocker.state === 'blocked' && blocker.proceed(),
    stay: () => blocker.state === 'blocked' && blocker.reset(),
  };
}
