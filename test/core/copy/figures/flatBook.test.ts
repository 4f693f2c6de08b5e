// Figures as the paragraphs that they are made of, and back.
import { expect } from 'chai';
import fc from 'fast-check';
import { figureAt, markOf } from '../../../../src/core/copy/figures/findFigures';
import { flatBook } from '../../../../src/core/copy/figures/flatBook';
import { gatherBlocks, gatherFigures, plainBook } from '../../../../src/core/copy/figures/gatherFigures';
import { applyEdits, invertEdits, setFigureEdit } from '../../../../src/core/edit';
import { NOVEL_SPEC } from '../../../../src/core/defaults/novelSpec';
import type { Book } from '../../../../src/core/model/copy/book';
import type { Figure } from '../../../../src/core/model/copy/figures';
import { FIGURE_PLACES } from '../../../../src/core/model/copy/figureSetting';
import { figuresIn } from '../../../../src/core/model/copy/holders';
import {
  isPictureAlone,
  OBJECT_CHARACTER,
  paragraph,
  type Block,
  type Paragraph,
  type PictureObject,
} from '../../../../src/core/model/copy/streams';
import { checkBook } from '../../../../src/core/validate';
import { book, division, p, table } from '../../../build/book';
import { factsOf, picture, pngOf } from '../../../build/pictures';

const PICTURES = [pngOf(4, 3), pngOf(6, 3), pngOf(2, 5)].map((bytes, k) => factsOf(bytes, `plan-${k}.png`));

/** A paragraph of a random text, as it is wished: words, with marks of figures at some places, or a mark alone. */
interface Piece {
  readonly words: string;
  readonly marks: readonly number[];
  readonly isAlone: boolean;
}
interface FigureParts {
  readonly parts: number;
  readonly place: number;
  readonly width: Figure['width'];
  readonly caption: readonly string[];
  readonly credit: readonly string[];
}

const piece: fc.Arbitrary<Piece> = fc.record({
  words: fc.constantFrom('One word.', 'Two words of it.', ''),
  marks: fc.array(fc.nat(3), { maxLength: 2 }),
  isAlone: fc.boolean(),
});
const figureParts: fc.Arbitrary<FigureParts> = fc.record({
  parts: fc.integer({ min: 1, max: 3 }),
  place: fc.nat(FIGURE_PLACES.length - 1),
  width: fc.constantFrom<Figure['width']>('shown', 'column', 120),
  caption: fc.array(fc.constantFrom('A wall.', 'Seen from the river.'), { maxLength: 2 }),
  credit: fc.array(fc.constant('By the crew.'), { maxLength: 1 }),
});

function bookOf(pieces: readonly Piece[], figures: readonly FigureParts[]): Book {
  let next = 1;
  const take = (letter: string) => `${letter}${(next += 1)}`;
  const records: Record<string, Figure> = {};
  const left = [...figures];
  const newFigure = (): string | null => {
    const wished = left.shift();
    if (wished === undefined) return null;
    const id = take('f');
    const text = (words: readonly string[], style: string) => ({
      id: take('s'),
      blocks: words.map((one) => paragraph(take('p'), style, one)),
    });
    records[id] = {
      id,
      parts: PICTURES.slice(0, wished.parts).map((one) => ({ picture: one })),
      place: FIGURE_PLACES[wished.place],
      width: wished.width,
      caption: text(wished.caption, 'CAP'),
      credit: text(wished.credit, 'CR'),
    };
    return id;
  };
  const blocks = pieces.map(({ words, marks, isAlone }): Paragraph => {
    const ids = (isAlone ? [0] : marks).flatMap(() => newFigure() ?? []);
    if (ids.length === 0) return paragraph(take('p'), 'TX', words || 'Words.');
    if (isAlone)
      return paragraph(take('p'), 'TX', OBJECT_CHARACTER, { objects: [{ at: 0, kind: 'figure', figure: ids[0] }] });
    const text = `Words ${ids.map(() => OBJECT_CHARACTER).join(' and ')} ${words}`;
    const objects = ids.map((figure, k) => ({ at: 6 + k * 6, kind: 'figure' as const, figure }));
    return paragraph(take('p'), 'TX', text, { objects });
  });
  const made = book([
    { ...division('chapter', []), id: 'd90001', blocks: [paragraph('p90000', 'CT', 'A head'), ...blocks] },
  ]);
  return { ...made, figures: records };
}

const books = fc
  .tuple(fc.array(piece, { minLength: 1, maxLength: 8 }), fc.array(figureParts, { maxLength: 6 }))
  .map(([pieces, figures]) => bookOf(pieces, figures));

const wordsOf = (blocks: readonly Block[]): string[] =>
  blocks.flatMap((block) => (block.kind === 'paragraph' ? block.text.replaceAll(OBJECT_CHARACTER, '').trim() : []));

describe('figures as paragraphs', () => {
  it('and back are the figures that they were, and no word is lost on the way', () => {
    fc.assert(
      fc.property(books, (made) => {
        const flat = flatBook(made);
        expect(gatherFigures(flat)).to.deep.equal(made);
        const said = [
          ...made.divisions.flatMap(({ blocks }) => wordsOf(blocks)),
          ...Object.values(made.figures).flatMap(({ caption, credit }) =>
            wordsOf([...caption.blocks, ...credit.blocks]),
          ),
        ];
        const flatWords = flat.divisions.flatMap(({ blocks }) => wordsOf(blocks));
        expect(flatWords.filter(Boolean).sort()).to.deep.equal(said.filter(Boolean).sort());
        for (const block of flat.divisions[0].blocks)
          if (isPictureAlone(block)) expect(figuresIn(block)).to.deep.equal([]);
      }),
      { numRuns: 300 },
    );
  });

  it('stand after the paragraph of their mark, each with its caption and then its credit line', () => {
    const made = bookOf(
      [{ words: 'After.', marks: [0, 1], isAlone: false }],
      [
        { parts: 1, place: 1, width: 'shown', caption: ['First.'], credit: ['By one.'] },
        { parts: 2, place: 0, width: 'column', caption: ['Second.'], credit: [] },
      ],
    );
    const [, text, ...rest] = flatBook(made).divisions[0].blocks as readonly Paragraph[];
    expect(text.text).to.include('After.');
    expect(rest.map(({ objects, text: words }) => (objects.length > 0 ? 'picture' : words))).to.deep.equal([
      'picture',
      'First.',
      'By one.',
      'picture',
      'Second.',
    ]);
    expect((rest[3].objects[0] as PictureObject).figure?.more).to.have.length(1);
  });

  it('that did not change are the same objects after an edit elsewhere', () => {
    fc.assert(
      fc.property(books, (made) => {
        const before = flatBook(made).divisions[0].blocks;
        const [first, ...rest] = made.divisions[0].blocks;
        const edited = { ...made, divisions: [{ ...made.divisions[0], blocks: [{ ...first, style: 'AH' }, ...rest] }] };
        const after = flatBook(edited).divisions[0].blocks;
        expect(after.length).to.equal(before.length);
        for (let k = 1; k < before.length; k += 1) expect(after[k]).to.equal(before[k]);
      }),
      { numRuns: 100 },
    );
  });

  it('without what a file does not know keep their settings by the paragraph of their mark', () => {
    fc.assert(
      fc.property(books, (made) => {
        const back = gatherFigures(plainBook(made), made);
        const settings = ({ figures }: Book) =>
          Object.values(figures).map(({ id, place, width, parts }) => [id, place, width, parts.length]);
        expect(settings(back)).to.deep.equal(settings(made));
        expect(flatBook(back).divisions.map(({ blocks }) => wordsOf(blocks))).to.deep.equal(
          flatBook(made).divisions.map(({ blocks }) => wordsOf(blocks)),
        );
      }),
      { numRuns: 200 },
    );
  });

  it('are taken from pictures that stand alone, with the captions after them; the last caption before a table is the table’s', () => {
    let next = 0;
    const take = (letter: string) => `${letter}${(next += 1)}`;
    const [a, b, c] = PICTURES;
    const blocks: Block[] = [
      picture('p100', a),
      p('A wall.', 'CAP'),
      p('Lent by the house.', 'CR'),
      picture('p101', b),
      p('A gate.', 'CAP'),
      p('Tides in March.', 'CAP'),
      table(['a', 'b']),
      picture('p102', c),
      p('Words.'),
      p('No picture’s.', 'CAP'),
    ];
    const made = gatherBlocks(blocks, NOVEL_SPEC.styles, take);
    const captions = made.figures.map(({ caption, credit }) => [wordsOf(caption.blocks), wordsOf(credit.blocks)]);
    expect(captions).to.deep.equal([
      [['A wall.'], ['Lent by the house.']],
      [['A gate.'], []],
      [[], []],
    ]);
    expect(wordsOf(made.blocks)).to.deep.equal(['', '', 'Tides in March.', '', 'Words.', 'No picture’s.']);
    const words = [p('One.'), p('Two.')];
    expect(gatherBlocks(words, NOVEL_SPEC.styles, take).blocks).to.equal(words);
  });

  it('that stand twice are two figures', () => {
    const made = bookOf(
      [{ words: '', marks: [], isAlone: true }],
      [{ parts: 1, place: FIGURE_PLACES.indexOf('foot'), width: 90, caption: ['A.'], credit: [] }],
    );
    const flat = flatBook(made);
    const [{ blocks }] = flat.divisions;
    const twice = { ...flat, divisions: [{ ...flat.divisions[0], blocks: [...blocks, ...blocks.slice(1)] }] };
    const back = gatherFigures(twice);
    expect(Object.values(back.figures).map(({ place, width }) => [place, width])).to.deep.equal([
      ['foot', 90],
      ['foot', 90],
    ]);
  });
});

describe('a figure of the book', () => {
  const made = bookOf(
    [
      { words: 'The wall stands.', marks: [], isAlone: false },
      { words: '', marks: [], isAlone: true },
      { words: 'After it.', marks: [0], isAlone: false },
    ],
    [
      { parts: 1, place: 0, width: 'shown', caption: ['A.'], credit: [] },
      { parts: 1, place: 0, width: 'shown', caption: [], credit: [] },
    ],
  );
  const [alone, apart] = Object.values(made.figures);

  it('is set and put back by an edit and its inverse', () => {
    const edit = setFigureEdit(made, alone.id, { place: 'head', width: 100 })!;
    const after = applyEdits(made, [edit]);
    expect(after.figures[alone.id]).to.include({ place: 'head', width: 100 });
    expect(after.figures[apart.id]).to.equal(apart);
    expect(after.divisions).to.equal(made.divisions);
    expect(applyEdits(after, invertEdits([edit]))).to.deep.equal(made);
    expect(setFigureEdit(made, alone.id, { place: 'here' })).to.equal(null);
    expect(setFigureEdit(made, 'f9999', { place: 'head' })).to.equal(null);
  });

  it('is found by its mark, and says what it is tied to', () => {
    const [, text, mark, after] = made.divisions[0].blocks as Paragraph[];
    expect(markOf(made, alone.id)).to.include({ paragraph: mark, tiedTo: text });
    expect(markOf(made, apart.id)).to.include({ paragraph: after, tiedTo: after });
    expect(figureAt(made, 'd90001', mark.id)).to.equal(alone);
    expect(figureAt(made, apart.id, apart.id)).to.equal(apart);
    expect(figureAt(made, 'd90001', text.id)).to.equal(undefined);
  });

  it('is checked with its book: ids that are not its own, parts and places that there are not, are refused', () => {
    expect(checkBook(made)).to.deep.equal(made);
    const withFigure = (change: object) => ({
      ...made,
      figures: { ...made.figures, [alone.id]: { ...alone, ...change } },
    });
    for (const change of [
      { id: 'f1' },
      { place: 'sky' },
      { width: 0 },
      { parts: [] },
      { parts: Array(13).fill(alone.parts[0]) },
    ])
      expect(() => checkBook(withFigure(change)), JSON.stringify(change).slice(0, 40)).to.throw();
  });
});
