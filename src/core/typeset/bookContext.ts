// What composing any paragraph of a book needs of the whole book.
import { fieldText } from '../measure/fields';
import { numberNotes } from '../measure/numberNotes';
import type { Book } from '../model/book';
import type { PageGeometry } from '../model/pages';
import { resolveStyles, resolveWithLook } from '../styles';
import type { ComposeContext } from './composeDivision';
import { spaceOfFamily, type TypesetContext } from './context';

export function composeContext(
  book: Book,
  context: TypesetContext,
  geometry: PageGeometry,
  clock: ComposeContext['clock'],
): ComposeContext {
  const labels = numberNotes(book);
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
    },
    context,
    measure: geometry.columns[0].width,
    geometry,
    clock,
  };
}
