// The part of a book's history that is held in memory: entries base + 1 to base + entries.length of the log. The log itself
// may be as long as it likes; what lies outside of the window is on the disk and comes in pages when undo or redo nears it.
import type { HistoryEntry } from '../core/model/copy/bookEdit';

export interface HistoryWindow {
  /** Entries of the log before those held here. */
  readonly base: number;
  readonly entries: readonly HistoryEntry[];
  /** How many entries of the log are applied; base <= cursor <= base + entries.length. */
  readonly cursor: number;
  /** Entries of the whole log. */
  readonly total: number;
}

export const NO_HISTORY: HistoryWindow = { base: 0, entries: [], cursor: 0, total: 0 };

/** Entries read at once from the log, and held on each side of the cursor when a window is cut. */
export const HISTORY_PAGE = 200;
/** Entries left before an end of the window at which the next page is read. */
const NEAR_END = 60;

/** The entry that undo takes back; undefined when there is none, or it is not in the window. */
export const entryToUndo = ({ base, entries, cursor }: HistoryWindow): HistoryEntry | undefined =>
  entries[cursor - base - 1];

/** The entry that redo applies again. */
export const entryToRedo = ({ base, entries, cursor }: HistoryWindow): HistoryEntry | undefined =>
  entries[cursor - base];

/** The next page that undo or redo will soon ask for, as numbers of entries from 1; null when none is missing. */
export function pageWanted({ base, entries, cursor, total }: HistoryWindow): { from: number; to: number } | null {
  if (base > 0 && cursor - base < NEAR_END) return { from: Math.max(1, base + 1 - HISTORY_PAGE), to: base };
  const end = base + entries.length;
  if (end < total && end - cursor < NEAR_END) return { from: end + 1, to: Math.min(total, end + HISTORY_PAGE) };
  return null;
}

/** The window with a page of the log at its beginning or end; unchanged when the page does not meet it any more. */
export function withPage<T extends HistoryWindow>(window: T, from: number, page: readonly HistoryEntry[]): T {
  if (page.length === 0) return window;
  if (from + page.length - 1 === window.base)
    return { ...window, base: from - 1, entries: [...page, ...window.entries] };
  const end = window.base + window.entries.length;
  if (from === end + 1 && end + page.length <= window.total)
    return { ...window, entries: [...window.entries, ...page] };
  return window;
}

/**
 * Number of the first entry that differs between two windows of one log, the later with changes not written yet; one more
 * than the last entry of the later when none does. Entries are compared by identity, what lies before both is alike. A page read from
 * the log belongs to both: whoever puts it into the one puts it into the other.
 */
export function firstDifference(before: HistoryWindow, after: HistoryWindow): number {
  const end = after.base + after.entries.length;
  let number = Math.max(before.base, after.base) + 1;
  while (number <= end && before.entries[number - before.base - 1] === after.entries[number - after.base - 1])
    number += 1;
  return number;
}

/** How many changes the later state has that the earlier one has not: entries, or steps of undo; 0 when they are one revision. */
export function changesBetween(
  before: HistoryWindow & { readonly revision: number },
  after: HistoryWindow & { readonly revision: number },
): number {
  if (before.revision === after.revision) return 0;
  const first = firstDifference(before, after);
  const steps = Math.abs(after.cursor - Math.min(before.cursor, first - 1));
  return Math.max(1, steps);
}

/** A window without what lies far from the cursor, of entries that are written. Answers the same object when it is short. */
export function trimmed<T extends HistoryWindow>(window: T): T {
  const { base, entries, cursor } = window;
  if (entries.length <= 3 * HISTORY_PAGE) return window;
  const from = Math.max(base, cursor - HISTORY_PAGE);
  const to = Math.min(base + entries.length, cursor + HISTORY_PAGE);
  return { ...window, base: from, entries: entries.slice(from - base, to - base) };
}
