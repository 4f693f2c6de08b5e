// What composing any paragraph of a book needs of the whole book.
import { fieldText } from '../measure/fields';
import { numberNotes } from '../measure/numberNotes';
import type { Book } from '../model/book';
import type { PageGeometry } from '../model/pages';
import { NO_REFERENCES, type ReferenceTable } from '../model/referenceTable';
import { numberHeads } from '../measure/numberHeads';
import { referenceText } from '../references';
import { resolveStyles, resolveWithLook, type StyleContext } from '../styles';
import type { ComposeContext } from './composeDivision';
import { spaceOfFamily, type TypesetContext } from './context';

export function composeContext(
  book: Book,
  context: TypesetContext,
  geometry: PageGeometry,
  clock: ComposeContext['clock'],
  references: ReferenceTable = NO_REFERENCES,
): ComposeContext {
  const labels = numberNotes(book);
  const { language } = book.particulars;
  return {
    book,
    sheet: resolveStyles(
      book.spec,
      book.particulars.language,
      (family) => spaceOfFamily(context, family),
      context.interner,
    ),
    withLook: (tag, look) =>
      resolveWithLook(
        tag,
        look,
        book.spec,
        book.particulars.language,
        (family) => spaceOfFamily(context, family),
        context.interner,
      ),
    style: {
      spec: book.spec,
      faces: context.library.table,
      fieldText: (field) => fieldText(field, book.particulars),
      noteLabel: (note) => labels.get(note) ?? '?',
      referenceText: referencesFrom(book, references),
    },
    numbers: numberHeads(book.divisions, book.spec, language),
    context,
    measure: geometry.columns[0].width,
    geometry,
    clock,
  };
}

/** What cross-references say by a table. */
function referencesFrom({ spec, particulars }: Book, references: ReferenceTable): StyleContext['referenceText'] {
  return (reference, block, at) =>
    referenceText(reference, block, at, references, particulars.language, spec.page.facing);
}

/** The same context after another pass: cross-references say what that table has. */
export function withReferences(compose: ComposeContext, references: ReferenceTable): ComposeContext {
  return { ...compose, style: { ...compose.style, referenceText: referencesFrom(compose.book, references) } };
}
