// Changes of the spec: values, the page and its canon, whole specs.
import { applyEdit, editsBetweenBooks, setSpecEdit, specValue } from '../../core/edit';
import { canonState, followCanon, snapToLines, withCanon } from '../../core/measure/canon';
import { ValueError } from '../../core/base/errors';
import type { Book } from '../../core/model/copy/book';
import type { Plain } from '../../core/model/copy/bookEdit';
import type { Canon, Margins, PageSpec } from '../../core/model/spec/pageSpec';
import type { SpacingFacts } from '../../core/model/answers/spacingFacts';
import { specSetAs, STARTING_SPECS, type StartingKey } from '../../core/defaults/startingSpecs';
import type { Spec } from '../../core/model/spec/spec';
import { checkSpec, checkSpecChange } from '../../core/validate';
import { edit } from '../book/bookThunks';
import type { AppThunk } from '../store';
import type { RootState } from '../rootState';

/**
 * Sets a value of the spec; while the margins are those of their canon, they follow. Answers a sentence when the spec would not
 * be one that can be set; then nothing changes. `gesture`: changes of one gesture are one undo step.
 */
export function setSpec(path: readonly string[], to: Plain, name: string, gesture?: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return null;
    if (JSON.stringify(specValue(book, path)) === JSON.stringify(to)) return null;
    const change = setSpecEdit(book, path, to);
    const { spec } = applyEdit(book, change);
    const page = followed(book.spec, spec, pageFacts(getState()));
    const fault = faultOf({ ...spec, page }, page === spec.page ? path : undefined);
    if (fault !== null) return fault;
    const edits =
      page === spec.page ? [change] : path[0] === 'page' ? [pageEdit(book, page)] : [change, pageEdit(book, page)];
    dispatch(edit(name, edits, gesture));
    return null;
  };
}

const pageEdit = (book: Book, page: PageSpec) => setSpecEdit(book, ['page'], page as unknown as Plain);

function followed(before: Spec, after: Spec, facts: PageFacts): PageSpec {
  return followCanon(
    { page: before.page, leading: before.text.leading.pt },
    { page: after.page, leading: after.text.leading.pt },
    facts,
  );
}

export interface PageFacts {
  readonly capHeight: number;
  readonly pages: number;
}

/** What canons ask of the composed book: cap height of its text in points, and its extent. */
export function pageFacts({ compose }: RootState): PageFacts {
  return { capHeight: compose.summary?.geometry.capHeight ?? 0, pages: compose.summary?.pages.length ?? 0 };
}

/** Takes the margins from a canon; `isSnapped`: head and foot so that whole lines fill the area. */
export function takeCanon(canon: Canon | null, isSnapped: boolean, name: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null) return null;
    const { page, text } = book.spec;
    if (canon === null) return dispatch(setSpec(['page', 'canon'], null, name));
    const facts = { ...pageFacts(getState()), leading: text.leading.pt };
    try {
      return dispatch(setSpec(['page'], withCanon(page, canon, facts, isSnapped) as unknown as Plain, name));
    } catch (error) {
      if (error instanceof ValueError) return error.message;
      throw error;
    }
  };
}

/** Head and foot so that whole lines of the grid fill the type area. */
export function snapMargins(): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null) return null;
    const { page, text } = book.spec;
    const { capHeight, pages } = pageFacts(getState());
    if (page.canon !== null && canonState(page, capHeight, text.leading.pt, pages) === 'exact')
      return dispatch(takeCanon(page.canon, true, 'Margins snapped to lines'));
    const { head, foot } = snapToLines(page, capHeight, text.leading.pt);
    const { unit } = page.margins.head;
    const margins: Margins = { ...page.margins, head: { pt: head, unit }, foot: { pt: foot, unit } };
    return dispatch(setSpec(['page', 'margins'], margins as unknown as Plain, 'Margins snapped to lines'));
  };
}

/** How often each rule of spacing decided in the book as it is composed. */
export function askSpacing(): AppThunk<Promise<SpacingFacts | null>> {
  return async (_dispatch, _getState, { sessions }) => (await sessions.current?.client?.spacing()) ?? null;
}

/** Sets the book as one of the starting specs; one undo step. */
export function setAs(key: StartingKey): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const starting = STARTING_SPECS.find((one) => one.key === key);
    if (book === null || readOnly || starting === undefined) return;
    const edits = editsBetweenBooks(book, { ...book, spec: specSetAs(book.spec, starting.spec) });
    if (edits.length > 0) dispatch(edit(`Set as ${starting.spec.name}`, edits));
  };
}

/** What is wrong with a spec, in a sentence; null when it can be set. `changed`: the one value that was not looked at before. */
export function faultOf(spec: Spec, changed?: readonly string[]): string | null {
  try {
    if (changed === undefined) checkSpec(spec);
    else checkSpecChange(spec, changed);
    return null;
  } catch (error) {
    return plainFault((error as Error).message);
  }
}

/** What a check says of a value, as it is told beside the field where that was typed. */
export function plainFault(message: string): string {
  return message
    .replace(/^The [\w ]+: [\w.[\]]+ /, 'It ')
    .replace('less than or equal to', 'at most')
    .replace('greater than or equal to', 'at least')
    .replace('an integer', 'a whole number');
}
