// The last replacements in each book, with what they came to.
import Joi from 'joi';
import type { AppThunk } from '../store';

export interface Replacement {
  readonly words: string;
  /** Null: the words stayed, and took another style. */
  readonly put: string | null;
  readonly count: number;
  /** Hits before, and still there after it. */
  readonly before: number;
  readonly after: number;
}

const MOST = 10;
const schema = Joi.array().items(
  Joi.object({
    words: Joi.string().allow('').max(4000).required(),
    put: Joi.string().allow('', null).max(4000).required(),
    count: Joi.number().integer().min(0).required(),
    before: Joi.number().integer().min(0).required(),
    after: Joi.number().integer().min(0).required(),
  }),
);
const settingOf = (book: string) => `last replacements ${book}`;

/** The newest first; what cannot be read is an empty list. */
export function readReplacements(): AppThunk<Promise<readonly Replacement[]>> {
  return async (_dispatch, getState, { repository }) => {
    const { book } = getState().book;
    if (book === null) return [];
    const { value, error } = schema.validate((await repository.setting(settingOf(book.id))) ?? []);
    return error === undefined ? (value as Replacement[]) : [];
  };
}

/** Keeps the last ten. Answers the list as it is then. */
export function noteReplacement(made: Replacement): AppThunk<Promise<readonly Replacement[]>> {
  return async (dispatch, getState, { repository }) => {
    const { book } = getState().book;
    const next = [made, ...(await dispatch(readReplacements()))].slice(0, MOST);
    if (book !== null) await repository.keepSetting(settingOf(book.id), next);
    return next;
  };
}
