// Changes of figures: one undo step each.
import type { Figure } from '../../core/model/copy/figures';
import { edit } from '../book/bookThunks';
import type { AppThunk } from '../store';

/** Puts a figure in the place of the one of its id; nothing happens where that is gone. */
export function setFigure(to: Figure, name: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const from = book?.figures[to.id];
    if (from === undefined || readOnly || JSON.stringify(from) === JSON.stringify(to)) return;
    dispatch(edit(name, [{ kind: 'setFigure', id: to.id, from, to }]));
  };
}
