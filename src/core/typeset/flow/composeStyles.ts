// The resolved styles that a division is composed with: of the book's language, or of one that the division has by itself.
import type { Book } from '../../model/copy/book';
import type { LocalLook } from '../../model/copy/streams';
import { resolveStyles, resolveWithLook, type StyleSheet } from '../../styles';
import { spaceOfFamily, type TypesetContext } from '../context';
import type { ComposeContext } from './composeContext';

const inLanguage = new WeakMap<Book, Map<string, Book>>();

/** The same context for a division in a language of its own. */
export function composeInLanguage(compose: ComposeContext, language: string | undefined): ComposeContext {
  const { book } = compose;
  if (language === undefined || language === book.particulars.language) return compose;
  const known = inLanguage.get(book) ?? new Map<string, Book>();
  inLanguage.set(book, known);
  const own = known.get(language) ?? { ...book, particulars: { ...book.particulars, language } };
  known.set(language, own);
  return { ...compose, book: own, ...stylesOf(compose.sheetSpec, { book: own, context: compose.context }) };
}

/** Styles of a spec, resolved when it, the language or the faces that have arrived are others than the last time. */
function sheetOf(
  spec: Book['spec'],
  language: string,
  space: (family: string) => number,
  { cache, interner }: TypesetContext,
): StyleSheet {
  type Sheets = NonNullable<ReturnType<typeof cache.tables.sheets.get>>;
  const byLanguage: Sheets = cache.tables.sheets.get(spec) ?? new Map();
  cache.tables.sheets.set(spec, byLanguage);
  const known = byLanguage.get(language);
  if (known !== undefined && [...known.spaces].every(([family, own]) => space(family) === own)) return known.sheet;
  const spaces = new Map<string, number>();
  const asked = (family: string) => {
    const own = space(family);
    spaces.set(family, own);
    return own;
  };
  const sheet = resolveStyles(spec, language, asked, interner);
  byLanguage.set(language, { spaces, sheet });
  return sheet;
}

/** The styles that a context composes with. */
export function stylesOf(spec: Book['spec'], { book, context }: Pick<ComposeContext, 'book' | 'context'>) {
  const { language } = book.particulars;
  const space = (family: string) => spaceOfFamily(context, family);
  return {
    sheetSpec: spec,
    sheet: sheetOf(spec, language, space, context),
    withLook: (tag: string, look: LocalLook) => resolveWithLook(tag, look, spec, language, space, context.interner),
  };
}
