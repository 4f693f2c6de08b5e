// Searches kept by name, for all books of this browser.
import Joi from 'joi';
import { keptList } from '../keptList';

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

const text = Joi.string().allow('').max(4000).required();

export const keptSearches = keptList<KeptSearch>('kept searches', {
  words: text,
  put: text,
  isPattern: Joi.boolean().required(),
  wholeWords: Joi.boolean().required(),
  matchCase: Joi.boolean().required(),
  style: text,
  look: text,
  putStyle: text,
  putParagraphStyle: text,
});
