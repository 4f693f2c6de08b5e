import { expect } from 'chai';
import { applyEdits, dropPageTouch, setSpecEdit } from '../../../../src/core/edit';
import type { Book } from '../../../../src/core/model/copy/book';
import type { Plain } from '../../../../src/core/model/copy/bookEdit';
import {
  furnitureLine,
  furnitureSet,
  plainFurniture,
  token,
  type FurnitureSet,
} from '../../../../src/core/model/spec/furniture';
import { columnLeft, gridBaseline, type Page, type TypesetBook } from '../../../../src/core/model/composed/pages';
import { checkBook } from '../../../../src/core/validate';
import { NOVEL_SPEC } from '../../../../src/core/defaults/novelSpec';
import { STARTING_SPECS } from '../../../../src/core/defaults/startingSpecs';
import { displayPage } from '../../../../src/core/index';
import { compose, newContext, prepare } from '../../../build/assets';
import { book, chapter, division, p, words } from '../../../build/book';
import { essence } from '../../../build/essence';

const long = (seed: number, count = 9) =>
  Array.from({ length: count }, (_, k) => words(90 + ((seed * 13 + k * 37) % 120), seed * 100 + k));
const withSet = (made: Book, set: FurnitureSet): Book => ({
  ...made,
  spec: { ...made.spec, furniture: { set: 'Book', sets: { Book: set } } },
});
const said = (page: Page) =>
  Object.fromEntries(page.furniture.map((item) => [`${item.at} ${item.slot}`, item.paragraph.styled.text]));
const textPages = ({ pages }: TypesetBook) => pages.filter(({ role }) => role === 'text');
const slot = (
  ...parts: FurnitureSet['roles']['text']['head'] extends infer _ ? ReturnType<typeof token>[] : never
) => ({
  style: 'RH',
  parts,
});
const NO_FEET = { head: null, foot: null };

describe('furniture', () => {
  const start = book([chapter('Alpha', ...long(1)), chapter('Beta', ...long(2))]);

  it('is written once and mirrored: spine at the back, fore-edge at the other side', () => {
    const head = furnitureLine(2, {
      spine: slot(token('chapterTitle')),
      centre: slot(token('title')),
      foreEdge: slot(token('folio')),
    });
    const composed = compose(withSet(start, furnitureSet({ head, foot: null }, NO_FEET)));
    const { geometry } = composed;
    for (const page of textPages(composed)) {
      const left = columnLeft(geometry, page.side);
      const at = Object.fromEntries(
        page.furniture.map((item) => [item.slot, [item.x - left, item.paragraph.broken.textWidth[0]] as const]),
      );
      const isLeft = (name: string) => Math.abs(at[name][0]) < 0.01;
      const isRight = (name: string) => Math.abs(at[name][0] + at[name][1] - geometry.measure) < 0.01;
      expect(page.side === 'recto' ? isLeft('spine') : isRight('spine')).to.equal(true);
      expect(page.side === 'recto' ? isRight('foreEdge') : isLeft('foreEdge')).to.equal(true);
      expect(at.centre[0] + at.centre[1] / 2).to.be.closeTo(geometry.measure / 2, 0.01);
      expect(page.furniture[0].y).to.be.closeTo(gridBaseline(geometry, -2), 1e-6);
    }
  });

  it('tells each side its own words, and what stands otherwise where a token says nothing', () => {
    const head = furnitureLine(
      2,
      { foreEdge: slot(token('lastHead', { level: 2, orElse: 'chapterTitle' })) },
      { foreEdge: slot(token('partTitle', { orElse: 'author' })) },
    );
    const made = withSet(start, furnitureSet({ head, foot: null }, NO_FEET));
    const composed = compose(made);
    for (const page of textPages(composed)) {
      const title = made.divisions.find(({ id }) => id === page.division)!.blocks[0];
      const recto = title.kind === 'paragraph' ? title.text : '';
      expect(said(page)['head foreEdge']).to.equal(page.side === 'recto' ? recto : 'A. Writer');
    }
  });

  it('follows the heads on the page: the first that stands there, the last, or the one that goes on', () => {
    const head = furnitureLine(2, {
      spine: slot(token('firstHead', { level: 2 })),
      foreEdge: slot(token('lastHead', { level: 2 })),
    });
    const filler = (seed: number) => p(words(260, seed));
    const made = book([
      division('chapter', [
        p('Salt', 'CT'),
        filler(1),
        p('Alum', 'AH'),
        filler(2),
        filler(3),
        p('Borax', 'AH'),
        p(words(20, 4)),
        p('Chalk', 'AH'),
        filler(5),
        filler(6),
        filler(7),
      ]),
    ]);
    const composed = compose(withSet(made, furnitureSet({ head, foot: null }, NO_FEET)));
    let running = '';
    for (const page of composed.pages) {
      const own = page.fragments
        .filter(({ paragraph, from }) => from === 0 && paragraph.styled.style.meaning === 'heading2')
        .map(({ paragraph }) => paragraph.styled.text);
      if (page.role === 'text') {
        expect(said(page)['head spine'] ?? '').to.equal(own[0] ?? running);
        expect(said(page)['head foreEdge'] ?? '').to.equal(own[own.length - 1] ?? running);
      }
      running = own[own.length - 1] ?? running;
    }
    expect(running).to.equal('Chalk');
  });

  it('is the division’s own set where it has one, and its short title', () => {
    const bare = furnitureSet(NO_FEET, NO_FEET);
    const sets = { Book: NOVEL_SPEC.furniture.sets.Book, Bare: bare };
    const titled = plainFurniture({
      verso: token('chapterTitle'),
      recto: token('chapterTitle'),
      folio: 'head',
      dropFolio: false,
    });
    const made = {
      ...start,
      spec: { ...start.spec, furniture: { set: 'Book', sets: { ...sets, Book: titled } } },
      divisions: [
        { ...start.divisions[0], shortTitle: 'Al' },
        { ...start.divisions[1], furniture: 'Bare' },
      ],
    };
    const composed = compose(made);
    for (const page of textPages(composed)) {
      if (page.division === made.divisions[1].id) expect(page.furniture).to.deep.equal([]);
      else expect(said(page)).to.deep.equal({ 'head spine': 'Al', 'head foreEdge': page.folio });
    }
  });

  it('cuts a title that is too long at a word, keeps the folio whole, and asks for a short one', () => {
    const title =
      'A Very Long Account of All That Was Ever Counted at the Harrow Landing Before the Flood of That Year';
    const set = plainFurniture({
      verso: token('chapterTitle'),
      recto: token('chapterTitle'),
      folio: 'head',
      dropFolio: false,
    });
    const composed = compose(withSet(book([chapter(title, ...long(3))]), set));
    const { geometry } = composed;
    for (const page of textPages(composed)) {
      const { 'head spine': head, 'head foreEdge': folio } = said(page);
      expect(folio).to.equal(page.folio);
      // The ellipsis is set by the house.
      expect(head).to.match(/[….]$/u);
      const kept = head.replace(/[\s….]+$/u, '');
      expect(title.startsWith(`${kept} `)).to.equal(true);
      const width = page.furniture.reduce((sum, item) => sum + item.paragraph.broken.textWidth[0], 0);
      expect(width + geometry.leading).to.be.at.most(geometry.measure + 0.01);
    }
    expect(composed.findings.filter(({ kind }) => kind === 'head-too-long').length).to.equal(1);
    expect(compose(start).findings.some(({ kind }) => kind === 'head-too-long')).to.equal(false);
  });

  it('draws its rules as wide as the measure, where there are words', () => {
    const line = {
      ...furnitureLine(2, { foreEdge: slot(token('chapterTitle')) }),
      ruleBelow: { weight: 0.5, offset: 4 },
    };
    const composed = compose(withSet(start, furnitureSet({ head: line, foot: null }, NO_FEET)));
    for (const page of composed.pages) {
      const rules = page.furnitureRules ?? [];
      expect(rules.length).to.equal(page.role === 'text' ? 1 : 0);
      for (const rule of rules)
        expect(rule).to.include({
          x: columnLeft(composed.geometry, page.side),
          width: composed.geometry.measure,
          weight: 0.5,
        });
    }
  });

  it('takes rules of whole em among the words of a slot, drawn through their white', () => {
    const ruled = (...lengths: number[]) => {
      const rules = lengths.map((length) => ({ kind: 'rule', length }) as const);
      const head = furnitureLine(2, { foreEdge: { style: 'RH', parts: [...rules, token('folio')] } });
      return withSet(start, furnitureSet({ head, foot: null }, NO_FEET));
    };
    expect(() => checkBook(JSON.parse(JSON.stringify(ruled(3))))).to.not.throw();
    for (const length of [0, 1.5, 41]) expect(() => checkBook(JSON.parse(JSON.stringify(ruled(length))))).to.throw();
    const items = (made: Book) => textPages(compose(made)).map(({ furniture }) => furniture[0].paragraph);
    const [none, three, six] = [ruled(), ruled(3), ruled(6)].map(items);
    none.forEach((plain, k) => {
      const runs = three[k].styled.runs.filter(({ line }) => line === 'through');
      expect(runs.map(({ from, to }) => three[k].styled.text.slice(from, to).replaceAll('\u2060', ''))).to.deep.equal([
        '\u2003'.repeat(3),
      ]);
      const wider = three[k].broken.textWidth[0] - plain.broken.textWidth[0];
      expect(wider).to.be.closeTo(3 * runs[0].size, 0.01);
      expect(six[k].broken.textWidth[0] - plain.broken.textWidth[0]).to.be.closeTo(2 * wider, 0.01);
    });
  });

  it('shows no folio in a run that is counted and not shown', () => {
    const hidden = { numerals: 'arabic', start: 1, prefix: '', hidden: true } as const;
    const made = { ...start, divisions: [{ ...start.divisions[0], run: hidden }, start.divisions[1]] };
    const composed = compose(made);
    expect(textPages(composed).every((page) => !('foot foreEdge' in said(page)))).to.equal(true);
    expect(composed.pages.map(({ number }) => number)).to.deep.equal(composed.pages.map((_, k) => k + 1));
  });

  it('is none on blanks, display pages and plates, whatever the starting spec', () => {
    for (const { spec } of STARTING_SPECS) {
      const made = book(
        [
          division('half-title', [p('A Book', 'HT')]),
          division('map', []),
          chapter('Alpha', ...long(4)),
          chapter('Beta', ...long(5)),
        ],
        [],
        spec,
      );
      for (const page of compose(made).pages)
        if (['blank', 'display', 'plate'].includes(page.role)) expect(page.furniture).to.deep.equal([]);
    }
  });
});

describe('touches of single pages', () => {
  const made = book([chapter('Alpha', ...long(6, 16))]);
  const composed = compose(made);
  const third = composed.pages[2];
  const { paragraph, from: line } = third.fragments[0];
  const at = paragraph.broken.from[line];
  const { block } = paragraph.styled;
  const from = paragraph.styled.source?.[at] ?? at;
  const anchors = { a1: { stream: made.divisions[0].id, block, from, to: from, words: '' } };
  const touch = { id: 't1', anchor: 'a1', madeOn: third.index };

  it('hide the head of one page and no other, and can be taken back', () => {
    const touched = { ...made, anchors, pageTouches: [{ ...touch, hideHead: true }] };
    const context = newContext();
    compose(made, context);
    const result = compose(touched, context);
    expect(essence(result)).to.deep.equal(essence(compose(touched)));
    for (const page of result.pages)
      if (page.role === 'text') expect('head foreEdge' in said(page)).to.equal(page.index !== third.index);
    expect(essence(compose(made, context))).to.deep.equal(essence(composed));
  });

  it('go with the words on which they were made', () => {
    const before = Array.from({ length: 12 }, (_, k) => p(words(150, 900 + k)));
    const [first] = made.divisions;
    const blocks = [first.blocks[0], ...before, ...first.blocks.slice(1)];
    const divisions = [{ ...first, blocks }];
    const result = compose({ ...made, divisions, anchors, pageTouches: [{ ...touch, hideFoot: true }] });
    const page = result.touched[0].page;
    expect(page).to.be.above(third.index);
    expect(result.pages[page].fragments.some((fragment) => fragment.paragraph.styled.block === block)).to.equal(true);
    expect('foot foreEdge' in said(result.pages[page])).to.equal(false);
  });

  it('say so when their words are gone', () => {
    const result = compose({
      ...made,
      anchors: { a1: { ...anchors.a1, block: 'p999999' } },
      pageTouches: [{ ...touch, hideHead: true }],
    });
    expect(result.touched).to.deep.equal([{ id: 't1', page: -1, to: -1 }]);
    expect(result.findings.some(({ kind }) => kind === 'touch-lost')).to.equal(true);
  });

  it('begin a folio run, which the contents follow', () => {
    const run = { numerals: 'Roman', start: 7, prefix: 'S-', hidden: false } as const;
    const result = compose({ ...made, anchors, pageTouches: [{ ...touch, run }] });
    expect(
      result.pages
        .slice(2)
        .map(({ folio }) => folio)
        .slice(0, 3),
    ).to.deep.equal(['S-VII', 'S-VIII', 'S-IX']);
    expect(result.pages[1].folio).to.equal('2');
  });
});

describe('touches of ranges of pages', () => {
  const made = book([chapter('Alpha', ...long(6, 30))]);
  const composed = compose(made);
  const anchorOn = (page: Page) => {
    const { paragraph, from: line } = page.fragments[0];
    const at = paragraph.broken.from[line];
    const from = paragraph.styled.source?.[at] ?? at;
    return { stream: made.divisions[0].id, block: paragraph.styled.block, from, to: from, words: '' };
  };
  const anchors = { a1: anchorOn(composed.pages[2]), a2: anchorOn(composed.pages[4]) };
  const touch = { id: 't1', anchor: 'a1', through: 'a2', madeOn: 2 };

  it('hold from the page of the one place to that of the other, whichever comes first now', () => {
    for (const own of [anchors, { a1: anchors.a2, a2: anchors.a1 }]) {
      const result = compose(checkBook({ ...made, anchors: own, pageTouches: [{ ...touch, hideHead: true }] }));
      expect(result.touched).to.deep.equal([{ id: 't1', page: 2, to: 4 }]);
      for (const page of result.pages.slice(1))
        expect('head foreEdge' in said(page), `${page.index}`).to.equal(page.index < 2 || page.index > 4);
    }
  });

  it('give other furniture, and begin a folio run on their first page alone', () => {
    const head = furnitureLine(2, { centre: slot(token('author')) });
    const sets = { ...made.spec.furniture.sets, Other: furnitureSet({ head, foot: null }, NO_FEET) };
    const spec = { ...made.spec, furniture: { ...made.spec.furniture, sets } };
    const run = { numerals: 'arabic', start: 70, prefix: '', hidden: false } as const;
    const result = compose({ ...made, spec, anchors, pageTouches: [{ ...touch, furniture: 'Other', run }] });
    expect(result.pages.slice(2, 6).map((page) => said(page)['head centre'])).to.deep.equal([
      ...['A. Writer', 'A. Writer', 'A. Writer'],
      undefined,
    ]);
    expect(result.pages.slice(2, 6).map(({ folio }) => folio)).to.deep.equal(['70', '71', '72', '73']);
  });

  it('are gone with either of their ends, and take both anchors along when they are taken back', () => {
    const lost = { a1: anchors.a1, a2: { ...anchors.a2, block: 'p999999' } };
    const result = compose({ ...made, anchors: lost, pageTouches: [{ ...touch, hideHead: true }] });
    expect(result.touched).to.deep.equal([{ id: 't1', page: -1, to: -1 }]);
    const touched = { ...made, anchors, pageTouches: [{ ...touch, hideHead: true }] };
    expect(applyEdits(touched, dropPageTouch(touched, 't1'))).to.deep.include({ anchors: {}, pageTouches: [] });
    expect(() => checkBook({ ...touched, anchors: { a1: anchors.a1 } })).to.throw('without its anchor a2');
  });
});

describe('the parts of a slot', () => {
  const start = book([chapter('Alpha', ...long(1))]);
  const tab = { kind: 'tab' } as const;

  it('a tab takes what follows to the other end of the slot, beside others to the end of its own room', () => {
    const own = { style: 'RH', parts: [token('folio'), tab, token('chapterTitle')] };
    const edgesOf = (parts: Parameters<typeof furnitureLine>[1]) => {
      const made = withSet(start, furnitureSet({ head: furnitureLine(2, parts), foot: null }, NO_FEET));
      const composed = compose(made);
      const [page] = textPages(composed);
      const list = displayPage(composed, page.index, prepare(newContext(), made));
      const heads = list.items.filter(({ artifact }) => artifact === 'head' || artifact === 'folio');
      return { list, heads, left: columnLeft(composed.geometry, page.side), measure: composed.geometry.measure };
    };
    const { list, heads, left, measure } = edgesOf({ spine: own });
    expect(list.xs[heads[0].first]).to.be.closeTo(left, 0.01);
    expect(heads.at(-1)!.endX).to.be.closeTo(left + measure, 0.01);
    expect(heads.map(({ text }) => text.replace(/\s+/g, ' ').trim()).join(' ')).to.equal('2 Alpha');
    // The other slot keeps its place: nothing stands over it.
    const both = edgesOf({ spine: own, foreEdge: slot(token('author')) });
    const author = both.heads.filter(({ text }) => text.includes('Writer') || text.includes('A.'));
    const others = both.heads.filter((item) => !author.includes(item));
    const span = (items: typeof heads) => [
      Math.min(...items.map((item) => both.list.xs[item.first])),
      Math.max(...items.map(({ endX }) => endX)),
    ];
    const [[a, b], [c, d]] = [span(author), span(others)];
    expect(b < c || d < a).to.equal(true);
  });

  it('a section’s first page has furniture of its own, until then that of text pages', () => {
    const head = furnitureLine(2, { centre: slot(token('title')) });
    const first = furnitureLine(2, { centre: slot(token('section')) });
    const text = { head, foot: null };
    const [division1] = start.divisions;
    const blocks = division1.blocks.map((block, k) =>
      k === 6 ? { ...block, touches: { section: 'The Tow', breakBefore: true as const } } : block,
    );
    const made = { ...start, divisions: [{ ...division1, blocks }] };
    const set = furnitureSet(text, NO_FEET);
    const plain = compose(withSet(made, set));
    const sectionPage = plain.pages.findIndex(({ fragments }) => fragments[0].paragraph.styled.block === blocks[6].id);
    expect(said(plain.pages[sectionPage])).to.deep.equal({ 'head centre': 'A Book' });
    const own = { roles: { ...set.roles, section: { head: first, foot: null } } };
    const composed = compose(withSet(made, own));
    expect(composed.pages.map((page) => said(page)['head centre'])).to.deep.equal(
      composed.pages.map(({ index, role }) =>
        role === 'opener' ? undefined : index === sectionPage ? 'The Tow' : 'A Book',
      ),
    );
  });
});

describe('where divisions begin', () => {
  const tail = (seed: number) => [p(words(30, seed))];
  const piece = (title: string, seed: number, rest: object = {}) =>
    division('chapter', [p(title, 'CT'), ...tail(seed)], rest);

  it('goes on on the page, its head clear of the text before it, and the heads follow', () => {
    const made = book([piece('Alpha', 1), piece('Beta', 2, { start: 'same' }), piece('Gamma', 3, { start: 'same' })]);
    const composed = compose(made);
    expect(composed.pages.length).to.equal(1);
    const stood = composed.pages[0].fragments.map(({ paragraph }) => paragraph.styled.text.slice(0, 5));
    expect(stood.filter((text) => /^(Alpha|Beta|Gamma)/.test(text))).to.deep.equal(['Alpha', 'Beta', 'Gamma']);
    expect(composed.extents.map(({ firstPage }) => firstPage)).to.deep.equal([0, 0, 0]);
    const context = newContext();
    compose(book([piece('Alpha', 1)]), context);
    expect(essence(compose(made, context))).to.deep.equal(essence(composed));
  });

  it('leaves out of print what is left out, and counts no page for it', () => {
    const all = [piece('Alpha', 1), piece('Beta', 2), piece('Gamma', 3)];
    const made = book([all[0], { ...all[1], notInPrint: true }, all[2]]);
    expect(compose(made).pages.map(({ division: id }) => id)).to.deep.equal([all[0].id, all[2].id]);
  });

  it('begins a paragraph on the side that its style asks for, the page before it empty where it must', () => {
    const styles = { ...NOVEL_SPEC.styles, AH: { ...NOVEL_SPEC.styles.AH, breakBefore: 'recto' as const } };
    for (const count of [2, 7, 12, 17]) {
      const blocks = [
        p('One', 'CT'),
        ...Array.from({ length: count }, (_, k) => p(words(120, k))),
        p('Head', 'AH'),
        p(words(90, 99)),
      ];
      const composed = compose(book([division('chapter', blocks)], [], { ...NOVEL_SPEC, styles }));
      const page = composed.pages.find(({ fragments }) =>
        fragments.some(({ paragraph }) => paragraph.styled.text === 'Head'),
      )!;
      expect(page.side).to.equal('recto');
      expect(page.fragments[0].paragraph.styled.text).to.equal('Head');
      for (const other of composed.pages.filter(({ fragments }) => fragments.length === 0)) {
        expect(other.role).to.equal('blank');
        expect(other.furniture).to.deep.equal([]);
      }
    }
  });

  it('sinks one division deeper than others of its kind, its text start with it', () => {
    const [one, two] = [piece('Alpha', 1), piece('Beta', 2, { sink: 9 })];
    const { pages, geometry } = compose(book([one, two]));
    const topOf = (k: number) => (pages[k].fragments[0].y - gridBaseline(geometry, 0)) / geometry.leading;
    expect(topOf(1) - topOf(0)).to.be.closeTo(9 - NOVEL_SPEC.openers.sink, 1e-6);
  });
});

describe('the furniture of old books', () => {
  it('is set anew by one edit that can be taken back', () => {
    const start = book([chapter('Alpha', ...long(8))]);
    const set = plainFurniture({ verso: null, recto: null, folio: 'centre', dropFolio: true }) as unknown as Plain;
    const change = setSpecEdit(start, ['furniture', 'sets', 'Book'], set);
    expect(compose(applyEdits(start, [change])).pages.every((page) => page.furniture.length <= 1)).to.equal(true);
  });
});
