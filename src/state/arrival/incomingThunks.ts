// Copy from elsewhere that goes into the book that is open: read in the worker, put in as one undo step.
import {
  addDivisionsEdits,
  applyEdits,
  conflictEdits,
  conflictStand,
  editsBetweenBooks,
  insertBlocksEdits,
  type ConflictSide,
  type IncomingBlocks,
} from '../../core/edit';
import type { CopyConflict, ReplaceReport } from '../../core/model/copy/manuscript';
import type { BookEdit } from '../../core/model/copy/bookEdit';
import type { PullBrief } from '../../storage/pullRepository';

import { manuscriptArrived } from './arrivalSlice';
import { keepPullOf } from '../book/keepPull';
import { edit } from '../book/bookThunks';
import { divisionChosen } from '../view/viewSlice';
import type { TextSelection } from '../../core/model/copy/bookEdit';
import { OBJECT_CHARACTER, paragraph, type PictureFacts, type Table } from '../../core/model/copy/streams';
import { dummyCopy } from '../../core/copy/dummyCopy';
import { hasHandLooks, withoutHandLooks } from '../../core/copy/handLooks';
import { isPicture, pictureOf } from '../../core/copy/pictureOf';
import { bookEdited } from '../book/bookSlice';
import { createSelector } from '@reduxjs/toolkit';
import type { RootState } from '../rootState';
import type { Services } from '../services';
import type { AppThunk } from '../store';
import { filesTogether, unplacedWords } from './filesTogether';
import type { NamedFile } from '../../worker/writeClient';
import type { WriteResult } from '../../worker/writeClient';

export type { PullBrief };

/** How putting copy in ended: where it ends, or why nothing was put in. */
export type BroughtIn =
  | {
      readonly end: TextSelection | null;
      /** Faces, sizes and colours were left behind. */
      readonly isPlainer?: boolean;
    }
  | { readonly problem: string };

/** Reads a manuscript, or what another program put on the clipboard, and puts its text in at the caret. */
export function bringCopyIn(
  fileName: string,
  bytes: Uint8Array,
  at: TextSelection,
  name: string,
  { keepsLooks = false } = {},
): AppThunk<Promise<BroughtIn>> {
  return async (dispatch, getState, { startWriteJob, pictures }) => {
    if (getState().book.readOnly) return { problem: 'This book can only be read here.' };
    const bookId = getState().book.book?.id;
    if (bookId !== undefined && isPicture(bytes)) {
      const picture = pictureOf(bytes, { name: fileName, width: 0, height: 0, alt: '' });
      await pictures.keep(bookId, { [picture.asset]: blobOf(bytes) });
      const block = paragraph('p1', 'TX', OBJECT_CHARACTER, { objects: [{ ...picture, at: 0 }] });
      return dispatch(putIn({ blocks: [block], notes: {} }, at, 'Picture'));
    }
    const result = await startWriteJob({ kind: 'read', fileName, file: blobOf(bytes) }).result;
    if (result.kind === 'failed') return { problem: problemOf(fileName, result.message) };
    if (result.kind !== 'manuscript' || getState().book.book?.id !== bookId) return { problem: '' };
    if (result.manuscript.blocks.length === 0) return { problem: 'There is no text in it.' };
    await pictures.keep(bookId!, result.pictures);
    const isPlainer = fileName === CLIPBOARD && !keepsLooks && hasLooks(result.manuscript);
    const done = dispatch(putIn(isPlainer ? plainer(result.manuscript) : result.manuscript, at, name));
    return 'problem' in done ? done : { ...done, isPlainer };
  };
}

/** The name of what another program put on the clipboard. */
export const CLIPBOARD = 'clipboard.html';

const hasLooks = ({ blocks, notes }: IncomingBlocks): boolean =>
  blocks.some(hasHandLooks) || Object.values(notes).some((note) => note.blocks.some(hasHandLooks));

function plainer({ blocks, notes }: IncomingBlocks): IncomingBlocks {
  const own = Object.entries(notes).map(([id, note]) => [id, { ...note, blocks: note.blocks.map(withoutHandLooks) }]);
  return { blocks: blocks.map(withoutHandLooks), notes: Object.fromEntries(own) as IncomingBlocks['notes'] };
}

/** Keeps a picture that a person chose for the open book; null when it is none that can be shown. */
export function keepPicture(fileName: string, bytes: Uint8Array): AppThunk<Promise<PictureFacts | null>> {
  return async (_dispatch, getState, { pictures }) => {
    const bookId = getState().book.book?.id;
    if (bookId === undefined || !isPicture(bytes)) return null;
    const picture = pictureOf(bytes, { name: fileName, width: 0, height: 0, alt: '' });
    await pictures.keep(bookId, { [picture.asset]: blobOf(bytes) });
    return picture;
  };
}

const blobOf = (bytes: Uint8Array) => new Blob([bytes as Uint8Array<ArrayBuffer>]);

/** Puts made-up paragraphs in at the caret. */
export function putDummyCopy(paragraphs: number, at: TextSelection): AppThunk<BroughtIn> {
  const blocks = dummyCopy(paragraphs).map((text, k) => paragraph(`p${k + 1}`, 'TX', text));
  return (dispatch) => dispatch(putIn({ blocks, notes: {} }, at, 'Dummy copy'));
}

/** Puts a table of empty cells in at the caret. */
export function putTable(rows: number, columns: number, at: TextSelection): AppThunk<BroughtIn> {
  const cell = (k: number) => ({ id: `c${k + 1}`, blocks: [paragraph(`p${k + 2}`, 'TX', '')] });
  const table: Table = {
    kind: 'table',
    id: 'p1',
    style: 'TB',
    columns,
    rows: Array.from({ length: rows }, (_, row) =>
      Array.from({ length: columns }, (__, column) => cell(row * columns + column)),
    ),
  };
  return (dispatch) => dispatch(putIn({ blocks: [table], notes: {} }, at, 'Table'));
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

/** What a failed reading is told by, with the name of the file. */
const problemOf = (fileName: string, message: string) =>
  message.includes(fileName) ? message : `${fileName}: ${message}`;

/** What became of a file that was dropped: how many divisions, or why none. */
export interface BroughtDivisions {
  readonly fileName: string;
  readonly count: number;
  readonly problem: string | null;
}

/** Makes divisions of manuscripts, one after another, before the division at a place of the running order; null: at the end. */
export function bringAllIn(files: readonly File[], at: number | null): AppThunk<Promise<readonly BroughtDivisions[]>> {
  return async (dispatch, getState) => {
    const became: BroughtDivisions[] = [];
    let place = at;
    const divisions = () => getState().book.book?.divisions ?? [];
    const { manuscripts, pictures } = filesTogether(files);
    const placed = new Set<string>();
    for (const file of manuscripts) {
      const before = new Set(divisions().map(({ id }) => id));
      const problem = await dispatch(bringDivisionsIn(file.name, file, place, pictures, placed));
      // Where endnotes are gathered is no division of the file.
      const fresh = divisions().filter(({ id, role }) => !before.has(id) && role !== 'notes');
      became.push({ fileName: file.name, count: fresh.length, problem });
      const last = fresh[fresh.length - 1];
      if (last !== undefined) place = divisions().indexOf(last) + 1;
    }
    const unplaced = unplacedWords(pictures, placed);
    if (unplaced !== null) became.push({ fileName: '', count: 0, problem: unplaced });
    return became;
  };
}

/**
 * Makes divisions of a manuscript and puts them in before the one at a place of the running order; null: at the end. `beside`: the
 * pictures that came with it; the names of those that it refers to are put into `placed`. Answers why not, or null.
 */
export function bringDivisionsIn(
  fileName: string,
  file: Blob,
  at: number | null,
  beside: readonly NamedFile[] = [],
  placed = new Set<string>(),
): AppThunk<Promise<string | null>> {
  return async (dispatch, getState, { startWriteJob, pictures }) => {
    const bookId = getState().book.book?.id;
    if (bookId === undefined || getState().book.readOnly) return 'This book can only be read here.';
    const isProject = fileName.toLowerCase().endsWith('.walnut');
    const order = isProject
      ? ({ kind: 'openProject', file, bookId } as const)
      : ({ kind: 'import', fileName, file, bookId, isPart: true, beside } as const);
    const result = await startWriteJob(order).result;
    if (result.kind === 'failed') return problemOf(fileName, result.message);
    const { book } = getState().book;
    if (result.kind !== 'book' || book === null || book.id !== bookId) return null;
    result.placed?.forEach((name) => placed.add(name));
    const edits = addDivisionsEdits(book, at ?? book.divisions.length, result.book);
    if (edits.length === 0) return `${fileName}: There is no text in it.`;
    await pictures.keep(bookId, result.pictures);
    dispatch(edit(`${fileName} brought in`, edits));
    const first = edits.find((one) => one.kind === 'insertDivision');
    if (first?.kind === 'insertDivision') dispatch(divisionChosen(first.division.id));
    return null;
  };
}

/** What a newer file did to the pages; null: they are not composed yet. */
export interface MovedPages {
  readonly before: number;
  readonly after: number;
  readonly changed: number;
}

export type CopyReplaced =
  | { readonly report: ReplaceReport; readonly pull: string; readonly pages: MovedPages | null }
  | { readonly problem: string };

/** Takes the author's next file in, of the whole copy or of one division. The book as it was is kept as a pull first. */
export function replaceCopyBy(
  fileName: string,
  file: Blob,
  division: string | null,
  beside: readonly NamedFile[] = [],
): AppThunk<Promise<CopyReplaced>> {
  return async (dispatch, getState, services) => {
    const { startWriteJob, pictures } = services;
    const { book, revision, readOnly } = getState().book;
    if (book === null || readOnly) return { problem: 'This book can only be read here.' };
    const { base: hash } = book.source;
    const copyBase = (hash === undefined ? undefined : await services.pulls.readBase(book.id, hash)) ?? null;
    const result = await startWriteJob({ kind: 'replaceCopy', book, copyBase, division, fileName, file, beside })
      .result;
    if (result.kind === 'failed') return { problem: problemOf(fileName, result.message) };
    if (result.kind !== 'replaced') return { problem: `${fileName} was not read.` };
    if (getState().book.revision !== revision)
      return { problem: 'The book was changed while the file was read, so nothing was replaced. Take it again.' };
    await pictures.keep(book.id, result.pictures);
    const pull = await keepPullOf(services, book, revision, `Before ${fileName}`);
    await keepNewBase(services, book.id, result);
    dispatch(manuscriptArrived({ bookId: book.id, arrival: result.arrival }));
    const pages = await dispatch(pagesMovedBy(result.edits));
    if (getState().book.revision !== revision)
      return { problem: 'The book was changed while the file was read, so nothing was replaced. Take it again.' };
    if (result.edits.length > 0) dispatch(edit(`${fileName} taken in`, result.edits));
    return { report: result.report, pull, pages };
  };
}

/** Kept before the book names it: what it names is there. Where it cannot be kept, the next file is read two ways, which is said then. */
async function keepNewBase(
  { pulls, now }: Services,
  id: string,
  { base, edits }: Extract<WriteResult, { kind: 'replaced' }>,
): Promise<void> {
  const named = edits.find((one) => one.kind === 'setSource');
  if (base === null || named?.kind !== 'setSource' || named.to.base === undefined) return;
  await pulls.keepBase(id, named.to.base, base, now()).catch(() => undefined);
}

/** What edits would do to the pages, asked of the worker that has them. */
function pagesMovedBy(edits: readonly BookEdit[]): AppThunk<Promise<MovedPages | null>> {
  return async (_dispatch, getState, { sessions }) => {
    const before = getState().compose.summary?.pages.length;
    const client = sessions.current?.client;
    if (before === undefined || !client) return null;
    const tried = await client.try(edits, 0).catch(() => null);
    return tried?.trial ? { before, after: tried.trial.pageCount, changed: tried.trial.changed.length } : null;
  };
}

/** Makes the desk's or the author's version of what both changed stand; one undo step for all of them. */
export function takeSide(conflicts: readonly CopyConflict[], side: ConflictSide): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits: BookEdit[] = [];
    let current = book;
    for (const conflict of conflicts) {
      const own = conflictEdits(current, conflict, side);
      current = applyEdits(current, own);
      edits.push(...own);
    }
    const whose = SIDES[side];
    if (edits.length > 0)
      dispatch(edit(conflicts.length > 1 ? `${whose} in ${conflicts.length} places` : whose, edits));
  };
}

const SIDES: Readonly<Record<ConflictSide, string>> = {
  together: 'Both together',
  desk: 'As it was here',
  author: 'As the author has it',
};

/** Whose version of each of some conflicts stands now. */
export const selectStands = createSelector(
  [(state: RootState) => state.book.book, (_state: RootState, conflicts: readonly CopyConflict[]) => conflicts],
  (book, conflicts): readonly (ConflictSide | null)[] =>
    conflicts.map((conflict) => (book === null ? null : conflictStand(book, conflict))),
);

export function listPulls(): AppThunk<Promise<readonly PullBrief[]>> {
  return async (_dispatch, getState, { pulls }) => {
    const { book } = getState().book;
    return book === null ? [] : pulls.list(book.id);
  };
}

/** Makes the book what it was when a pull was kept; one undo step. Answers why not, or null. */
export function goBackToPull(name: string): AppThunk<Promise<string | null>> {
  return async (dispatch, getState, { pulls }) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return 'This book can only be read here.';
    const kept = await pulls.read(book.id, name);
    if (kept === undefined) return 'This kept state is gone.';
    const now = getState().book.book!;
    const edits = editsBetweenBooks(now, { ...kept.book, nextId: Math.max(kept.book.nextId, now.nextId) });
    if (edits.length > 0) dispatch(edit(`Back to “${name}”`, edits));
    return null;
  };
}
