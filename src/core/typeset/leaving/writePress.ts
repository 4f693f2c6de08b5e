// Joins a composed book to the PDF writer.
import type { FileJob } from '../../base/fileJob';
import { namesOf, type Book } from '../../model/copy/book';
import type { DisplayList } from '../../model/composed/displayList';
import type { HarfBuzzSubsetter } from '../../fonts/harfbuzz';
import type { PageSide, TypesetBook } from '../../model/composed/pages';
import type { PageSpec } from '../../model/spec/pageSpec';
import { writePdf, type PageSurround, type PdfMetadata, type PdfSource } from '../../write/pdf';
import type { TypesetContext } from '../context';
import { displayPage } from './renderContext';
import { outlineEntries, ScreenLinks } from './screenLinks';

/** The press PDF of a composed book. `date`: ISO 8601. */
export function* writePressPdf(
  book: Book,
  composed: TypesetBook,
  context: TypesetContext,
  subsetter: HarfBuzzSubsetter,
  date: string,
): FileJob {
  yield* writePdf(pdfSource(book, composed, context, subsetter), metadataOf(book, date));
}

function pdfSource(
  book: Book,
  composed: TypesetBook,
  context: TypesetContext,
  subsetter: HarfBuzzSubsetter,
): PdfSource {
  const { library } = context;
  return {
    pageCount: composed.pages.length,
    width: composed.geometry.width,
    height: composed.geometry.height,
    page: (index: number) => displayPage(composed, index, context),
    around: (index: number) => surround(book.spec.page, composed.pages[index].side),
    folios: composed.pages.map(({ folio, number }) => ({ folio, number })),
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
): FileJob {
  const links = new ScreenLinks(book, composed.references, composed.pages);
  const source = {
    ...pdfSource(book, composed, context, subsetter),
    around: () => NO_SURROUND,
    live: { links: (list: DisplayList) => links.of(list), outline: outlineEntries(composed) },
  };
  yield* writePdf(source, metadataOf(book, date));
}

const NO_SURROUND: PageSurround = { left: 0, right: 0, top: 0, bottom: 0, slug: 0 };

/** Bleed as it lies on a page: the back is at the left of a recto. */
function surround({ bleed, slug }: PageSpec, side: PageSide): PageSurround {
  const [left, right] = side === 'recto' ? [bleed.back, bleed.foreEdge] : [bleed.foreEdge, bleed.back];
  return { left: left.pt, right: right.pt, top: bleed.head.pt, bottom: bleed.foot.pt, slug: slug.pt };
}
