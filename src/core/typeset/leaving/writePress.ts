// Joins a composed book to the PDF writer.
import { editionOf } from '../../copy/editionOf';
import { flatBook } from '../../copy/figures/flatBook';
import { ValueError } from '../../base/errors';
import type { FileJob } from '../../base/fileJob';
import type { PageRange } from '../../model/products/products';
import { namesOf, type Book } from '../../model/copy/book';
import type { DisplayList } from '../../model/composed/displayList';
import type { HarfBuzzSubsetter } from '../../fonts/harfbuzz';
import type { PageSide, TypesetBook } from '../../model/composed/pages';
import type { PageSpec } from '../../model/spec/pageSpec';
import { writePdf, type PageSurround, type PdfLink, type PdfMetadata, type PdfSource } from '../../write/pdf';
import type { TypesetContext } from '../context';
import { displayPage } from './renderContext';
import { outlineEntries, ScreenLinks } from './screenLinks';

/** The press PDF of a composed book, or of some of its pages. `date`: ISO 8601. Throws ValueError for pages that it has not. */
export function* writePressPdf(
  book: Book,
  composed: TypesetBook,
  context: TypesetContext,
  subsetter: HarfBuzzSubsetter,
  date: string,
  range = allPages(composed),
): FileJob {
  yield* writePdf(pdfSource(book, composed, context, subsetter, range), metadataOf(book, date));
}

const allPages = ({ pages }: TypesetBook): PageRange => ({ from: 0, to: pages.length - 1 });

function pdfSource(
  book: Book,
  composed: TypesetBook,
  context: TypesetContext,
  subsetter: HarfBuzzSubsetter,
  { from, to }: PageRange,
): PdfSource {
  const { library } = context;
  const { length } = composed.pages;
  if (from < 0 || to < from || to >= length) {
    const words = length === 1 ? 'has one page' : `has ${length} pages`;
    throw new ValueError('range', `Pages ${from + 1} to ${to + 1} cannot be written: the book ${words}.`);
  }
  const pages = composed.pages.slice(from, to + 1);
  return {
    pageCount: pages.length,
    firstSide: pages[0].side,
    width: composed.geometry.width,
    height: composed.geometry.height,
    page: (index: number) => displayPage(composed, from + index, context),
    around: (index: number) => surround(book.spec.page, pages[index].side),
    folios: pages.map(({ folio, number }) => ({ folio, number })),
    face: (id: string) => library.record(id),
    advance: (id: string, glyph: number) => library.harfBuzz.advanceOf(library.font(id), glyph),
    subset: (id: string, glyphs: readonly number[]) => subsetter.subset(library.font(id).bytes, glyphs),
  };
}

function metadataOf({ particulars }: Book, date: string): PdfMetadata {
  return {
    title: particulars.title,
    author: namesOf(particulars, 'author'),
    language: particulars.language,
    date,
  };
}

/** The PDF for the screen: pages to the trim alone, with an outline, and links where the text leads somewhere. */
export function* writeScreenPdf(
  book: Book,
  composed: TypesetBook,
  context: TypesetContext,
  subsetter: HarfBuzzSubsetter,
  date: string,
  range = allPages(composed),
): FileJob {
  const links = new ScreenLinks(flatBook(editionOf(book, 'print')), composed.references, composed.pages);
  // What leads to a page that is left out leads nowhere.
  const shifted = (to: PdfLink['to']) => ('page' in to ? { ...to, page: to.page - range.from } : to);
  const source = {
    ...pdfSource(book, composed, context, subsetter, range),
    around: () => NO_SURROUND,
    live: {
      links: (list: DisplayList) => links.of(list).map((link) => ({ ...link, to: shifted(link.to) })),
      outline: outlineEntries(composed).map((entry) => ({ ...entry, page: entry.page - range.from })),
    },
  };
  yield* writePdf(source, metadataOf(book, date));
}

const NO_SURROUND: PageSurround = { left: 0, right: 0, top: 0, bottom: 0, sheetEdge: 0 };

/** Bleed as it lies on a page: the back is at the left of a recto. */
function surround({ bleed, sheetEdge }: PageSpec, side: PageSide): PageSurround {
  const [left, right] = side === 'recto' ? [bleed.back, bleed.foreEdge] : [bleed.foreEdge, bleed.back];
  return { left: left.pt, right: right.pt, top: bleed.head.pt, bottom: bleed.foot.pt, sheetEdge: sheetEdge.pt };
}
