// What is laid over pages and read off them on screens, without a screen.
import { expect } from 'chai';
import { NOVEL_SPEC } from '../../src/core/defaults/novelSpec';
import { displayPage } from '../../src/core/index';
import { furnitureLine, furnitureSet, token } from '../../src/core/model/spec/furniture';
import { columnLeft, gridBaseline } from '../../src/core/model/composed/pages';
import type { Guide } from '../../src/core/model/spec/pageSpec';
import type { Spec } from '../../src/core/model/spec/spec';
import { marginsOf, pageMarks } from '../../src/ui/pageView/pageMarks';
import { paragraphLines, paragraphNear } from '../../src/ui/routes/spec/drawing/paragraphLines';
import { versoWordsLost } from '../../src/ui/routes/spec/furniture/versoWords';
import { compose, newContext, prepare } from '../build/assets';
import { book, chapter, words } from '../build/book';

const pt = (value: number) => ({ pt: value, unit: 'pt' as const });
const made = book([chapter('One', ...Array.from({ length: 12 }, (_, k) => words(140, k)))]);
const composed = compose(made);

describe('the marks of a page', () => {
  it('are where the engine sets its text: on every baseline, at both edges of the measure', () => {
    const { geometry } = composed;
    for (const side of ['recto', 'verso'] as const) {
      const { area, baselines } = pageMarks(NOVEL_SPEC, geometry.capHeight, side);
      expect(area.x).to.be.closeTo(columnLeft(geometry, side), 1e-6);
      expect(area.width).to.be.closeTo(geometry.measure, 1e-6);
      expect(baselines.length).to.equal(geometry.lines);
      baselines.forEach((y, line) => expect(y).to.be.closeTo(gridBaseline(geometry, line), 1e-6));
      expect(area.y + area.height).to.be.closeTo(baselines.at(-1)!, 1e-6);
    }
  });

  it('hold guides on the pages that they are for, mirrored or not, and the bleed around the trim', () => {
    const guides: Guide[] = [
      { axis: 'across', at: pt(100), on: 'all' },
      { axis: 'down', at: pt(60), on: 'mirrored' },
      { axis: 'down', at: pt(70), on: 'recto' },
      { axis: 'down', at: pt(80), on: 'all' },
    ];
    const bleed = { head: pt(9), foot: pt(8), back: pt(0), foreEdge: pt(7) };
    const spec: Spec = { ...NOVEL_SPEC, page: { ...NOVEL_SPEC.page, guides, bleed } };
    const width = spec.page.trim.width.pt;
    const [recto, verso] = (['recto', 'verso'] as const).map((side) => pageMarks(spec, 7, side));
    expect(recto.guides).to.deep.equal([{ y: 100 }, { x: 60 }, { x: 70 }, { x: 80 }]);
    expect(verso.guides).to.deep.equal([{ y: 100 }, { x: width - 60 }, { x: 80 }]);
    expect(recto.bleed).to.deep.include({ x: -0, y: -9, width: width + 7 });
    expect(verso.bleed).to.deep.include({ x: -7, y: -9, width: width + 7 });
    const single = { ...spec, page: { ...spec.page, facing: false } };
    expect(pageMarks(single, 7, 'verso')).to.deep.equal(pageMarks(single, 7, 'recto'));
    expect(pageMarks(NOVEL_SPEC, 7, 'recto').bleed).to.equal(null);
  });

  it('go by the margins of a division or of its role', () => {
    const margins = { ...NOVEL_SPEC.page.margins, head: pt(90) };
    const others = { d1: { columns: 1, columnGap: pt(12), margins } };
    const spec = { ...NOVEL_SPEC, pages: { ...NOVEL_SPEC.pages, others } };
    expect(marginsOf(spec, 'd1', 'chapter')).to.equal(margins);
    expect(marginsOf(spec, 'd2', 'chapter')).to.equal(spec.page.margins);
  });
});

describe('a paragraph read off a page', () => {
  const [, page] = composed.pages;
  const list = displayPage(composed, page.index, prepare(newContext(), made));
  const [{ paragraph }] = page.fragments;

  it('has its lines on the grid, each with its mean word space', () => {
    const lines = paragraphLines(list, paragraph.styled.block);
    expect(lines.length).to.be.at.least(3);
    for (const [k, line] of lines.entries()) {
      if (k > 0) expect(line.y - lines[k - 1].y).to.be.closeTo(NOVEL_SPEC.text.leading.pt, 0.02);
      expect(line.size).to.equal(NOVEL_SPEC.text.size.pt);
      // A last line may be a single word.
      if (k < lines.length - 1) expect(line.space).to.be.within(0.1, 0.4);
    }
    expect(paragraphLines(list, 'p999999')).to.deep.equal([]);
  });

  it('is the one nearest to a height, of those with some lines', () => {
    expect(paragraphNear(list, 0)).to.equal(paragraph.styled.block);
    expect(paragraphNear({ ...list, items: [] }, 0)).to.equal(null);
  });
});

describe('what only versos carry', () => {
  const slot = (name: 'author' | 'title' | 'folio') => ({ style: 'RH', parts: [token(name)] });
  const head = furnitureLine(2, { foreEdge: slot('title') }, { foreEdge: slot('author'), centre: slot('title') });
  const set = furnitureSet({ head, foot: null }, { head: null, foot: null });
  const specOf = (facing: boolean): Spec => ({
    ...NOVEL_SPEC,
    page: { ...NOVEL_SPEC.page, facing },
    furniture: { set: 'Book', sets: { Book: set } },
  });

  it('is told of single pages, each thing once', () => {
    expect(versoWordsLost(specOf(true))).to.deep.equal([]);
    expect(versoWordsLost(specOf(false))).to.deep.equal(['Author (head)']);
  });
});
