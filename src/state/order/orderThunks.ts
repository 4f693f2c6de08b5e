// Changes of the running order and of what hangs on it: divisions, display layouts, page touches.
import {
  addDivisionOfRole,
  ebookPageEdits,
  divideAt,
  dropPageTouch,
  editsBetweenBooks,
  findParagraph,
  layoutEdits,
  moveDivisionEdits,
  moveForRole,
  placeBeside,
  removeDivisionEdit,
  setDivisionEdit,
  setRoleEdits,
} from '../../core/edit';
import { anchorOn } from '../../core/copy/anchorState';
import { ValueError } from '../../core/base/errors';
import type { Division, Matter } from '../../core/model/copy/book';
import type { BookEdit, DivisionFacts } from '../../core/model/copy/bookEdit';
import { layoutsOf } from '../../core/defaults/displayLayouts';
import type { PageTouch } from '../../core/model/copy/pageTouches';
import { roleFacts, roleName, type DivisionRole } from '../../core/model/copy/roles';
import { figuresIn } from '../../core/model/copy/holders';
import type { StreamId } from '../../core/model/copy/streams';
import { checkDivision } from '../../core/validate';
import { edit } from '../book/bookThunks';
import { dropEdit } from '../copy/takenRecords';
import { divisionName } from '../book/selectors';
import { plainFault } from '../spec/specThunks';
import type { AppThunk } from '../store';
import { divisionChosen } from '../view/viewSlice';

type Change = { readonly [K in keyof DivisionFacts]?: DivisionFacts[K] | undefined };

/** Adds a division of a role where it stands by custom, or at a place, and chooses it. */
export function addDivision(role: DivisionRole, at?: number): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const { edits, id } = addDivisionOfRole(book, role, at);
    dispatch(edit(`${roleName(role)} added`, edits));
    dispatch(divisionChosen(id));
  };
}

/** Gives the ebook a page of its own in place of a printed one, and chooses it. */
export function makeEbookPage(printed: StreamId): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const division = book?.divisions.find(({ id }) => id === printed);
    if (book === null || readOnly || division === undefined) return;
    const { edits, id } = ebookPageEdits(book, printed);
    dispatch(edit(`${divisionName(division, book.spec.styles)}: one for the ebook`, edits));
    dispatch(divisionChosen(id));
  };
}

/** Adds a division after the chosen one, or at the end of its own matter. Answers where it went, in words. */
export function addDivisionBeside(role: DivisionRole): AppThunk<string> {
  return (dispatch, getState) => {
    const { book } = getState().book;
    if (book === null) return '';
    const chosen = book.divisions.find(({ id }) => id === getState().view.division);
    const { at, isBeside } = placeBeside(book, chosen?.id ?? null, role);
    dispatch(addDivision(role, at));
    const name = roleName(role);
    if (chosen === undefined) return `${name} added where it stands by custom.`;
    const beside = divisionName(chosen, book.spec.styles);
    if (isBeside) return `${name} added after ${beside}.`;
    return `${name} added at the end of the ${MATTER_NAMES[roleFacts(role).matter]}: ${beside} is in the ${MATTER_NAMES[chosen.matter]}.`;
  };
}

const MATTER_NAMES: Readonly<Record<Matter, string>> = { front: 'front matter', body: 'body', back: 'back matter' };

/** Begins a division at each of some paragraphs; one undo step. Answers how many were begun. */
export function beginDivisions(blocks: ReadonlySet<string>): AppThunk<number> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return 0;
    const divided = divideAt(book, blocks);
    const begun = divided.divisions.length - book.divisions.length;
    const edits = begun === 0 ? [] : editsBetweenBooks(book, divided);
    if (edits.length > 0) dispatch(edit(begun === 1 ? 'A division begun' : `${begun} divisions begun`, edits));
    return begun;
  };
}

/** Takes a division out with its text and its figures; undo brings it back. The one before it is chosen. */
export function removeDivision(id: StreamId): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const change = book === null || readOnly ? null : removeDivisionEdit(book, id);
    if (book === null || change?.kind !== 'removeDivision') return;
    dispatch(divisionChosen(book.divisions[change.at - 1]?.id ?? book.divisions[change.at + 1]?.id ?? null));
    const figures = change.division.blocks.flatMap(figuresIn).flatMap((one) => dropEdit(book, 'figure', one) ?? []);
    dispatch(edit(`${divisionName(change.division, book.spec.styles)} taken out`, [change, ...figures]));
  };
}

/** Moves a division to a place counted without it; it takes the matter of that place. */
export function moveDivision(id: StreamId, to: number, matter?: Matter): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits = moveDivisionEdits(book, id, to, matter);
    const division = book.divisions.find((one) => one.id === id);
    if (edits.length > 0 && division !== undefined)
      dispatch(edit(`${divisionName(division, book.spec.styles)} moved`, edits));
  };
}

/** Moves a division a place up or down; at the border of a matter it goes over it first. */
export function stepDivision(id: StreamId, step: -1 | 1): AppThunk {
  return (dispatch, getState) => {
    const { book } = getState().book;
    const at = book?.divisions.findIndex((division) => division.id === id) ?? -1;
    if (book === null || at < 0) return;
    const neighbour = book.divisions[at + step];
    if (neighbour === undefined) return;
    const { matter } = book.divisions[at];
    if (neighbour.matter !== matter) dispatch(setDivision(id, { matter: neighbour.matter }, 'moved'));
    else dispatch(moveDivision(id, at + step));
  };
}

/** Changes facts of a division. Answers what is wrong with them; then nothing changes. */
export function setDivision(id: StreamId, change: Change, what: string, gesture?: string): AppThunk<string | null> {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const division = book?.divisions.find((one) => one.id === id);
    if (book === null || readOnly || division === undefined) return null;
    const made = setDivisionEdit(book, id, change);
    if (made?.kind !== 'setDivision') return null;
    try {
      checkDivision({ id, ...made.to, blocks: [] });
    } catch (error) {
      if (error instanceof ValueError) return plainFault(error.message);
      throw error;
    }
    dispatch(edit(`${divisionName(division, book.spec.styles)}: ${what}`, [made], gesture));
    return null;
  };
}

/** Gives a division another role, dresses it for that, and, if `moves`, puts it where that belongs. */
export function setRole(division: Division, role: DivisionRole, moves = true): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits = setRoleEdits(book, division.id, role, moves);
    if (edits.length > 0)
      dispatch(edit(`${divisionName(division, book.spec.styles)}: now ${roleFacts(role).name}`, edits));
  };
}

/** How many parts of the book a division would go over if it got the role. */
export function partsOnTheWay(division: Division, role: DivisionRole): AppThunk<number> {
  return (_dispatch, getState) => {
    const { book } = getState().book;
    return (book && moveForRole(book, division.id, role)?.parts) ?? 0;
  };
}

/** Sets a display page or a part in a designed layout. */
export function takeLayout(id: StreamId, key: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const division = book?.divisions.find((one) => one.id === id);
    if (book === null || readOnly || division === undefined) return;
    const layout = layoutsOf(division.role).find((one) => one.key === key);
    if (layout !== undefined)
      dispatch(edit(`${divisionName(division, book.spec.styles)}: ${layout.name}`, layoutEdits(book, id, layout)));
  };
}

/** A place of the text where a page begins. */
interface PageStart {
  readonly stream: StreamId;
  readonly block: string;
  readonly offset: number;
}

/** Puts a page touch on the page where a place of the text stands. */
export function setPageTouch(touch: Omit<PageTouch, 'id' | 'anchor'>, start: PageStart, name: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const { stream, block, offset } = start;
    const at = anchorOn(stream, findParagraph(book, stream, block) ?? { id: block, text: '' }, offset);
    const [from, anchor] = [book.pageTouches, `a${book.nextId}`];
    const edits: BookEdit[] = [
      { kind: 'setNextId', from: book.nextId, to: book.nextId + 2 },
      { kind: 'setAnchor', id: anchor, from: null, to: at },
      { kind: 'setPageTouches', from, to: [...from, { ...touch, id: `t${book.nextId + 1}`, anchor }] },
    ];
    dispatch(edit(name, edits));
  };
}

/** Changes a page touch; null takes it back, and its anchor with it. */
export function changePageTouch(id: string, to: PageTouch | null, name: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const from = book.pageTouches;
    if (to === null) return dispatch(edit(name, dropPageTouch(book, id)));
    dispatch(edit(name, [{ kind: 'setPageTouches', from, to: from.map((touch) => (touch.id === id ? to : touch)) }]));
  };
}
