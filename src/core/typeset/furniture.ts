// The words of running heads and folios, composed as single lines.
import { namesOf, type Book, type Division } from '../model/book';
import type { ComposedParagraph, Page } from '../model/pages';
import type { HeadContent } from '../model/spec';
import { paragraph as makeParagraph } from '../model/streams';
import type { FurnitureSource } from '../paginate';
import { headingWords } from '../references';
import type { ComposeContext } from './composeDivision';
import { composeGenerated } from './composeParagraph';

/** The furniture of the book. */
export function furnitureSource(compose: ComposeContext): FurnitureSource {
  const { book } = compose;
  const divisions = new Map(book.divisions.map((division) => [division.id, division]));
  const parts = partOfEach(book);
  const line = (tag: string, text: string, kind: string): ComposedParagraph => {
    const style = compose.sheet.get(tag) ?? compose.sheet.get('TX')!;
    const job = {
      stream: kind,
      paragraph: makeParagraph(kind, tag, text),
      style,
      measure: compose.measure,
      prefix: '',
      tail: '',
      variants: 'none' as const,
    };
    return composeGenerated(job, compose.style, compose.context, compose.clock);
  };
  return {
    folio: (folio) => line('FO', folio, 'folio'),
    head(page: Page) {
      const content = book.spec.furniture[page.side];
      const text = headText(content, book, divisions.get(page.division), parts.get(page.division));
      return text === '' ? null : line(content === 'author' ? 'RHA' : 'RH', text, 'head');
    },
  };
}

function headText(
  content: HeadContent,
  book: Book,
  division: Division | undefined,
  part: Division | undefined,
): string {
  switch (content) {
    case 'author':
      return namesOf(book.particulars, 'author');
    case 'title':
      return book.particulars.shortTitle || book.particulars.title;
    case 'part':
      return part === undefined ? '' : headingWords(part).title;
    case 'chapter':
      return division === undefined ? '' : headingWords(division).title;
    default:
      return '';
  }
}

/** The part to which each division belongs. */
function partOfEach(book: Book): Map<string, Division> {
  const parts = new Map<string, Division>();
  let current: Division | undefined;
  for (const division of book.divisions) {
    if (division.role === 'part') current = division;
    if (current !== undefined && division.matter === 'body') parts.set(division.id, current);
  }
  return parts;
}
