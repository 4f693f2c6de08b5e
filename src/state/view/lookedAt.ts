// What is looked at: the paragraph pointed at, else the line of the caret.
import { createSelector } from '@reduxjs/toolkit';
import type { RootState } from '../rootState';
import type { ParagraphPlace } from './viewSlice';

export const selectLookedAt = createSelector(
  [(state: RootState) => state.view.paragraph, (state: RootState) => state.view.caret],
  (pointed, caret): ParagraphPlace | null =>
    pointed ?? (caret === null ? null : { stream: caret.stream, block: caret.head.block, offset: caret.head.offset }),
);
