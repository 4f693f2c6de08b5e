// Edits of figures.
import type { Book } from '../../model/copy/book';
import type { BookEdit } from '../../model/copy/bookEdit';
import type { Figure } from '../../model/copy/figures';
import { MOST_PARTS } from '../../model/copy/figureSetting';
import type { FigureId, PictureFacts } from '../../model/copy/streams';

/** The edit that makes a figure another one; null where nothing changes, or the figure is gone. */
export function setFigureEdit(book: Book, id: FigureId, change: Partial<Omit<Figure, 'id'>>): BookEdit | null {
  const from = book.figures[id];
  if (from === undefined) return null;
  const to = { ...from, ...change };
  return JSON.stringify(to) === JSON.stringify(from) ? null : { kind: 'setFigure', id, from, to };
}

/** The edit that puts a picture beside those of a figure, as its last part; null where it has as many as it may, or is gone. */
export function appendPartEdit(book: Book, id: FigureId, picture: PictureFacts): BookEdit | null {
  const parts = book.figures[id]?.parts ?? [];
  return parts.length === 0 || parts.length >= MOST_PARTS
    ? null
    : setFigureEdit(book, id, { parts: [...parts, { picture }] });
}

/** The edit that takes a part of a figure out; null for its only one. */
export function dropPartEdit(book: Book, id: FigureId, at: number): BookEdit | null {
  const parts = book.figures[id]?.parts ?? [];
  return parts.length < 2 || parts[at] === undefined
    ? null
    : setFigureEdit(book, id, { parts: parts.toSpliced(at, 1) });
}
