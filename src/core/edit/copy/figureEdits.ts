// Edits of figures.
import type { Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { Figure } from '../../model/copy/figures';
import type { FigureId } from '../../model/copy/streams';

/** The edit that makes a figure another one; null where nothing changes, or the figure is gone. */
export function setFigureEdit(book: Book, id: FigureId, change: Partial<Omit<Figure, 'id'>>): BookEdit | null {
  const from = book.figures[id];
  if (from === undefined) return null;
  const to = { ...from, ...change };
  return JSON.stringify(to) === JSON.stringify(from) ? null : { kind: 'setFigure', id, from, to };
}
