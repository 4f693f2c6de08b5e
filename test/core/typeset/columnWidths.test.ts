// Widths of a table's columns: the least height, against brute force; never over the measure.
import { expect } from 'chai';
import fc from 'fast-check';
import { askedBy, columnWidths, type CellWords, type WidthWish } from '../../../src/core/typeset/tables/columnWidths';
import { linesIn } from '../../../src/core/typeset/tables/textWidths';

const SPACE = 3;
const LEADING = 10;
const sum = (list: readonly number[]) => list.reduce((total, one) => total + one, 0);
const cellOf = (words: readonly number[], column: number): CellWords => ({
  column,
  across: 1,
  natural: sum(words) + SPACE * Math.max(0, words.length - 1),
  least: Math.max(0, ...words),
  paragraphs: [{ leading: LEADING, words: { words, space: SPACE } }],
});
const word = fc.integer({ min: 4, max: 40 });
const table = (columns: number, rows: number, most: number) =>
  fc
    .array(fc.array(fc.array(word, { minLength: 1, maxLength: most }), { minLength: columns, maxLength: columns }), {
      minLength: 1,
      maxLength: rows,
    })
    .map((made) => made.map((row) => row.map(cellOf)));
const none = (columns: number): WidthWish[] => Array.from({ length: columns }, () => ({}));
const heightOf = (rows: readonly (readonly CellWords[])[], widths: readonly number[]) =>
  sum(
    rows.map((cells) =>
      Math.max(...cells.map(({ column, paragraphs: [{ words }] }) => LEADING * linesIn(words, widths[column]))),
    ),
  );

/** The least height over every choice of widths at which some cell comes to other lines; the last column has what is left. */
function bruteForce(rows: readonly (readonly CellWords[])[], columns: number, room: number): number {
  const tried = (column: number) => {
    const found = new Set<number>();
    for (const cells of rows) {
      const { words } = cells[column].paragraphs[0].words;
      for (let from = 0; from < words.length; from += 1)
        for (let to = from; to < words.length; to += 1) found.add(sum(words.slice(from, to + 1)) + SPACE * (to - from));
    }
    const least = Math.max(...rows.map((cells) => cells[column].least));
    return [...found].filter((width) => width >= least);
  };
  const leastOf = (column: number) => Math.max(...rows.map((cells) => cells[column].least));
  let best = Infinity;
  const walk = (column: number, widths: number[]) => {
    const left = room - sum(widths);
    if (column === columns - 1) {
      if (left >= leastOf(column) - 1e-9) best = Math.min(best, heightOf(rows, [...widths, left]));
      return;
    }
    for (const width of tried(column)) if (width <= left) walk(column + 1, [...widths, width]);
  };
  walk(0, []);
  return best;
}

const widthsFor = (rows: readonly (readonly CellWords[])[], wishes: readonly WidthWish[], room: number, gap: number) =>
  columnWidths(askedBy(rows.flat(), wishes.length), () => rows, wishes, room, gap);

describe('widths of columns', () => {
  it('make the table as low as brute force makes it, its words whole', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 3 }).chain((columns) => fc.tuple(fc.constant(columns), table(columns, 4, 5))),
        fc.double({ min: 0, max: 1, noNaN: true }),
        ([columns, rows], share) => {
          const least = sum(none(columns).map((_, k) => Math.max(...rows.map((cells) => cells[k].least))));
          const natural = sum(none(columns).map((_, k) => Math.max(...rows.map((cells) => cells[k].natural))));
          const room = Math.ceil(least + 1 + (natural - least) * share);
          const { widths, areNarrow } = widthsFor(rows, none(columns), room, 0);
          expect(sum(widths)).to.be.at.most(room + 0.02);
          expect(areNarrow).to.equal(false);
          expect(heightOf(rows, widths)).to.be.at.most(bruteForce(rows, columns, room) + 1e-6);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('never come to more than the room, and divide words only where the longest do not fit', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }).chain((columns) => fc.tuple(fc.constant(columns), table(columns, 6, 9))),
        fc.integer({ min: 20, max: 900 }),
        ([columns, rows], room) => {
          const { widths, areNarrow } = widthsFor(rows, none(columns), room, 0);
          expect(sum(widths)).to.be.at.most(room + 0.02);
          const least = none(columns).map((_, k) => Math.max(...rows.map((cells) => cells[k].least)));
          if (sum(least) <= room - 0.02) {
            expect(areNarrow).to.equal(false);
            widths.forEach((width, k) => expect(width).to.be.at.least(least[k] - 0.02));
          }
        },
      ),
    );
  });

  it('are what a person says: lengths as they are, shares of the rest, cut where they come to more than the room', () => {
    const rows = [[cellOf([30, 30], 0), cellOf([20], 1), cellOf([20, 20, 20], 2)]];
    const set = (wishes: readonly WidthWish[]) => widthsFor(rows, wishes, 120, 0);
    expect(set([{ width: 40 }, {}, {}]).widths[0]).to.be.closeTo(40, 1e-9);
    expect(set([{}, { share: 2 }, { share: 1 }]).widths).to.deep.equal([63, 38, 19]);
    expect(sum(set([{ width: 300 }, { width: 100 }, {}]).widths)).to.be.at.most(120.01);
    expect(set([{ width: 10 }, {}, {}]).areNarrow).to.equal(true);
  });

  it('give a cell over several columns what it lacks', () => {
    const wide: CellWords = { ...cellOf([90], 0), across: 2 };
    const { widths } = widthsFor([[wide], [cellOf([10], 0), cellOf([20], 1)]], none(2), 200, 6);
    expect(sum(widths) + 6).to.be.at.least(90 - 1e-9);
  });
});
