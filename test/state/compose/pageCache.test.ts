import { expect } from 'chai';
import type { DisplayList } from '../../../src/core/model/composed/displayList';
import { arrivalClosed, arrivalReducer, manuscriptArrived } from '../../../src/state/arrival/arrivalSlice';
import { PageCache } from '../../../src/state/compose/pageCache';
import type { PageReply, TypesetClient } from '../../../src/worker/typesetClient';

const list = (page: number, width = 1) => ({ page, width }) as DisplayList;

/** A client that answers when it is told to. */
function fakeClient() {
  const asked: { page: number; revision: number; answer: (reply: PageReply) => void }[] = [];
  const client = {
    page: (page: number, revision: number) =>
      new Promise<PageReply>((answer) => asked.push({ page, revision, answer })),
  } as unknown as TypesetClient;
  const settle = async (width: number) => {
    for (const { page, revision, answer } of asked.splice(0))
      answer({ revision, list: list(page, width), outlines: [] });
    await new Promise((resolve) => setTimeout(resolve, 0));
  };
  return { client, asked, settle };
}

describe('the pages at hand', () => {
  it('are asked for once, and again only when a newer book is composed', async () => {
    const { client, asked, settle } = fakeClient();
    const cache = new PageCache(() => client);
    expect(cache.get(3)).to.equal(undefined);
    expect(asked).to.have.length(0);
    cache.composed(1);
    cache.get(3);
    cache.get(3);
    expect(asked).to.have.length(1);
    await settle(10);
    expect(cache.get(3)).to.include({ width: 10 });
    expect([cache.isCurrent(3), asked.length]).to.deep.equal([true, 0]);
    cache.composed(2);
    expect(cache.isCurrent(3)).to.equal(false);
    // What was drawn stays until the newer page is here.
    expect(cache.get(3)).to.include({ width: 10 });
    await settle(20);
    expect(cache.get(3)).to.include({ width: 20 });
  });

  it('are asked for again when the same revision is composed to its end', async () => {
    const { client, asked, settle } = fakeClient();
    const cache = new PageCache(() => client);
    cache.composed(1);
    cache.get(0);
    await settle(1);
    cache.composed(1);
    cache.get(0);
    expect(asked).to.have.length(1);
  });

  it('are shown ahead of their book, marked, and asked for once it is there', async () => {
    const { client, asked, settle } = fakeClient();
    const cache = new PageCache(() => client);
    cache.composed(1);
    cache.get(4);
    await settle(1);
    cache.ahead([{ page: 4, list: list(4, 77) }]);
    expect(cache.get(4)).to.include({ width: 77 });
    expect([cache.isAhead(4), cache.isCurrent(4), asked.length]).to.deep.equal([true, false, 0]);
    cache.composed(2);
    expect(cache.get(4)).to.include({ width: 77 });
    await settle(2);
    expect(cache.get(4)).to.include({ width: 2 });
    expect([cache.isAhead(4), cache.isCurrent(4)]).to.deep.equal([false, true]);
  });

  it('tell whoever listens, until they stop', () => {
    const cache = new PageCache(() => null);
    let heard = 0;
    const stop = cache.subscribe(() => (heard += 1));
    cache.composed(1);
    cache.ahead([]);
    stop();
    cache.clear();
    expect(heard).to.equal(2);
  });
});

describe('the arrival of manuscripts', () => {
  const arrival = {
    fileName: 'a.odt',
    words: 3,
    paragraphs: 1,
    headings: [],
    footnotes: 0,
    endnotes: 0,
    tables: 0,
    lists: 0,
    images: [],
    comments: [],
    dropped: [],
    styles: [{ name: 'Sidebar', count: 1, mappedTo: 'TX', sample: 'x', blocks: ['p1'] }],
  };

  it('is kept by book, and closed', () => {
    const state = arrivalReducer(undefined, manuscriptArrived({ bookId: 'b1', arrival }));
    expect(state.b1.styles[0].mappedTo).to.equal('TX');
    expect(arrivalReducer(state, arrivalClosed('b1'))).to.deep.equal({});
  });
});
