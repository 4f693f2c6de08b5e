// Figures beside text: nothing of the text enters them, each is whole on its page with its captions, nothing is lost.
import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits, setFigureEdit } from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/copy/book';
import type { Figure } from '../../../src/core/model/copy/figures';
import {
  FIGURE_SIDES,
  PLAIN_AROUND,
  PLAIN_FIGURE,
  PLAIN_FRAME,
  TEXT_AROUND,
  type Around,
  type Contour,
  type FigureSetting,
} from '../../../src/core/model/copy/figureSetting';
import type { DisplayList, PictureItem, TextItem } from '../../../src/core/model/composed/displayList';
import { gridBaseline, type TypesetBook } from '../../../src/core/model/composed/pages';
import { OBJECT_CHARACTER, paragraph, type Block } from '../../../src/core/model/copy/streams';
import { displayPage } from '../../../src/core/typeset';
import { compose, newContext, textOfPages } from '../../build/assets';
import { book, chapter, p, resetIds, words } from '../../build/book';
import { essence } from '../../build/essence';
import { factsOf, pngOf } from '../../build/pictures';

const SQUARE = factsOf(pngOf(600, 600));

function figure(number: number, setting: Partial<FigureSetting> = {}, caption = 'The wall.'): Figure {
  const text = (letter: string, style: string, said: string) => ({
    id: `s${number}${letter}`,
    blocks: said === '' ? [] : [paragraph(`p9${number}${letter}`, style, said)],
  });
  return {
    ...PLAIN_FIGURE,
    ...{ place: 'beside', width: 120 },
    ...setting,
    id: `f${number}`,
    parts: [{ picture: SQUARE }],
    caption: text('1', 'CAP', caption),
    credit: text('2', 'CR', ''),
  };
}

const around = (of: Partial<Around>): Around => ({ ...PLAIN_AROUND, ...of });

const mark = (id: string, number: number): Block =>
  paragraph(id, 'TX', OBJECT_CHARACTER, { objects: [{ at: 0, kind: 'figure', figure: `f${number}` }] });

function bookOf(blocks: readonly Block[], figures: readonly Figure[]): Book {
  const one = chapter('One', words(60, 1));
  const made = book([{ ...one, blocks: [...one.blocks, ...blocks] }]);
  return { ...made, figures: Object.fromEntries(figures.map((each) => [each.id, each])) };
}

const prose = (k: number, length = 110) => p(words(length, 20 + k));

const isText = ({ source, artifact }: TextItem) => artifact === null && source?.meaning !== 'caption';

/** Left and right edges of the text beside a picture, by baseline. */
function linesBy({ items, xs }: DisplayList): Map<number, [number, number][]> {
  const lines = new Map<number, [number, number][]>();
  for (const item of items.filter(isText))
    lines.set(item.y, [...(lines.get(item.y) ?? []), [xs[item.first], item.endX]]);
  return lines;
}

/** Points by which points and hyphens may hang out of their line. */
const HANGING = 4;

/** Whether a stretch of a line comes nearer to a picture than its offsets; letters reach from their capitals to their descenders. */
function enters(
  [left, right]: [number, number],
  y: number,
  { x, width, y: top, height }: PictureItem,
  of: Around,
  round: boolean,
) {
  const [head, foot] = [y - 0.6 * 11 + of.below, y + 0.15 * 11 - of.above];
  if (head > top + height + of.below || foot < top) return false;
  let [from, to] = [x, x + width];
  if (round) {
    const middle = top + height / 2;
    const near = Math.min(Math.max(middle, y - 0.6 * 11), y + 0.15 * 11);
    const off = Math.abs(near - middle) / (height / 2);
    if (off >= 1) return false;
    const half = (width / 2) * Math.sqrt(1 - off * off);
    [from, to] = [x + width / 2 - half, x + width / 2 + half];
  } else if (y - 0.6 * 11 > top + height) return false;
  return right > from - of.beside + HANGING && left < to + of.beside - HANGING;
}

const drawn = (composed: TypesetBook, context: ReturnType<typeof newContext>) =>
  composed.pages.map((page) => displayPage(composed, page.index, context));

describe('a figure beside text', () => {
  beforeEach(resetIds);

  it('has no letter of it inside its offsets, is whole on its page, and nothing of the text is lost', () => {
    const setting = fc.record({
      text: fc.constantFrom(...TEXT_AROUND),
      outline: fc.boolean(),
      side: fc.constantFrom(...FIGURE_SIDES),
      inset: fc.constantFrom(-40, 0, 0, 70),
      from: fc.constantFrom(0, 0, 2, 9),
      above: fc.constantFrom(0, 4),
      beside: fc.constantFrom(6, 12),
      below: fc.constantFrom(0, 6),
    });
    const place = fc.record({
      around: setting,
      width: fc.constantFrom(60, 90, 130),
      round: fc.boolean(),
      caption: fc.constantFrom('', 'The wall, as it was seen from the ferry.'),
    });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(place, fc.integer({ min: 5, max: 160 })), { minLength: 1, maxLength: 5 }),
        (list) => {
          resetIds();
          const figures = list.map(([{ around: of, width, round, caption }], k) =>
            figure(
              k + 1,
              { around: of, width, ...(round ? { frame: { ...PLAIN_FRAME, shape: 'ellipse' as const } } : {}) },
              caption,
            ),
          );
          const all = list.flatMap(([, length], k): Block[] => [
            paragraph(`p6${k}`, 'TX', words(length, k + 3)),
            mark(`p5${k}0`, k + 1),
          ]);
          const made = bookOf([...all, p('Ends.')], figures);
          const context = newContext();
          const composed = compose(made, context);
          const pages = drawn(composed, context);
          const { geometry } = composed;
          const placed: string[] = [];
          for (const [index, list_] of pages.entries()) {
            // Those that went over to the head of their page are drawn after its text.
            for (const item of [...list_.pictures].sort((a, b) => a.y - b.y)) {
              placed.push(item.block);
              const of = figures[Number(item.block[2])];
              const { text, outline } = of.around!;
              const round = of.frame?.shape === 'ellipse' && outline;
              const foot = gridBaseline(geometry, geometry.lines - 1 + composed.pages[index].depth);
              expect(item.y, 'head').to.be.at.least(geometry.head - 0.01);
              expect(item.y + item.height, 'foot').to.be.at.most(foot + 0.01);
              if (text === 'none') continue;
              for (const [y, stretches] of linesBy(list_))
                for (const stretch of stretches)
                  expect(enters(stretch, y, item, of.around!, round), `${item.block} ${y} ${stretch}`).to.equal(false);
            }
            for (const other of list_.pictures)
              for (const one of list_.pictures)
                if (one !== other)
                  expect(one.y + one.height <= other.y + 0.01 || other.y + other.height <= one.y + 0.01).to.equal(true);
          }
          // In their order, each once.
          expect(placed).to.deep.equal(figures.map((_, k) => `p5${k}0`));
          const squeezed = (said: string) => said.replace(/\s+/g, '');
          const captions = figures.flatMap(({ caption }) =>
            caption.blocks.map((one) => ('text' in one ? one.text : '')),
          );
          let told = squeezed(textOfPages(composed));
          for (const caption of captions) {
            expect(told).to.include(squeezed(caption));
            told = told.replace(squeezed(caption), '');
          }
          const [{ blocks }] = made.divisions;
          const said = blocks.map((one) => ('text' in one ? one.text : '')).join('');
          expect(told.replaceAll(OBJECT_CHARACTER, '')).to.equal(squeezed(said).replaceAll(OBJECT_CHARACTER, ''));
        },
      ),
      { numRuns: 25 },
    );
  });

  it('stands at the head of the next page where its page has no room, the text before it goes on, and this is told', () => {
    const context = newContext();
    const made = bookOf(
      [prose(1, 120), prose(2, 20), mark('p500', 1), prose(3), prose(4), prose(5)],
      [figure(1, { width: 150 })],
    );
    const composed = compose(made, context);
    const page = composed.pages.findIndex(({ index }) => displayPage(composed, index, context).pictures.length > 0);
    const { pictures } = displayPage(composed, page, context);
    expect(pictures[0].y).to.be.closeTo(composed.geometry.head, 30);
    expect(page).to.equal(1);
    const { fragments, depth } = composed.pages[0];
    const last = fragments[fragments.length - 1];
    const foot = gridBaseline(composed.geometry, composed.geometry.lines - 1 + depth);
    const { leading } = composed.geometry;
    expect(last.y + (last.to - last.from - 1) * leading).to.be.closeTo(foot, leading + 0.1);
    const told = composed.findings.find(({ kind }) => kind === 'picture-over');
    expect(told?.message).to.match(/stands \d+ lines? of text later/);
  });

  it('stands at the outer edge of its page, on rectos and on versos, or at the inner', () => {
    const sides = new Set<string>();
    for (const before of [0, 2, 4, 6])
      for (const side of ['outer', 'inner'] as const) {
        const context = newContext();
        const blocks = [...Array.from({ length: before }, (_, k) => prose(k)), prose(11), mark('p500', 1), prose(12)];
        const composed = compose(bookOf(blocks, [figure(1, { width: 80, around: around({ side }) })]), context);
        for (const page of composed.pages) {
          const [item] = displayPage(composed, page.index, context).pictures;
          if (item === undefined) continue;
          sides.add(page.side);
          const { measure, back, foreEdge } = composed.geometry;
          const isRight = (side === 'outer') === (page.side === 'recto');
          const left = page.side === 'recto' ? back : foreEdge;
          expect(item.x, `${before} ${side} ${page.side}`).to.be.closeTo(isRight ? left + measure - 80 : left, 1e-3);
        }
      }
    expect([...sides].sort()).to.deep.equal(['recto', 'verso']);
  });

  it('has white beside its foot where the text beside it ends, and what may not stand beside it stands below it', () => {
    const context = newContext();
    const blocks = [p('A short one.'), mark('p500', 1), p('What is sung stands below.', 'VRS'), prose(3)];
    const composed = compose(bookOf(blocks, [figure(1, { width: 100 })]), context);
    const list = displayPage(composed, 0, context);
    const [item] = list.pictures;
    const lineOf = (words: string) => list.items.find(({ text }) => text.includes(words))!;
    expect(lineOf('A short one').y).to.be.within(item.y, item.y + item.height);
    const next = lineOf('What is sung');
    expect(next.y - next.size).to.be.above(item.y + item.height);
    // At the end of a chapter the page is as deep as the figure.
    const last = compose(bookOf([p('A short one.'), mark('p500', 1)], [figure(1, { width: 100 })]), context);
    expect(last.findings.filter(({ kind }) => kind === 'parted')).to.deep.equal([]);
  });

  it('has text on both sides of it on the same lines, read from left to right', () => {
    const context = newContext();
    const of = around({ text: 'both', inset: 95, beside: 8 });
    const composed = compose(bookOf([prose(1, 200), mark('p500', 1)], [figure(1, { width: 70, around: of })]), context);
    const lists = drawn(composed, context);
    const list = lists.find(({ pictures }) => pictures.length > 0)!;
    const [item] = list.pictures;
    const doubled = [...linesBy(list)].filter(([y]) => y > item.y + 4 && y < item.y + item.height);
    expect(doubled.length).to.be.above(3);
    for (const [, stretches] of doubled) {
      expect(stretches.some(([, right]) => right < item.x)).to.equal(true);
      expect(stretches.some(([left]) => left > item.x + item.width)).to.equal(true);
    }
  });

  it('has lines that follow a contour, nearer where it is narrow, and never inside it', () => {
    const diamond: Contour = [
      [0.5, 0],
      [1, 0.5],
      [0.5, 1],
      [0, 0.5],
    ];
    for (const text of ['wider', 'both'] as const) {
      const context = newContext();
      const of = around({
        text,
        outline: true,
        contour: diamond,
        inset: text === 'both' ? 60 : 0,
        beside: 6,
        side: 'right',
      });
      const composed = compose(
        bookOf([prose(1, 200), mark('p500', 1)], [figure(1, { width: 130, around: of }, '')]),
        context,
      );
      const list = drawn(composed, context).find(({ pictures }) => pictures.length > 0)!;
      const [item] = list.pictures;
      const middle = { x: item.x + item.width / 2, y: item.y + item.height / 2 };
      const ends: number[] = [];
      for (const [y, stretches] of linesBy(list)) {
        const [head, foot] = [y - 0.6 * 11, y + 0.15 * 11];
        if (foot < item.y || head > item.y + item.height) continue;
        const near = Math.min(Math.max(middle.y, head), foot);
        const half = (item.width / 2) * (1 - Math.abs(near - middle.y) / (item.height / 2));
        for (const [left, right] of stretches)
          if (left < middle.x) {
            expect(right, `${text} ${y}`).to.be.at.most(middle.x - half - of.beside + HANGING);
            ends.push(right);
          } else expect(left, `${text} ${y}`).to.be.at.least(middle.x + half + of.beside - HANGING);
      }
      // Shortest in the middle, and longer towards both points.
      expect(ends.length).to.be.above(6);
      const shortest = ends.indexOf(Math.min(...ends));
      expect(shortest).to.be.within(2, ends.length - 3);
      expect(Math.max(...ends) - Math.min(...ends)).to.be.above(35);
    }
  });

  it('stands in the text where its column is too narrow for text beside it', () => {
    const context = newContext();
    const composed = compose(
      bookOf([prose(1), mark('p500', 1), prose(2)], [figure(1, { around: around({ inset: 260 }) })]),
      context,
    );
    const page = drawn(composed, context).find(({ pictures }) => pictures.length > 0)!;
    const [item] = page.pictures;
    expect([...linesBy(page)].filter(([y]) => y > item.y + 2 && y < item.y + item.height)).to.deep.equal([]);
  });

  it('comes to the same after edits as from the start', () => {
    const context = newContext();
    let made = bookOf(
      [prose(1), mark('p500', 1), prose(2), prose(3), mark('p501', 2), prose(4), prose(5)],
      [figure(1), figure(2, { around: around({ text: 'both', inset: 90 }), width: 80 })],
    );
    compose(made, context);
    const steps: Partial<FigureSetting>[] = [
      { width: 90 },
      { around: around({ from: 7 }) },
      { place: 'head' },
      { place: 'beside', around: around({ side: 'inner', beside: 20 }) },
      { frame: { ...PLAIN_FRAME, shape: 'ellipse', ratio: 1.4 }, around: around({ outline: true }) },
    ];
    for (const step of steps) {
      const own = made.figures.f1;
      made = applyEdits(made, [setFigureEdit(made, 'f1', { ...own, ...step })!]);
      const again = essence(compose(made, context));
      expect(again).to.deep.equal(essence(compose(made)));
    }
  });
});
