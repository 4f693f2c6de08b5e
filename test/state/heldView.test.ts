// What is looked at when a book comes out of the typesetter: the caret's place asked for meanwhile, else the text in view.
import { expect } from 'chai';
import { composeStarted } from '../../src/state/compose/composeSlice';
import { carryPlace } from '../../src/state/view/placeThunks';
import { caretLeft, divisionChosen, spreadCalled, spreadReached } from '../../src/state/view/viewSlice';
import type { ComposedSummary, PageSummary } from '../../src/worker/typesetClient';
import { opened, until, type World } from '../build/world';

describe('the view of a book that is being composed', () => {
  const summaryOf = (here: World, count: number): ComposedSummary => {
    const [first] = here.store.getState().book.book!.divisions.filter(({ blocks }) => blocks.length > 0);
    const start = { stream: first.id, block: first.blocks[0].id, offset: 0 };
    const pages = Array.from({ length: count }, (_, index) => ({ index, folio: `${index + 1}`, start }) as PageSummary);
    return { pages, revision: here.store.getState().book.revision, touched: [], findings: [] } as never;
  };
  const spread = (here: World) => here.store.getState().view.spread;
  /** The caret in the last chapter, and Pages asked for while only the first pages are there. */
  const asked = async (firstPages: number) => {
    const here = await opened();
    const last = here.store.getState().book.book!.divisions.at(-1)!;
    const place = { block: last.blocks[0].id, offset: 0 };
    if (firstPages > 0) here.listener!.onComposed(summaryOf(here, firstPages), true);
    here.store.dispatch(composeStarted());
    here.store.dispatch(divisionChosen(last.id));
    here.store.dispatch(caretLeft({ stream: last.id, anchor: place, head: place }));
    here.store.dispatch(carryPlace('copy', 'pages'));
    here.pageLocated = 9;
    return here;
  };

  it('goes to the line of the caret when its page comes, though Pages was asked for before', async () => {
    for (const firstPages of [0, 2]) {
      const here = await asked(firstPages);
      expect(spread(here)).to.equal(0);
      here.listener!.onComposed(summaryOf(here, 12), false);
      await until(() => spread(here) === 5);
      expect(here.store.getState().view.awaited).to.equal(null);
    }
  });

  it('stays where a person went meanwhile', async () => {
    const here = await asked(2);
    here.store.dispatch(spreadReached(0));
    expect(here.store.getState().view.awaited).to.not.equal(null);
    here.store.dispatch(spreadReached(1));
    here.pageLocated = 3;
    here.listener!.onComposed(summaryOf(here, 12), false);
    here.store.dispatch(spreadCalled(4));
    await new Promise((resolve) => setTimeout(resolve));
    expect(spread(here)).to.equal(4);
  });

  it('holds to the text at its head when that goes to another page', async () => {
    const here = await asked(0);
    here.listener!.onComposed(summaryOf(here, 12), false);
    await until(() => spread(here) === 5);
    here.pageLocated = 11;
    here.listener!.onComposed(summaryOf(here, 14), false);
    await until(() => spread(here) === 6);
  });
});
