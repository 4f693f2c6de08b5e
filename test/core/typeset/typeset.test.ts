import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits } from '../../../src/core/edit';
import { makeBook, readManuscript } from '../../../src/core/import';
import type { Book } from '../../../src/core/model/copy/book';
import type { BookEdit } from '../../../src/core/model/copy/bookEdit';
import { columnLeft, gridBaseline } from '../../../src/core/model/composed/pages';
import { compose, drain, faceTable, newContext, prepare, readAsset, textOfPages } from '../../build/assets';
import { STARTING_SPECS } from '../../../src/core/defaults/startingSpecs';
import { needsOf, typesetBook } from '../../../src/core/index';
import { book, chapter, division, note, p, words } from '../../build/book';
import { essence } from '../../build/essence';

const front = () => [division('half-title', []), division('title', []), division('imprint', [])];
const contents = () => division('contents', [p('Contents', 'TOH')]);
const long = (seed: number, count = 6) =>
  Array.from({ length: count }, (_, k) => words(90 + ((seed * 13 + k * 37) % 120), seed * 100 + k));

describe('typesetting a book', () => {
  it('puts every word on a page once, in order', () => {
    const texts = long(1, 20);
    const composed = compose(book([chapter('One', ...texts.slice(0, 10)), chapter('Two', ...texts.slice(10))]));
    const set = textOfPages(composed).replace(/\s+/g, ' ').trim();
    expect(set).to.equal(`One ${texts.slice(0, 10).join(' ')} Two ${texts.slice(10).join(' ')}`.replace(/\s+/g, ' '));
  });

  it('stands every line of text on the grid and none below the foot line', () => {
    const composed = compose(book([chapter('One', ...long(2, 30))]));
    const { geometry } = composed;
    for (const page of composed.pages) {
      for (const { paragraph, from, to, y } of page.fragments.filter(
        (part) => part.paragraph.styled.style.meaning === 'body',
      )) {
        const line = (y - gridBaseline(geometry, 0)) / geometry.leading;
        expect(Math.abs(line - Math.round(line))).to.be.below(1e-6);
        expect(y + (to - from - 1) * paragraph.styled.style.leading).to.be.at.most(
          gridBaseline(geometry, geometry.lines - 1) + 1e-6,
        );
      }
    }
  });

  it('fills every justified line to its measure', () => {
    const composed = compose(book([chapter('One', ...long(3, 20))]));
    let lines = 0;
    for (const page of composed.pages) {
      for (const { paragraph, from, to } of page.fragments) {
        const { broken, styled } = paragraph;
        if (styled.style.align !== 'justify') continue;
        for (let line = from; line < Math.min(to, broken.count - 1); line += 1) {
          expect(broken.textWidth[line]).to.be.closeTo(broken.width[line], 0.02);
          expect(broken.spaceEm[line]).to.be.at.least(styled.style.wordSpace.least - 1e-4);
          lines += 1;
        }
      }
    }
    expect(lines).to.be.above(150);
  });

  it('leaves no widow and no orphan in ordinary text, and says so where it must', () => {
    for (let seed = 1; seed <= 6; seed += 1) {
      const composed = compose(book([chapter('One', ...long(seed, 25))]));
      const faults = composed.findings.filter((finding) => ['widow', 'orphan', 'stranded-head'].includes(finding.kind));
      expect(faults).to.deep.equal([]);
    }
  });

  it('gives contents with the folios on which the headings stand', () => {
    const made = book([
      ...front(),
      contents(),
      division('part', [p('Part One', 'PN'), p('Up', 'PT')]),
      chapter('Alpha', ...long(4)),
      chapter('Beta', ...long(5)),
      chapter('Gamma', ...long(6)),
    ]);
    const composed = compose(made);
    const page = composed.pages.find((candidate) => candidate.divisionRole === 'contents')!;
    const entries = page.fragments.slice(1).map(({ paragraph }) => [paragraph.styled.text, paragraph.styled.tail]);
    const folioOf = (title: string) =>
      composed.pages.find((candidate) =>
        candidate.fragments.some(
          ({ paragraph }) => paragraph.styled.text === title && candidate.divisionRole !== 'contents',
        ),
      )!.folio;
    expect(entries).to.deep.equal([
      ['Part One\u2002Up', folioOf('Up')],
      ['Alpha', folioOf('Alpha')],
      ['Beta', folioOf('Beta')],
      ['Gamma', folioOf('Gamma')],
    ]);
    expect(composed.passes).to.be.at.most(3);
    expect(composed.findings.some((finding) => finding.kind === 'unsettled')).to.equal(false);
  });

  it('carries furniture by role: none on display pages and blanks, no head on openers, folios in order', () => {
    const composed = compose(
      book([...front(), contents(), chapter('Alpha', ...long(7, 9)), chapter('Beta', ...long(8, 9))]),
    );
    for (const page of composed.pages) {
      const kinds = page.furniture.map((item) => item.kind).sort();
      if (page.role === 'display' || page.role === 'blank') expect(kinds).to.deep.equal([]);
      if (page.role === 'opener') expect(kinds).to.deep.equal(['folio']);
      if (page.role === 'text') expect(kinds).to.deep.equal(['folio', 'head']);
      for (const item of page.furniture) {
        const left = columnLeft(composed.geometry, page.side);
        const width = item.paragraph.broken.textWidth[0];
        const edge = page.side === 'verso' ? item.x - left : left + composed.geometry.measure - (item.x + width);
        expect(edge).to.be.closeTo(0, 0.01);
      }
    }
    const body = composed.pages.filter((page) => page.divisionRole === 'chapter').map((page) => Number(page.folio));
    expect(body).to.deep.equal(body.map((_, k) => k + 1));
    const versos = composed.pages.filter((page) => page.role === 'text' && page.side === 'verso');
    expect(versos.map((page) => page.furniture[0].paragraph.styled.text)).to.deep.equal(versos.map(() => 'A. Writer'));
  });

  it('sets notes on the page of their reference, numbered', () => {
    const composed = compose(
      book(
        [chapter('One', ...long(9, 4), `${words(40, 5)}{1} ${words(60, 6)}{2}`)],
        [note(1, 'first note'), note(2, 'second', 'in two parts')],
      ),
    );
    const noted = composed.pages.filter((page) => page.notes.length > 0);
    expect(noted.flatMap((page) => page.notes.map(({ paragraph }) => paragraph.styled.text))).to.deep.equal([
      '1.\u2002first note',
      '2.\u2002second',
      'in two parts',
    ]);
    for (const page of noted) {
      const marks = page.fragments.flatMap(({ paragraph, from, to }) =>
        paragraph.styled.notes.filter(
          (mark) => mark.at >= paragraph.broken.from[from] && mark.at < paragraph.broken.to[to - 1],
        ),
      );
      expect(marks.map((mark) => mark.note)).to.include.members([
        ...new Set(page.notes.map(({ paragraph }) => paragraph.styled.stream)),
      ]);
    }
  });

  it('gives after any edits what a compose from scratch gives, shaping only what changed', () => {
    const context = newContext();
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.array(fc.tuple(fc.nat(5), fc.nat(30), fc.nat(400)), { minLength: 1, maxLength: 4 }),
        (seed, steps) => {
          let made = book(
            [
              contents(),
              chapter('Alpha', ...long(seed, 8)),
              chapter('Beta', `x{1} ${words(50, seed)}`, ...long(seed + 9, 5)),
            ],
            [note(1, 'a note')],
          );
          compose(made, context);
          for (const step of steps) {
            const edit = someEdit(made, step);
            made = applyEdits(made, [edit]);
            const before = context.cache.shapedCount;
            const incremental = compose(made, context);
            if (edit.kind === 'replaceBlocks')
              expect(context.cache.shapedCount - before).to.be.at.most(edit.inserted.length + 12);
            if (edit.kind === 'setSpec') expect(context.cache.shapedCount - before).to.be.at.most(40);
            expect(essence(incremental)).to.deep.equal(essence(compose(made)));
          }
        },
      ),
      { numRuns: 12 },
    );
  });

  it('shapes and breaks one paragraph again when a letter is typed', () => {
    const context = newContext();
    let made = book([chapter('One', ...long(12, 60))]);
    compose(made, context);
    const [first] = made.divisions;
    const block = first.blocks[30];
    const typed = { ...block, text: `${(block as { text: string }).text.slice(0, -1)}x.` } as typeof block;
    made = applyEdits(made, [{ kind: 'replaceBlocks', stream: first.id, at: 30, removed: [block], inserted: [typed] }]);
    const counts = [context.cache.shapedCount, context.cache.brokenCount];
    compose(made, context);
    expect([context.cache.shapedCount - counts[0], context.cache.brokenCount - counts[1]]).to.deep.equal([1, 1]);
  });

  it('never shapes again for a change of size or margin', () => {
    const context = newContext();
    const made = book([chapter('One', ...long(13, 10))]);
    compose(made, context);
    const before = context.cache.shapedCount;
    const spec = {
      ...made.spec,
      page: { ...made.spec.page, margins: { ...made.spec.page.margins, back: { pt: 80, unit: 'pt' as const } } },
      text: { ...made.spec.text, size: { pt: 10.5, unit: 'pt' as const } },
    };
    const changed = compose({ ...made, spec }, context);
    expect(context.cache.shapedCount - before).to.equal(changed.pages.length > 9 ? 1 : 0);
  });

  it('stops at its checkpoints at least every 100 lines', () => {
    const made = book([chapter('One', ...long(14, 40))]);
    const context = prepare(newContext(), made);
    let steps = 0;
    for (const _ of typesetBook(made, context)) steps += 1;
    expect(steps).to.be.above(6);
  });

  it('composes an empty book, an empty chapter, and a very long title', () => {
    expect(compose(book([])).pages).to.deep.equal([]);
    expect(compose(book([division('chapter', [])])).pages).to.have.length(1);
    const deep = compose(book([chapter(words(70, 3), 'Text.')]));
    expect(deep.findings.map((finding) => finding.kind)).to.include('title-below-text-start');
    expect(textOfPages(deep)).to.include('Text.');
  });

  it('answers for a column narrower than a word, and for one line a page', () => {
    const made = book([chapter('One', words(60, 2), 'Donaudampfschifffahrtsgesellschaftskapitän'.repeat(4))]);
    const narrow = {
      ...made.spec,
      page: {
        ...made.spec.page,
        margins: {
          ...made.spec.page.margins,
          back: { pt: 300, unit: 'pt' as const },
          foreEdge: { pt: 56, unit: 'pt' as const },
        },
      },
    };
    expect(textOfPages(compose({ ...made, spec: narrow })).replace(/\s/g, '')).to.include('kapitänDonaudampf');
    const shallow = {
      ...made.spec,
      page: { ...made.spec.page, margins: { ...made.spec.page.margins, foot: { pt: 540, unit: 'pt' as const } } },
    };
    const one = compose({ ...made, spec: shallow });
    expect(one.findings.map((finding) => finding.kind)).to.include('text-area-too-small');
    expect(textOfPages(one).replace(/\s+/g, ' ')).to.include(words(60, 2).slice(0, 40));
  });
});

describe('what a book needs', () => {
  it('names the faces of its styles, italics and fallbacks, and its language', () => {
    const made = book([chapter('One', 'a *b* שלום')]);
    const needs = needsOf(made, faceTable);
    expect(needs.faces).to.include.members(['eb-garamond/400', 'eb-garamond/400i', 'frank-ruhl-libre/400']);
    expect(needs.faces.length).to.be.below(6);
    expect(needs.languages).to.deep.equal(['en']);
  });
});

describe('the demonstration of nonfiction', () => {
  const made = makeBook(drain(readManuscript('d.docx', readAsset('demo/keeping-a-tidal-garden.docx'))), {
    bookId: 'b1',
    fileName: 'd.docx',
  });

  // It has footnotes beside endnotes: their signs are in another face than the text where that has none.
  for (const { key, spec } of STARTING_SPECS)
    it(`is set with nothing missing from the start of ${key}`, () => {
      const { findings } = compose({ ...made, spec });
      expect(findings.filter(({ kind }) => kind === 'face-missing' || kind === 'stranded-head')).to.deep.equal([]);
    });
});

describe('the demonstration novel', () => {
  const made = makeBook(drain(readManuscript('d.docx', readAsset('demo/the-ferry-register.docx'))), {
    bookId: 'b1',
    fileName: 'd.docx',
  });
  const composed = compose(made);

  it('has no finding that must be mended, and its parts and first chapter begin on rectos', () => {
    expect(composed.findings.filter((finding) => finding.grade === 'must')).to.deep.equal([]);
    for (const place of made.divisions.filter((entry) => entry.role === 'part')) {
      expect(composed.pages[composed.extents.find((extent) => extent.division === place.id)!.firstPage].side).to.equal(
        'recto',
      );
    }
    expect(composed.words).to.be.above(9000);
  });

  it('begins the text of every chapter on the same line', () => {
    const starts = composed.pages
      .filter((page) => page.role === 'opener' && page.divisionRole === 'chapter')
      .map((page) => page.fragments[2].y);
    expect(new Set(starts.map((y) => y.toFixed(3))).size).to.equal(1);
    expect(starts).to.have.length(12);
  });
});

function someEdit(made: Book, [kind, at, value]: [number, number, number]): BookEdit {
  const target = made.divisions[1 + (kind % 2)];
  const place = 1 + (at % (target.blocks.length - 1));
  const block = target.blocks[place] as { text: string };
  switch (kind) {
    case 0:
    case 1:
      return {
        kind: 'replaceBlocks',
        stream: target.id,
        at: place,
        removed: [target.blocks[place]],
        inserted: [{ ...target.blocks[place], text: `${block.text} And ${words(3 + (value % 40), value)}` } as never],
      };
    case 2:
      return {
        kind: 'replaceBlocks',
        stream: target.id,
        at: place,
        removed: [],
        inserted: [p(words(value % 120 || 1, value))],
      };
    case 3:
      return {
        kind: 'setSpec',
        path: ['text', 'size'],
        from: { pt: 11.5, unit: 'pt' },
        to: { pt: 10 + (value % 4), unit: 'pt' },
      };
    case 4:
      return { kind: 'setSpec', path: ['openers', 'textStart'], from: 12, to: 6 + (value % 10) };
    default:
      return { kind: 'setParticulars', key: 'title', from: made.particulars.title, to: `Title ${value}` };
  }
}
