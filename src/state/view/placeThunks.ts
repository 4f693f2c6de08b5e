// The words that are looked at, carried from stage to stage and over a reload: the caret's line to its page, the paragraph pointed at
// to its place in the galley.
import Joi from 'joi';
import type { TextSelection } from '../../core/model/copy/bookEdit';
import { goToText, showText } from '../copy/galleyThunks';
import { pageOfPlace } from '../send-out/outsideFacts';
import { pageOfSpread, selectFacing, spreadOfPage } from '../book/selectors';
import type { AppThunk } from '../store';
import { divisionChosen, galleyScrolled, placeAwaited, topicChosen, type GalleyScroll } from './viewSlice';
import { callPage } from './pageThunks';

export type StagePath = 'copy' | 'spec' | 'pages' | 'proof' | 'send-out';

/** What was looked at in one stage is in view in the next. */
export function carryPlace(from: StagePath, to: StagePath): AppThunk {
  return (dispatch, getState) => {
    const { view, book: copy, compose } = getState();
    const { book } = copy;
    const facing = selectFacing(getState());
    const spreadOf = (page: number) => spreadOfPage(page, facing);
    const pages = compose.summary?.pages;
    if (book === null) return;
    // The caret of a division that was left for another is no longer where one looks.
    const caret = view.caret?.stream === view.division ? view.caret : null;
    const isComposing = compose.progress !== null;
    if (pages === undefined) return void dispatch(placeAwaited(from === 'copy' && isComposing ? caret : null));
    const pageOf = ({ stream, head }: TextSelection) =>
      pageOfPlace(book, pages, { stream, block: head.block, from: head.offset, to: head.offset });
    const caretPage = caret === null ? -1 : pageOf(caret);
    if (from === 'copy' && caretPage >= 0 && spreadOf(caretPage) !== view.spread) dispatch(callPage(caretPage));
    // What was typed last may move its line, and the first pages of a book come before the others.
    dispatch(placeAwaited(from === 'copy' && isComposing ? caret : null));
    if (to !== 'copy' || from === 'copy') return;
    const { paragraph } = view;
    if (paragraph !== null && paragraph.block !== caret?.head.block) {
      const place = { block: paragraph.block, offset: paragraph.offset ?? 0 };
      const pointed = { stream: paragraph.stream, anchor: place, head: place };
      // One that was pointed at on a spread left since is not looked at any more; that of a note or cell has no page here.
      const page = pageOf(pointed);
      if (page < 0 || Math.abs(spreadOf(page) - view.spread) <= 1) {
        dispatch(galleyScrolled(null));
        return dispatch(goToText(pointed));
      }
    }
    if (caret !== null && caretPage >= 0 && spreadOf(caretPage) === view.spread) return dispatch(goToText(caret));
    // A book that was just opened stands at its first spread: nothing was looked at yet.
    if (view.spread === 0) return;
    // Where the galley stood is on the spread, or beside it.
    const { galley } = view;
    if (galley !== null && galley.division === view.division) {
      const head = { block: galley.block, offset: 0 };
      const page = pageOf({ stream: galley.division, anchor: head, head });
      // So is its caret, though its line may have gone over to the next spread meanwhile.
      if (page >= 0 && Math.abs(spreadOf(page) - view.spread) <= 1)
        return caret === null ? undefined : dispatch(goToText(caret));
    }
    const [first, second] = [
      pages[pageOfSpread(view.spread, facing)],
      facing ? pages[pageOfSpread(view.spread, facing) + 1] : undefined,
    ];
    // What begins on the spread is what one looks at there.
    const opener = [first, second].find((page) => page?.role === 'opener');
    const start = opener?.start ?? first?.start ?? second?.start;
    if (start == null) return;
    const place = { block: start.block, offset: start.offset };
    dispatch(galleyScrolled(null));
    dispatch(showText({ stream: start.stream, anchor: place, head: place }));
  };
}

interface KeptPlace {
  readonly division: string | null;
  readonly spread: number;
  readonly topic: string;
  readonly caret: TextSelection | null;
  readonly galley: GalleyScroll | null;
}

const point = Joi.object({ block: Joi.string().max(20).required(), offset: Joi.number().integer().min(0).required() });
const schema = Joi.object({
  division: Joi.string().max(20).allow(null).required(),
  spread: Joi.number().integer().min(0).max(100_000).required(),
  topic: Joi.string().max(20).required(),
  caret: Joi.object({ stream: Joi.string().max(20).required(), anchor: point.required(), head: point.required() })
    .allow(null)
    .required(),
  galley: Joi.object({
    division: Joi.string().max(20).required(),
    block: Joi.string().max(20).required(),
    off: Joi.number().required(),
    top: Joi.number().min(0).required(),
  })
    .allow(null)
    .required(),
});
const keyOf = (book: string) => `place ${book}`;

/** Keeps what is looked at for a reload of this tab. A store that takes nothing loses only this. */
export function keepPlace(): AppThunk {
  return (_dispatch, getState) => {
    const { view, book } = getState();
    if (book.book === null) return;
    const { division, spread, topic, caret, galley } = view;
    try {
      sessionStorage.setItem(
        keyOf(book.book.id),
        JSON.stringify({ division, spread, topic, caret, galley } satisfies KeptPlace),
      );
    } catch {
      // Without it the book opens where books open.
    }
  };
}

/** Goes back to what was looked at before a reload. Answers the spread that is to be gone to when its pages are there; null: none. */
export function restorePlace(): AppThunk<number | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    const kept = book === null ? null : readPlace(book.id);
    if (book === null || kept === null) return null;
    if (kept.division === null || book.divisions.some(({ id }) => id === kept.division))
      dispatch(divisionChosen(kept.division));
    dispatch(topicChosen(kept.topic));
    dispatch(galleyScrolled(kept.galley));
    if (kept.caret !== null && kept.caret.stream === kept.division) dispatch(goToText(kept.caret));
    return kept.spread;
  };
}

function readPlace(book: string): KeptPlace | null {
  try {
    const { value, error } = schema.validate(JSON.parse(sessionStorage.getItem(keyOf(book)) ?? 'null'));
    return error === undefined ? (value as KeptPlace | null) : null;
  } catch {
    return null;
  }
}
