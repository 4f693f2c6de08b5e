// Joins the faces to the measures of quality.
import type { TypesetBook } from '../model/pages';
import type { QualityFigures } from '../model/quality';
import { measureQuality } from '../proof';
import type { TypesetContext } from './context';

/** How well a composed book is set. */
export function qualityOf(book: TypesetBook, { library }: TypesetContext): QualityFigures {
  return measureQuality(book, {
    unitsPerEm: (face) => library.font(face).unitsPerEm,
    space: (face) => library.marks(face).space,
  });
}
