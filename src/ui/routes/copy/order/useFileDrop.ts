// Files dropped on the running order become divisions of the book, one after another, before the entry on which they are dropped.
import { useState, type DragEvent } from 'react';
import { useAppDispatch } from '../../../../state/hooks';
import { bringAllIn, type BroughtDivisions } from '../../../../state/arrival/incomingThunks';
import type { RunningOrderRow } from '../../../../state/book/selectors';

/** The place behind the last division. */
export const END = 'end';

export function useFileDrop(rows: readonly RunningOrderRow[]) {
  const dispatch = useAppDispatch();
  const [before, setBefore] = useState<string | null>(null);
  const [told, setTold] = useState<readonly BroughtDivisions[]>([]);
  const placeOf = (event: DragEvent) =>
    (event.target as HTMLElement).closest<HTMLElement>('[data-division]')?.dataset.division ?? END;
  return {
    before,
    told,
    close: () => setTold([]),
    over(event: DragEvent) {
      if (!event.dataTransfer.types.includes('Files')) return;
      event.preventDefault();
      setBefore(placeOf(event));
    },
    leave: () => setBefore(null),
    drop(event: DragEvent) {
      const files = [...event.dataTransfer.files];
      if (files.length === 0) return;
      event.preventDefault();
      event.stopPropagation();
      const at = rows.findIndex((row) => row.id === placeOf(event));
      setBefore(null);
      setTold([]);
      void dispatch(bringAllIn(files, at < 0 ? null : at)).then(setTold);
    },
  };
}
