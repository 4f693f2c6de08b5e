// Ranges of pages as a person types them, and touches that hold over them.
import { expect } from 'chai';
import { editUndone } from '../../src/state/book/bookSlice';
import { composeFinished } from '../../src/state/compose/composeSlice';
import { heldEnds, pagesNamed, touchPages } from '../../src/state/order/pageRanges';
import type { ComposedSummary, PageSummary } from '../../src/worker/typesetClient';
import { opened } from '../build/world';

describe('pages that a person names', () => {
  const page = (index: number, folio: string, hasWords = true) =>
    ({ index, folio, start: hasWords ? { stream: 'd1', block: `p${index}`, offset: 0 } : null }) as PageSummary;
  const pages = [
    page(0, 'i'),
    page(1, 'ii', false),
    page(2, 'iii'),
    page(3, '1'),
    page(4, '2'),
    page(5, ''),
    page(6, '4', false),
  ];

  it('are found by their folios, by their numbers where no folio is so called, alone and in ranges', () => {
    const found = (typed: string) => pagesNamed(typed, pages);
    expect(found('ii-1')).to.deep.equal({ from: 1, to: 3 });
    expect(found(' pp. II – 2 ')).to.deep.equal({ from: 1, to: 4 });
    expect(found('folio 2')).to.deep.equal({ from: 4, to: 4 });
    expect(found('2 to 6')).to.deep.equal({ from: 4, to: 5 });
    expect(found('7')).to.deep.equal({ from: 6, to: 6 });
    expect(found('9-12')).to.equal('There is no page with the folio 9.');
    expect(found('2-ii')).to.equal('ii comes before 2: type the first page first.');
    for (const bad of ['-', '1-2-3', '']) expect(found(bad)).to.be.a('string');
  });

  it('are held by the first and last of them that have words', () => {
    expect(heldEnds({ from: 1, to: 6 }, pages)?.map(({ index }) => index)).to.deep.equal([2, 5]);
    expect(heldEnds({ from: 1, to: 1 }, pages)).to.equal(null);
  });

  it('are touched in one step, which undo takes back with its anchors', async () => {
    const { store } = await opened();
    const { book } = store.getState().book;
    const division = book!.divisions.find(({ blocks }) => blocks.length > 1)!;
    const [first, last] = [division.blocks[0], division.blocks.at(-1)!];
    const at = (index: number, block: string) => ({
      ...page(index, `${index}`),
      start: { stream: division.id, block, offset: 0 },
    });
    const summary = {
      pages: [at(0, first.id), at(1, last.id)],
      revision: 0,
      touched: [],
    } as unknown as ComposedSummary;
    store.dispatch(composeFinished({ summary, isNewest: true }));
    expect(store.dispatch(touchPages({ from: 0, to: 1 }, { hideHead: true }, 'Furniture'))).to.equal(true);
    const { pageTouches, anchors } = store.getState().book.book!;
    expect([pageTouches.length, Object.keys(anchors).length, pageTouches[0].hideHead]).to.deep.equal([1, 2, true]);
    expect(anchors[pageTouches[0].through!].block).to.equal(last.id);
    store.dispatch(editUndone());
    expect(store.getState().book.book!.pageTouches).to.deep.equal([]);
    expect(store.getState().book.book!.anchors).to.deep.equal({});
  });
});
