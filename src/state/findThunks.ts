// Find and replace from the screen: the worker finds, and gives the edits that replace; taking them is one undo step.
import type { FindQuery, FindReplacement } from '../core/model/find';
import type { FoundReply } from '../worker/typesetClient';
import { edit } from './bookThunks';
import type { AppThunk } from './store';

export function findInBook(query: FindQuery): AppThunk<Promise<FoundReply>> {
  return async (_dispatch, _getState, { sessions }) =>
    (await sessions.current?.client?.find(query)) ?? { hits: [], problem: null };
}

/** Replaces all hits, or the places that are given as `stream at`; answers how many. */
export function replaceInBook(
  query: FindQuery,
  replacement: FindReplacement,
  only: readonly string[] | null,
): AppThunk<Promise<number>> {
  return async (dispatch, getState, { sessions }) => {
    const client = sessions.current?.client ?? null;
    if (client === null || getState().book.readOnly) return 0;
    const { revision, edits, count } = await client.replace(query, replacement, only);
    if (edits.length === 0 || revision !== getState().book.revision) return 0;
    dispatch(edit(nameOf(query, replacement), edits));
    return count;
  };
}

/** What is told of it in the history. */
function nameOf({ words }: FindQuery, replacement: FindReplacement): string {
  const what = words === '' ? 'What was found' : `“${words}”`;
  if (replacement.words === null) return `${what} set in another style`;
  return replacement.words === '' ? `${what} deleted` : `${what} replaced`;
}
