// A file dropped on the running order becomes divisions of the book, before the entry on which it is dropped.
import { useState, type DragEvent } from 'react';
import { useAppDispatch } from '../../../../state/hooks';
import { bringDivisionsIn } from '../../../../state/arrival/incomingThunks';
import type { RunningOrderRow } from '../../../../state/book/selectors';

/** The place behind the last division. */
export const END = 'end';

export function useFileDrop(rows: readonly RunningOrderRow[]) {
  const dispatch = useAppDispatch();
  const [before, setBefore] = useState<string | null>(null);
  const [told, setTold] = useState('');
  const placeOf = (event: DragEvent) =>
    (event.target as HTMLElement).closest<HTMLElement>('[data-division]')?.dataset.division ?? END;
  return {
    before,
    told,
    over(event: DragEvent) {
      if (!event.dataTransfer.types.includes('Files')) return;
      event.preventDefault();
      setBefore(placeOf(event));
    },
    leave: () => setBefore(null),
    drop(event: DragEvent) {
      const file = event.dataTransfer.files[0];
      if (file === undefined) return;
      event.preventDefault();
      event.stopPropagation();
      const at = rows.findIndex((row) => row.id === placeOf(event));
      setBefore(null);
      setTold('');
      void dispatch(bringDivisionsIn(file.name, file, at < 0 ? null : at)).then((problem) => setTold(problem ?? ''));
    },
  };
}
