// What a search for pages keeps, so that the next one of the same reach goes on from it.
import type { Flow, Setting } from './flow';
import type { Layer } from './stateList';

export interface FillMemory {
  readonly flow: Flow;
  readonly layers: readonly Layer[];
  /** Settings to columns of other widths, by paragraph, as the layers number them. */
  readonly extra: ReadonlyMap<number, Setting[]>;
  readonly last: number;
  /** What the answer costs; null where the search stopped in step with the one before. */
  readonly cost: number | null;
  /** Paragraphs looked at in the last search: what an edit cost. */
  readonly visited: number;
}
