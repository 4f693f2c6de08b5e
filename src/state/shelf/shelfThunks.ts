// The Shelf: reading it, the demonstration book, manuscripts dropped on it, the title pages that it shows.
import { dressHandbook } from '../../core/edit';
import { manuscriptArrived } from '../arrival/arrivalSlice';
import { filesTogether, unplacedWords } from '../arrival/filesTogether';
import type { NamedFile } from '../../worker/writeClient';
import { namesOf, type Book, type Particulars } from '../../core/model/copy/book';
import { formatNumber } from '../../core/measure/units';
import type { BookRecord } from '../../storage/database';
import type { ComposedSummary } from '../../worker/typesetClient';
import { shelfFactsOf } from '../session/shelfFacts';
import { keepCarriedFaces, neededInWords } from '../spec/carriedFaces';
import { noteCovers } from './covers';
import type { DemoManuscript } from '../outside';
import { dressDemo } from './dressDemo';
import { PageCache } from '../compose/pageCache';
import type { Services } from '../services';
import type { ShelfBook } from './shelfSlice';
import { fileRefused, readingEnded, readingStarted, shelfFailed, shelfRead } from './shelfSlice';
import type { AppThunk } from '../store';

const DEMO_SETTING = 'demonstration book given';

/** Reads the Shelf; the first time ever, the demonstration books are put on it. */
export function readShelf(): AppThunk<Promise<void>> {
  return async (dispatch, _getState, services) => {
    try {
      if (!(await services.repository.setting(DEMO_SETTING))) await dispatch(giveDemos());
      await dispatch(listBooks());
      await dispatch(makeCovers());
    } catch (error) {
      dispatch(shelfFailed(`The books of this browser cannot be read: ${(error as Error).message}`));
    }
  };
}

function giveDemos(): AppThunk<Promise<void>> {
  return async (dispatch, _getState, services) => {
    const ids: (string | null)[] = [];
    for (const demo of await services.fetchDemos()) {
      const { id } = await dispatch(addFile(demo.fileName, blobOf(demo.bytes), asDemo(demo)));
      ids.push(id);
    }
    if (!ids.includes(null)) await services.repository.keepSetting(DEMO_SETTING, true);
  };
}

const blobOf = (bytes: Uint8Array) => new Blob([bytes as Uint8Array<ArrayBuffer>]);

/** How a demonstration manuscript becomes a book. */
function asDemo({ particulars, isHandbook, dress, pictures }: DemoManuscript): AddOptions {
  return {
    particulars,
    dress: (book) => {
      const dressed = isHandbook ? dressHandbook(book) : book;
      return dress === null ? dressed : dressDemo(dressed, dress);
    },
    pictures: Object.fromEntries(
      Object.entries(pictures).map(([name, bytes]) => [dress!.facts[name].asset, blobOf(bytes)]),
    ),
  };
}

function listBooks(): AppThunk<Promise<void>> {
  return async (dispatch, _getState, { repository }) => {
    const records = await repository.list();
    noteCovers(repository, records);
    dispatch(shelfRead(records.map(brief)));
  };
}

function brief(record: BookRecord): ShelfBook {
  const { trim } = record.spec.page;
  return {
    id: record.id,
    title: record.particulars.title,
    author: namesOf(record.particulars, 'author'),
    trim: `${formatNumber(trim.width.pt, trim.width.unit)} × ${formatNumber(trim.height.pt, trim.height.unit)} ${trim.height.unit}`,
    pages: record.cover?.pages ?? 0,
    words: record.words,
    findings: record.findings,
    touched: record.touched,
    hasCover: record.cover !== undefined,
  };
}

/** Makes a book of a manuscript or project file; `particulars` are laid over those of the file, `dress` sets it up. Answers its id, or null when it was refused and why was told. */
export function addManuscript(
  fileName: string,
  file: Blob,
  particulars: Partial<Particulars> = {},
  dress: (book: Book) => Book = (book) => book,
): AppThunk<Promise<string | null>> {
  return async (dispatch) => (await dispatch(addFile(fileName, file, { particulars, dress }))).id;
}

/** Makes books of files that came together; answers the id of the last. Pictures go to the manuscripts that refer to them. */
export function addFiles(files: readonly File[]): AppThunk<Promise<string | null>> {
  return async (dispatch) => {
    const { manuscripts, pictures } = filesTogether(files);
    const placed = new Set<string>();
    let last: string | null = null;
    for (const file of manuscripts) {
      const added = await dispatch(addFile(file.name, file, { beside: pictures }));
      added.placed.forEach((name) => placed.add(name));
      last = added.id ?? last;
    }
    const unplaced = unplacedWords(pictures, placed);
    if (unplaced !== null) dispatch(fileRefused(unplaced));
    return last;
  };
}

interface AddOptions {
  readonly particulars?: Partial<Particulars>;
  readonly dress?: (book: Book) => Book;
  readonly beside?: readonly NamedFile[];
  /** Files of pictures that are not its own, by their hashes. */
  readonly pictures?: Readonly<Record<string, Blob>>;
}

function addFile(
  fileName: string,
  file: Blob,
  { particulars = {}, dress = (book) => book, beside = [], pictures = {} }: AddOptions,
): AppThunk<Promise<{ readonly id: string | null; readonly placed: readonly string[] }>> {
  return async (dispatch, _getState, services) => {
    const bookId = services.newBookId();
    const isProject = fileName.toLowerCase().endsWith('.walnut');
    const order = isProject
      ? ({ kind: 'openProject', file, bookId } as const)
      : ({ kind: 'import', fileName, file, bookId, particulars, beside } as const);
    dispatch(readingStarted(fileName));
    const result = await services.startWriteJob(order).result;
    dispatch(readingEnded(fileName));
    if (result.kind === 'book') {
      const book = await keepCarriedFaces(services, result.book, result.fonts ?? []);
      await services.repository.add(dress(book), services.now(), { ...result.pictures, ...pictures });
      const needed = neededInWords(fileName, result.facesNeeded ?? []);
      if (needed !== null) dispatch(fileRefused(needed));
      const { base } = result.book.source;
      // Without it the author's next file is read two ways, which is said then.
      if (base !== undefined && result.base !== null)
        await services.pulls.keepBase(bookId, base, result.base, services.now()).catch(() => undefined);
      if (result.arrival !== null) dispatch(manuscriptArrived({ bookId, arrival: result.arrival }));
      await dispatch(listBooks());
      return { id: bookId, placed: result.placed ?? [] };
    }
    if (result.kind === 'failed') {
      const message = result.message.includes(fileName) ? result.message : `${fileName}: ${result.message}`;
      dispatch(fileRefused(message));
    }
    return { id: null, placed: [] };
  };
}

/** Begins a book without a manuscript; answers its id, or null when it could not be begun and why was told. */
export function beginBook(): AppThunk<Promise<string | null>> {
  return async (dispatch, _getState, services) => {
    const bookId = services.newBookId();
    const result = await services.startWriteJob({ kind: 'begin', bookId }).result;
    if (result.kind === 'failed') dispatch(fileRefused(`No book could be begun: ${result.message}`));
    if (result.kind !== 'book') return null;
    try {
      await services.repository.add(result.book, services.now(), {});
    } catch (error) {
      dispatch(fileRefused(`The book could not be kept: ${(error as Error).message}`));
      return null;
    }
    await dispatch(listBooks());
    return bookId;
  };
}

export function removeBook(id: string): AppThunk<Promise<void>> {
  return async (dispatch, _getState, { repository, locks }) => {
    const lock = await locks.tryLock(id, () => undefined);
    if (lock === null) {
      dispatch(fileRefused('This book is open in another tab, so it was not removed.'));
      return;
    }
    await repository.remove(id);
    lock.release();
    await dispatch(listBooks());
  };
}

/** Composes the books whose title page is missing, one after another. */
export function makeCovers(): AppThunk<Promise<void>> {
  return async (dispatch, getState, services) => {
    const missing = getState().shelf.books?.filter((book) => !book.hasCover) ?? [];
    for (const { id } of missing) {
      // A book that cannot be read says why when it is opened.
      const opened = await services.repository.open(id).catch(() => undefined);
      if (getState().book.book !== null) return;
      if (opened === undefined) continue;
      await composeCover(opened.book, opened.revision, services);
      await dispatch(listBooks());
    }
  };
}

async function composeCover(book: Book, revision: number, services: Services): Promise<void> {
  let finish: (summary: ComposedSummary | null) => void;
  const composed = new Promise<ComposedSummary | null>((resolve) => (finish = resolve));
  const client = services.createClient(() => ({ book, revision }), {
    onProgress: () => undefined,
    onRestarted: () => undefined,
    onAhead: () => undefined,
    onFailed: () => finish(null),
    onComposed: (summary, isPart) => isPart || finish(summary),
  });
  try {
    client.open(book, revision);
    const summary = await composed;
    const facts = summary && (await shelfFactsOf(book, summary, new PageCache(() => client)));
    if (facts) await services.repository.keepComposed(book.id, facts);
  } finally {
    client.close();
  }
}
