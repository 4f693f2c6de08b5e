// The arrival sheet: what an incoming style becomes can be changed after the book is made.
import { restyleEdits } from '../core/edit';
import { styleMapped } from './arrivalSlice';
import { edit } from './bookThunks';
import type { AppThunk } from './store';

/** Sets all paragraphs that came in a style of the file in one of ours; one undo step. */
export function mapStyle(name: string, tag: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const style = book && getState().arrival[book.id]?.styles.find((one) => one.name === name);
    if (book === null || readOnly || !style) return;
    const edits = restyleEdits(book, new Set(style.blocks), tag);
    dispatch(styleMapped({ bookId: book.id, name, tag }));
    if (edits.length > 0) dispatch(edit(`“${name}” set as ${tag}`, edits));
  };
}
