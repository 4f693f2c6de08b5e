// Letters that lean over the mark beside them, in the faces that ship: they never touch it, and other letters stay as they are.
import { expect } from 'chai';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { whiteBetween } from '../../../src/core/shape/kernMarks';
import type { ComposedParagraph } from '../../../src/core/model/composed/pages';
import { compose, newContext } from '../../build/assets';
import { book, chapter } from '../../build/book';

const FACES = ['eb-garamond', 'source-serif-4', 'spectral', 'alegreya'];

/** White between the glyphs of each pair of the text, in em, by their outlines. */
function whites(text: string, family: string, pairs: readonly string[]): Record<string, number> {
  const context = newContext();
  const spec = { ...NOVEL_SPEC, text: { ...NOVEL_SPEC.text, face: family } };
  const made = compose(book([chapter('One', text)], [], spec), context);
  const paragraph: ComposedParagraph = made.pages[0].fragments[1].paragraph;
  const { styled, shaped } = paragraph;
  const found: Record<string, number> = {};
  for (const pair of pairs) {
    const at = styled.text.indexOf(pair);
    const glyph = shaped.clusters.indexOf(at);
    const run = styled.runs.find(({ from, to }) => at >= from && at < to)!;
    const font = context.library.font(run.face);
    const outline = (k: number) => context.library.harfBuzz.outlineOf(font, shaped.glyphs[k]);
    found[pair] =
      shaped.clusters[glyph + 1] === at + 1
        ? whiteBetween(outline(glyph), outline(glyph + 1), shaped.advances[glyph], font.unitsPerEm) / font.unitsPerEm
        : Infinity;
  }
  return found;
}

describe('letters beside marks', () => {
  for (const family of FACES)
    it(`keep clear of them: ${family}`, () => {
      const pairs = ['f’', 'f!', 'f?', 'f)'];
      for (const [pair, white] of Object.entries(whites('Chief’ came off! If? (half) so.', family, pairs)))
        expect(white, pair).to.be.at.least(0.038);
      const italic = whites('*(just) “Jack” of* so.', family, ['(j', '“J']);
      for (const [pair, white] of Object.entries(italic)) expect(white, pair).to.be.at.least(0.038);
    });

  it('that do not lean are not moved', () => {
    const context = newContext();
    const advances = (text: string) => {
      const { shaped } = compose(book([chapter('One', text)]), context).pages[0].fragments[1].paragraph;
      return [...shaped.advances.subarray(0, 3)];
    };
    expect(advances('no) so')).to.deep.equal(advances('no) it'));
  });
});
