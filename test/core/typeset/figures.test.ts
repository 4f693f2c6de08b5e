// Figures of the book on pages: each place, several parts, widths, and what an edit elsewhere leaves alone.
import { expect } from 'chai';
import fc from 'fast-check';
import { applyEdits, setFigureEdit } from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/copy/book';
import type { Figure } from '../../../src/core/model/copy/figures';
import { FIGURE_PLACES, PLAIN_FIGURE, type FigureSetting } from '../../../src/core/model/copy/figureSetting';
import { gridBaseline, type Fragment, type TypesetBook } from '../../../src/core/model/composed/pages';
import { OBJECT_CHARACTER, paragraph, type Block, type PictureFacts } from '../../../src/core/model/copy/streams';
import { displayPage, paragraphFacts, tryEdits, wishCosts } from '../../../src/core/typeset';
import { compose, drain, newContext } from '../../build/assets';
import { book, chapter, note, p, resetIds, words } from '../../build/book';
import { factsOf, pngOf } from '../../build/pictures';

const WIDE = factsOf(pngOf(600, 300));

function figure(
  number: number,
  setting: Partial<FigureSetting> = {},
  pictures: readonly PictureFacts[] = [WIDE],
): Figure {
  const text = (letter: string, style: string, said: string) => ({
    id: `s${number}${letter}`,
    blocks: [paragraph(`p9${number}${letter}`, style, said)],
  });
  return {
    ...PLAIN_FIGURE,
    ...setting,
    id: `f${number}`,
    parts: pictures.map((one) => ({ picture: one })),
    caption: text('1', 'CAP', 'A section of the wall.'),
    credit: text('2', 'CR', 'By the crew.'),
  };
}

const mark = (id: string, number: number): Block =>
  paragraph(id, 'TX', OBJECT_CHARACTER, { objects: [{ at: 0, kind: 'figure', figure: `f${number}` }] });

function bookOf(blocks: readonly Block[], figures: readonly Figure[]): Book {
  const one = chapter('One', words(60, 1));
  const made = book([{ ...one, blocks: [...one.blocks, ...blocks] }]);
  return { ...made, figures: Object.fromEntries(figures.map((each) => [each.id, each])) };
}

const prose = (k: number) => p(words(90, 20 + k));

/** Where a block stands first: its page and fragment. */
function placeOf({ pages }: TypesetBook, block: string): { readonly page: number; readonly fragment: Fragment } {
  for (const { index, fragments } of pages)
    for (const fragment of fragments) if (fragment.paragraph.styled.block === block) return { page: index, fragment };
  throw new Error(`${block} stands on no page`);
}

const styleOf = ({ fragment }: ReturnType<typeof placeOf>) => fragment.paragraph.styled.style;
const isOfFigure = ({ paragraph: { styled } }: Fragment) =>
  styled.style.pictures !== undefined || styled.style.meaning === 'caption';

describe('a figure with a place of its own', () => {
  beforeEach(resetIds);

  const blocks = () => [prose(1), mark('p500', 1), ...[2, 3, 4, 5].map(prose)];

  it('stands at the head of a page: picture, caption, credit line, then the text', () => {
    const composed = compose(bookOf(blocks(), [figure(1, { place: 'head' })]));
    const { geometry } = composed;
    const picture = placeOf(composed, 'p500');
    const top = picture.fragment.y - styleOf(picture).leading + geometry.leading - geometry.capHeight;
    expect(top).to.be.closeTo(geometry.head, 1e-6);
    const [caption, credit] = ['p911', 'p912'].map((id) => placeOf(composed, id));
    expect([caption.page, credit.page]).to.deep.equal([picture.page, picture.page]);
    expect(caption.fragment.y).to.be.closeTo(picture.fragment.y + styleOf(caption).leading, 1e-6);
    // The credit line follows at once.
    expect(credit.fragment.y - caption.fragment.y).to.be.closeTo(styleOf(credit).leading, 1e-6);
    const text = composed.pages[picture.page].fragments.filter((one) => !isOfFigure(one));
    for (const { y } of text) expect(y - geometry.leading).to.be.above(credit.fragment.y);
  });

  it('stands at the foot of a page, its last line on the foot line, or over the notes', () => {
    const composed = compose(bookOf(blocks(), [figure(1, { place: 'foot' })]));
    const { geometry } = composed;
    const { page, fragment } = placeOf(composed, 'p912');
    const depth = composed.pages[page].depth;
    expect(fragment.y).to.be.closeTo(gridBaseline(geometry, geometry.lines - 1 + depth), 1e-6);
    const picture = placeOf(composed, 'p500');
    for (const one of composed.pages[page].fragments.filter((each) => !isOfFigure(each)))
      expect(one.y + (one.to - one.from - 1) * geometry.leading).to.be.below(
        picture.fragment.y - styleOf(picture).leading + geometry.leading - geometry.capHeight,
      );

    const noted = (k: number) => p(`${words(45, 20 + k)}{${k}} ${words(45, 40 + k)}`);
    const all = [noted(1), mark('p500', 1), ...[2, 3, 4, 5].map(noted)];
    const notes = Object.fromEntries([1, 2, 3, 4, 5].map((k) => [`n${k}`, note(k, words(12, k))]));
    const withNotes = compose({ ...bookOf(all, [figure(1, { place: 'foot' })]), notes });
    const own = placeOf(withNotes, 'p912');
    const [first] = withNotes.pages[own.page].notes;
    expect(own.fragment.y).to.be.below(first.y - first.paragraph.styled.style.leading);
  });

  it('on a page by itself leaves the text to go on, without a running head, its caption on the foot line', () => {
    const context = newContext();
    const made = bookOf([prose(1), prose(2), mark('p500', 1), ...[3, 4, 5].map(prose)], [figure(1, { place: 'page' })]);
    const composed = compose(made, context);
    const { geometry } = composed;
    const { page } = placeOf(composed, 'p500');
    const own = composed.pages[page];
    expect(own.role).to.equal('plate');
    expect(own.fragments.every(isOfFigure)).to.equal(true);
    expect(placeOf(composed, 'p912').fragment.y).to.be.closeTo(
      gridBaseline(geometry, geometry.lines - 1 + own.depth),
      1e-6,
    );
    const heads = displayPage(composed, page, context).items.filter(({ y }) => y < geometry.head);
    expect(heads).to.deep.equal([]);
    // The page before is full of text, and it goes on behind.
    const before = composed.pages[page - 1];
    const last = before.fragments[before.fragments.length - 1];
    expect(last.y + (last.to - last.from - 1) * geometry.leading).to.be.closeTo(
      gridBaseline(geometry, geometry.lines - 1 + before.depth),
      1e-6,
    );
    expect(composed.pages[page + 1].fragments.some(isOfFigure)).to.equal(false);
  });

  it('never comes before the page of its reference, nor before a figure that comes before it', () => {
    const setting = fc.record({
      place: fc.constantFrom(...FIGURE_PLACES),
      width: fc.constantFrom('shown' as const, 90, 200),
    });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(setting, fc.integer({ min: 20, max: 160 })), { minLength: 1, maxLength: 6 }),
        (list) => {
          resetIds();
          const own = list.map(([one], k) => figure(k + 1, one));
          const all = list.flatMap(([, length], k): Block[] => [
            paragraph(`p6${k}`, 'TX', words(length, k + 3)),
            mark(`p5${k}0`, k + 1),
          ]);
          const context = newContext();
          const composed = compose(bookOf([...all, prose(9)], own), context);
          const pages = own.map((_, k) => placeOf(composed, `p5${k}0`).page);
          expect(pages).to.deep.equal([...pages].sort((a, b) => a - b));
          own.forEach(({ caption, credit }, k) => {
            expect(pages[k]).to.be.at.least(placeOf(composed, `p6${k}`).page);
            // With its caption and its credit line, always.
            for (const {
              blocks: [{ id }],
            } of [caption, credit])
              expect(placeOf(composed, id).page).to.equal(pages[k]);
          });
          const shown = composed.pages.flatMap((page) => displayPage(composed, page.index, context).pictures);
          // Halves of one over two pages are shown on each.
          const halves = own.filter(({ place }) => place === 'spread').length;
          expect(shown).to.have.length(own.length + halves);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('is told as a figure of its own stream where it is pointed at, and each place says what it would cost', () => {
    const context = newContext();
    const made = bookOf(blocks(), [figure(1)]);
    const composed = compose(made, context);
    expect(placeOf(composed, 'p911').fragment.paragraph.styled.stream).to.equal('s11');
    const place = { stream: made.divisions[0].id, block: 'p500' };
    // At each place it is known by the paragraph of its mark.
    for (const one of FIGURE_PLACES) {
      const there = applyEdits(made, [setFigureEdit(made, 'f1', { place: one, width: 100 })!]);
      const own = newContext();
      const facts = paragraphFacts(there, compose(there, own), own, place.stream, place.block);
      expect(facts?.pictures[0].width, one).to.be.closeTo(100, 1e-6);
    }
    const wishes = FIGURE_PLACES.map((one) => ({ figure: { place: one } }));
    const costs = drain(wishCosts({ book: made, composed, context }, place, wishes));
    expect(costs[0]).to.deep.equal({ pages: 0, more: 0, lines: 0 });
    expect(costs[FIGURE_PLACES.indexOf('page')]?.pages).to.be.above(0);
  });

  it('that its mark among words brings stands after its paragraph, and the words stay one paragraph', () => {
    const text = `${words(30, 5)} ${OBJECT_CHARACTER}${words(20, 6)}`;
    const at = text.indexOf(OBJECT_CHARACTER);
    const tied = paragraph('p700', 'TX', text, { objects: [{ at, kind: 'figure', figure: 'f1' }] });
    const composed = compose(bookOf([tied, prose(2)], [figure(1, { width: 60 })]));
    const { page, fragment } = placeOf(composed, 'f1');
    const words700 = composed.pages[page].fragments.find(({ paragraph: { styled } }) => styled.block === 'p700')!;
    expect(words700.paragraph.styled.text).to.not.include(OBJECT_CHARACTER);
    expect(fragment.y - styleOf(placeOf(composed, 'f1')).leading).to.be.above(words700.y);
  });

  it('after edits stands where a compose from the start puts it', () => {
    const context = newContext();
    const kinds = fc.constantFrom(...FIGURE_PLACES);
    let made = bookOf([...blocks(), mark('p501', 2), prose(7), prose(8)], [figure(1), figure(2, { width: 120 })]);
    compose(made, context);
    fc.assert(
      fc.property(kinds, kinds, fc.integer({ min: 30, max: 140 }), (a, b, length) => {
        const edits = [setFigureEdit(made, 'f1', { place: a }), setFigureEdit(made, 'f2', { place: b })];
        made = applyEdits(
          made,
          edits.flatMap((edit) => edit ?? []),
        );
        const [one] = made.divisions;
        const typed = { ...(one.blocks[2] as ReturnType<typeof p>), text: words(length, length) };
        made = { ...made, divisions: [{ ...one, blocks: one.blocks.with(2, typed) }] };
        const drawn = (composed: TypesetBook) =>
          composed.pages.map(({ fragments }) =>
            fragments.map(({ paragraph: { styled }, from, to, y }) => `${styled.block} ${from}-${to} ${y.toFixed(3)}`),
          );
        expect(drawn(compose(made, context))).to.deep.equal(drawn(compose(made)));
      }),
      { numRuns: 15 },
    );
  });

  it('can be tried in another place without a trace', () => {
    const context = newContext();
    const made = bookOf(blocks(), [figure(1)]);
    const composed = compose(made, context);
    const edit = setFigureEdit(made, 'f1', { place: 'page' })!;
    const tried = drain(tryEdits({ book: made, composed, context }, [edit]));
    expect(tried.composed.pages.some(({ role }) => role === 'plate')).to.equal(true);
    expect(compose(made, context).pages.map(({ role }) => role)).to.deep.equal(composed.pages.map(({ role }) => role));
  });
});

describe('a figure of several parts', () => {
  beforeEach(resetIds);

  const parts = [factsOf(pngOf(60, 40)), factsOf(pngOf(30, 50)), factsOf(pngOf(80, 30))];

  it('has them side by side, as high as each other, as wide as is wished, with a letter under the middle of each', () => {
    const composed = compose(bookOf([mark('p500', 1), p('After.')], [figure(1, { width: 'column' }, parts)]));
    const { geometry } = composed;
    const place = placeOf(composed, 'p500');
    const { pictures = [] } = styleOf(place);
    expect(new Set(pictures.map(({ height }) => height.toFixed(6))).size).to.equal(1);
    pictures.forEach(({ width, height }, k) =>
      expect(width / height).to.be.closeTo(parts[k].width / parts[k].height, 1e-6),
    );
    const last = pictures[pictures.length - 1];
    expect([pictures[0].x, last.x + last.width]).to.deep.equal([0, geometry.measure].map((x) => x));
    for (let k = 1; k < pictures.length; k += 1)
      expect(pictures[k].x).to.be.above(pictures[k - 1].x + pictures[k - 1].width);
    const letters = composed.pages[place.page].fragments.filter(
      ({ paragraph: { styled } }) => styled.block === 'p500' && styled.style.pictures === undefined,
    );
    expect(letters).to.have.length(1);
    expect(letters[0].paragraph.styled.text.replace(/\s+/g, ' ').trim()).to.equal('(a) (b) (c)');
    expect(styleOf({ ...place, fragment: letters[0] }).tabs.map(({ at }) => at)).to.deep.equal(
      pictures.map(({ x, width }) => x + width / 2),
    );
  });

  it('is as wide as is typed, never wider than its column', () => {
    const widthOf = (width: FigureSetting['width']) => {
      const composed = compose(bookOf([mark('p500', 1)], [figure(1, { width })]));
      return { width: styleOf(placeOf(composed, 'p500')).pictures![0].width, measure: composed.geometry.measure };
    };
    expect(widthOf(120).width).to.be.closeTo(120, 1e-9);
    const { width, measure } = widthOf(9999);
    expect(width).to.be.closeTo(measure, 1e-9);
    expect(widthOf('column').width).to.be.closeTo(measure, 1e-9);
  });

  it('reaches into the outer margin of its page, or from trim to trim and into the bleed, on either side', () => {
    const bleed = Object.fromEntries(
      ['head', 'foot', 'back', 'foreEdge'].map((edge) => [edge, { pt: 9, unit: 'pt' }]),
    ) as unknown as Book['spec']['page']['bleed'];
    const drawn = (width: FigureSetting['width'], before: number, hasBleed = true) => {
      const context = newContext();
      const made = bookOf(
        [...Array.from({ length: before }, (_, k) => prose(k)), mark('p500', 1)],
        [figure(1, { width })],
      );
      const spec = hasBleed ? { ...made.spec, page: { ...made.spec.page, bleed } } : made.spec;
      const composed = compose({ ...made, spec }, context);
      const { page } = placeOf(composed, 'p500');
      const [item] = displayPage(composed, page, context).pictures;
      return { item, geometry: composed.geometry, side: composed.pages[page].side, composed };
    };
    const sides = new Set<string>();
    for (const before of [1, 4, 7]) {
      const { item, geometry, side } = drawn('margin', before);
      sides.add(side);
      expect(item.width).to.be.closeTo(geometry.measure + geometry.foreEdge / 2, 1e-6);
      // Half of the outer margin stays white, on whichever side that is.
      const outer = side === 'recto' ? geometry.width - item.x - item.width : item.x;
      expect(outer).to.be.closeTo(geometry.foreEdge / 2, 1e-6);
      const bled = drawn('trim', before);
      expect([bled.item.x, bled.item.x + bled.item.width]).to.deep.equal([-9, geometry.width + 9]);
    }
    expect([...sides].sort()).to.deep.equal(['recto', 'verso']);
    const told = (hasBleed: boolean) =>
      drawn('trim', 1, hasBleed).composed.findings.some(({ kind }) => kind === 'picture-without-bleed');
    expect([told(true), told(false)]).to.deep.equal([false, true]);
  });
});

describe('a figure that waits', () => {
  beforeEach(resetIds);

  it('for pages is told, with how many; at the head of the next page it is where it should be', () => {
    const pictures = Array.from({ length: 5 }, (_, k) => figure(k + 1, { place: 'head', width: 'column' }));
    const marks = pictures.map((_, k) => mark(`p50${k}`, k + 1));
    const composed = compose(bookOf([prose(1), ...marks, ...[2, 3, 4, 5, 6, 7, 8, 9].map(prose)], pictures));
    const late = composed.findings.filter(({ kind }) => kind === 'figure-late');
    expect(late.length).to.be.above(0);
    const reference = composed.pages.findIndex(({ fragments }) =>
      fragments.some((one) => one.paragraph.styled.text.startsWith(words(90, 21).slice(0, 20))),
    );
    for (const { block, message } of late) {
      const away = placeOf(composed, block).page - reference;
      expect(away).to.be.above(1);
      expect(message).to.include(`${away} pages after`);
    }
    const next = compose(bookOf([prose(1), mark('p500', 1), prose(2), prose(3)], [figure(1, { place: 'next' })]));
    expect(next.findings.map(({ kind }) => kind)).to.not.include('figure-late');
  });
});

describe('the caption of a figure', () => {
  beforeEach(resetIds);
  const at = (
    captionAt: FigureSetting['captionAt'],
    place: FigureSetting['place'],
    width: FigureSetting['width'] = 120,
  ) => {
    const composed = compose(
      bookOf([prose(1), mark('p500', 1), prose(2), prose(3)], [figure(1, { captionAt, place, width })]),
    );
    const [picture, caption, credit] = ['p500', 'p911', 'p912'].map((id) => placeOf(composed, id));
    expect([caption.page, credit.page]).to.deep.equal([picture.page, picture.page]);
    const { fragment } = picture;
    const [set] = styleOf(picture).pictures!;
    const top = fragment.y - set.height;
    const text = composed.pages[picture.page].fragments.filter((one) => !isOfFigure(one));
    const lines = text.flatMap(({ y, from, to }) =>
      Array.from({ length: to - from }, (_, k) => y + k * composed.geometry.leading),
    );
    return { composed, picture, caption: caption.fragment, credit: credit.fragment, set, top, lines };
  };

  for (const place of ['here', 'head', 'foot', 'page'] as const)
    it(`stands above it, and the picture follows: ${place}`, () => {
      const { caption, credit, top, picture, lines } = at('above', place);
      expect(caption.y).to.be.below(credit.y);
      expect(credit.y).to.be.below(top);
      if (place !== 'page') expect(top - credit.y).to.be.below(30);
      // No line of text between or in them.
      expect(lines.filter((y) => y > caption.y - 8 && y < picture.fragment.y)).to.deep.equal([]);
    });

  for (const place of ['here', 'head', 'foot', 'page'] as const)
    it(`stands beside it, its last line on the foot of the picture: ${place}`, () => {
      const { caption, credit, set, picture, top, composed, lines } = at('beside', place);
      expect(caption.x).to.be.above(picture.fragment.x + set.x + set.width);
      expect(credit.y).to.be.closeTo(picture.fragment.y, 0.01);
      expect(caption.y).to.be.above(top);
      const right = caption.x + caption.paragraph.broken.width[0];
      expect(right).to.be.at.most(composed.geometry.measure + 0.01);
      expect(lines.filter((y) => y > top + 1 && y < picture.fragment.y + 1)).to.deep.equal([]);
    });

  it('is below where there is no room beside, and of several parts', () => {
    const { caption, picture } = at('beside', 'here', 'trim');
    expect(caption.y).to.be.above(picture.fragment.y);
    const parts = [factsOf(pngOf(60, 40)), factsOf(pngOf(30, 50))];
    const composed = compose(bookOf([mark('p500', 1)], [figure(1, { captionAt: 'above' }, parts)]));
    expect(placeOf(composed, 'p911').fragment.y).to.be.above(placeOf(composed, 'p500').fragment.y);
  });
});

describe('a figure over two facing pages', () => {
  beforeEach(resetIds);
  const across = (setting: Partial<FigureSetting>, before = 3) => {
    const context = newContext();
    const made = bookOf(
      [...Array.from({ length: before }, (_, k) => prose(k)), mark('p500', 1), prose(11), prose(12), prose(13)],
      [figure(1, { place: 'spread', ...setting })],
    );
    const bleed = Object.fromEntries(
      ['head', 'foot', 'back', 'foreEdge'].map((edge) => [edge, { pt: 9, unit: 'pt' }]),
    ) as unknown as Book['spec']['page']['bleed'];
    const spec = { ...made.spec, page: { ...made.spec.page, bleed } };
    const composed = compose({ ...made, spec }, context);
    const halves = composed.pages.flatMap((page) =>
      displayPage(composed, page.index, context).pictures.map((item) => ({ page, item })),
    );
    return { composed, halves };
  };

  it('has its halves on a verso and the recto after it, and meets at the fold', () => {
    for (const before of [1, 2, 3, 4, 5, 6]) {
      const { composed, halves } = across({ width: 'column' }, before);
      expect(halves.map(({ page }) => page.side)).to.deep.equal(['verso', 'recto']);
      const [verso, recto] = halves;
      expect(recto.page.index - verso.page.index).to.equal(1);
      expect([verso.page.role, recto.page.role]).to.deep.equal(['plate', 'plate']);
      const { width, foreEdge } = composed.geometry;
      expect(verso.item.x).to.be.closeTo(foreEdge, 1e-6);
      expect(recto.item.x).to.be.closeTo(verso.item.x - width, 1e-6);
      expect(recto.item.x + recto.item.width).to.be.closeTo(width - foreEdge, 1e-6);
      expect(recto.item.y).to.equal(verso.item.y);
      // Its captions stand once, under it; the text goes on past it, and no page before it is short.
      const captions = composed.pages.flatMap(({ index, fragments }) =>
        fragments.filter(({ paragraph: { styled } }) => styled.style.meaning === 'caption').map(() => index),
      );
      expect(captions).to.deep.equal([verso.page.index, verso.page.index]);
      expect(composed.pages.some(({ role }) => role === 'blank')).to.equal(false);
    }
  });

  it('fills both pages to the bleed, and has at the fold what is to be lost there on both', () => {
    const { composed, halves } = across({ width: 'trim', fold: 5 });
    const { width, height } = composed.geometry;
    const [verso, recto] = halves.map(({ item }) => item);
    expect([verso.x, verso.width]).to.deep.equal([-9 - 5, 2 * width + 18]);
    expect(recto.x).to.be.closeTo(-width - 9 + 5, 1e-6);
    // What of the picture is on the cut edge at the fold: the verso shows 5 points more, the recto begins 5 before.
    expect([width - verso.x, -recto.x].map((at) => at - (width + 9))).to.deep.equal([5, -5]);
    expect(verso.y).to.equal(-9);
    expect(verso.y + verso.height).to.be.below(height - 20);
    // Each is seen on its page alone, as far as the bleed.
    for (const { clip } of [verso, recto]) expect(clip).to.deep.equal({ x: -9, width: width + 18 });
    expect(composed.findings.map(({ kind }) => kind)).to.not.include.members(['picture-without-bleed', 'off-page']);
  });

  it('takes one page in a book without facing pages or in columns, and of several parts', () => {
    const shown = (change: (spec: Book['spec']) => Book['spec'], pictures: readonly PictureFacts[] = [WIDE]) => {
      const made = bookOf([prose(1), mark('p500', 1), prose(2)], [figure(1, { place: 'spread' }, pictures)]);
      const composed = compose({ ...made, spec: change(made.spec) });
      return composed.pages.filter(({ role }) => role === 'plate').length;
    };
    expect(shown((spec) => spec)).to.equal(2);
    expect(shown((spec) => ({ ...spec, page: { ...spec.page, facing: false } }))).to.equal(1);
    expect(shown((spec) => spec, [WIDE, WIDE])).to.equal(1);
  });

  it('alone on its page fills it to the bleed, its captions on the foot line', () => {
    const { composed, halves } = across({ place: 'page', width: 'trim' });
    const [{ item }] = halves;
    expect(halves).to.have.length(1);
    expect([item.x, item.y, item.width]).to.deep.equal([-9, -9, composed.geometry.width + 18]);
    const caption = placeOf(composed, 'p911').fragment;
    expect(caption.y - caption.paragraph.styled.style.size).to.be.above(item.y + item.height);
  });
});
