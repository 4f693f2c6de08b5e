// What is selected in the galley, for panels that work on it. The galley that is shown says how it is read.
import type { FindRange } from '../../core/model/answers/find';

let read: (() => readonly FindRange[]) | null = null;

/** Tells how the selection is read; answers how to stop. */
export function provideSelection(source: () => readonly FindRange[]): () => void {
  read = source;
  return () => {
    if (read === source) read = null;
  };
}

/** The selected stretches of paragraphs; empty when nothing is selected. */
export const selectedRanges = (): readonly FindRange[] => read?.() ?? [];
