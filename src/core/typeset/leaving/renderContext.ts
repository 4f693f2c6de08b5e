// Joins shaping and faces to rendering.
import type { DisplayList } from '../../model/composed/displayList';
import type { TypesetBook } from '../../model/composed/pages';
import { renderPage, type RenderContext } from '../../render';
import { lineGlyphs, shapeAlone } from '../../shape';
import type { TypesetContext } from '../context';

export function renderContext({ library }: TypesetContext): RenderContext {
  return {
    lineGlyphs: (paragraph, from, to) => lineGlyphs(paragraph.styled, paragraph.shaped, from, to, library),
    unitsPerEm: (face) => library.font(face).unitsPerEm,
    space: (face) => library.marks(face).space,
    hyphen: (face) => ({ glyph: library.marks(face).hyphenGlyph, width: library.marks(face).hyphen }),
    ink: (face, glyph) => library.harfBuzz.inkOf(library.font(face), glyph).left,
    shapeLeader: (leader, run) => shapeAlone(leader, run, library),
    shapeTail: (paragraph) =>
      shapeAlone(paragraph.styled.tail, paragraph.styled.runs[paragraph.styled.runs.length - 1], library),
  };
}

/** The display list of one page of a composed book. */
export function displayPage(
  book: Pick<TypesetBook, 'pages' | 'geometry'>,
  page: number,
  context: TypesetContext,
): DisplayList {
  return renderPage(book.pages[page], book.geometry, renderContext(context));
}
