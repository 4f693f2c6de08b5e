// Copy from elsewhere that goes into the book that is open: read in the worker, put in as one undo step.
import { dummyCopy, insertBlocksEdits, type IncomingBlocks } from '../core/edit';
import type { TextSelection } from '../core/model/bookEdit';
import { paragraph } from '../core/model/streams';
import { bookEdited } from './bookSlice';
import type { AppThunk } from './store';

/** How putting copy in ended: where it ends, or why nothing was put in. */
export type BroughtIn = { readonly end: TextSelection | null } | { readonly problem: string };

/** Reads a manuscript, or what another program put on the clipboard, and puts its text in at the caret. */
export function bringCopyIn(
  fileName: string,
  bytes: Uint8Array,
  at: TextSelection,
  name: string,
): AppThunk<Promise<BroughtIn>> {
  return async (dispatch, getState, { startWriteJob }) => {
    if (getState().book.readOnly) return { problem: 'This book can only be read here.' };
    const bookId = getState().book.book?.id;
    const result = await startWriteJob({ kind: 'read', fileName, bytes }).result;
    if (result.kind === 'failed')
      return { problem: result.message.includes(fileName) ? result.message : `${fileName}: ${result.message}` };
    if (result.kind !== 'manuscript' || getState().book.book?.id !== bookId) return { problem: '' };
    if (result.manuscript.blocks.length === 0) return { problem: 'There is no text in it.' };
    return dispatch(putIn(result.manuscript, at, name));
  };
}

/** Puts made-up paragraphs in at the caret. */
export function putDummyCopy(paragraphs: number, at: TextSelection): AppThunk<BroughtIn> {
  const blocks = dummyCopy(paragraphs).map((text, k) => paragraph(`p${k + 1}`, 'TX', text));
  return (dispatch) => dispatch(putIn({ blocks, notes: {} }, at, 'Dummy copy'));
}

function putIn(incoming: IncomingBlocks, at: TextSelection, name: string): AppThunk<BroughtIn> {
  return (dispatch, getState, { now }) => {
    const { book } = getState().book;
    const made = book && insertBlocksEdits(book, at.stream, at.head, incoming);
    if (!made) return { problem: 'The place for it is gone.' };
    const end = made.end === null ? null : { stream: at.stream, anchor: made.end, head: made.end };
    dispatch(bookEdited({ name, edits: made.edits, time: now(), selection: { before: at, after: end ?? at } }));
    return { end };
  };
}
