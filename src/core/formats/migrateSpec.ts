// Specs that were kept or put into a file apart from a book, brought to today's format.
import { ValueError } from '../base/errors';
import { BOOK_FORMAT } from '../model/copy/book';
import type { Plain } from './plainBook';
import { withOpenerMeanings } from './steps/from10';
import { asFormat12 } from './steps/from11';
import { asFormat16 } from './steps/from15';
import { asFormat17 } from './steps/from16';

/** Specs without a `format` were written before they had one. */
const WITHOUT_FORMAT = 10;

const STEPS: Readonly<Record<number, (spec: Plain) => Plain>> = {
  10: withOpenerMeanings,
  11: asFormat12,
  15: asFormat16,
  16: asFormat17,
};

/** A spec, or a part of one, in today's format and without the number of its own. Throws ValueError for one of a later format. */
export function migrateSpec({ format, ...spec }: Plain): Plain {
  if (typeof format === 'number' && format > BOOK_FORMAT)
    throw new ValueError('format', 'The spec was written by a newer Walnut Leaf: this one does not know its format.');
  const from = typeof format === 'number' ? format : WITHOUT_FORMAT;
  return Object.entries(STEPS).reduce<Plain>(
    (current, [step, change]) => (Number(step) >= from ? change(current) : current),
    spec,
  );
}
