// Changes of figures: one undo step each.
import { appendPartEdit, dropPartEdit, insertBlocksEdits, setFigureEdit } from '../../core/edit';
import { isPicture, pictureOf } from '../../core/copy/pictureOf';
import { markOf } from '../../core/copy/figures/findFigures';
import { blocksOfStream, type Book } from '../../core/model/copy/book';
import type { Figure } from '../../core/model/copy/figures';
import {
  isFigureAlone,
  OBJECT_CHARACTER,
  paragraph,
  type BlockId,
  type FigureId,
  type PictureFacts,
  type StreamId,
} from '../../core/model/copy/streams';
import { keepPicture } from '../arrival/incomingThunks';
import { bookEdited } from '../book/bookSlice';
import { edit } from '../book/bookThunks';
import type { AppThunk } from '../store';
import { paragraphPointed } from '../view/viewSlice';

/** Puts a figure in the place of the one of its id; nothing happens where that is gone. `joinKey`: of a gesture, which is one undo step. */
export function setFigure(to: Figure, name: string, joinKey?: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const made = book === null || readOnly ? null : setFigureEdit(book, to.id, to);
    if (made !== null) dispatch(edit(name, [made], joinKey));
  };
}

/** A picture beside those that a figure has, as its last part. Answers why not, or null. */
export function addPart(id: FigureId, fileName: string, bytes: Uint8Array): AppThunk<Promise<string | null>> {
  return async (dispatch, getState) => {
    const picture = await dispatch(keepPicture(fileName, bytes));
    if (picture === null) return `${fileName} is no picture that can be shown.`;
    const { book, readOnly } = getState().book;
    const made = book === null || readOnly ? null : appendPartEdit(book, id, picture);
    if (made === null) return 'The figure can have no more parts.';
    dispatch(edit('Part added', [made]));
    return null;
  };
}

/** Takes a part of a figure out; its only one stays. */
export function dropPart(id: FigureId, at: number): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const made = book === null || readOnly ? null : dropPartEdit(book, id, at);
    if (made !== null) dispatch(edit('Part taken out', [made]));
  };
}

interface Place {
  readonly stream: StreamId;
  readonly block: BlockId;
}

/** Makes a figure of a picture file, its mark at the end of a paragraph, and points at it. Answers why not, or null. */
export function dropPicture(
  fileName: string,
  bytes: Uint8Array,
  place: Place | null,
): AppThunk<Promise<string | null>> {
  return async (dispatch, getState) => {
    if (getState().book.readOnly) return 'This book can only be read here.';
    if (place === null) return 'There is no text near it to which the picture could be tied.';
    if (!isPicture(bytes)) return `${fileName} is no picture. Copy takes manuscripts.`;
    const picture = await dispatch(keepPicture(fileName, bytes));
    if (picture === null) return `${fileName} is no picture that can be shown.`;
    return dispatch(putFigure(picture, place, 'Picture'));
  };
}

/** A figure whose picture is to come: a frame of some size holds its place until its file is chosen. */
export function putPictureToCome(place: Place & { readonly offset?: number }): AppThunk<string | null> {
  return (dispatch) => dispatch(putFigure(TO_COME, place, 'Picture to come'));
}

/** The frame of a picture of which nothing is known. */
const TO_COME: PictureFacts = pictureOf(undefined, { name: '', width: 0, height: 0, alt: '' });

function putFigure(
  picture: PictureFacts,
  { stream, block, offset }: Place & { readonly offset?: number },
  name: string,
): AppThunk<string | null> {
  return (dispatch, getState, { now }) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return 'This book can only be read here.';
    const own = blocksOfStream(book, stream)?.find(({ id }) => id === block);
    const at = { block, offset: offset ?? (own?.kind === 'paragraph' ? own.text.length : 0) };
    const alone = paragraph('p1', 'TX', OBJECT_CHARACTER, { objects: [{ ...picture, at: 0 }] });
    const made = own && insertBlocksEdits(book, stream, at, { blocks: [alone], notes: {} });
    if (!made) return 'The place for it is gone.';
    dispatch(bookEdited({ name, edits: made.edits, time: now() }));
    const figure = made.edits.find((one) => one.kind === 'setFigure');
    if (figure?.kind === 'setFigure') dispatch(paragraphPointed(placeOfFigure(getState().book.book!, figure.id)));
    return null;
  };
}

/** Where a figure stands on the pages: in the paragraph of its mark, or, where that has words, in one that is made for it. */
function placeOfFigure(book: Book, id: FigureId): Place {
  const mark = markOf(book, id);
  return mark !== null && isFigureAlone(mark.paragraph)
    ? { stream: mark.stream, block: mark.paragraph.id }
    : { stream: id, block: id };
}
