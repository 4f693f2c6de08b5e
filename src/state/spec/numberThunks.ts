// Changes of numbering: schemes of styles, and numbers that were typed.
import { applyEdits, dropTypedNumbersEdits } from '../../core/edit';
import type { BookEdit } from '../../core/model/copy/bookEdit';
import type { NumberScheme } from '../../core/model/spec/numbering';
import { edit } from '../book/bookThunks';
import { faultOf } from './specThunks';
import type { AppThunk } from '../store';

/** Gives styles their schemes, one undo step; null: not numbered. Answers what is wrong; then nothing changes. */
export function setSchemes(
  schemes: Readonly<Record<string, NumberScheme | null>>,
  name: string,
): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return null;
    const edits: BookEdit[] = [];
    for (const [tag, number] of Object.entries(schemes)) {
      const from = book.spec.styles[tag];
      if (from === undefined || JSON.stringify(from.number ?? null) === JSON.stringify(number)) continue;
      edits.push({ kind: 'setStyle', tag, from, to: { ...from, number } });
    }
    if (edits.length === 0) return null;
    const fault = faultOf(applyEdits(book, edits).spec);
    if (fault === null) dispatch(edit(name, edits));
    return fault;
  };
}

/** Takes the typed numbers of chapters and parts out of the copy. */
export function dropTypedNumbers(): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits = dropTypedNumbersEdits(book);
    if (edits.length > 0) dispatch(edit('Typed numbers taken out', edits));
  };
}
