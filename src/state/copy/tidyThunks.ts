// Tidy from the screen: the worker says what there is to do and gives the edits; taking them is one undo step.
import { applyEdits, notesDivisionEdits } from '../../core/edit';
import type { Book } from '../../core/model/copy/book';
import type { BookEdit } from '../../core/model/copy/bookEdit';
import type { TidyOffer, TidyPlace } from '../../core/model/answers/tidy';
import { edit } from '../book/bookThunks';
import type { AppThunk } from '../store';

/** Jobs that the copy needs, with their places. */
export function askTidy(): AppThunk<Promise<readonly TidyOffer[]>> {
  return async (_dispatch, _getState, { sessions }) => (await sessions.current?.client?.tidyOffers()) ?? [];
}

/** Takes jobs, or one place of one, without the places that are skipped; answers how many places were changed. */
export function takeTidy(
  jobs: readonly string[],
  name: string,
  only: TidyPlace | null = null,
  skipped: readonly TidyPlace[] = [],
): AppThunk<Promise<number>> {
  return async (dispatch, getState, { sessions }) => {
    const client = sessions.current?.client ?? null;
    if (client === null || getState().book.readOnly) return 0;
    const { revision, edits, changes } = await client.tidy(jobs, only, skipped);
    // The copy has gone on since: what was found is no longer there.
    if (edits.length === 0 || revision !== getState().book.revision) return 0;
    const made = edits.flatMap((one) => (one.kind === 'setNote' && one.from === null ? [one.to!.kind] : []));
    const book = getState().book.book!;
    // Notes that are gathered have a division for that.
    const gathered = made.length === 0 ? [] : notesDivisionEdits(applyEdits(book, edits), made[0]);
    const isWhole = only === null && skipped.length === 0;
    dispatch(edit(name, [...edits, ...gathered, ...(isWhole ? recipeEdits(book, jobs) : [])]));
    return changes.length;
  };
}

/** Jobs that were taken as a whole are the recipe for the author's next file. */
function recipeEdits(book: Book, jobs: readonly string[]): BookEdit[] {
  const added = jobs.filter((job) => !book.source.recipe.includes(job));
  if (added.length === 0) return [];
  const to = { ...book.source, recipe: [...book.source.recipe, ...added] };
  return [{ kind: 'setSource', from: book.source, to }];
}
