import { expect } from 'chai';
import { applyEdit, setTouchesEdit } from '../../../src/core/edit';
import type { Book } from '../../../src/core/model/copy/book';
import type { TypesetBook } from '../../../src/core/model/composed/pages';
import { tieState } from '../../../src/core/model/answers/ties';
import type { ParagraphTouches } from '../../../src/core/model/copy/streams';
import { compose, drain, newContext } from '../../build/assets';
import { essence } from '../../build/essence';
import { bookTies, paragraphFacts, wishCosts } from '../../../src/core/typeset';
import { book, chapter, note, words } from '../../build/book';

describe('wishes for a paragraph, through the whole composing', () => {
  const made = book([chapter('One', ...Array.from({ length: 30 }, (_, k) => words(60 + (k % 5) * 22, k)))]);
  const [division] = made.divisions;
  const id = division.blocks[14].id;
  const wish = (touches: ParagraphTouches, from: Book = made) =>
    applyEdit(from, setTouchesEdit(from, division.id, id, touches)!);
  const placesOf = (set: Book) =>
    compose(set).pages.flatMap((page) =>
      page.fragments
        .filter(({ paragraph }) => paragraph.styled.block === id)
        .map((fragment) => ({ page, fragment, isFirst: page.fragments[0] === fragment })),
    );

  it('begins a page', () => {
    const [place] = placesOf(wish({ breakBefore: true }));
    expect(place.isFirst).to.equal(true);
    expect(place.fragment.from).to.equal(0);
  });

  it('runs a line longer, whatever its lines come to', () => {
    const lines = (set: Book) => placesOf(set)[0].fragment.paragraph.broken.count;
    expect(lines(wish({ lines: 1 }))).to.equal(lines(made) + 1);
  });

  it('stays whole, with the paragraph after it', () => {
    const places = placesOf(wish({ together: true }));
    expect(places).to.have.length(1);
    const next = division.blocks[15].id;
    expect(places[0].page.fragments.some(({ paragraph }) => paragraph.styled.block === next)).to.equal(true);
  });

  it('runs its spread a line short', () => {
    const [place] = placesOf(wish({ spread: -1 }));
    expect(place.page.depth).to.equal(-1);
  });

  it('costs what it is said to cost beforehand, and asking changes nothing', () => {
    const context = newContext();
    const composed = compose(made, context);
    /** The lines of every page of the chapter, as they stand. */
    const linesOf = (set: TypesetBook) =>
      set.pages
        .filter((page) => page.division === division.id && page.role !== 'blank')
        .map(({ fragments }) =>
          fragments.map(({ paragraph: { styled, broken }, from, to, y }) => [styled.block, broken.from[from], to, y]),
        );
    const now = linesOf(composed);
    /** Grid lines from the head of the chapter’s first page to its last line, pages before counted whole. */
    const endOf = ({ pages, geometry }: TypesetBook) => {
      const own = pages.filter((page) => page.division === division.id && page.role !== 'blank');
      const baselines = own[own.length - 1].fragments.flatMap(({ y, from, to }) =>
        Array.from({ length: to - from }, (_, line) => y + line * geometry.leading),
      );
      const used = (Math.max(...baselines) - geometry.head - geometry.capHeight) / geometry.leading + 1;
      return Math.round((own.length - 1) * geometry.lines + used);
    };
    const wished: readonly ParagraphTouches[] = [
      { lines: 1 },
      { lines: -1 },
      { breakBefore: true },
      { spread: -1 },
      {},
    ];
    for (const at of [3, 14, 27]) {
      const place = { stream: division.id, block: division.blocks[at].id };
      const costs = drain(wishCosts({ book: made, composed, context }, place, wished));
      wished.forEach((touches, k) => {
        const edit = setTouchesEdit(made, place.stream, place.block, touches);
        const tried = edit === null ? composed : compose(applyEdit(made, edit));
        const then = edit === null ? now : linesOf(tried);
        const count = Math.max(now.length, then.length);
        const changed = Array.from(
          { length: count },
          (_, page) => JSON.stringify(now[page]) !== JSON.stringify(then[page]),
        );
        expect(costs[k], JSON.stringify(touches)).to.deep.equal({
          pages: changed.filter((is) => is).length,
          more: then.length - now.length,
          lines: endOf(tried) - endOf(composed),
        });
      });
    }
    expect(essence(compose(made, context))).to.deep.equal(essence(composed));
    const nowhere = { stream: 'd999', block: 'p1' };
    expect(drain(wishCosts({ book: made, composed, context }, nowhere, [{ lines: 1 }]))).to.deep.equal([null]);
  });

  it('gives the same pages when the book was known before', () => {
    const context = newContext();
    compose(made, context);
    const changed = wish({ breakBefore: true });
    expect(essence(compose(changed, context))).to.deep.equal(essence(compose(changed)));
  });
});

describe('ties by rule', () => {
  const text = 'On 12 May Mrs Vane and Mr Tarrant rowed. Mrs Vane was tired; Mr Orme, of p. 9, was not.';
  const made = book([chapter('One', text, 'And Mrs Vane slept.{1}', 'No more.')], [note(1, 'Ask Mrs Vane.')]);
  const [division] = made.divisions;
  const id = division.blocks[1].id;

  it('are listed with their counts, those in notes and lifted ones too', () => {
    const lifted = { ...made, spec: { ...made.spec, text: { ...made.spec.text, liftedTies: ['Mr Orme'] } } };
    expect(bookTies(compose(lifted))).to.deep.equal([
      { words: 'Mrs Vane', count: 4 },
      { words: '12 May', count: 1 },
      { words: 'Mr Orme', count: 1 },
      { words: 'Mr Tarrant', count: 1 },
      { words: 'p. 9', count: 1 },
    ]);
    const none = { ...made, spec: { ...made.spec, text: { ...made.spec.text, ties: false } } };
    expect(bookTies(compose(none))).to.deep.equal([]);
  });

  it('are lifted in one paragraph, and listed there as they are', () => {
    const here = applyEdit(made, setTouchesEdit(made, division.id, id, { liftedTies: ['Mr Nobody', 'Mrs Vane'] })!);
    const spec = { ...here.spec, text: { ...here.spec.text, liftedTies: ['p. 9'] } };
    const both = { ...here, spec };
    const context = newContext();
    const composed = compose(both, context);
    const facts = paragraphFacts(both, composed, context, division.id, id)!;
    const state = (tied: string) => tieState(tied, ['Mr Nobody', 'Mrs Vane'], ['p. 9']);
    expect(facts.ties.map((tied) => `${tied}: ${state(tied)}`)).to.deep.equal([
      '12 May: tied',
      'Mrs Vane: here',
      'Mr Tarrant: tied',
      'Mr Orme: tied',
      'p. 9: book',
    ]);
    // Between words that are untied a line may end: their paragraph alone is broken otherwise.
    const tiesOf = (of: Book, block: string) => {
      const known = newContext();
      const { pages } = compose(of, known);
      const all = pages.flatMap((page) => page.fragments);
      return all.find(({ paragraph }) => paragraph.styled.block === block)!.paragraph.styled.style.liftedTies;
    };
    expect(tiesOf(both, id)).to.deep.equal(['p. 9', 'Mr Nobody', 'Mrs Vane']);
    expect(tiesOf(both, division.blocks[2].id)).to.deep.equal(['p. 9']);
  });

  it('let a line end where they are lifted', () => {
    const many = Array.from({ length: 60 }, (_, k) => `Mrs Vane ${'aeiou'[k % 5]}${k}`).join(' ');
    const plain = book([chapter('One', many)]);
    const block = plain.divisions[0].blocks[1].id;
    const untied = applyEdit(plain, setTouchesEdit(plain, plain.divisions[0].id, block, { liftedTies: ['Mrs Vane'] })!);
    const cuts = (of: Book) =>
      compose(of)
        .pages.flatMap((page) => page.fragments)
        .filter(({ paragraph }) => paragraph.styled.block === block)
        .flatMap(({ paragraph: { styled, broken }, from, to }) =>
          Array.from({ length: to - from }, (_, k) => styled.text.slice(0, broken.to[from + k]).trimEnd()),
        )
        .filter((before) => /Mrs$/.test(before));
    expect(cuts(plain)).to.deep.equal([]);
    expect(cuts(untied).length).to.be.at.least(1);
  });
});
