// Works out what composing needs of a book: its styles, numbers, notes and references.
import { fieldText } from '../../copy/fields';
import { numberNotes } from '../../numbering/numberNotes';
import type { Book } from '../../model/copy/book';
import type { PageGeometry } from '../../model/composed/pages';
import { NO_REFERENCES, type ReferenceTable } from '../../model/composed/referenceTable';
import { numberHeads } from '../../numbering/numberHeads';
import { referenceText } from '../../references';
import type { StyleContext } from '../../styles';
import type { ComposeContext } from './composeContext';
import { keyWordsOf } from '../notes/composeNotes';
import type { TypesetContext } from '../context';
import { stylesOf } from './composeStyles';
import { referenceSign } from '../notes/noteSigns';
import { printedDivisions } from '../pages/reaches';

export function composeContext(
  book: Book,
  context: TypesetContext,
  geometry: PageGeometry,
  clock: ComposeContext['clock'],
  references: ReferenceTable = NO_REFERENCES,
): ComposeContext {
  const { language } = book.particulars;
  const keyWords = keyWordsOf(book);
  const made: ComposeContext = {
    book,
    ...stylesOf(book.spec, { book, context }),
    style: {
      spec: book.spec,
      faces: context.library.table,
      fieldText: (field) => fieldText(field, book.particulars),
      noteReference: () => NO_SIGN,
      referenceText: () => '',
    },
    notes: NO_NOTES,
    notePlaces: {},
    keyWords,
    hasNotesDivision: printedDivisions(book).some(({ role }) => role === 'notes'),
    numbers: numberHeads(book.divisions, book.spec, language),
    context,
    measure: narrowest(geometry),
    geometry,
    clock,
  };
  return withReferences(made, references);
}

/** What cross-references say by a table. */
function referencesFrom({ spec, particulars }: Book, references: ReferenceTable): StyleContext['referenceText'] {
  return (reference, block, at) =>
    referenceText(reference, block, at, references, particulars.language, spec.page.facing);
}

const NO_SIGN = { text: '', position: 'line' } as const;
const NO_NOTES = { labels: new Map(), byDivision: new Map() };

/** The same context after another pass: cross-references and notes say what that table has. */
export function withReferences(compose: ComposeContext, references: ReferenceTable): ComposeContext {
  const { book } = compose;
  const notes = numberNotes(book, references.notes);
  return {
    ...compose,
    notes,
    notePlaces: references.notes,
    style: {
      ...compose.style,
      noteReference: referenceSign(book, notes.labels),
      referenceText: referencesFrom(book, references),
    },
  };
}

/** What is set once and may come to stand in any column, such as a note or a picture, is as wide as the narrowest. */
const narrowest = ({ columns }: PageGeometry) => Math.min(...columns.map(({ width }) => width));

/** Under so many characters a line is justified at the price of holes: it is set ragged (house rules, section 3). */
const LEAST_JUSTIFIED = 45;
/** Width of a character of running text, in em, as measured on the shipped faces. */
const CHARACTER = 0.42;

/** The same context for the pages of a division of its own. */
export function composeFor(compose: ComposeContext, own: PageGeometry): ComposeContext {
  if (own === compose.geometry) return compose;
  const measure = narrowest(own);
  const made = { ...compose, geometry: own, measure };
  const { text } = compose.book.spec;
  const isNarrow = measure < LEAST_JUSTIFIED * CHARACTER * text.size.pt;
  if (!isNarrow || text.setting === 'ragged') return made;
  return { ...made, ...stylesOf(raggedSpec(compose.book.spec), compose) };
}

const ragged = new WeakMap<Book['spec'], Book['spec']>();

/** The same spec with its text ragged: one object while the spec is one. */
function raggedSpec(spec: Book['spec']): Book['spec'] {
  let made = ragged.get(spec);
  if (made === undefined) ragged.set(spec, (made = { ...spec, text: { ...spec.text, setting: 'ragged' } }));
  return made;
}
