// Pages that differ by division: columns of their own, openers of parts and short pieces; and pages that stand alone.
import { expect } from 'chai';
import { displayPage } from '../../../src/core/typeset';
import { columnLeft, type Page } from '../../../src/core/model/composed/pages';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import type { Spec } from '../../../src/core/model/spec/spec';
import { checkSpec } from '../../../src/core/validate';
import { compose, newContext } from '../../build/assets';
import { essence } from '../../build/essence';
import { book, chapter, division, p, words } from '../../build/book';

const pt = (value: number) => ({ pt: value, unit: 'pt' as const });
const long = (seed: number) => Array.from({ length: 9 }, (_, k) => words(110, seed * 20 + k));
const made = book([
  division('part', [p('Part One', 'PN'), p('Upstream', 'PT')]),
  chapter('Alpha', ...long(1)),
  chapter('Brief', words(60, 7)),
  chapter('Beta', ...long(3)),
]);
const [part, alpha, brief, beta] = made.divisions;
const withSpec = (change: (spec: Spec) => Spec) => ({ ...made, spec: change(NOVEL_SPEC) });
const pagesOf = (pages: readonly Page[], id: string) =>
  pages.filter((page) => page.division === id && page.role !== 'blank');

describe('columns of single divisions', () => {
  const set = withSpec((spec) => ({
    ...spec,
    pages: { ...spec.pages, columnRule: pt(0.5), others: { [beta.id]: { columns: 2, columnGap: pt(12) } } },
  }));
  const context = newContext();
  const composed = compose(set, context);

  it('are set side by side there, and nowhere else', () => {
    const inTwo = pagesOf(composed.pages, beta.id);
    for (const page of inTwo)
      expect(page.own!.columns.map(({ x, width }) => [x, width])).to.deep.equal([
        [0, 135],
        [147, 135],
      ]);
    expect(inTwo.some((page) => page.fragments.some(({ x }) => x === 147))).to.equal(true);
    for (const page of pagesOf(composed.pages, alpha.id)) {
      expect(page.own).to.equal(undefined);
      for (const { paragraph } of page.fragments)
        for (const width of paragraph.broken.width) expect(width).to.be.below(283);
    }
    // The head goes across the columns.
    const [head, ...texts] = pagesOf(composed.pages, beta.id).flatMap((page) => page.fragments);
    expect(head.paragraph.broken.width[0]).to.be.closeTo(282, 0.1);
    expect(texts.every(({ paragraph }) => paragraph.broken.width.every((width) => width < 136))).to.equal(true);
  });

  it('have the rule between them, in the middle of the white', () => {
    const page = pagesOf(composed.pages, beta.id).find(({ role }) => role === 'text')!;
    const rule = displayPage(composed, page.index, context).rules.find(({ width }) => width === 0.5)!;
    expect(rule.x).to.be.closeTo(columnLeft(composed.geometry, page.side) + 135 + 6 - 0.25, 1e-6);
    expect(rule.thickness).to.be.above(400);
    const other = pagesOf(composed.pages, alpha.id).find(({ role }) => role === 'text')!;
    expect(displayPage(composed, other.index, context).rules).to.deep.equal([]);
  });

  it('come out the same when they are changed in a composed book', () => {
    const again = newContext();
    compose(made, again);
    expect(essence(compose(set, again))).to.deep.equal(essence(composed));
  });

  it('are those of a role when the division has none of its own', () => {
    const byRole = withSpec((spec) => ({
      ...spec,
      pages: {
        ...spec.pages,
        others: { chapter: { columns: 3, columnGap: pt(9) }, [beta.id]: { columns: 1, columnGap: pt(9) } },
      },
    }));
    const { pages } = compose(byRole);
    expect(pagesOf(pages, alpha.id)[0].own!.columns.length).to.equal(3);
    expect(pagesOf(pages, beta.id)[0].own!.columns.length).to.equal(1);
    expect(pagesOf(pages, part.id)[0].own).to.equal(undefined);
  });
});

describe('margins of single divisions', () => {
  const margins = { head: pt(100), foot: pt(120), back: pt(90), foreEdge: pt(80) };
  const set = withSpec((spec) => ({
    ...spec,
    pages: { ...spec.pages, others: { [beta.id]: { columns: 1, columnGap: pt(0), margins } } },
  }));
  const context = newContext();
  const composed = compose(set, context);

  it('hold its text and its furniture, and leave other pages as they are', () => {
    const measure = composed.geometry.width - 170;
    for (const page of composed.pages) {
      const isOwn = page.division === beta.id && page.role !== 'blank';
      const left = columnLeft(page.own ?? composed.geometry, page.side);
      if (isOwn) expect(left).to.equal(page.side === 'recto' ? 90 : 80);
      else expect(page.own).to.equal(undefined);
      for (const { paragraph, y } of page.fragments) {
        if (isOwn) expect(y).to.be.above(100);
        for (const width of paragraph.broken.width)
          expect(width).to.be.at.most((isOwn ? measure : composed.geometry.measure) + 1);
      }
      for (const { x, paragraph } of page.furniture)
        if (isOwn) expect(x + paragraph.broken.textWidth[0]).to.be.at.most(left + measure + 0.01);
      const list = displayPage(composed, page.index, context);
      if (isOwn) for (const x of list.xs) expect(x).to.be.above(left - 4);
    }
    expect(essence(compose(set))).to.deep.equal(essence(composed));
  });

  it('leave room for type, or are refused', () => {
    const narrow = { ...margins, back: pt(200), foreEdge: pt(180) };
    const spec = {
      ...NOVEL_SPEC,
      pages: { ...NOVEL_SPEC.pages, others: { chapter: { columns: 1, columnGap: pt(0), margins: narrow } } },
    };
    expect(() => checkSpec(spec)).to.throw('no room for a line of ten characters');
  });
});

describe('columns too narrow to be justified', () => {
  it('are set ragged, as house rules say, without holes in their lines', () => {
    const set = withSpec((spec) => ({
      ...spec,
      pages: { ...spec.pages, others: { [beta.id]: { columns: 2, columnGap: pt(12) } } },
    }));
    const { pages } = compose(set);
    const alignOf = (id: string) =>
      new Set(
        pagesOf(pages, id)
          .flatMap(({ fragments }) => fragments.map(({ paragraph }) => paragraph.styled.style))
          .filter(({ meaning }) => meaning === 'body')
          .map(({ align }) => align),
      );
    expect([...alignOf(beta.id)]).to.deep.equal(['left']);
    expect([...alignOf(alpha.id)]).to.deep.equal(['justify']);
  });
});

describe('openers of their own', () => {
  const firstLine = (spec: Spec, id: string, at: number) => {
    const composed = compose({ ...made, spec });
    const page = pagesOf(composed.pages, id)[0];
    return Math.round(
      (page.fragments[at].y - composed.geometry.head - composed.geometry.capHeight) / composed.geometry.leading,
    );
  };
  const { openers } = NOVEL_SPEC;

  it('stand lower or higher for parts, and for pieces under so many words', () => {
    const spec = {
      ...NOVEL_SPEC,
      openers: { ...openers, part: { sink: 9, textStart: 20 }, short: { sink: 1, textStart: 6 }, shortUnder: 100 },
    };
    expect(firstLine(spec, part.id, 0)).to.equal(9);
    expect(firstLine(NOVEL_SPEC, part.id, 0)).to.equal(5);
    // The text of the short piece begins on its own line, that of the others where it did.
    expect(firstLine(spec, brief.id, 1)).to.equal(5);
    expect(firstLine(spec, alpha.id, 1)).to.equal(firstLine(NOVEL_SPEC, alpha.id, 1));
  });

  it('hold subtitle, epigraph and ornament above the text start', () => {
    const dressed = book([
      division('chapter', [
        p('One', 'CN'),
        p('A Title', 'CT'),
        p('and what it is about', 'CST'),
        p('Somebody said this once.', 'CEP'),
        p(words(80, 4)),
      ]),
    ]);
    const composed = compose(dressed);
    const page = pagesOf(composed.pages, dressed.divisions[0].id)[0];
    const tags = page.fragments.map(({ paragraph }) => paragraph.styled.style.tag);
    expect(tags.slice(0, 5)).to.deep.equal(['CN', 'CT', 'CST', 'CEP', 'TXF']);
    const ys = page.fragments.map(({ y }) => y);
    expect([...ys].sort((a, b) => a - b)).to.deep.equal(ys);
  });
});

describe('pages that stand alone', () => {
  const single = compose(
    withSpec((spec) => ({
      ...spec,
      page: { ...spec.page, facing: false },
      openers: { ...spec.openers, chaptersStart: 'recto' },
    })),
  );

  it('have their back at the left, and wait for no side', () => {
    expect(single.pages.every(({ side }) => side === 'recto')).to.equal(true);
    expect(single.pages.some(({ role }) => role === 'blank')).to.equal(false);
    expect(columnLeft(single.geometry, single.pages[1].side)).to.equal(60);
  });

  it('come out the same when a book of facing pages becomes one', () => {
    const context = newContext();
    compose(made, context);
    const changed = withSpec((spec) => ({ ...spec, page: { ...spec.page, facing: false } }));
    expect(essence(compose(changed, context))).to.deep.equal(essence(compose(changed)));
  });
});
