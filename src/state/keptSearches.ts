// Searches kept by name, for all books of this browser.
import Joi from 'joi';
import type { AppThunk } from './store';

/** A search as it is typed: scopes that belong to one book are left out. */
export interface KeptSearch {
  readonly name: string;
  readonly words: string;
  readonly put: string;
  readonly isPattern: boolean;
  readonly wholeWords: boolean;
  readonly matchCase: boolean;
  readonly style: string;
  readonly look: string;
  readonly putStyle: string;
  readonly putParagraphStyle: string;
}

const SETTING = 'kept searches';
const text = Joi.string().allow('').max(4000).required();
const schema = Joi.array().items(
  Joi.object({
    name: Joi.string().max(80).required(),
    words: text,
    put: text,
    isPattern: Joi.boolean().required(),
    wholeWords: Joi.boolean().required(),
    matchCase: Joi.boolean().required(),
    style: text,
    look: text,
    putStyle: text,
    putParagraphStyle: text,
  }),
);

/** Kept searches by name. What cannot be read is none. */
export function readKeptSearches(): AppThunk<Promise<readonly KeptSearch[]>> {
  return async (_dispatch, _getState, { repository }) => {
    const { value, error } = schema.validate((await repository.setting(SETTING)) ?? []) as {
      value: KeptSearch[];
      error?: Error;
    };
    return error === undefined ? value : [];
  };
}

/** Keeps a search; one of the same name gives way. */
export function keepSearch(search: KeptSearch): AppThunk<Promise<readonly KeptSearch[]>> {
  return (dispatch) =>
    dispatch(changeKept((kept) => [...kept.filter(({ name }) => name !== search.name), search].sort(byName)));
}

export function dropSearch(name: string): AppThunk<Promise<readonly KeptSearch[]>> {
  return (dispatch) => dispatch(changeKept((kept) => kept.filter((search) => search.name !== name)));
}

function changeKept(
  change: (kept: readonly KeptSearch[]) => readonly KeptSearch[],
): AppThunk<Promise<readonly KeptSearch[]>> {
  return async (dispatch, _getState, { repository }) => {
    const next = change(await dispatch(readKeptSearches()));
    await repository.keepSetting(SETTING, next);
    return next;
  };
}

const byName = (a: KeptSearch, b: KeptSearch) => (a.name < b.name ? -1 : 1);
