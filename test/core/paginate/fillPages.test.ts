import { expect } from 'chai';
import fc from 'fast-check';
import { BREAK_FAULT, fillPages, makeFlow, type FilledPage, type Flow } from '../../../src/core/paginate';
import { drain } from '../../build/assets';
import { flowOf, LEADING, type FlowParts } from '../../build/flow';

const NOTE_GAP = 0.6;

function fill(parts: readonly FlowParts[], lines: number, firstLines = lines): { flow: Flow; pages: FilledPage[] } {
  const flow = makeFlow(flowOf(parts), LEADING);
  return { flow, pages: drain(fillPages(flow, { lines, firstLines, noteGap: NOTE_GAP })) };
}

/** Grid lines that the text and the notes of a page take. */
function used(flow: Flow, page: FilledPage): number {
  let text = 0;
  for (let line = page.from; line < page.to; line += 1) {
    let start = line === page.from ? 0 : text + flow.gap[line];
    if (flow.onGrid[line]) start = Math.ceil(start - 1e-3);
    text = start + flow.height[line];
  }
  let notes = page.noteTo > page.noteFrom ? NOTE_GAP : 0;
  for (let k = page.noteFrom; k < page.noteTo; k += 1) notes += flow.noteHeight[k];
  return text + notes;
}

/** True when some way of dividing the flow has no fault and fits; lines of one grid step and no notes only. */
function hasFaultless(flow: Flow, lines: number, firstLines: number): boolean {
  const reachable = new Array<boolean>(flow.count + 1).fill(false);
  reachable[0] = true;
  for (let from = 0; from < flow.count; from += 1) {
    if (!reachable[from]) continue;
    for (let to = from + 1; to <= flow.count; to += 1) {
      const page = { from, to, noteFrom: 0, noteTo: 0, fault: 0 };
      if (used(flow, page) > (from === 0 ? firstLines : lines) + 1e-3) break;
      if (to === flow.count || flow.fault[to] === BREAK_FAULT.none) reachable[to] = true;
    }
  }
  return reachable[flow.count];
}

const part = fc.record({
  lines: fc.integer({ min: 1, max: 7 }),
  gap: fc.constantFrom(0, 0, 0, 1, 2),
  withNext: fc.constantFrom(false, false, false, false, true),
});
const noted = fc.record({
  lines: fc.integer({ min: 1, max: 7 }),
  notes: fc.array(fc.tuple(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 1, max: 9 })), { maxLength: 2 }),
});

describe('filling pages', () => {
  it('loses no line and keeps their order, on pages that hold them', () => {
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 14 }),
        fc.integer({ min: 4, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        (parts, lines, first) => {
          const { flow, pages } = fill(parts, lines, Math.min(first, lines));
          let at = 0;
          pages.forEach((page, index) => {
            expect(page.from).to.equal(at);
            expect(page.to).to.be.above(page.from);
            at = page.to;
            const depth = index === 0 ? Math.min(first, lines) : lines;
            if (page.to - page.from > 1) expect(used(flow, page)).to.be.at.most(depth + 1e-3);
          });
          expect(at).to.equal(flow.count);
        },
      ),
      { numRuns: 1500 },
    );
  });

  it('leaves no widow, orphan or stranded head where a way without one exists', () => {
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 12 }), fc.integer({ min: 5, max: 10 }), (parts, lines) => {
        const { flow, pages } = fill(parts, lines);
        const isFaultless = pages.every((page) => page.fault === BREAK_FAULT.none);
        expect(isFaultless).to.equal(hasFaultless(flow, lines, lines));
      }),
      { numRuns: 1500 },
    );
  });

  it('starts every note on the page of its reference, keeps their order and loses none', () => {
    fc.assert(
      fc.property(fc.array(noted, { minLength: 1, maxLength: 10 }), fc.integer({ min: 8, max: 16 }), (parts, lines) => {
        const kept = parts.map((entry) => ({
          ...entry,
          notes: entry.notes.map(([line, n]) => [line % entry.lines, n] as const).sort((a, b) => a[0] - b[0]),
        }));
        const { flow, pages } = fill(kept, lines);
        let note = 0;
        for (const page of pages) {
          expect(page.noteFrom).to.equal(note);
          note = page.noteTo;
          expect(page.noteTo).to.be.at.most(flow.noteLinesBefore[page.to]);
          if (page.to - page.from > 1) expect(used(flow, page)).to.be.at.most(lines + 1e-3);
        }
        expect(note).to.equal(flow.noteHeight.length);
      }),
      { numRuns: 1500 },
    );
  });

  it('divides a note that does not fit, two lines at least on either page', () => {
    const { flow, pages } = fill([{ lines: 6, notes: [[5, 7]] }, { lines: 8 }], 10);
    const whole = pages.find((page) => page.noteTo > page.noteFrom && page.noteTo < flow.noteHeight.length);
    if (whole !== undefined) {
      expect(whole.noteTo - whole.noteFrom).to.be.at.least(2);
      expect(flow.noteHeight.length - whole.noteTo).to.be.at.least(2);
    }
    expect(pages.reduce((sum, page) => sum + page.noteTo - page.noteFrom, 0)).to.equal(7);
  });

  it('carries a note longer than a page over as many as it needs', () => {
    const { flow, pages } = fill([{ lines: 4, notes: [[1, 60]] }, { lines: 30 }], 12);
    expect(pages.reduce((sum, page) => sum + page.noteTo - page.noteFrom, 0)).to.equal(60);
    expect(pages[pages.length - 1].to).to.equal(flow.count);
  });

  it('gives one empty page to nothing', () => {
    expect(fill([], 10).pages).to.have.length(1);
  });

  it('takes paragraphs of another leading, and brings what follows back to the grid', () => {
    const { flow, pages } = fill([{ lines: 2 }, { lines: 3, leading: 7, gap: 1 }, { lines: 2, gap: 1 }], 30);
    expect(used(flow, pages[0])).to.equal(Math.ceil(3 + 3 * 0.7 + 1) + 2);
  });
});
