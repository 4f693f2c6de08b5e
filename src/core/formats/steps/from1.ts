// Format 2: glyph-scale play, optical margins and what pages keep, as the starting spec of then gave them.
import { part, withSpec, type Migration } from '../plainBook';

const TEXT = { glyphPlay: 2, opticalMargins: 100, letterPlay: 0, ties: true, liftedTies: [] };

const PAGES = {
  linesAtFoot: 2,
  linesAtHead: 2,
  chapterEnd: 5,
  spreadShort: 1,
  spreadLong: 3,
  elastic: true,
  footFree: false,
  columns: 1,
  columnGap: { pt: 14.5, unit: 'pt' },
  columnShares: null,
  balanceColumns: true,
};

export const from1: Migration = (book) =>
  withSpec(book, 2, (spec) => ({
    marks: { set: 'typed' },
    pages: PAGES,
    ...spec,
    openers: { dropLines: 0, dropLetters: 1, ...part(spec, 'openers') },
    text: {
      ...TEXT,
      ...part(spec, 'text'),
      hyphenation: { capitals: 'dear', exceptions: [], ...part(part(spec, 'text'), 'hyphenation') },
    },
  }));
