import { expect } from 'chai';
import fc from 'fast-check';
import { LINE_END } from '../../../src/core/model/composed/broken';
import type { Opportunities } from '../../../src/core/linebreak/opportunities';
import type { FitSettings } from '../../../src/core/linebreak/fitSettings';
import { COST } from '../../../src/core/linebreak/fitCosts';
import { fitLineCount, fitLines } from '../../../src/core/linebreak/totalFit';
import type { BreakWidths } from '../../../src/core/linebreak/widths';

/** A word, and what stands after it: a space, or an inner hyphenation point. */
interface Piece {
  readonly width: number;
  readonly kind: number;
}

const SPACE = { natural: 3, stretch: 1.5, shrink: 0.8 };
const HYPHEN = 2;
/** Of a paragraph without tabs. */
const ruler = { stops: [], first: 0, other: 0, step: 1, least: 0 };

/**
 * Opportunities and prefix sums of a row of pieces, as measured type would give them; `share`: of its width that a letter
 * may change.
 */
function measure(pieces: readonly Piece[], share = 0): { breaks: Opportunities; widths: BreakWidths } {
  const n = pieces.length;
  const breaks = {
    count: n,
    at: new Uint32Array(n),
    next: new Uint32Array(n),
    kind: new Uint8Array(n),
    dear: new Uint8Array(n),
  };
  const zeros = (size: number) => new Float64Array(size);
  const widths = {
    end: zeros(n),
    endStretch: zeros(n),
    endShrink: zeros(n),
    endSpaces: new Uint32Array(n),
    start: zeros(n + 1),
    startStretch: zeros(n + 1),
    startShrink: zeros(n + 1),
    startSpaces: new Uint32Array(n + 1),
    endPlayed: zeros(n),
    startPlayed: zeros(n + 1),
    hangLeft: zeros(n + 1),
    tabs: null,
  };
  let [width, stretch, shrink, spaces, played] = [0, 0, 0, 0, 0];
  pieces.forEach((piece, k) => {
    width += piece.width;
    played += piece.width * share;
    widths.endPlayed[k] = widths.startPlayed[k + 1] = played;
    breaks.kind[k] = k === n - 1 ? LINE_END.last : piece.kind;
    widths.end[k] = width + (breaks.kind[k] === LINE_END.hyphen ? HYPHEN : 0);
    widths.endStretch[k] = stretch;
    widths.endShrink[k] = shrink;
    widths.endSpaces[k] = spaces;
    if (breaks.kind[k] === LINE_END.space) {
      width += SPACE.natural;
      stretch += SPACE.stretch;
      shrink += SPACE.shrink;
      spaces += 1;
    }
    widths.start[k + 1] = width;
    widths.startStretch[k + 1] = stretch;
    widths.startShrink[k + 1] = shrink;
    widths.startSpaces[k + 1] = spaces;
  });
  return { breaks, widths };
}

/** Demerits of a whole way of breaking, worked out apart from the search; Infinity when a line does not fit. */
function demeritsOf(
  ends: readonly number[],
  breaks: Opportunities,
  widths: BreakWidths,
  settings: FitSettings,
  tolerance: number,
): number {
  let total = 0;
  let start = 0;
  let fitness = 1;
  let running = 0;
  for (const [line, j] of ends.entries()) {
    const width = settings.firstWidths[line] ?? settings.width;
    const gap = width - (widths.end[j] - widths.start[start]);
    const played = widths.endPlayed[j] - widths.startPlayed[start];
    const shrink = widths.endShrink[j] - widths.startShrink[start] + played;
    const stretch = widths.endStretch[j] - widths.startStretch[start];
    const tight = widths.endPlayed[breaks.count - 1] > 0 ? COST.TIGHT : COST.TIGHT_SPACES;
    const isLast = j === breaks.count - 1;
    if (gap < -shrink - 1e-6) return Infinity;
    let ratio = gap < 0 ? (shrink > 0 ? gap / shrink : 0) : gap / Math.max(stretch + played, 1e-9);
    if (gap > stretch + played) ratio = (gap - played) / Math.max(stretch, 1e-9);
    if (isLast && gap >= 0) ratio = 0;
    else if (ratio > tolerance) return Infinity;
    total += (COST.LINE + Math.min((ratio < 0 ? tight : COST.WIDE) * Math.abs(ratio) ** 3, 1e7)) ** 2;
    const own = ratio < -0.5 ? 0 : ratio <= 0.5 ? 1 : ratio <= 1 ? 2 : 3;
    if (Math.abs(own - fitness) > 1) total += COST.JUMP * (Math.abs(own - fitness) - 1);
    const before = running;
    running = breaks.kind[j] === LINE_END.hyphen ? running + 1 : 0;
    if (running > settings.running) return Infinity;
    if (running > 0) total += COST.HYPHEN ** 2 + (running > 1 ? COST.SECOND_HYPHEN : 0);
    if (isLast && gap >= 0) {
      if (start > 0 && width - gap < settings.lastLine) total += COST.SHORT_LAST;
      if (before > 0) total += COST.LAST_HYPHEN;
    }
    fitness = own;
    start = j + 1;
  }
  return total;
}

/** Every way of breaking, by recursion. */
function* allWays(count: number, from = 0): Generator<number[]> {
  for (let j = from; j < count; j += 1) {
    if (j === count - 1) yield [j];
    else for (const rest of allWays(count, j + 1)) yield [j, ...rest];
  }
}

const pieces = fc.array(
  fc.record({
    width: fc.integer({ min: 2, max: 16 }),
    kind: fc.constantFrom<number>(LINE_END.space, LINE_END.space, LINE_END.space, LINE_END.hyphen),
  }),
  { minLength: 1, maxLength: 11 },
);

describe('the optimum over a paragraph', () => {
  it('equals brute force on thousands of short paragraphs', () => {
    fc.assert(
      fc.property(
        pieces,
        fc.integer({ min: 18, max: 40 }),
        fc.integer({ min: 0, max: 8 }),
        fc.integer({ min: 0, max: 2 }),
        fc.constantFrom(0, 0.02),
        (list, width, indent, running, share) => {
          const { breaks, widths } = measure(list, share);
          const settings: FitSettings = {
            width,
            firstWidths: [width - indent],
            mode: 'justify',
            restarts: false,
            ruler,
            running,
            lastLine: 5,
            rag: 20,
          };
          const found = fitLines(breaks, widths, settings).ends;
          for (const tolerance of [1.4, 5, Infinity]) {
            let best = Infinity;
            for (const way of allWays(breaks.count))
              best = Math.min(best, demeritsOf(way, breaks, widths, settings, tolerance));
            if (best === Infinity) continue;
            expect(demeritsOf(found, breaks, widths, settings, tolerance)).to.be.closeTo(
              best,
              1e-6 * Math.max(1, best),
            );
            return;
          }
          expect(found[found.length - 1]).to.equal(breaks.count - 1);
        },
      ),
      {
        numRuns: 3000,
        examples: [
          // The last piece is as narrow as a hyphen: what is too long with the hyphen fits without it.
          [
            [5, 11, 2, 11, 2].map((width, k) => ({ width, kind: k === 3 ? LINE_END.hyphen : LINE_END.space })),
            38,
            1,
            0,
            0.02,
          ],
        ],
      },
    );
  });

  it('equals brute force with first lines of other widths, such as those beside a drop capital', () => {
    fc.assert(
      fc.property(
        pieces,
        fc.integer({ min: 18, max: 34 }),
        fc.array(fc.integer({ min: 16, max: 40 }), { minLength: 2, maxLength: 3 }),
        (list, width, firstWidths) => {
          const { breaks, widths } = measure(list);
          const settings: FitSettings = {
            width,
            firstWidths,
            mode: 'justify',
            restarts: false,
            ruler,
            running: 2,
            lastLine: 5,
            rag: 20,
          };
          const found = fitLines(breaks, widths, settings).ends;
          const best = (tolerance: number) =>
            [...allWays(breaks.count)].reduce(
              (least, way) => Math.min(least, demeritsOf(way, breaks, widths, settings, tolerance)),
              Infinity,
            );
          const tolerance = [1.4, 5, Infinity].find((one) => best(one) < Infinity);
          if (tolerance === undefined) return;
          const least = best(tolerance);
          expect(demeritsOf(found, breaks, widths, settings, tolerance)).to.be.closeTo(
            least,
            1e-6 * Math.max(1, least),
          );
        },
      ),
      { numRuns: 1500 },
    );
  });

  it('equals brute force among the ways that do without some of the places', () => {
    fc.assert(
      fc.property(
        pieces,
        fc.integer({ min: 18, max: 34 }),
        fc.array(fc.nat(9), { maxLength: 3 }),
        (list, width, bars) => {
          const { breaks, widths } = measure(list);
          const settings: FitSettings = {
            width,
            firstWidths: [width],
            mode: 'justify',
            restarts: false,
            ruler,
            running: 2,
            lastLine: 5,
            rag: 20,
          };
          const barred = new Set(bars.filter((bar) => bar < breaks.count - 1));
          const open = [...allWays(breaks.count)].filter((way) => !way.some((end) => barred.has(end)));
          const found = fitLines(breaks, widths, settings, barred);
          for (const tolerance of [1.4, 5, Infinity]) {
            const best = Math.min(...open.map((way) => demeritsOf(way, breaks, widths, settings, tolerance)));
            if (best === Infinity) continue;
            expect(found.demerits).to.be.closeTo(best, 1e-6 * Math.max(1, best));
            expect(found.ends.some((end) => barred.has(end))).to.equal(false);
            return;
          }
        },
      ),
      { numRuns: 800 },
    );
  });

  it('equals brute force among the ways of one count of lines, and says when there is none', () => {
    fc.assert(
      fc.property(
        pieces,
        fc.integer({ min: 18, max: 34 }),
        fc.integer({ min: 1, max: 6 }),
        fc.constantFrom(1, 3),
        (list, width, lines, tolerance) => {
          const { breaks, widths } = measure(list);
          const settings: FitSettings = {
            width,
            firstWidths: [width - 3],
            mode: 'justify',
            restarts: false,
            ruler,
            running: 1,
            lastLine: 5,
            rag: 20,
          };
          let best = Infinity;
          for (const way of allWays(breaks.count))
            if (way.length === lines) best = Math.min(best, demeritsOf(way, breaks, widths, settings, tolerance));
          const found = fitLineCount(breaks, widths, settings, new Set(), lines, tolerance);
          if (best === Infinity) expect(found).to.equal(null);
          else {
            expect(found!.ends).to.have.length(lines);
            expect(found!.demerits).to.be.closeTo(best, 1e-6 * Math.max(1, best));
          }
        },
      ),
      { numRuns: 2000 },
    );
  });

  it('takes a first-fit line further when that saves a bad line later', () => {
    // Greedy setting would put "a b c" on the first line and leave one long word loose on the second.
    const { breaks, widths } = measure([8, 8, 8, 20, 8].map((width) => ({ width, kind: LINE_END.space })));
    const settings: FitSettings = {
      width: 31,
      firstWidths: [31],
      mode: 'justify',
      restarts: false,
      ruler,
      running: 2,
      lastLine: 0,
      rag: 20,
    };
    expect(fitLines(breaks, widths, settings).ends).to.deep.equal([2, 4]);
  });

  it('always answers: a word wider than the line stands on a line of its own', () => {
    const { breaks, widths } = measure([5, 90, 5].map((width) => ({ width, kind: LINE_END.space })));
    const settings: FitSettings = {
      width: 30,
      firstWidths: [30],
      mode: 'justify',
      restarts: false,
      ruler,
      running: 2,
      lastLine: 0,
      rag: 20,
    };
    const { ends } = fitLines(breaks, widths, settings);
    expect(ends).to.include(1);
    expect(ends[ends.length - 1]).to.equal(2);
  });

  it('balances a title over its lines instead of leaving a word behind', () => {
    const { breaks, widths } = measure([10, 10, 10, 10].map((width) => ({ width, kind: LINE_END.space })));
    const settings: FitSettings = {
      width: 38,
      firstWidths: [38],
      mode: 'balanced',
      restarts: false,
      ruler,
      running: 0,
      lastLine: 0,
      rag: 40,
    };
    expect(fitLines(breaks, widths, settings).ends).to.deep.equal([1, 3]);
  });

  it('ends a line where a person broke it', () => {
    const list = [10, 10, 10, 10].map((width, k) => ({ width, kind: k === 1 ? LINE_END.forced : LINE_END.space }));
    const { breaks, widths } = measure(list);
    const settings: FitSettings = {
      width: 100,
      firstWidths: [100],
      mode: 'justify',
      restarts: false,
      ruler,
      running: 0,
      lastLine: 0,
      rag: 40,
    };
    expect(fitLines(breaks, widths, settings).ends).to.deep.equal([1, 3]);
  });

  it('never ends more lines running in hyphens than allowed while another way fits', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3 }), (running) => {
        const list = Array.from({ length: 40 }, (_, k) => ({
          width: 7,
          kind: k % 2 === 0 ? LINE_END.hyphen : LINE_END.space,
        }));
        const { breaks, widths } = measure(list);
        const { ends } = fitLines(breaks, widths, {
          width: 34,
          firstWidths: [34],
          mode: 'justify',
          restarts: false,
          ruler,
          running,
          lastLine: 0,
          rag: 20,
        });
        let longest = 0;
        let now = 0;
        for (const j of ends) longest = Math.max(longest, (now = breaks.kind[j] === LINE_END.hyphen ? now + 1 : 0));
        expect(longest).to.be.at.most(running);
      }),
    );
  });
});
