// What is typed in the galley becomes edits of the book: one entry of the history for each, joined while typing.
import {
  mergeDivisionEdits,
  mergeParagraphsEdit,
  notesDivisionEdits,
  rangeCharacterEdits,
  replaceRangeEdits,
  restyleEdits,
  splitDivisionEdits,
} from '../../core/edit';
import { eachStream, textsOfObject, type Book, type Note } from '../../core/model/copy/book';
import type { BookEdit, HistoryEntry, TextSelection } from '../../core/model/copy/bookEdit';
import {
  paragraph,
  type Block,
  type BlockId,
  type InlineObject,
  type StreamId,
  type StyleTag,
} from '../../core/model/copy/streams';
import type { RecordsMoved } from '../../galley';
import { copyEdits, dropEdit, knownRecords, remember } from './takenRecords';
import { bookEdited } from '../book/bookSlice';
import { edit } from '../book/bookThunks';
import type { AppThunk } from '../store';
import { selectRunningOrder } from '../book/selectors';
import { divisionChosen, textCalled, textShown } from '../view/viewSlice';
import { callPage } from '../view/pageThunks';

/** A change that the galley has already made in its own document. */
export interface GalleyChange {
  readonly name: string;
  readonly edit: BookEdit | null;
  /** The book's next number after the ids that the change has taken. */
  readonly nextId: number;
  readonly records: RecordsMoved;
  /** A note that was made with its reference. */
  readonly made: { readonly id: StreamId; readonly kind: string } | null;
  readonly joinKey?: string;
  readonly selection: HistoryEntry['selection'];
}

export function takeGalleyChange(change: GalleyChange): AppThunk {
  return (dispatch, getState, { now }) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits: BookEdit[] = change.edit === null ? [] : [change.edit];
    let { nextId } = change;
    const take = (letter: string) => `${letter}${nextId++}`;
    const put = (note: Note) => edits.push({ kind: 'setNote', id: note.id, from: null, to: note });
    if (change.made !== null) put({ ...change.made, blocks: [paragraph(take('p'), 'NT', '')] });
    edits.push(...copyEdits(change.records, knownRecords(book), take));
    for (const { kind, id } of change.records.dropped) {
      const dropped = dropEdit(book, kind, id);
      if (dropped !== null) edits.push(dropped);
    }
    edits.forEach(remember);
    if (nextId !== book.nextId) edits.push({ kind: 'setNextId', from: book.nextId, to: nextId });
    if (change.made !== null) edits.push(...notesDivisionEdits({ ...book, nextId }, change.made.kind));
    if (edits.length === 0) return;
    const { name, joinKey, selection } = change;
    dispatch(bookEdited({ name, edits, time: now(), ...(joinKey && { joinKey }), ...(selection && { selection }) }));
  };
}

/** Puts text in the place of a stretch over several documents of the galley; answers where the caret stands then. */
export function replaceRange(range: TextSelection, text: string): AppThunk<TextSelection | null> {
  return (dispatch, getState, { now }) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return null;
    const made = replaceRangeEdits(book, range, text);
    if (made === null) return null;
    made.edits.forEach(remember);
    const after = { stream: range.stream, anchor: made.caret, head: made.caret };
    const name = text === '' ? 'Text taken out' : 'Text replaced';
    dispatch(bookEdited({ name, edits: made.edits, time: now(), selection: { before: range, after } }));
    return after;
  };
}

/** Sets a stretch over several documents of the galley in a character style, or in none; one undo step. */
export function setRangeCharacterStyle(range: TextSelection, tag: StyleTag | null): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits = rangeCharacterEdits(book, range, tag);
    if (edits.length > 0) dispatch(edit('Character style', edits));
  };
}

/** Sets paragraphs in a style; one undo step. */
export function setParagraphStyle(blocks: ReadonlySet<BlockId>, tag: StyleTag): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const name = book?.spec.styles[tag]?.name;
    if (book === null || readOnly || name === undefined) return;
    const edits = restyleEdits(book, blocks, tag);
    if (edits.length > 0) dispatch(edit(`Set as ${name}`, edits));
  };
}

/** Shows a division in the galley, and its first page wherever pages are shown; null: the particulars. */
export function chooseDivision(id: string | null): AppThunk {
  return (dispatch, getState) => {
    dispatch(divisionChosen(id));
    const firstPage = selectRunningOrder(getState()).find((row) => row.id === id)?.firstPage ?? -1;
    if (firstPage >= 0) dispatch(callPage(firstPage));
  };
}

/** Goes to a stretch of text in the galley, whatever stream it is of: text of a note is gone to by its reference. */
export function goToText(place: TextSelection): AppThunk {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null) return;
    const found = placeInDivision(book, place);
    if (found === null) return;
    if (getState().view.division !== found.stream) dispatch(chooseDivision(found.stream));
    dispatch(textCalled(found));
  };
}

/** Brings a place of the text into view in the galley; the caret and the focus stay where they are. */
export function showText(place: TextSelection): AppThunk {
  return (dispatch, getState) => {
    const { book } = getState().book;
    const found = book === null ? null : placeInDivision(book, place);
    if (found === null) return;
    if (getState().view.division !== found.stream) dispatch(chooseDivision(found.stream));
    dispatch(textShown({ stream: found.stream, ...found.head }));
  };
}

/** Goes to a paragraph, whatever stream it is of; nothing happens when it is gone. */
export function goToBlock(block: BlockId): AppThunk {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null) return;
    for (const { stream, blocks } of eachStream(book)) {
      if (!blocks.some(({ id }) => id === block)) continue;
      const place = { block, offset: 0 };
      return dispatch(goToText({ stream, anchor: place, head: place }));
    }
  };
}

const leadsTo = (book: Book, object: InlineObject, stream: StreamId) =>
  textsOfObject(book, object).some(({ id }) => id === stream);

/** The place itself when it is a division's own, else the block of a division that holds its note or cell; null for none. */
function placeInDivision(
  book: Book,
  place: TextSelection,
  seen: ReadonlySet<StreamId> = new Set(),
): TextSelection | null {
  if (book.divisions.some(({ id }) => id === place.stream)) return place;
  const holds = (block: Block): boolean =>
    block.kind === 'table'
      ? block.rows.flat().some((cell) => cell.id === place.stream || cell.blocks.some(holds))
      : block.objects.some((object) => leadsTo(book, object, place.stream));
  for (const { id, blocks } of book.divisions) {
    const block = blocks.find(holds);
    if (block === undefined) continue;
    const at =
      block.kind === 'paragraph' ? (block.objects.find((one) => leadsTo(book, one, place.stream))?.at ?? 0) : 0;
    const end = { block: block.id, offset: at };
    return { stream: id, anchor: end, head: end };
  }
  // A note of a note stands beside the text that the first of them belongs to.
  const outer = Object.values(book.notes).find(({ id, blocks }) => !seen.has(id) && blocks.some(holds));
  if (outer === undefined) return null;
  return placeInDivision(book, { ...place, stream: outer.id }, new Set([...seen, outer.id]));
}

/** Begins a division at a paragraph and goes to it. Answers why not, or null. */
export function splitDivision(stream: StreamId, block: BlockId): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return null;
    const edits = splitDivisionEdits(book, stream, block);
    if (edits === null) return 'A division begins here already.';
    dispatch(edit('Division split', edits));
    const made = edits.find((one) => one.kind === 'insertDivision');
    if (made?.kind === 'insertDivision') dispatch(divisionChosen(made.division.id));
    return null;
  };
}

/** Puts a division's text at the end of the one before it. Answers why not, or null. */
export function mergeDivision(stream: StreamId): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return null;
    const edits = mergeDivisionEdits(book, stream);
    if (edits === null) return 'No division before this one can take its text.';
    const before = book.divisions[book.divisions.findIndex((division) => division.id === stream) - 1];
    dispatch(edit('Divisions merged', edits));
    dispatch(divisionChosen(before.id));
    return null;
  };
}

/** Joins the block at a place of a stream to the one before it, at the seam of two documents; answers where the seam is. */
export function mergeAtSeam(
  stream: StreamId,
  at: number,
): AppThunk<{ readonly block: BlockId; readonly offset: number } | null> {
  return (dispatch, getState, { now }) => {
    const { book, readOnly } = getState().book;
    const blocks = book?.divisions.find((division) => division.id === stream)?.blocks;
    if (blocks === undefined || readOnly || at < 1 || at >= blocks.length) return null;
    const made = mergeParagraphsEdit(stream, blocks, at);
    if (made?.kind !== 'replaceBlocks') return null;
    const [first, second] = [blocks[at - 1], blocks[at]];
    const seam = { block: made.inserted[0].id, offset: first.kind === 'paragraph' ? first.text.length : 0 };
    const before = { block: second.id, offset: 0 };
    const selection = {
      before: { stream, anchor: before, head: before },
      after: { stream, anchor: seam, head: seam },
    };
    dispatch(bookEdited({ name: 'Paragraphs joined', edits: [made], time: now(), selection }));
    return seam;
  };
}
