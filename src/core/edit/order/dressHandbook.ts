// A manuscript set up as a handbook: heads numbered through three levels and listed so, footnotes by symbols that begin again
// on each page beside numbered endnotes, appendices in two columns, an index.
import type { Book } from '../../model/copy/book';
import { FOOTNOTE, type NoteKind } from '../../model/spec/notes';
import { PLAIN_SCHEME, type NumberScheme } from '../../model/spec/numbering';
import type { Spec } from '../../model/spec/spec';
import { specSetAs, STARTING_SPECS } from '../../defaults/startingSpecs';
import { applyEdits } from '../applyEdit';
import { addDivisionOfRole } from './runningOrder';
import { dropTypedNumbersEdits } from '../copy/typedNumbers';

const CHAPTERS: NumberScheme = { ...PLAIN_SCHEME, place: 'ownLine', restart: 'never' };
/** Told apart from the numbers of endnotes. */
const BY_SYMBOLS: NoteKind = {
  ...FOOTNOTE,
  numerals: 'symbols',
  restart: 'page',
  number: { before: '', after: '', position: 'line' },
};
const HEADS: NumberScheme = { ...PLAIN_SCHEME, whole: true };

export function dressHandbook(book: Book): Book {
  const dressed = { ...book, spec: handbookSpec(book.spec) };
  const bare = applyEdits(dressed, dropTypedNumbersEdits(dressed));
  return applyEdits(bare, addDivisionOfRole(bare, 'index').edits);
}

function handbookSpec(own: Spec): Spec {
  const starting = STARTING_SPECS.find(({ key }) => key === 'handbook')!.spec;
  const spec = specSetAs(own, starting);
  const { CT, AH, BH } = spec.styles;
  const gap = spec.pages.columnGap;
  return {
    ...spec,
    styles: {
      ...spec.styles,
      CT: { ...CT, number: CHAPTERS },
      AH: { ...AH, number: HEADS },
      BH: { ...BH, number: HEADS },
    },
    contents: {
      ...spec.contents,
      levels: [
        { source: 'PT', entry: 'TOP', number: true, arrangement: 'white' },
        { source: 'CT', entry: 'TOC', number: true, arrangement: 'white' },
        { source: 'AH', entry: 'TOS', number: true, arrangement: 'white' },
        { source: 'BH', entry: 'TOT', number: true, arrangement: 'white' },
      ],
    },
    notes: { ...spec.notes, kinds: { ...spec.notes.kinds, footnote: BY_SYMBOLS } },
    pages: {
      ...spec.pages,
      others: { ...spec.pages.others, appendix: { columns: 2, columnGap: gap }, index: { columns: 2, columnGap: gap } },
    },
  };
}
