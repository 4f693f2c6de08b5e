// Carries what is looked at from stage to stage, and over a reload.
import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { selectFacing, spreadOfPage } from '../../state/book/selectors';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { carryPlace, keepPlace, restorePlace, type StagePath } from '../../state/view/placeThunks';
import { spreadCalled } from '../../state/view/viewSlice';
import { STAGE_KEYS } from './useShortcuts';

const stageOf = (path: string): StagePath | null => STAGE_KEYS.find((stage) => path.endsWith(`/${stage}`)) ?? null;

export function usePlace(bookId: string | undefined): void {
  const dispatch = useAppDispatch();
  const stage = stageOf(useLocation().pathname);
  const view = useAppSelector((state) => state.view);
  const open = useAppSelector((state) => state.book.book?.id);
  const pages = useAppSelector((state) => state.compose.summary?.pages.length ?? 0);
  const facing = useAppSelector(selectFacing);
  const before = useRef<StagePath | null>(null);
  /** The book whose place was restored, and its spread until the pages are there. */
  const restored = useRef<{ readonly book: string; readonly spread: number | null } | null>(null);
  const isOpen = open !== undefined && open === bookId;
  useEffect(() => {
    if (!isOpen || restored.current?.book === open) return;
    restored.current = { book: open, spread: dispatch(restorePlace()) };
  }, [dispatch, isOpen, open]);
  useEffect(() => {
    const wanted = restored.current?.spread ?? null;
    if (wanted === null || pages === 0 || spreadOfPage(pages - 1, facing) < wanted) return;
    restored.current = { ...restored.current!, spread: null };
    if (wanted > 0) dispatch(spreadCalled(wanted));
  }, [dispatch, pages, facing]);
  useEffect(() => {
    const from = before.current;
    before.current = stage;
    if (isOpen && from !== null && stage !== null && from !== stage) dispatch(carryPlace(from, stage));
  }, [dispatch, isOpen, stage]);
  const { division, spread, topic, caret, galley } = view;
  useEffect(() => {
    // Until the kept spread is gone to, what is in view is not what was looked at.
    if (isOpen && restored.current?.book === open && restored.current.spread === null) dispatch(keepPlace());
  }, [dispatch, isOpen, open, division, spread, topic, caret, galley]);
}
