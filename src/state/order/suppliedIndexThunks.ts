// An index that somebody else made from the pages of a pull: read against it, and put into the book.
import type { IndexQuestion } from '../../core/model/answers/suppliedIndex';
import { edit } from '../book/bookThunks';
import { keepPullOf } from '../book/keepPull';
import type { AppThunk } from '../store';

export type IndexSupplied =
  | { readonly entries: number; readonly marks: number; readonly questions: readonly IndexQuestion[] }
  | { readonly problem: string };

/** Puts the locators of an index into the book; one undo step. */
export function supplyIndexFrom(pull: string, fileName: string, bytes: Uint8Array): AppThunk<Promise<IndexSupplied>> {
  return async (dispatch, getState, { startWriteJob, pulls }) => {
    const { book, revision, readOnly } = getState().book;
    if (book === null || readOnly) return { problem: 'This book can only be read here.' };
    const kept = await pulls.read(book.id, pull);
    if (kept === undefined) return { problem: 'This kept state is gone.' };
    const text = new TextDecoder('utf-8').decode(bytes);
    const result = await startWriteJob({ kind: 'supplyIndex', book, pull: kept.book, table: kept.table, text }).result;
    if (result.kind === 'failed') return { problem: `${fileName}: ${result.message}` };
    if (result.kind !== 'index') return { problem: `${fileName} was not read.` };
    if (getState().book.revision !== revision)
      return { problem: 'The book was changed while the index was read, so nothing was put in. Take it again.' };
    if (result.edits.length > 0) dispatch(edit(`Index from ${fileName}`, result.edits));
    const { entries, marks, questions } = result;
    return { entries, marks, questions };
  };
}

/** Keeps the book as it is under a name. Answers the name. */
export function keepPull(name: string): AppThunk<Promise<string | null>> {
  return async (_dispatch, getState, services) => {
    const { book, revision } = getState().book;
    return book === null ? null : keepPullOf(services, book, revision, name);
  };
}
