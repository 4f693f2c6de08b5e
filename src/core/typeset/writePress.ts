// Joins a composed book to the PDF writer.
import { namesOf, type Book } from '../model/book';
import type { HarfBuzzSubsetter } from '../fonts/harfbuzz';
import type { PageSide, TypesetBook } from '../model/pages';
import type { PageSpec } from '../model/pageSpec';
import type { PictureBytes } from '../model/streams';
import { writePdf, type PageSurround } from '../write/pdf';
import type { TypesetContext } from './context';
import { displayPage } from './renderContext';

/** The press PDF of a composed book; yields the share done. `date`: ISO 8601. */
export function* writePressPdf(
  book: Book,
  composed: TypesetBook,
  context: TypesetContext,
  subsetter: HarfBuzzSubsetter,
  date: string,
  pictures: PictureBytes = {},
): Generator<number, Uint8Array<ArrayBuffer>> {
  const { library } = context;
  const source = {
    pageCount: composed.pages.length,
    width: composed.geometry.width,
    height: composed.geometry.height,
    page: (index: number) => displayPage(composed, index, context),
    around: (index: number) => surround(book.spec.page, composed.pages[index].side),
    folios: composed.pages.map(({ folio, number }) => ({ folio, number })),
    picture: (asset: string): Uint8Array | undefined => pictures[asset],
    face: (id: string) => library.record(id),
    advance: (id: string, glyph: number) => library.harfBuzz.advanceOf(library.font(id), glyph),
    subset: (id: string, glyphs: readonly number[]) => subsetter.subset(library.font(id).bytes, glyphs),
  };
  const { particulars } = book;
  return yield* writePdf(source, {
    title: particulars.title,
    author: namesOf(particulars, 'author'),
    language: particulars.language,
    date,
  });
}

/** Bleed as it lies on a page: the back is at the left of a recto. */
function surround({ bleed, slug }: PageSpec, side: PageSide): PageSurround {
  const [left, right] = side === 'recto' ? [bleed.back, bleed.foreEdge] : [bleed.foreEdge, bleed.back];
  return { left: left.pt, right: right.pt, top: bleed.head.pt, bottom: bleed.foot.pt, slug: slug.pt };
}
