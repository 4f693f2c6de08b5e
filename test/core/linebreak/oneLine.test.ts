// The short way to a text of one line comes to what the search comes to.
import { expect } from 'chai';
import fc from 'fast-check';
import { breakParagraph } from '../../../src/core/linebreak';
import { cutWidths } from '../../../src/core/shape';
import { column, type BrokenParagraph } from '../../../src/core/model/composed/broken';
import { compose, newContext } from '../../build/assets';
import { book, chapter } from '../../build/book';

const PIECES = [
  '12.50',
  'weir',
  'Low-water',
  'fi',
  'AV',
  '—',
  '1890–94',
  '(3)',
  'a',
  'o’clock',
  '…',
  'x\u00A0y',
  'א',
  '漢字',
];

/** All that a line is, the sum of its faults aside. */
const lineOf = ({ demerits: _, ...lines }: BrokenParagraph) =>
  Object.fromEntries(
    Object.entries(lines).map(([key, value]) => [
      key,
      ArrayBuffer.isView(value) ? [...(value as Float32Array)] : value,
    ]),
  );

describe('a text of one line', () => {
  it('is set as the search sets it, wherever it fits', () => {
    const context = newContext();
    const { library } = context;
    let short = 0;
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...PIECES), { minLength: 1, maxLength: 7 }),
        fc.constantFrom('left', 'right', 'centre', 'justify'),
        fc.integer({ min: 20, max: 260 }),
        fc.constantFrom(0, 12, 100_000),
        (pieces, align, width, more) => {
          const composed = compose(book([chapter('One', pieces.join(' '))]), context);
          const found = composed.pages
            .flatMap(({ fragments }) => fragments)
            .find(({ paragraph }) => paragraph.styled.text === pieces.join(' '));
          if (found === undefined) return;
          const { shaped } = found.paragraph;
          const style = {
            ...found.paragraph.styled.style,
            align,
            hangingPunctuation: 0,
            leftIndent: more % 7,
          } as const;
          const styled = { ...found.paragraph.styled, style };
          const ways = {
            unitsPerEm: (face: string) => library.font(face).unitsPerEm,
            space: (face: string) => library.marks(face).space,
            hyphen: (face: string) => library.marks(face).hyphen,
            ink: (face: string, glyph: number) => library.harfBuzz.inkOf(library.font(face), glyph),
            outline: (face: string, glyph: number) => library.harfBuzz.outlineOf(library.font(face), glyph),
            cutWidths: (offset: number) => cutWidths(styled, shaped, offset, library),
            hyphenator: () => null,
          };
          const plain = breakParagraph(styled, shaped, column(width + more), ways).best;
          // A variant is looked for among all ways.
          const searched = breakParagraph(styled, shaped, column(width + more), ways, 1).best;
          if (plain.from === breakParagraph(styled, shaped, column(width + more), ways).best.from) short += 1;
          expect(lineOf(plain)).to.deep.equal(lineOf(searched));
        },
      ),
      { numRuns: 300 },
    );
    expect(short).to.be.above(50);
  });
});
