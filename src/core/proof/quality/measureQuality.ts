// All figures of quality of a composed book.
import type { TypesetBook } from '../../model/composed/pages';
import type { QualityFigures } from '../../model/answers/quality';
import { measureLineEnds } from './lineEnds';
import { measurePageEnds } from './pageEnds';
import { linesOf } from './placedLines';
import { countRivers, type FaceMeasures } from './rivers';
import { measureSpacing } from './spacing';

export function measureQuality(book: TypesetBook, faces: FaceMeasures): QualityFigures {
  const pages = book.pages.map((page) => [page, linesOf(page, book)] as const);
  const lines = pages.flatMap(([, own]) => own);
  return {
    pages: book.pages.length,
    lines: lines.length,
    ...measureSpacing(lines),
    ...measureLineEnds(pages),
    ...measurePageEnds(book, pages),
    rivers: pages.reduce((sum, [, own]) => sum + countRivers(own, faces), 0),
  };
}
