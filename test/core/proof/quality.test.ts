import { expect } from 'chai';
import fc from 'fast-check';
import { LINE_END } from '../../../src/core/model/composed/broken';
import type { Page, TypesetBook } from '../../../src/core/model/composed/pages';
import { measureQuality } from '../../../src/core/proof';
import { compose, newContext } from '../../build/assets';
import { book, chapter, words } from '../../build/book';
import { qualityOf } from '../../../src/core/typeset';

const FACES = { unitsPerEm: () => 1000, space: () => 0.2 };
const LEADING = 10;

interface Drawn {
  readonly spaces?: readonly number[];
  readonly ends?: readonly number[];
  readonly lines: readonly string[];
  readonly withNext?: boolean;
}

/** A paragraph whose lines are written out. */
function paragraph({ lines, spaces, ends, withNext = false }: Drawn) {
  const text = lines.join(' ');
  let at = 0;
  const from = lines.map((line) => {
    const start = at;
    at += line.length + 1;
    return start;
  });
  const count = lines.length;
  const style = {
    align: 'justify',
    meaning: 'body',
    leading: LEADING,
    size: 10,
    lastLine: 2,
    looseOver: 0.3,
    withNext,
    wordSpace: { least: 0.15, wished: 0.2, most: 0.3 },
  };
  return {
    styled: { text, style, runs: [{ from: 0, to: text.length, face: 'f', size: 10, tracking: 0 }] },
    shaped: {
      count: text.length,
      clusters: Uint32Array.from(text, (_, k) => k),
      advances: Int32Array.from(text, (char) => (char === ' ' ? 200 : 500)),
    },
    broken: {
      count,
      from: Uint32Array.from(from),
      to: Uint32Array.from(lines, (line, k) => from[k] + line.length),
      end: Uint8Array.from(lines, (_, k) => (k === count - 1 ? LINE_END.last : (ends?.[k] ?? LINE_END.space))),
      spaceEm: Float32Array.from(lines, (_, k) => spaces?.[k] ?? 0.2),
      spaceCount: Uint16Array.from(lines, (line) => line.split(' ').length - 1),
      spaceDelta: Float32Array.from(lines, (_, k) => ((spaces?.[k] ?? 0.2) - 0.2) * 10),
      scale: new Float32Array(count).fill(1),
      letterSpace: new Float32Array(count),
      textWidth: Float32Array.from(lines, (line) => line.length * 5),
      x: new Float32Array(count),
      over: new Float32Array(count),
    },
  };
}

type Placed = readonly [ReturnType<typeof paragraph>, number, number, number];

/** A book of pages; each fragment is a paragraph, its lines from and to, and the grid line on which it begins. */
function drawn(...pages: readonly (readonly Placed[])[]): TypesetBook {
  const geometry = { head: 20, capHeight: 5, leading: LEADING, back: 30, foreEdge: 30, measure: 100, lines: 10 };
  return {
    geometry,
    pages: pages.map((fragments, index) => ({
      index,
      side: index % 2 === 0 ? 'recto' : 'verso',
      role: 'text',
      division: 'd1',
      notes: [],
      fragments: fragments.map(([own, from, to, line]) => ({
        paragraph: own,
        from,
        to,
        x: 0,
        y: 25 + line * LEADING,
      })),
    })),
  } as unknown as TypesetBook;
}

const plain = (lines: number) =>
  paragraph({ lines: Array.from({ length: lines }, (_, k) => `some words here ${'abcdefgh'[k]}`) });

describe('the figures of quality', () => {
  it('mean, deviation, loose and tight lines, last lines left out', () => {
    const own = paragraph({ lines: ['a b', 'a b', 'a b', 'a b', 'a b'], spaces: [0.2, 0.31, 0.14, 0.25, 0.9] });
    const figures = measureQuality(drawn([[own, 0, 5, 0]]), FACES);
    expect(figures.fullLines).to.equal(4);
    expect(figures.spaceMean).to.be.closeTo(0.225, 1e-6);
    expect(figures.spaceDeviation).to.be.closeTo(Math.sqrt((0.025 ** 2 + 0.085 ** 2 * 2 + 0.025 ** 2) / 4), 1e-6);
    expect([figures.looseLines, figures.tightLines]).to.deep.equal([1, 1]);
    expect(figures.spaceOffWish).to.be.closeTo(12.5, 1e-4);
  });

  it('ladders of three, the words’ own hyphens counted; words over rectos', () => {
    const { hyphen, dash } = LINE_END;
    const own = paragraph({
      lines: ['a b', 'c d', 'well to-', 'e f', 'g h', 'i'],
      ends: [hyphen, hyphen, dash, 0, hyphen],
    });
    const figures = measureQuality(drawn([[own, 0, 5, 0]], [[own, 5, 6, 0]]), FACES);
    expect(figures.ladders).to.equal(1);
    expect(figures.hyphenatedLines).to.equal(3);
    expect(figures.hyphensOverRectos).to.equal(1);
  });

  it('widows, orphans and stranded heads', () => {
    const split = plain(5);
    const other = plain(4);
    const head = paragraph({ lines: ['A head'], withNext: true });
    const figures = measureQuality(
      drawn(
        [
          [plain(4), 0, 4, 0],
          [split, 0, 4, 4],
        ],
        [
          [split, 4, 5, 0],
          [other, 0, 1, 1],
        ],
        [
          [other, 1, 4, 0],
          [head, 0, 1, 5],
        ],
        [[plain(5), 0, 5, 0]],
      ),
      FACES,
    );
    expect([figures.widows, figures.orphans, figures.strandedHeads]).to.deep.equal([1, 1, 1]);
  });

  it('level spreads and baselines on the grid', () => {
    const figures = measureQuality(
      drawn(
        [[plain(8), 0, 8, 0]],
        [[plain(8), 0, 8, 0]],
        [[plain(7), 0, 7, 0]],
        [[plain(8), 0, 8, 0]],
        [[plain(8), 0, 8, 0.5]],
        [[plain(8), 0, 8, 0]],
      ),
      FACES,
    );
    expect([figures.spreads, figures.levelSpreads]).to.deep.equal([2, 0]);
    expect(figures.onGridShare).to.be.closeTo((100 * 39) / 47, 1e-6);
  });

  it('a word three times running at line starts or ends, and last lines too short', () => {
    const own = paragraph({ lines: ['the one was', 'the two was', 'the three was', 'and so', 'ab'] });
    const figures = measureQuality(drawn([[own, 0, 5, 0]]), FACES);
    expect(figures.stacks).to.equal(2);
    expect(figures.shortLastLines).to.equal(1);
  });

  it('a river of wide spaces through four lines', () => {
    const wide = [0.4, 0.4, 0.4, 0.4, 0.4, 0.2];
    const straight = paragraph({
      lines: ['aaaa bbbb', 'aaaa bbbb', 'aaaa bbbb', 'aaaa bbbb', 'cc', 'cc'],
      spaces: wide,
    });
    const crooked = paragraph({ lines: ['aaaa b', 'aa bbbb', 'aaaa bbbb', 'aa bbbb', 'cc', 'cc'], spaces: wide });
    expect(measureQuality(drawn([[straight, 0, 6, 0]]), FACES).rivers).to.equal(1);
    expect(measureQuality(drawn([[crooked, 0, 6, 0]]), FACES).rivers).to.equal(0);
  });

  it('rivers wherever they run, as a plain search over all gaps finds them', () => {
    // In stretches whose gaps stand under each other, so that a river is in most of the texts.
    const stretch = fc
      .tuple(
        fc.integer({ min: 1, max: 4 }),
        fc.array(fc.constantFrom(0.2, 0.3, 0.4, 0.4), { minLength: 1, maxLength: 7 }),
      )
      .map(([before, spaces]) => spaces.map((space) => ({ before, space })));
    let found = 0;
    const property = fc.property(fc.array(stretch, { minLength: 2, maxLength: 4 }), (stretches) => {
      const drawnLines = stretches.flat();
      const lines = drawnLines.map(({ before }) => `${'a'.repeat(before)} ${'b'.repeat(6 - before)}`);
      const made = paragraph({ lines: [...lines, 'cc'], spaces: [...drawnLines.map(({ space }) => space), 0.2] });
      const { rivers } = measureQuality(drawn([[made, 0, lines.length + 1, 0]]), FACES);
      // One gap a line, five points a letter and ten an em: how long the chain is that ends in it, broken where it ends.
      let [chain, expected] = [0, 0];
      drawnLines.forEach(({ before, space }, k) => {
        const above = drawnLines[k - 1];
        const isWide = space >= 0.25;
        const overlap =
          above === undefined || above.space < 0.25 || !isWide
            ? -1
            : Math.min(before * 5 + space * 10, above.before * 5 + above.space * 10) -
              Math.max(before * 5, above.before * 5);
        const goesOn = overlap >= 0.5 * Math.min(space, above?.space ?? 0) * 10;
        if (!goesOn && chain >= 4) expected += 1;
        chain = isWide ? (goesOn ? chain : 0) + 1 : 0;
      });
      if (chain >= 4) expected += 1;
      found += expected;
      expect(rivers).to.equal(expected);
    });
    fc.assert(property, { numRuns: 2000 });
    expect(found).to.be.above(500);
  });

  it('of a composed book: no widow, no orphan, no ladder, all on the grid, and each loose line with its finding', () => {
    const context = newContext();
    const made = compose(book([chapter('One', ...Array.from({ length: 40 }, (_, k) => words(70, k)))]), context);
    const figures = qualityOf(made, context);
    expect([figures.widows, figures.orphans, figures.ladders, figures.strandedHeads]).to.deep.equal([0, 0, 0, 0]);
    expect(figures.onGridShare).to.equal(100);
    const told = made.findings.filter(({ kind }) => kind === 'loose-line' || kind === 'short-line');
    expect(told).to.have.length(figures.looseLines);
    expect(made.pages.flatMap((page: Page) => page.fragments).length).to.be.above(40);
  });
});
