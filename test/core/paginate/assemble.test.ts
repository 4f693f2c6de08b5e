import { expect } from 'chai';
import { NOVEL_SPEC } from '../../../src/core/defaults/novelSpec';
import {
  assembleBook,
  paginateDivision,
  startSide,
  type DivisionFlow,
  type OpenerSettings,
} from '../../../src/core/paginate';
import { gridBaseline, type PageGeometry } from '../../../src/core/model/composed/pages';
import { toRoman } from '../../../src/core/numbering/numerals';
import { division } from '../../build/book';
import { drain } from '../../build/assets';
import { composed, emptyPage, flowOf, LEADING } from '../../build/flow';

const GEOMETRY: PageGeometry = {
  width: 300,
  height: 400,
  measure: 200,
  head: 40,
  back: 50,
  foreEdge: 50,
  leading: LEADING,
  capHeight: 7,
  lines: 20,
  columnRule: 0,
  columns: [{ x: 0, width: 200 }],
};

/** The pages of a division that begins on a recto. */
const paginateOn = (flow: DivisionFlow, opener: OpenerSettings) =>
  drain(paginateDivision(flow, GEOMETRY, opener, NOVEL_SPEC.pages, 'recto')).pages;

describe('putting pages together', () => {
  const front = [division('half-title', []), division('title', []), division('imprint', []), division('contents', [])];
  const body = [
    division('part', []),
    division('chapter', []),
    division('chapter', []),
    division('part', []),
    division('chapter', []),
  ];
  const all = [...front, ...body];
  const pagesOf = (count: number[]) =>
    all.map((entry, k) => ({
      division: entry,
      pages: Array.from({ length: count[k] }, () => emptyPage(k < 3 ? 'display' : 'text')),
    }));

  it('begins the title page, contents, parts and first chapter on rectos, with blanks before them', () => {
    const { pages, firstPages } = assembleBook(pagesOf([1, 1, 1, 1, 1, 3, 2, 1, 1]), NOVEL_SPEC);
    const sideOf = (k: number) => pages[firstPages.get(all[k].id)!].side;
    expect([0, 1, 2, 3, 4, 5, 7, 8].map(sideOf)).to.deep.equal([
      'recto',
      'recto',
      'verso',
      'recto',
      'recto',
      'recto',
      'recto',
      'recto',
    ]);
    expect(pages.filter((entry) => entry.role === 'blank').every((entry) => entry.fragments.length === 0)).to.equal(
      true,
    );
    expect(pages.map((entry) => entry.index)).to.deep.equal(pages.map((_, k) => k));
    expect(pages.every((entry) => (entry.index % 2 === 0) === (entry.side === 'recto'))).to.equal(true);
  });

  it('numbers the front in roman and the body from 1, or all in arabic', () => {
    const parts = pagesOf([1, 1, 1, 1, 1, 3, 2, 1, 1]);
    const { pages, firstPages } = assembleBook(parts, NOVEL_SPEC);
    const bodyStart = firstPages.get(body[0].id)!;
    expect(pages[0].folio).to.equal('i');
    expect(pages[bodyStart - 1].folio).to.equal(toRoman(bodyStart));
    expect(pages[bodyStart].folio).to.equal('1');
    const arabic = assembleBook(parts, { ...NOVEL_SPEC, folios: { front: 'arabic', plates: 'counted' } }).pages;
    expect(arabic.map((entry) => entry.folio)).to.deep.equal(arabic.map((_, k) => String(k + 1)));
  });

  it('begins chapters on rectos when the spec says so', () => {
    const spec = { ...NOVEL_SPEC, openers: { ...NOVEL_SPEC.openers, chaptersStart: 'recto' as const } };
    expect(startSide(body[2], body[1], spec)).to.equal('recto');
    expect(startSide(body[2], body[1], NOVEL_SPEC)).to.equal('any');
    expect(startSide({ ...body[2], start: 'verso' }, body[1], spec)).to.equal('verso');
  });

  it('writes roman numerals', () => {
    expect([1, 4, 9, 14, 40, 99, 1994].map(toRoman)).to.deep.equal(['i', 'iv', 'ix', 'xiv', 'xl', 'xcix', 'mcmxciv']);
  });
});

describe('the pages of a division', () => {
  const paginate = (head: number[], lines: number) =>
    paginateOn(
      {
        stream: 'd1',
        role: 'chapter',
        head: head.map((n) => composed(n, { leading: 2 * LEADING, meaning: 'heading1' })),
        text: flowOf([{ lines }]),
      },
      { sink: 3, textStart: 9 },
    );

  it('begins the text of an opener on the same line whatever the title takes, which grows upward into the sink', () => {
    for (const titleLines of [1, 2]) {
      const [opener] = paginate([titleLines], 30);
      expect(opener.role).to.equal('opener');
      const last = opener.fragments[0].y + (titleLines - 1) * 2 * LEADING;
      expect(last).to.be.closeTo(gridBaseline(GEOMETRY, 4), 1e-6);
      expect(opener.fragments[1].y).to.equal(gridBaseline(GEOMETRY, 8));
      expect(opener.headTooDeep).to.equal(false);
    }
  });

  it('says so when the title is too deep, and keeps clear of it', () => {
    const [opener] = paginate([4], 10);
    expect(opener.headTooDeep).to.equal(true);
    expect(opener.fragments[1].y).to.be.above(opener.fragments[0].y + 3 * 2 * LEADING);
  });

  it('stands the last note line on the foot line, and the rule clear of both', () => {
    const pages = paginateOn(
      { stream: 'd1', role: 'chapter', head: [], text: flowOf([{ lines: 5, notes: [[1, 3]] }]) },
      { sink: 0, textStart: 1 },
    );
    const { notes, noteRules, fragments } = pages[0];
    expect(notes[0].y + 2 * 8).to.be.closeTo(gridBaseline(GEOMETRY, 19), 1e-6);
    expect(noteRules[0].y)
      .to.be.above(fragments[0].y + 4 * LEADING)
      .and.below(notes[0].y - 5);
  });

  it('places a display page’s foot paragraphs at the foot', () => {
    const top = flowOf([{ lines: 1, gap: 4 }]);
    const foot = [{ paragraph: composed(2, { atFoot: true, leading: 8 }), gap: 1, insertions: [] }];
    const [display] = paginateOn(
      { stream: 'd1', role: 'title', head: [], text: [...top, ...foot] },
      { sink: 3, textStart: 9 },
    );
    expect(display.role).to.equal('display');
    expect(display.fragments[0].y).to.equal(gridBaseline(GEOMETRY, 4));
    expect(display.fragments[1].y).to.be.closeTo(gridBaseline(GEOMETRY, 19) - 8, 1e-6);
  });
});
