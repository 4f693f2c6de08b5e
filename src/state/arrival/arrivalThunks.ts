// The arrival sheet: what an incoming style becomes can be changed after the book is made, and kept for the next file.
import Joi from 'joi';
import { withPieceAs } from '../../core/copy/firstPages';
import {
  applyEdits,
  divideAt,
  doneWaitingEdits,
  editsBetweenBooks,
  isDivisionTitle,
  joinAt,
  restyleEdits,
} from '../../core/edit';
import type { Book } from '../../core/model/copy/book';
import type { FirstPart } from '../../core/model/copy/firstPages';
import { edit } from '../book/bookThunks';
import { keptList } from '../keptList';
import type { AppThunk } from '../store';
import { takeTidy } from '../copy/tidyThunks';

/** Sets all paragraphs that came in a style of the file in one of ours; one undo step. */
export function mapStyle(name: string, tag: string): AppThunk {
  return (dispatch) => dispatch(mapStyles({ [name]: tag }, `“${name}” set as ${tag}`));
}

/** Sets what came in by a whole mapping; names that did not come in are left alone. */
export function mapStyles(mapping: Readonly<Record<string, string>>, title: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    const arrival = book && getState().arrival[book.id];
    if (book === null || readOnly || !arrival) return;
    let { source } = book;
    let mapped = book;
    for (const style of arrival.styles) {
      const tag = Object.hasOwn(mapping, style.name) ? mapping[style.name] : undefined;
      if (tag === undefined || book.spec.styles[tag] === undefined) continue;
      mapped = mappedTo(mapped, new Set(style.blocks), tag);
      source = { ...source, mapping: { ...source.mapping, [style.name]: tag } };
    }
    const done = applyEdits({ ...mapped, source }, doneWaitingEdits(mapped));
    const edits = editsBetweenBooks(book, done);
    if (edits.length > 0) dispatch(edit(title, edits));
  };
}

/** Paragraphs of a file in one of our styles: as titles of chapters or parts they begin divisions, as anything else they do not. */
function mappedTo(book: Book, blocks: ReadonlySet<string>, tag: string): Book {
  const isTitle = isDivisionTitle(tag);
  const tops = book.divisions.flatMap((division) => division.blocks.filter(({ id }) => blocks.has(id)));
  const wereTitles = new Set(tops.filter(({ style }) => isDivisionTitle(style) && style !== tag).map(({ id }) => id));
  const joined = isTitle ? book : joinAt(book, wereTitles);
  const restyled = applyEdits(joined, restyleEdits(joined, blocks, tag));
  const fresh = new Set(tops.filter(({ style }) => style !== tag).map(({ id }) => id));
  return isTitle ? divideAt(restyled, fresh) : restyled;
}

/** Takes a piece of the first pages for something else, and puts it where that belongs; one undo step. */
export function takePieceAs(at: number, part: FirstPart, name: string): AppThunk {
  return (dispatch, getState) => {
    const { book, readOnly } = getState().book;
    if (book === null || readOnly) return;
    const edits = editsBetweenBooks(book, withPieceAs(book, at, part));
    if (edits.length > 0) dispatch(edit(name, edits));
  };
}

/** A mapping kept by name with the recipe of Tidy jobs, for all books of this browser. */
export interface KeptMapping {
  readonly name: string;
  readonly mapping: Readonly<Record<string, string>>;
  readonly recipe: readonly string[];
}

export const keptMappings = keptList<KeptMapping>('kept mappings', {
  mapping: Joi.object().pattern(Joi.string().max(400), Joi.string().max(12)).required(),
  recipe: Joi.array().items(Joi.string().max(60)).default([]),
});

/** Maps what came in as a kept mapping says, and runs its recipe: two undo steps. */
export function applyKeptMapping({ name, mapping, recipe }: KeptMapping): AppThunk<Promise<void>> {
  return async (dispatch) => {
    dispatch(mapStyles(mapping, `Styles mapped as for “${name}”`));
    if (recipe.length > 0) await dispatch(takeTidy(recipe, `Tidied as for “${name}”`));
  };
}

/** Keeps the book's mapping and recipe under a name; one of the same name gives way. */
export function keepMapping(name: string): AppThunk<Promise<readonly KeptMapping[]>> {
  return (dispatch, getState) => {
    const { mapping = {}, recipe = [] } = getState().book.book?.source ?? {};
    return dispatch(keptMappings.keep({ name, mapping, recipe }));
  };
}
