// Format 6: inks, openers of divisions of their own, and a page that is more than trim and margins.
import { part, withSpec, type Migration } from '../plainBook';

const INKS = {
  set: 'Black only',
  sets: { 'Black only': { Black: { colour: { kind: 'grey', k: 100 }, press: 'k' } } },
};
const NO_BLEED = { pt: 0, unit: 'mm' };
const PAGE = {
  facing: true,
  bindingAllowance: { pt: 9, unit: 'in' },
  canon: null,
  bleed: { head: NO_BLEED, foot: NO_BLEED, back: NO_BLEED, foreEdge: NO_BLEED },
  slug: NO_BLEED,
  guides: [],
  unit: null,
  dpi: 96,
};

export const from5: Migration = (book) =>
  withSpec(book, 6, (spec) => ({
    ...spec,
    inks: INKS,
    page: { ...PAGE, ...part(spec, 'page') },
    pages: { columnRule: { pt: 0, unit: 'pt' }, others: {}, ...part(spec, 'pages') },
    openers: { part: null, front: null, short: null, shortUnder: 300, ...part(spec, 'openers') },
  }));
