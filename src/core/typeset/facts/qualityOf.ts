// Joins the faces to the measures of quality.
import type { TypesetBook } from '../../model/composed/pages';
import type { QualityFigures } from '../../model/answers/quality';
import { measureQuality, type FaceMeasures } from '../../proof';
import type { TypesetContext } from '../context';

/** How well a composed book is set. */
export function qualityOf(book: TypesetBook, context: TypesetContext): QualityFigures {
  return measureQuality(book, faceMeasures(context));
}

/** What the measures need of the faces. */
export function faceMeasures({ library }: TypesetContext): FaceMeasures {
  return {
    unitsPerEm: (face) => library.font(face).unitsPerEm,
    space: (face) => library.marks(face).space,
  };
}
