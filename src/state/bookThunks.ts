// Opening and closing a book, changing it, taking it over from another tab.
import { setParticularsEdit, setTouchesEdit } from '../core/edit';
import type { BookTie } from '../core/model/ties';
import type { ParagraphFacts, WishCost } from '../core/model/paragraphFacts';
import type { ParagraphTouches } from '../core/model/streams';
import type { Particulars } from '../core/model/book';
import type { BookEdit } from '../core/model/bookEdit';
import { ValueError } from '../core/base/errors';
import { checkParticulars } from '../core/validate';
import { flushAutosave } from './autosave';
import { bookClosed, bookEdited, bookOpened, readOnlyChanged } from './bookSlice';
import { composeFailed, composeFinished, composeProgressed } from './composeSlice';
import type { Services } from './services';
import type { AppDispatch, AppThunk, RootState } from './store';
import { pageOfSpread, spreadOfPage } from './selectors';
import { spreadCalled } from './viewSlice';
import type { PageSummary } from '../worker/typesetClient';

interface Held {
  lock: { release: () => void } | null;
  stopListening: () => void;
}
const held: Held = { lock: null, stopListening: () => undefined };

/** Opens a book of the Shelf. Answers false when there is no such book. */
export function openBook(id: string): AppThunk<Promise<boolean>> {
  return async (dispatch, getState, services) => {
    const { repository, locks } = services;
    if (getState().book.book !== null) await dispatch(closeBook());
    const lock = await locks.tryLock(id, () => dispatch(lockLost()));
    const opened = await repository.open(id).catch((error: unknown) => {
      lock?.release();
      throw error;
    });
    if (opened === undefined) {
      lock?.release();
      return false;
    }
    services.ownFonts = await services.fonts.all();
    held.lock = lock;
    if (lock !== null) held.stopListening = locks.onLetGo(id, () => void dispatch(letGo()));
    startClient(dispatch as AppDispatch, getState, services);
    dispatch(bookOpened({ ...opened, readOnly: lock === null }));
    services.client!.open(opened.book, opened.revision);
    return true;
  };
}

export function closeBook(): AppThunk<Promise<void>> {
  return async (dispatch, getState, services) => {
    await flushAutosave();
    await keepComposedNow(services, getState);
    releaseLock();
    services.client?.close();
    services.client = null;
    services.pageCache.clear();
    services.pictureCache.clear();
    dispatch(bookClosed());
  };
}

/** Takes the book from the tab that holds it, and reads again what that tab has written. */
export function takeOverBook(): AppThunk<Promise<void>> {
  return async (dispatch, getState, { repository, locks, client }) => {
    const id = getState().book.book!.id;
    held.lock = await locks.takeOver(id, () => dispatch(lockLost()));
    held.stopListening = locks.onLetGo(id, () => void dispatch(letGo()));
    const opened = await repository.open(id);
    if (opened === undefined) return;
    dispatch(bookOpened({ ...opened, readOnly: false }));
    client?.open(opened.book, opened.revision);
  };
}

/** Another tab asks for the book: everything is written first. */
function letGo(): AppThunk<Promise<void>> {
  return async (dispatch) => {
    dispatch(readOnlyChanged(true));
    await flushAutosave();
    releaseLock();
  };
}

function lockLost(): AppThunk {
  return (dispatch) => {
    held.lock = null;
    dispatch(readOnlyChanged(true));
  };
}

function releaseLock(): void {
  held.stopListening();
  held.stopListening = () => undefined;
  held.lock?.release();
  held.lock = null;
}

function startClient(dispatch: AppDispatch, getState: () => RootState, services: Services): void {
  const current = () => {
    const { book, revision } = getState().book;
    return book === null ? null : { book, revision };
  };
  services.client = services.createClient(current, {
    onProgress: (_revision, share) => dispatch(composeProgressed(share)),
    onComposed(summary, isPart) {
      const held = textInView(getState());
      services.pageCache.composed(summary.revision);
      const isNewest = !isPart && summary.revision === getState().book.revision;
      dispatch(composeFinished({ summary, isNewest }));
      if (held !== null) void holdView(held, dispatch, getState, services);
      if (!isPart) keepComposedSoon(services, getState);
    },
    onAhead(revision, pages, outlines) {
      if (revision !== getState().book.revision) return;
      services.pageCache.addOutlines(outlines);
      services.pageCache.ahead(pages);
    },
    onFailed: (message) => dispatch(composeFailed(message)),
    onRestarted: () => services.pageCache.clear(),
  });
}

type TextPlace = NonNullable<PageSummary['start']>;

/** The text at the head of the spread in view: the view holds to it, not to a page number. Null on the first spread. */
function textInView({ compose, view }: RootState): TextPlace | null {
  const page = pageOfSpread(view.spread);
  if (compose.summary === null || page === 0) return null;
  return compose.summary.pages[page]?.start ?? compose.summary.pages[page + 1]?.start ?? null;
}

async function holdView(
  place: TextPlace,
  dispatch: AppDispatch,
  getState: () => RootState,
  services: Services,
): Promise<void> {
  const page = await services.client?.locate(place.stream, place.block, place.offset);
  const pages = getState().compose.summary?.pages.length ?? 0;
  if (page !== undefined && page >= 0) {
    if (spreadOfPage(page) !== getState().view.spread) dispatch(spreadCalled(spreadOfPage(page)));
  } else if (pages > 0 && pageOfSpread(getState().view.spread) >= pages)
    dispatch(spreadCalled(spreadOfPage(pages - 1)));
}

/** The Shelf need not know of every letter: what it shows is kept when the book has rested so long, in ms. */
const KEEP_AFTER = 1500;
let keeping: ReturnType<typeof setTimeout> | undefined;

function keepComposedSoon(services: Services, getState: () => RootState): void {
  clearTimeout(keeping);
  keeping = setTimeout(() => void keepComposedNow(services, getState), KEEP_AFTER);
}

/** Keeps what waits to be kept. */
async function keepComposedNow(services: Services, getState: () => RootState): Promise<void> {
  if (keeping === undefined) return;
  clearTimeout(keeping);
  keeping = undefined;
  await keepComposed(services, getState);
}

/** Keeps the composed title page and counts for the Shelf. */
async function keepComposed(services: Services, getState: () => RootState): Promise<void> {
  const { book } = getState().book;
  const { summary } = getState().compose;
  if (book === null || summary === null || getState().book.readOnly) return;
  const title = book.divisions.find((division) => division.role === 'title')?.id;
  const page =
    summary.pages.find((candidate) => candidate.division === title && candidate.role === 'display')?.index ?? 0;
  const list = await services.pageCache.load(page);
  if (list === undefined || getState().compose.summary?.revision !== summary.revision) return;
  const outlines = coverOutlines(services, list);
  const cover = { revision: summary.revision, list, outlines, pages: summary.pages.length };
  await services.repository.keepComposed(book.id, { cover, words: summary.words, findings: summary.findings.length });
}

export function coverOutlines(
  services: Pick<Services, 'pageCache'>,
  list: { items: readonly { face: string; first: number; count: number }[]; glyphs: Uint16Array },
) {
  const wanted = new Set<string>();
  const outlines = [];
  for (const item of list.items) {
    for (let k = item.first; k < item.first + item.count; k += 1) {
      const key = `${item.face}:${list.glyphs[k]}`;
      const outline = wanted.has(key) ? undefined : services.pageCache.outline(item.face, list.glyphs[k]);
      wanted.add(key);
      if (outline !== undefined) outlines.push(outline);
    }
  }
  return outlines;
}

/** Makes an entry of the history. `joinKey`: see HistoryEntry. */
export function edit(name: string, edits: readonly BookEdit[], joinKey?: string): AppThunk {
  return (dispatch, _getState, { now }) => {
    dispatch(bookEdited({ name, edits, time: now(), ...(joinKey ? { joinKey } : {}) }));
  };
}

/** Sets touches of a paragraph; an undefined value takes one away. */
export function setTouches(
  place: { readonly stream: string; readonly block: string },
  change: Partial<Record<keyof ParagraphTouches, unknown>>,
  name: string,
): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const made = setTouchesEdit(book, place.stream, place.block, change);
    if (made !== null) dispatch(edit(name, [made]));
  };
}

/** What can be told of a paragraph as it is composed. */
export function askParagraph(stream: string, block: string): AppThunk<Promise<ParagraphFacts | null>> {
  return async (_dispatch, _getState, { client }) => (await client?.paragraph(stream, block)) ?? null;
}

/** What each of some wishes for a paragraph would do to its pages; empty when that cannot be told now. */
export function askWishes(
  place: { readonly stream: string; readonly block: string },
  wishes: readonly Partial<Record<keyof ParagraphTouches, unknown>>[],
): AppThunk<Promise<readonly (WishCost | null)[]>> {
  return async (_dispatch, _getState, { client }) => (await client?.wishes(place, wishes)) ?? [];
}

/** Ties by rule of the book as it is composed. */
export function askTies(): AppThunk<Promise<readonly BookTie[]>> {
  return async (_dispatch, _getState, { client }) => (await client?.ties()) ?? [];
}

/**
 * Sets a fact of the book while it is typed: joined to one entry per word or half a second. Answers a sentence when the
 * fact cannot be kept, such as a text that is too long; then nothing changes.
 */
export function setParticulars<K extends keyof Particulars>(
  key: K,
  to: Particulars[K],
  name: string,
): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null || book.particulars[key] === to) return null;
    try {
      checkParticulars({ ...book.particulars, [key]: to });
    } catch (error) {
      if (error instanceof ValueError) return error.message;
      throw error;
    }
    const words = typeof to === 'string' ? to.split(/\s/).length : 0;
    dispatch(edit(name, [setParticularsEdit(book, key, to)], `particulars.${key}.${words}`));
    return null;
  };
}
