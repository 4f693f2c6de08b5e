// The one chain of migrations, shared by project file and database. A step is a file whose literals are frozen: what a book of
// an older format becomes must not hang on what new books begin with today.
import { BOOK_FORMAT } from '../model/copy/book';
import type { Migration, PlainBook } from './plainBook';
import { from1 } from './steps/from1';
import { from10 } from './steps/from10';
import { from11 } from './steps/from11';
import { from12 } from './steps/from12';
import { from13 } from './steps/from13';
import { from14 } from './steps/from14';
import { from15 } from './steps/from15';
import { from16 } from './steps/from16';
import { from2 } from './steps/from2';
import { from3 } from './steps/from3';
import { from4 } from './steps/from4';
import { from5 } from './steps/from5';
import { from6 } from './steps/from6';
import { from7 } from './steps/from7';
import { from8 } from './steps/from8';
import { from9 } from './steps/from9';

/** `MIGRATIONS[n]` takes format n to n + 1. */
export const MIGRATIONS: Readonly<Record<number, Migration>> = {
  1: from1,
  2: from2,
  3: from3,
  4: from4,
  5: from5,
  6: from6,
  7: from7,
  8: from8,
  9: from9,
  10: from10,
  11: from11,
  12: from12,
  13: from13,
  14: from14,
  15: from15,
  16: from16,
};

/** The book in today's format. */
export function migrate(book: PlainBook): PlainBook {
  let current = book;
  while (current.format < BOOK_FORMAT && MIGRATIONS[current.format] !== undefined) {
    current = MIGRATIONS[current.format](current);
  }
  return current;
}
