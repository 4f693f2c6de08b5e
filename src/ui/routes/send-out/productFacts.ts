// What the card of each product tells of what goes into it.
import { formatLength } from '../../../core/measure/units';
import { namesOf, type Book } from '../../../core/model/copy/book';
import { LANGUAGES } from '../../../core/model/copy/languages';
import type { ProductId } from '../../../core/model/products/products';
import type { ComposedSummary } from '../../../worker/typesetClient';
import { groupDigits } from '../../frame/useStageFacts';

type Rows = readonly (readonly [label: string, value: string])[];
/** `summary`: null while the book is being composed. */
type FactsOf = (book: Book, summary: ComposedSummary | null) => Rows;

const notes = (book: Book) => ['Notes', String(Object.keys(book.notes).length)] as const;
const pages = (summary: ComposedSummary | null) =>
  ['Pages', summary ? String(summary.pages.length) : 'being composed'] as const;

export const PRODUCT_FACTS: Readonly<Record<ProductId, FactsOf>> = {
  press: (book, summary) => [
    ['Trim', `${formatLength(book.spec.page.trim.width)} × ${formatLength(book.spec.page.trim.height)}`],
    pages(summary),
    ['Title', book.particulars.title || 'not given'],
    ['Author', namesOf(book.particulars, 'author') || 'not given'],
    [
      'Findings that must be mended',
      String(summary?.findings.filter((finding) => finding.grade === 'must').length ?? 0),
    ],
  ],
  screen: (_book, summary) => [
    pages(summary),
    ['In the outline', summary ? String(summary.headings.length) : 'being composed'],
  ],
  epub: (book) => [
    ['Language', LANGUAGES[book.particulars.language]],
    ['ISBN', book.particulars.isbnEbook || 'not given'],
    notes(book),
  ],
  copy: (book, summary) => [['Words', summary ? groupDigits(summary.words) : 'being counted'], notes(book)],
  project: (book) => [['Divisions', String(book.divisions.length)], notes(book), ['Format', String(book.format)]],
};
