// Title pages as they were kept, read with the list of the books: a card is drawn with its page at once.
import type { BookRecord } from '../../storage/database';
import type { Services } from '../services';
import type { AppThunk } from '../store';

export type Cover = NonNullable<BookRecord['cover']>;

/** By the repository that they were read from; they are too large for the store. */
const read = new WeakMap<Services['repository'], ReadonlyMap<string, Cover>>();

/** Takes the title pages of all books from their records. */
export function noteCovers(repository: Services['repository'], records: readonly BookRecord[]): void {
  read.set(
    repository,
    new Map(records.flatMap(({ id, cover }) => (cover === undefined ? [] : [[id, cover] as const]))),
  );
}

/** The title page of a book; undefined while it has none. */
export function coverOf(id: string): AppThunk<Cover | undefined> {
  return (_dispatch, _getState, { repository }) => read.get(repository)?.get(id);
}
