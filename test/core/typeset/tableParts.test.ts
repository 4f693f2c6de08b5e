// Tables over pages, with merged cells, kinds of rows, captions and notes: nothing is lost, nothing overlaps, heads stand again.
import { expect } from 'chai';
import fc from 'fast-check';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import { displayPage } from '../../../src/core/typeset';
import type { Fragment, TypesetBook } from '../../../src/core/model/composed/pages';
import { gridOf } from '../../../src/core/copy/tableGrid';
import type { Block, Table, TableCell, TableRowKind } from '../../../src/core/model/copy/streams';
import { checkBook } from '../../../src/core/validate';
import { fileBytes } from '../../../src/core/base/fileJob';
import { writePressPdf } from '../../../src/core/index';
import { compose, newContext, newSubsetter } from '../../build/assets';
import type { note } from '../../build/book';
import { book, chapter, p, resetIds, words } from '../../build/book';
import { runOn } from '../../build/tools';

let cells = 0;
const cell = (text: string, rest: Partial<TableCell> = {}): TableCell => ({
  id: `c${(cells += 1)}`,
  blocks: text.split('|').map((one) => p(one)),
  ...rest,
});
const table = (rows: readonly (readonly (string | TableCell)[])[], kinds = '', rest: Partial<Table> = {}): Table => {
  const names: Record<string, TableRowKind> = { h: 'head', u: 'units', b: 'body', g: 'group', t: 'total' };
  const made = rows.map((row) => row.map((one) => (typeof one === 'string' ? cell(one) : one)));
  return {
    kind: 'table',
    id: `p${90_000 + (cells += 1)}`,
    style: 'TB',
    columns: Math.max(...rows.map((row) => row.length)),
    rows: made,
    ...(kinds === '' ? {} : { rowLooks: [...kinds].map((kind) => ({ kind: names[kind] })) }),
    ...rest,
  };
};
const bookOf = (blocks: readonly Block[], ...notes: ReturnType<typeof note>[]) => {
  const one = chapter('One', words(60, 1));
  return book([{ ...one, blocks: [...one.blocks, ...blocks, p('After it all went on.')] as never }], notes);
};
const fragmentsOf = (composed: TypesetBook) =>
  composed.pages.flatMap(({ fragments, index }) => fragments.map((fragment) => ({ ...fragment, page: index })));
const textOf = ({ paragraph }: Fragment) => paragraph.styled.text;
const find = (composed: TypesetBook, text: string) => fragmentsOf(composed).find((one) => textOf(one) === text)!;
const left = (fragment: Fragment) => fragment.x + fragment.paragraph.broken.x[fragment.from];

describe('tables', () => {
  beforeEach(() => resetIds());

  it('merge cells across and down, each at its place on the grid', () => {
    const made = table(
      [
        [cell('Year', { down: 2 }), cell('Summer', { across: 2 })],
        ['High', 'Low'],
        ['1890', '4.2', '0.3'],
      ],
      'hhb',
    );
    const grid = gridOf(made);
    expect(grid.rows.map((row) => row.map(({ column }) => column))).to.deep.equal([
      [0, 1],
      [1, 2],
      [0, 1, 2],
    ]);
    const composed = compose(bookOf([made]));
    const [year, summer, high, low] = ['Year', 'Summer', 'High', 'Low'].map((text) => find(composed, text));
    expect(year.y).to.equal(high.y);
    expect(summer.y).to.be.below(high.y);
    expect(left(high)).to.be.below(left(low));
    const { marks } = fragmentsOf(composed).find((one) => one.marks !== undefined)!;
    // The rule under a head over two columns is as wide as they are.
    const narrow = marks!.filter(({ width }) => width < marks![0].width - 1);
    expect(narrow).to.have.length(1);
    expect(narrow[0].x).to.be.closeTo(Math.min(left(high), left(summer)), 12);
  });

  it('that overlap or cover more than there is give way, and hold every cell once', () => {
    const span = fc.integer({ min: 1, max: 5 });
    const one = fc.record({ across: span, down: span });
    fc.assert(
      fc.property(fc.array(fc.array(one, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 6 }), (rows) => {
        const made = table(rows.map((row) => row.map((facts) => cell('x', facts))));
        const grid = gridOf(made);
        const taken = new Set<string>();
        grid.rows.forEach((row, r) => {
          expect(row.map((placed) => placed.cell)).to.deep.equal(made.rows[r]);
          for (const { column, across, down } of row) {
            expect(r + down).to.be.at.most(rows.length);
            for (let y = r; y < r + down; y += 1)
              for (let x = column; x < column + across; x += 1) {
                expect(taken.has(`${x} ${y}`)).to.equal(false);
                taken.add(`${x} ${y}`);
              }
          }
        });
      }),
    );
  });

  it('go on over pages with their heads and the number of their caption, in order, each row once', () => {
    const rows = Array.from({ length: 70 }, (_, k) => [`Plant ${k}`, `${k}.5`, words(4 + (k % 9), k)]);
    const made = table([['Plant', 'Height', 'Remarks'], ...rows], `h${'b'.repeat(70)}`);
    const composed = compose(bookOf([p('Table 4. All plants', 'CAP'), made]));
    const all = fragmentsOf(composed);
    const stood = all.filter((one) => /^Plant \d+$/.test(textOf(one)) && !one.isRepeated);
    expect(stood.map(textOf)).to.deep.equal(rows.map(([name]) => name));
    const pages = [...new Set(stood.map(({ page }) => page))];
    expect(pages.length).to.be.above(2);
    for (const page of pages.slice(1)) {
      const own = all.filter((one) => one.page === page);
      expect(own.filter(({ isRepeated }) => isRepeated).map(textOf)).to.deep.equal([
        'Table 4, continued',
        'Plant',
        'Height',
        'Remarks',
      ]);
      // Heads that stand again are over the rows, and no part of the text.
      const head = own.find((one) => textOf(one) === 'Height')!;
      const first = own.find((one) => /^Plant \d+$/.test(textOf(one)))!;
      expect(head.y).to.be.below(first.y - 14);
    }
    expect(find(composed, 'Table 4. All plants').page).to.equal(find(composed, 'Plant 0').page);
    const caption = composed.references.captions.find(({ kind }) => kind === 'table')!;
    expect(caption.page).to.equal(find(composed, 'Plant 0').page);
  });

  it('keep heads with two rows, the last two together, totals and groups with theirs', () => {
    for (let before = 20; before < 60; before += 3) {
      const made = table(
        [
          ['A', 'B'],
          ...Array.from({ length: 14 }, (_, k) => [`r${k}`, '1']),
          ['G', ''],
          ['g0', '1'],
          ['g1', '1'],
          ['g2', '2'],
          ['All', '9'],
        ],
        `h${'b'.repeat(14)}gbbbt`,
      );
      const one = chapter('One', ...Array.from({ length: 6 }, (_, k) => words(before, k)));
      const composed = compose(book([{ ...one, blocks: [...one.blocks, made, p('After.')] as never }]));
      const pageOf = (text: string) => find(composed, text).page;
      expect(pageOf('A')).to.equal(pageOf('r1'));
      expect(pageOf('G')).to.equal(pageOf('g1'));
      expect(pageOf('g2')).to.equal(pageOf('All'));
    }
  });

  it('cut a row that is deeper than a page at its lines, and no other', () => {
    const made = table([
      ['A', 'B'],
      [words(900, 5), words(300, 6)],
      ['short', words(30, 2)],
    ]);
    const composed = compose(bookOf([made]));
    const lines = new Map<object, number[]>();
    for (const { paragraph, from, to, isRepeated, marks } of fragmentsOf(composed)) {
      if (isRepeated || marks !== undefined) continue;
      lines.set(paragraph, [...(lines.get(paragraph) ?? []), ...Array.from({ length: to - from }, (_, k) => from + k)]);
    }
    for (const [paragraph, own] of lines) {
      const { count } = (paragraph as Fragment['paragraph']).broken;
      expect(own).to.deep.equal(Array.from({ length: count }, (_, k) => k));
    }
    const foot = composed.geometry.head + composed.geometry.capHeight + (composed.geometry.lines + 1) * 14.5;
    for (const { y, from, to, paragraph } of fragmentsOf(composed))
      expect(y + (to - from - 1) * paragraph.styled.style.leading).to.be.at.most(foot);
  });

  it('of any rows, kinds and spans lose no word, overlap nowhere, cross no line with a rule, and leave text on the grid', () => {
    const text = fc.oneof(
      fc.integer({ min: 1, max: 25 }).map((count) => words(count, count)),
      fc.constantFrom('12', '1,204.5', '0.75', '', 'one|two|three'),
    );
    const row = fc.record({
      kind: fc.constantFrom('b', 'b', 'b', 'g', 't'),
      cells: fc.array(fc.record({ text, across: fc.constantFrom(1, 1, 1, 2), down: fc.constantFrom(1, 1, 1, 2) }), {
        minLength: 1,
        maxLength: 5,
      }),
    });
    fc.assert(
      fc.property(fc.array(row, { minLength: 2, maxLength: 12 }), (rows) => {
        const made = table(
          rows.map((one) => one.cells.map((own) => cell(own.text, { across: own.across, down: own.down }))),
          `h${rows
            .slice(1)
            .map(({ kind }) => kind)
            .join('')}`,
        );
        const composed = compose(bookOf([made]));
        if (composed.findings.some(({ kind }) => kind === 'table-as-text')) return;
        const told = fragmentsOf(composed)
          .filter((one) => one.marks === undefined && !one.isRepeated && one.from === 0)
          .filter(({ paragraph }) => paragraph.styled.style.meaning === 'table')
          .map(textOf);
        const wanted = made.rows
          .flat()
          .flatMap(({ blocks }) => blocks.map((block) => ('text' in block ? block.text : '')));
        expect([...told].sort()).to.deep.equal(wanted.filter((one) => one !== '').sort());
        for (const { fragments } of composed.pages) apart(fragments);
        const after = find(composed, 'After it all went on.');
        const first = fragmentsOf(composed).find(({ paragraph }) => paragraph.styled.style.meaning === 'body')!;
        if (after.page === first.page) expect(((after.y - first.y) / 14.5 + 1e-6) % 1).to.be.below(1e-4);
      }),
      { numRuns: 60 },
    );
  });

  /** Boxes of lines, from the capitals to the baseline: none over another, none crossed by a rule. */
  function apart(fragments: readonly Fragment[]): void {
    const boxes = fragments
      .filter(({ marks, paragraph }) => marks === undefined && paragraph.styled.style.meaning === 'table')
      .flatMap(({ paragraph, from, to, x, y }) =>
        Array.from({ length: to - from }, (_, k) => {
          const { broken, styled } = paragraph;
          const start = x + broken.x[from + k];
          const base = y + k * styled.style.leading;
          return { x: start, end: start + broken.textWidth[from + k], top: base - 7, base };
        }),
      );
    for (const [k, a] of boxes.entries())
      for (const b of boxes.slice(k + 1)) {
        const isOver = Math.min(a.base, b.base) - Math.max(a.top, b.top) > 0.5;
        expect(isOver && Math.min(a.end, b.end) - Math.max(a.x, b.x) > 0.5).to.equal(false);
      }
    for (const { marks = [], x, y, paragraph } of fragments)
      for (const mark of marks.filter(({ kind }) => kind === 'table')) {
        const at = y - paragraph.styled.style.leading + mark.y;
        for (const box of boxes) {
          const crosses = at > box.top + 0.2 && at < box.base - 0.2;
          expect(crosses && box.end > x + mark.x && box.x < x + mark.x + mark.width).to.equal(false);
        }
      }
  }

  it('stand at the head of a page, or over to a later one with their caption, where they are told to', () => {
    const made = table(
      [
        ['A', 'B'],
        ['one', '2'],
      ],
      'hb',
      { setting: { place: 'head' } },
    );
    const one = chapter('One', ...Array.from({ length: 8 }, (_, k) => words(70, k)));
    const blocks = [...one.blocks.slice(0, 4), p('Table 1. Few', 'CAP'), made, ...one.blocks.slice(4)];
    const composed = compose(book([{ ...one, blocks: blocks as never }]));
    const own = find(composed, 'Table 1. Few');
    const page = composed.pages[own.page];
    const text = page.fragments.filter(({ paragraph }) => paragraph.styled.style.meaning === 'body');
    for (const { y } of text) expect(y).to.be.above(own.y);
    expect(find(composed, 'one').page).to.equal(own.page);
  });

  it('take widths, sides and marks of a person, and the whole measure where it is said', () => {
    const rows = [
      ['A', 'B', 'C'],
      ['x', '1:25', 'right'],
      ['longer', '10:5', 'r'],
    ];
    const looks = [{ width: 100 }, { align: 'mark' as const, mark: ':' }, { align: 'right' as const }];
    const made = table(rows, 'hbb', { columnLooks: looks, setting: { width: 'column' } });
    const context = newContext();
    const composed = compose(bookOf([made]), context);
    const { marks } = fragmentsOf(composed).find((one) => one.marks !== undefined)!;
    expect(marks![0].width).to.be.closeTo(composed.geometry.measure, 0.1);
    // A length holds, be it more or less than the content takes.
    for (const width of [150, 260]) {
      const set = table(
        [
          ['A', words(20, 3)],
          ['x', words(12, 4)],
        ],
        '',
        { setting: { width } },
      );
      const own = fragmentsOf(compose(bookOf([set]))).find((one) => one.marks !== undefined)!;
      expect(own.marks![0].width).to.be.closeTo(width, 0.5);
    }
    const list = displayPage(composed, 0, context);
    const colon = (text: string) => {
      const item = list.items.find((one) => one.text === text)!;
      return list.xs[item.first + text.indexOf(':')];
    };
    expect(colon('1:25')).to.be.closeTo(colon('10:5'), 0.05);
    const end = (text: string) => list.items.find((one) => one.text === text)!.endX;
    expect(end('right')).to.be.closeTo(end('r'), 0.05);
  });

  it('have their decimals one under another in the PDF, to a tenth of a point', () => {
    const figures = ['14.25', '9.5', '112.75', '0.125'];
    const made = table([['Month', 'Height'], ...figures.map((figure, k) => [`M${k}`, figure])]);
    const context = newContext();
    const own = checkBook(bookOf([made]));
    const composed = compose(own, context);
    const pdf = fileBytes(writePressPdf(own, composed, context, newSubsetter(), '2026-01-02T03:04:05Z'), {});
    const xml = runOn(pdf, '.pdf', 'pdftotext', (file) => ['-bbox', file, '-']);
    const points = figures.map((figure) => {
      const found = new RegExp(
        `xMin="([\\d.]+)" yMin="[\\d.]+" xMax="([\\d.]+)"[^>]*>${figure.replace('.', '\\.')}<`,
      ).exec(xml)!;
      const [from, to] = [Number(found[1]), Number(found[2])];
      // Figures of one width, and a point: what stands after the mark is so many of them.
      const list = displayPage(composed, 0, context);
      const item = list.items.find(({ text }) => text === figure)!;
      const shift = from - list.xs[item.first];
      expect(to - from).to.be.closeTo(item.endX - list.xs[item.first], 0.1);
      return list.xs[item.first + figure.indexOf('.')] + shift;
    });
    for (const point of points) expect(point).to.be.closeTo(points[0], 0.1);
  });

  it('say when their words are divided, and are set as text where there is no room for their columns', () => {
    const narrow = table([Array.from({ length: 12 }, (_, k) => `Incomprehensibilities${k}`)]);
    const told = (block: Block) => compose(bookOf([block])).findings.map(({ kind }) => kind);
    expect(told(narrow)).to.include('table-narrow');
    expect(
      told(
        table([
          ['A', 'B'],
          ['a', 'b'],
        ]),
      ),
    ).to.not.include('table-narrow');
    const wide = table([Array.from({ length: 200 }, (_, k) => `w${k}`)]);
    const composed = compose(bookOf([wide]));
    expect(composed.findings.map(({ kind }) => kind)).to.include('table-as-text');
    expect(fragmentsOf(composed).filter((one) => /^w\d+$/.test(textOf(one)))).to.have.length(200);
    expect(told(table([[]]))).to.not.include('table-as-text');
  });

  it('have grounds and rules of their style', () => {
    const TB = { ...NOVEL_SPEC.tables.TB, band: { ink: 'Black', tint: 10 }, repeatHead: false };
    const rules = { ...TB.rules, body: { weight: 0.1, ink: null }, foot: { weight: 0, ink: null } };
    const made = table([
      ['A', 'B'],
      ['a', '1'],
      ['b', '2'],
      ['c', '3'],
      ['d', '4'],
    ]);
    const composed = compose({
      ...bookOf([made]),
      spec: { ...NOVEL_SPEC, tables: { TB: { ...TB, rules } } },
    });
    const marks = fragmentsOf(composed).flatMap((one) => one.marks ?? []);
    expect(marks.filter(({ kind }) => kind === 'ground')).to.have.length(2);
    expect(marks.filter(({ thickness }) => thickness === 0.1)).to.have.length(3);
    expect(marks.filter(({ thickness }) => thickness === 0.25)).to.have.length(2);
  });
});
