// Find and replace from the screen: the worker finds, and gives the edits that replace; taking them is one undo step.
import type { Book } from '../../core/model/copy/book';
import type { FindQuery, FindReplacement } from '../../core/model/answers/find';
import type { FoundReply, RunningQuestion } from '../../worker/typesetClient';
import type { WriteOrder, WriteResult } from '../../worker/writeClient';
import { edit } from '../book/bookThunks';
import type { BookSession } from '../session/bookSession';
import type { AppThunk } from '../store';

/** A pattern that can run for ever has a worker of its own, which is ended after so many ms. */
const LONGEST_SEARCH = 3000;
const TOO_SLOW = 'This pattern takes too long: it has too many ways to match.';
const NOTHING: FoundReply = { hits: [], outside: 0, problem: null };

/** Everything that a query finds in the open book; `onProgress` is told the share that is looked through. */
export function findInBook(
  query: FindQuery,
  onProgress?: (share: number) => void,
): AppThunk<RunningQuestion<FoundReply>> {
  return (_dispatch, getState, { sessions }) => {
    const session = sessions.current;
    const { book } = getState().book;
    const asked = session?.client?.find(query, onProgress);
    if (session === null || book === null || asked === undefined)
      return { result: Promise.resolve(NOTHING), stop: () => undefined };
    let isStopped = false;
    const result = asked.result.then((found) =>
      found.isElsewhere && !isStopped ? findElsewhere(session, book, query) : found,
    );
    const stop = () => {
      isStopped = true;
      asked.stop();
      session.stopWriting('find');
    };
    return { result, stop };
  };
}

async function findElsewhere(session: BookSession, book: Book, query: FindQuery): Promise<FoundReply> {
  const { result, isLate } = await inTime(session, { kind: 'find', book, query });
  if (result?.kind === 'found') return result;
  if (isLate) return { hits: [], outside: 0, problem: TOO_SLOW };
  return result?.kind === 'failed' ? { hits: [], outside: 0, problem: result.message } : NOTHING;
}

/** A search in a worker of its own; `isLate`: it was ended for its time. */
async function inTime(
  session: BookSession,
  order: WriteOrder,
): Promise<{ readonly result: WriteResult | undefined; readonly isLate: boolean }> {
  let isLate = false;
  const timer = setTimeout(() => {
    isLate = true;
    session.stopWriting('find');
  }, LONGEST_SEARCH);
  const result = await session.write('find', order, () => undefined).finally(() => clearTimeout(timer));
  return { result, isLate };
}

/** Replaces all hits, or the places that are given as `stream at`; answers how many. */
export function replaceInBook(
  query: FindQuery,
  replacement: FindReplacement,
  only: readonly string[] | null,
): AppThunk<Promise<number>> {
  return async (dispatch, getState, { sessions }) => {
    const session = sessions.current;
    const { book, readOnly } = getState().book;
    if (session?.client == null || book === null || readOnly) return 0;
    const asked = await session.client.replace(query, replacement, only);
    const elsewhere = asked.isElsewhere
      ? (await inTime(session, { kind: 'replace', book, query, replacement, only })).result
      : undefined;
    const { edits, count } = elsewhere?.kind === 'edits' ? elsewhere : asked;
    // The copy has gone on since: what was found is no longer there.
    if (edits.length === 0 || asked.revision !== getState().book.revision) return 0;
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
