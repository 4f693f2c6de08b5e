// A picture file dropped on a page becomes a figure, tied to the paragraph nearest to where it was dropped, which the bracket shows meanwhile.
import { useState, type DragEvent } from 'react';
import { dropPicture } from '../../../state/copy/figureThunks';
import { useAppDispatch } from '../../../state/hooks';
import type { ParagraphPlace } from '../../../state/view/viewSlice';

export function useDeskDrop() {
  const dispatch = useAppDispatch();
  const [over, setOver] = useState<ParagraphPlace | null>(null);
  const [trouble, setTrouble] = useState('');
  return {
    over,
    trouble,
    close: () => setTrouble(''),
    onDragOver(event: DragEvent) {
      if (!event.dataTransfer.types.includes('Files')) return;
      event.preventDefault();
      const place = nearestParagraph(event);
      setOver((old) => (old?.block === place?.block && old?.stream === place?.stream ? old : place));
    },
    onDragLeave: () => setOver(null),
    onDrop(event: DragEvent) {
      const [file] = event.dataTransfer.files;
      if (file === undefined) return;
      event.preventDefault();
      event.stopPropagation();
      const place = nearestParagraph(event);
      setOver(null);
      setTrouble('');
      void file.arrayBuffer().then(async (bytes) => {
        const problem = await dispatch(dropPicture(file.name, new Uint8Array(bytes), place));
        if (problem !== null) setTrouble(problem);
      });
    },
  };
}

/** The paragraph of a division's text nearest to a point of the pages in view. */
function nearestParagraph({ clientX, clientY, currentTarget, target }: DragEvent): ParagraphPlace | null {
  const under = placeOf((target as HTMLElement).closest<HTMLElement>('[data-block]'));
  if (under !== null) return under;
  let nearest: ParagraphPlace | null = null;
  let least = Infinity;
  for (const text of currentTarget.querySelectorAll<HTMLElement>('[data-page] [data-block]')) {
    const place = placeOf(text);
    if (place === null) continue;
    const { left, right, top, bottom } = text.getBoundingClientRect();
    const away = Math.hypot(Math.max(left - clientX, 0, clientX - right), Math.max(top - clientY, 0, clientY - bottom));
    if (away < least) [nearest, least] = [place, away];
  }
  return nearest;
}

/** Of text of a division, whose streams are called by a d; null for any other. */
function placeOf(text: HTMLElement | null): ParagraphPlace | null {
  const { stream, block } = text?.dataset ?? {};
  return block && stream?.startsWith('d') ? { stream, block } : null;
}
