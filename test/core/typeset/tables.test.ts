// Tables on the page: they always fit, their cells side by side, their figures aligned, their rules clear of the type.
import { expect } from 'chai';
import fc from 'fast-check';
import { displayPage } from '../../../src/core/typeset';
import type { TypesetBook } from '../../../src/core/model/composed/pages';
import type { Block } from '../../../src/core/model/copy/streams';
import { compose, newContext } from '../../build/assets';
import { book, chapter, note, p, words } from '../../build/book';

const table = (rows: readonly (readonly string[])[]): Block => ({
  kind: 'table',
  id: 'p900',
  style: 'TB',
  columns: Math.max(...rows.map((row) => row.length)),
  rows: rows.map((row, r) => row.map((text, c) => ({ id: `c${r}-${c}`, blocks: [p(text)] }))),
});
const bookOf = (made: Block, ...notes: ReturnType<typeof note>[]) => {
  const one = chapter('One', words(60, 1));
  return book([{ ...one, blocks: [...one.blocks, made, p('After it all went on.'), p(words(90, 3))] as never }], notes);
};
const cellsOf = (composed: TypesetBook) =>
  composed.pages.flatMap(({ fragments }) =>
    fragments.filter(
      ({ paragraph, marks, isRepeated }) => paragraph.styled.style.tag === 'TB' && marks === undefined && !isRepeated,
    ),
  );

const REMARK =
  'Ice at the upper landing, and a long remark that the clerk put down because nobody had told him to be short.';
const ROWS = [
  ['Month', 'Height', 'Passengers', 'Remarks'],
  ['January', '14.25', '1,204', REMARK],
  ['February', '9.5', '987', ''],
  ['March', '112.75', '24', 'Chain broke'],
];

describe('tables', () => {
  it('share the measure where one cell is long, their cells side by side, ragged', () => {
    const composed = compose(bookOf(table(ROWS)));
    const cells = cellsOf(composed);
    const rowAt = (text: string) =>
      cells.filter(({ y }) => y === cells.find((c) => c.paragraph.styled.text === text)!.y);
    expect(rowAt('January').map(({ paragraph }) => paragraph.styled.text)).to.deep.equal(ROWS[1]);
    expect(rowAt('March').map(({ paragraph }) => paragraph.styled.text)).to.deep.equal(ROWS[3]);
    const remark = cells.find(({ paragraph }) => paragraph.styled.text === REMARK)!.paragraph;
    expect(remark.broken.count).to.be.above(2);
    for (const { paragraph } of cells)
      for (let line = 0; line < paragraph.broken.count; line += 1) {
        const { x, textWidth, over } = paragraph.broken;
        expect(over[line]).to.equal(0);
        expect(x[line] + textWidth[line]).to.be.at.most(composed.geometry.measure + 0.1);
      }
    expect(composed.findings.map(({ kind }) => kind)).to.not.include('overfull-line');
  });

  it('stand one row under another, never over each other, and the text returns to the grid', () => {
    const composed = compose(bookOf(table(ROWS)));
    const cells = cellsOf(composed);
    const rows = ['Month', 'January', 'February', 'March'].map((text) => {
      const y = cells.find(({ paragraph }) => paragraph.styled.text === text)!.y;
      const own = cells.filter((cell) => cell.y === y);
      return {
        y,
        foot: Math.max(...own.map(({ from, to, paragraph }) => y + (to - from - 1) * paragraph.styled.style.leading)),
      };
    });
    for (let k = 1; k < rows.length; k += 1) expect(rows[k].y - rows[k - 1].foot).to.be.at.least(14.49);
    const after = composed.pages[0].fragments.find(({ paragraph }) => paragraph.styled.text.startsWith('After it'))!;
    const first = composed.pages[0].fragments.find(({ paragraph }) => paragraph.styled.style.meaning === 'body')!;
    expect(((after.y - first.y) / 14.5) % 1).to.be.closeTo(0, 1e-6);
  });

  it('align decimals at their marks, in figures of one width', () => {
    const context = newContext();
    const rows = ROWS.map((row) => row.slice(0, 2));
    const composed = compose(bookOf(table(rows)), context);
    const list = displayPage(composed, 0, context);
    const points = ['14.25', '9.5', '112.75'].map((figure) => {
      const item = list.items.find(({ text }) => text.endsWith(figure))!;
      return list.xs[item.first + item.text.lastIndexOf('.')];
    });
    for (const point of points) expect(point).to.be.closeTo(points[0], 0.05);
    const [run] = cellsOf(composed)[1].paragraph.styled.runs;
    expect(run.features).to.include('tnum').and.to.include('lnum');
  });

  it('have a thin rule at the head, 4.5 pt clear of the type', () => {
    const context = newContext();
    const composed = compose(bookOf(table(ROWS.map((row) => row.slice(0, 3)))), context);
    const { rules } = displayPage(composed, 0, context);
    expect(rules.map(({ thickness }) => thickness)).to.deep.equal([0.25, 0.25, 0.25]);
    const cells = cellsOf(composed);
    const [head, body] = ['Month', 'January'].map(
      (text) => cells.find(({ paragraph }) => paragraph.styled.text === text)!.y,
    );
    expect(head - rules[0].y).to.be.above(4.5 + 0.6 * 11.5);
    expect(rules[1].y - head).to.be.above(4.5 + 0.2 * 11.5);
    expect(body - rules[1].y).to.be.above(4.5 + 0.6 * 11.5);
  });

  it('keep the notes of all their cells on the page', () => {
    const rows = [...ROWS, ['April', '1.5', '3', `${REMARK}{1}`], ['May{2}', '2.5', '4', REMARK]];
    const composed = compose(bookOf(table(rows), note(1, 'One.'), note(2, 'Two.')));
    const told = composed.pages.flatMap(({ notes }) => notes).map(({ paragraph }) => paragraph.styled.stream);
    expect(told).to.deep.equal(['n1', 'n2']);
  });

  it('of any content lose no word, and fit', () => {
    const text = fc.oneof(
      fc.integer({ min: 0, max: 40 }).map((count) => words(count, count)),
      fc.constantFrom('12', '1,204.5', '', 'Antidisestablishmentarianism’s incomprehensibilities'),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 7 }),
        fc.integer({ min: 1, max: 5 }),
        fc.infiniteStream(text),
        (columns, rows, stream) => {
          const made = Array.from({ length: rows }, () =>
            Array.from({ length: columns }, () => stream.next().value as string),
          );
          const composed = compose(bookOf(table(made)));
          // Each cell stands there, and each of its lines once; entries on one line each stand in one paragraph by row.
          const placed = new Map<object, number[]>();
          for (const { paragraph, from, to } of cellsOf(composed)) {
            const lines = placed.get(paragraph) ?? [];
            placed.set(paragraph, [...lines, ...Array.from({ length: to - from }, (_, k) => from + k)]);
          }
          const told: string[] = [];
          for (const [paragraph, lines] of placed) {
            const { broken, styled } = paragraph as ReturnType<typeof cellsOf>[number]['paragraph'];
            expect(lines).to.deep.equal(Array.from({ length: broken.count }, (_, k) => k));
            told.push(...styled.text.split('\t'));
          }
          const listed = (of: readonly string[]) =>
            of
              .map((one) => one.trim())
              .filter((one) => one !== '')
              .sort();
          expect(listed(told)).to.deep.equal(listed(made.flat()));
          expect(composed.findings.map(({ kind }) => kind)).to.not.include('overfull-line');
        },
      ),
      { numRuns: 40 },
    );
  });
});
