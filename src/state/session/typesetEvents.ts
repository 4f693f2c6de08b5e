// What the typeset worker of an open book says, taken into the store and the caches. The view holds to the figure pointed at, or to the text at its head.
import { composeFailed, composeFinished, composeProgressed } from '../compose/composeSlice';
import { pageOfSpread, selectFacing, spreadOfPage } from '../book/selectors';
import type { PageSummary, TypesetListener } from '../../worker/typesetClient';
import { placeAwaited, spreadCalled } from '../view/viewSlice';
import type { OpenSession, SessionStore } from './openSession';
import type { RootState } from '../rootState';

type TextPlace = NonNullable<PageSummary['start']>;

/** `onWhole`: the newest revision is composed to its end. */
export function listenToTypeset(session: OpenSession, store: SessionStore, onWhole: () => void): TypesetListener {
  const { dispatch, getState } = store;
  const whileOpen =
    <A extends unknown[]>(act: (...values: A) => void) =>
    (...values: A): void => {
      if (!session.isClosed) act(...values);
    };
  return {
    onProgress: whileOpen((_revision, share) => dispatch(composeProgressed(share))),
    onComposed: whileOpen((summary, isPart) => {
      const held = caretAwaited(getState()) ?? figureInView(getState(), session) ?? textInView(getState());
      session.pageCache.composed(summary.revision);
      const isNewest = !isPart && summary.revision === getState().book.revision;
      dispatch(composeFinished({ summary, isNewest }));
      if (isNewest) dispatch(placeAwaited(null));
      if (held !== null) void holdView(held, session, store);
      if (!isPart) onWhole();
    }),
    onAhead: whileOpen((revision, pages, outlines) => {
      // The worker sends each outline once: those of pages that come too late are kept too.
      session.pageCache.addOutlines(outlines);
      if (revision !== getState().book.revision) return;
      session.pageCache.ahead(pages);
    }),
    onFailed: whileOpen((message) => dispatch(composeFailed(message))),
    onRestarted: whileOpen(() => session.pageCache.clear()),
  };
}

/** The caret's place whose page was asked for before it was composed. */
function caretAwaited({ view: { awaited } }: RootState): TextPlace | null {
  return awaited && { stream: awaited.stream, block: awaited.head.block, offset: awaited.head.offset };
}

/** The figure pointed at, where it stands on the spread in view: the view goes with it. */
function figureInView(state: RootState, { pageCache }: OpenSession): TextPlace | null {
  const { paragraph, spread } = state.view;
  if (paragraph === null) return null;
  const { stream, block } = paragraph;
  const page = pageOfSpread(spread, selectFacing(state));
  const isHere = [page, page + 1].some((index) =>
    pageCache.get(index)?.pictures.some((picture) => picture.stream === stream && picture.block === block),
  );
  return isHere ? { stream, block, offset: 0 } : null;
}

/** The text at the head of the spread in view: the view holds to it, not to a page number. Null on the first spread. */
function textInView(state: RootState): TextPlace | null {
  const { compose, view } = state;
  const page = pageOfSpread(view.spread, selectFacing(state));
  if (compose.summary === null || page === 0) return null;
  return compose.summary.pages[page]?.start ?? compose.summary.pages[page + 1]?.start ?? null;
}

async function holdView(place: TextPlace, session: OpenSession, { dispatch, getState }: SessionStore): Promise<void> {
  const { spread, jump } = getState().view;
  const page = await session.client?.locate(place.stream, place.block, place.offset);
  // A person who went elsewhere meanwhile stays there.
  if (session.isClosed || getState().view.spread !== spread || getState().view.jump !== jump) return;
  const pages = getState().compose.summary?.pages.length ?? 0;
  const facing = selectFacing(getState());
  if (page !== undefined && page >= 0) {
    if (spreadOfPage(page, facing) !== getState().view.spread) dispatch(spreadCalled(spreadOfPage(page, facing)));
  } else if (pages > 0 && pageOfSpread(getState().view.spread, facing) >= pages)
    dispatch(spreadCalled(spreadOfPage(pages - 1, facing)));
}
