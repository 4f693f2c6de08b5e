// Notes at the foot: in columns, run on, under a separator of their kind; and notes in the margin.
import { expect } from 'chai';
import fc from 'fast-check';
import { gridBaseline, type Fragment, type PageGeometry } from '../../../src/core/model/composed/pages';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import {
  EXACT,
  fillPages,
  makeFlow,
  notesAt,
  paginateDivision,
  traceRegions,
  type DivisionFlow,
  type DivisionPage,
  type FlowNote,
  type FlowParagraph,
  type NoteLayout,
} from '../../../src/core/paginate';
import { drain } from '../../build/assets';
import { bruteForce } from '../../build/bruteForcePages';
import { composed, flowOf, LEADING, planOf, PLAIN_NOTES, type FlowParts } from '../../build/flow';

const GEOMETRY: PageGeometry = {
  width: 200,
  height: 300,
  measure: 100,
  head: 40,
  back: 30,
  foreEdge: 70,
  leading: LEADING,
  capHeight: 7,
  lines: 20,
  columns: [{ x: 0, width: 100 }],
  columnRule: 0,
};
const NOTE_LEADING = 8;

const inColumns = (columns: number): NoteLayout => ({ ...PLAIN_NOTES, columns, width: 100 / columns });
const running: NoteLayout = { ...PLAIN_NOTES, runsOn: true };
/** Two short notes to a line, whatever they say. */
const join = (notes: readonly FlowNote[]) => composed(Math.ceil(notes.length / 2), { leading: NOTE_LEADING });

const noted: fc.Arbitrary<FlowParts> = fc
  .record({
    lines: fc.integer({ min: 1, max: 5 }),
    gap: fc.constantFrom(0, 0, 1),
    notes: fc.array(fc.tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 1, max: 5 })), { maxLength: 2 }),
    noteLayout: fc.constantFrom(PLAIN_NOTES, inColumns(2), inColumns(3), running, running),
  })
  .map((part) => ({
    ...part,
    notes: part.notes
      .map(([line, lines]) => [Math.min(line, part.lines - 1), lines] as const)
      .sort(([a], [b]) => a - b),
  }));

function paginate(text: readonly FlowParagraph[], rest: Partial<DivisionFlow> = {}, side: 'recto' | 'verso' = 'recto') {
  const flow: DivisionFlow = { stream: 'd1', role: 'chapter', head: [], text, joinNotes: join, ...rest };
  const opener = { sink: 0, textStart: 1 };
  return drain(paginateDivision(flow, GEOMETRY, opener, NOVEL_SPEC.pages, side)).pages;
}

const bottomOf = ({ y, from, to, paragraph }: Fragment) => y + (to - from - 1) * paragraph.styled.style.leading;
const foot = (page: DivisionPage) => gridBaseline(GEOMETRY, GEOMETRY.lines - 1 + page.depth);

describe('notes at the foot in columns or running on', () => {
  it('cost what brute force finds', () => {
    fc.assert(
      fc.property(fc.array(noted, { minLength: 2, maxLength: 4 }), fc.integer({ min: 9, max: 11 }), (parts, lines) => {
        const flow = makeFlow(flowOf(parts), LEADING, { join });
        const plan = planOf(lines);
        const memory = drain(fillPages(flow, plan, undefined, EXACT));
        const best = bruteForce(flow, plan);
        expect(memory.cost).to.be.closeTo(best, 1e-6 * Math.max(1, best));
      }),
      { numRuns: 300, seed: 7 },
    );
  });

  it('begin on the page of their reference, though a single line of the text goes over for it', () => {
    // The spread runs short: under the third line of the second page the second note has no room to begin.
    const notes = [
      [1, 6],
      [2, 12],
    ] as const;
    const parts: FlowParts[] = [{ lines: 9, wishes: { spread: -1 } }, { lines: 3, notes }, { lines: 30 }];
    const plan = planOf(10, { firstSide: 'verso' });
    const regions = traceRegions(drain(fillPages(makeFlow(flowOf(parts), LEADING), plan)), plan);
    expect(regions[1]).to.include({ depth: -1, endItem: 1, endLine: 2, noteTo: 6 });
    expect(regions[2].noteTo).to.be.above(6);
  });

  it('stand whole and in order, below the text, above the foot margin, and never over each other', () => {
    fc.assert(
      fc.property(fc.array(noted, { minLength: 1, maxLength: 14 }), fc.constantFrom('foot', 'text'), (parts, stand) => {
        const text = flowOf(parts);
        const pages = paginate(text, { notes: { stand: stand as 'foot', space: 0.6 } });
        const wanted = text.flatMap((item) => notesAt(item, 'foot').flatMap((note) => note.paragraphs));
        const seen = new Map<unknown, number>();
        for (const page of pages) {
          const lowest = Math.max(0, ...page.fragments.map(bottomOf));
          for (const [k, note] of page.notes.entries()) {
            expect(note.y - NOTE_LEADING).to.be.at.least(lowest - 1e-6);
            expect(bottomOf(note)).to.be.at.most(foot(page) + 1e-6);
            expect(note.from).to.equal(seen.get(note.paragraph) ?? 0);
            seen.set(note.paragraph, note.to);
            for (const other of page.notes.slice(0, k)) {
              const isBeside = Math.abs(other.x - note.x) > 20;
              const isClear = note.y - NOTE_LEADING >= bottomOf(other) - 1e-6;
              expect(isBeside || isClear, 'notes over each other').to.equal(true);
            }
          }
        }
        // Those that run on are joined: the rest stand line by line.
        const alone = wanted.filter((paragraph) => seen.has(paragraph));
        for (const paragraph of alone) expect(seen.get(paragraph)).to.equal(paragraph.broken.count);
        const isJoined = ({ layout, paragraphs }: FlowNote) =>
          layout.runsOn && paragraphs.length === 1 && paragraphs[0].broken.count <= 2;
        const others = text.flatMap((item) => notesAt(item, 'foot').filter((note) => !isJoined(note)));
        for (const { paragraphs } of others) expect(seen.has(paragraphs[0])).to.equal(true);
      }),
      { numRuns: 200 },
    );
  });

  it('are as deep as a column of theirs', () => {
    const [page] = paginate(flowOf([{ lines: 4, notes: [[1, 7]], noteLayout: inColumns(2) }]));
    expect(page.notes.map(({ from, to, x }) => [from, to, x])).to.deep.equal([
      [0, 4, 0],
      [4, 7, 60],
    ]);
    expect(page.notes[0].y).to.equal(page.notes[1].y);
    expect(bottomOf(page.notes[0])).to.be.closeTo(gridBaseline(GEOMETRY, 19), 1e-9);
  });

  it('run on as one paragraph where they are short, and stand alone where they are long', () => {
    const notes = [
      [0, 1],
      [1, 1],
      [1, 1],
      [2, 4],
      [3, 1],
    ] as const;
    const [page] = paginate(flowOf([{ lines: 5, notes, noteLayout: running }]));
    expect(page.notes.map(({ to, from }) => to - from)).to.deep.equal([2, 4, 1]);
  });

  it('have the separator of their kind, and another where they go on', () => {
    const layout: NoteLayout = {
      ...PLAIN_NOTES,
      separator: { kind: 'space', width: 0, weight: 1 },
      continuation: { kind: 'short', width: 30, weight: 0.8 },
    };
    const pages = paginate(flowOf([{ lines: 30, notes: [[17, 12]], noteLayout: layout }]));
    const withNotes = pages.filter((page) => page.notes.length > 0);
    expect(withNotes.length).to.equal(2);
    expect(withNotes[0].noteRules).to.deep.equal([]);
    expect(withNotes[1].noteRules.map(({ x, width, weight }) => [x, width, weight])).to.deep.equal([[0, 30, 0.8]]);
    expect(withNotes[0].gives.map(({ kind }) => kind)).to.include('note-divided');
    expect(withNotes[0].notes[0].to).to.be.at.least(2);
    expect(12 - withNotes[1].notes[0].from).to.be.at.least(2);
  });

  it('stand close under a text that ends early where that is chosen', () => {
    const [page] = paginate(flowOf([{ lines: 4, notes: [[1, 2]] }]), { notes: { stand: 'text', space: 1 } });
    const last = gridBaseline(GEOMETRY, 3);
    expect(page.notes[0].y - NOTE_LEADING).to.be.closeTo(last + LEADING, 1e-9);
  });

  it('say so when a note cannot begin on its page', () => {
    const two = [
      [0, 30],
      [0, 30],
    ] as const;
    const pages = paginate(flowOf([{ lines: 1, notes: two }]));
    expect(pages[0].gives.map(({ kind }) => kind)).to.include('note-late');
    const lines = pages.flatMap(({ notes }) => notes).reduce((sum, { from, to }) => sum + to - from, 0);
    expect(lines).to.equal(60);
  });
});

describe('notes in the margin', () => {
  const margin = { gap: 10, width: 40 };
  const beside = (parts: readonly FlowParts[]): FlowParagraph[] =>
    flowOf(parts).map((item) => ({
      ...item,
      insertions: notesAt(item, 'foot').map((note) => ({ ...note, place: 'margin' as const })),
    }));

  it('begin on the line of their reference, at the fore-edge of either side', () => {
    for (const [side, x] of [
      ['recto', 110],
      ['verso', -50],
    ] as const) {
      const [page] = paginate(beside([{ lines: 8, notes: [[3, 2]] }]), { margin }, side);
      expect(page.notes.map(({ x: left, y, to }) => [left, y, to])).to.deep.equal([[x, gridBaseline(GEOMETRY, 3), 2]]);
      expect(page.noteRules).to.deep.equal([]);
    }
  });

  it('never stand over each other or the foot, lose no line, and begin on their page where it has room', () => {
    const parts = fc.array(noted, { minLength: 1, maxLength: 16 });
    fc.assert(
      fc.property(parts, fc.constantFrom<'recto' | 'verso'>('recto', 'verso'), (list, side) => {
        const text = beside(list.map((part) => ({ ...part, noteLayout: PLAIN_NOTES })));
        const pages = paginate(text, { margin }, side);
        const seen = new Map<unknown, number>();
        let owes = false;
        for (const [index, page] of pages.entries()) {
          let lowest = -Infinity;
          for (const note of page.notes) {
            expect(note.x).to.equal((index % 2 === 0) === (side === 'recto') ? 110 : -50);
            expect(note.y).to.be.at.least(lowest + NOTE_LEADING - 1e-6);
            expect(bottomOf(note)).to.be.at.most(gridBaseline(GEOMETRY, 19) + 0.02);
            lowest = bottomOf(note);
            expect(note.from).to.equal(seen.get(note.paragraph) ?? 0);
            seen.set(note.paragraph, note.to);
          }
          if (!owes && page.fragments.length > 0) {
            const own = new Set(page.fragments.map(({ paragraph }) => paragraph));
            const isLate = page.gives.some(({ kind }) => kind === 'margin-note-late');
            const whole = text.filter(
              ({ paragraph }) =>
                own.has(paragraph) &&
                pages.filter((other) => other.fragments.some((one) => one.paragraph === paragraph)).length === 1,
            );
            if (!isLate)
              for (const item of whole)
                for (const { paragraphs } of notesAt(item, 'margin'))
                  expect(seen.get(paragraphs[0])).to.equal(paragraphs[0].broken.count);
            owes = isLate;
          }
        }
        const wanted = text.flatMap((item) => notesAt(item, 'margin').flatMap((note) => note.paragraphs));
        for (const paragraph of wanted) expect(seen.get(paragraph)).to.equal(paragraph.broken.count);
      }),
      { numRuns: 200 },
    );
  });

  it('go on beside the next page, and on pages of their own after the last, with a finding', () => {
    const pages = paginate(
      beside([
        {
          lines: 3,
          notes: [
            [0, 30],
            [1, 30],
            [2, 30],
          ],
        },
      ]),
      { margin },
    );
    expect(pages.length).to.be.above(1);
    expect(pages[0].gives.map(({ kind }) => kind)).to.include('margin-note-late');
    const lines = pages.flatMap(({ notes }) => notes).reduce((sum, { from, to }) => sum + to - from, 0);
    expect(lines).to.equal(90);
  });
});
