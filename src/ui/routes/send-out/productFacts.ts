// What the card of each product tells of what goes into it.
import { formatLength } from '../../../core/measure/units';
import { namesOf, type Book } from '../../../core/model/copy/book';
import { LANGUAGES } from '../../../core/model/copy/languages';
import { pressInks, type PressInk } from '../../../core/copy/pressInks';
import type { ProductId } from '../../../core/model/products/products';
import type { ComposedSummary } from '../../../worker/typesetClient';
import { groupDigits } from '../../frame/useStageFacts';

type Rows = readonly (readonly [label: string, value: string])[];
/** `summary`: null while the book is being composed. */
type FactsOf = (book: Book, summary: ComposedSummary | null) => Rows;

const notes = (book: Book) => ['Notes', String(Object.keys(book.notes).length)] as const;
const pages = (summary: ComposedSummary | null) =>
  ['Pages', summary ? String(summary.pages.length) : 'being composed'] as const;

const ON_PRESS: Readonly<Record<PressInk['press'], string>> = {
  k: 'on the black plate',
  cmyk: 'in four plates',
  asis: 'as mixed',
};

/** Black alone is on one plate; of other inks it is told where the press has them. */
function inksInWords(book: Book): string {
  const [black, ...others] = pressInks(book);
  if (black === undefined) return 'none';
  if (others.length === 0) return `${black.name}, ${black.press === 'k' ? 'on one plate' : ON_PRESS[black.press]}`;
  return [black.name, ...others.map(({ name, press }) => `${name} ${ON_PRESS[press]}`)].join('; ');
}

export const PRODUCT_FACTS: Readonly<Record<ProductId, FactsOf>> = {
  press: (book, summary) => [
    ['Trim', `${formatLength(book.spec.page.trim.width)} × ${formatLength(book.spec.page.trim.height)}`],
    pages(summary),
    ['Inks', inksInWords(book)],
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
