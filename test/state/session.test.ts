import 'fake-indexeddb/auto';
import { expect } from 'chai';
import type { HistoryEntry } from '../../src/core/model/copy/bookEdit';
import { editRedone, editUndone } from '../../src/state/book/bookSlice';
import {
  closeBook,
  openBook,
  setParticulars,
  settleUnwritten,
  takeOverBook,
  writeBookNow,
} from '../../src/state/book/bookThunks';
import { makeProduct } from '../../src/state/send-out/sendOutThunks';
import type { OpenBook } from '../../src/storage/bookRepository';
import { WalnutDatabase } from '../../src/storage/database';
import type { WriteResult } from '../../src/worker/writeClient';
import { Tabs } from '../build/tabs';
import { opened, sample, until, world, type World } from '../build/world';

let databases = 0;
const titled = (here: World, title: string) => {
  here.time += 2000;
  here.store.dispatch(setParticulars('title', title, 'Title'));
};
const stateOf = (here: World) => here.store.getState().book;
const titleIn = (here: World) => stateOf(here).book!.particulars.title;

/** From the `first` write on, as many fail as `count` says. */
function failSaves(here: World, first: number, count = Infinity, name = 'QuotaExceededError') {
  const { repository } = here;
  const save = repository.save.bind(repository);
  let asked = 0;
  repository.save = async (...values) => {
    asked += 1;
    if (asked >= first && asked < first + count) throw Object.assign(new Error('aborted'), { name });
    return save(...values);
  };
  return { mend: () => (repository.save = save) };
}

/** Two tabs of one browser over one database, the sample open in the first and read in the second. */
async function twoTabs() {
  const database = new WalnutDatabase(`tabs-${(databases += 1)}`);
  const tabs = new Tabs();
  const [first, second] = [world(database, tabs), world(database, tabs)];
  const made = sample();
  await first.repository.add(made, 1);
  await first.store.dispatch(openBook(made.id));
  await second.store.dispatch(openBook(made.id));
  return { first, second, tabs, id: made.id };
}

describe('a book whose writing fails', () => {
  it('is told with its count, tried again, and written when the disk has room', async () => {
    const here = await opened();
    failSaves(here, 1, 1);
    for (const title of ['One', 'Two', 'Three']) titled(here, title);
    expect(await here.store.dispatch(writeBookNow())).to.equal(false);
    expect(stateOf(here).save).to.equal('failed');
    expect(stateOf(here).unwritten).to.include({ changes: 3, asked: null });
    expect(stateOf(here).unwritten!.reason).to.match(/full/);
    await until(() => stateOf(here).save === 'saved');
    expect(stateOf(here).unwritten).to.equal(null);
    expect((await here.repository.open(here.id))!.book.particulars.title).to.equal('Three');
  });

  it('is not closed without asking; it stays open, and closes once it is written', async () => {
    const here = await opened();
    const { mend } = failSaves(here, 2);
    titled(here, 'One');
    await here.store.dispatch(writeBookNow());
    titled(here, 'Two');
    expect(await here.store.dispatch(closeBook())).to.equal(false);
    expect(titleIn(here)).to.equal('Two');
    expect(stateOf(here).unwritten).to.include({ changes: 1, asked: 'leave' });
    expect(here.services.sessions.current?.losesWhenLeft).to.equal(true);
    await here.store.dispatch(settleUnwritten('stay'));
    expect(stateOf(here).unwritten!.asked).to.equal(null);
    titled(here, 'Three');
    expect(stateOf(here).unwritten!.changes).to.equal(2);
    mend();
    expect(await here.store.dispatch(settleUnwritten('again'))).to.equal(true);
    expect(await here.store.dispatch(closeBook())).to.equal(true);
    expect(stateOf(here).book).to.equal(null);
    expect((await here.repository.open(here.id))!.book.particulars.title).to.equal('Three');
  });

  it('keeps another book from being opened in its place', async () => {
    const here = await opened();
    const other = sample();
    await here.repository.add(other, 1);
    failSaves(here, 1);
    titled(here, 'One');
    expect(await here.store.dispatch(openBook(other.id))).to.equal('unwritten');
    expect(stateOf(here).book!.id).to.equal(here.id);
    await here.store.dispatch(settleUnwritten('giveUp'));
    expect(stateOf(here).book).to.equal(null);
    expect(await here.store.dispatch(openBook(other.id))).to.equal('open');
    expect((await here.repository.open(here.id))!.book.particulars.title).to.equal('A Book');
  });

  it('can be saved as a project file with what is not written', async () => {
    const here = await opened();
    failSaves(here, 1);
    titled(here, 'Kept elsewhere');
    await here.store.dispatch(closeBook());
    await here.store.dispatch(makeProduct('project'));
    expect(here.downloads.map(({ name }) => name)).to.deep.equal(['kept-elsewhere.walnut']);
  });

  it('loses nothing whichever write fails', async () => {
    for (let nth = 1; nth <= 4; nth += 1) {
      const here = await opened();
      failSaves(here, nth, 1, 'AbortError');
      for (const title of ['One', 'Two', 'Three', 'Four']) {
        titled(here, title);
        await here.store.dispatch(writeBookNow());
      }
      here.store.dispatch(editUndone());
      await until(() => stateOf(here).save === 'saved');
      expect(await here.store.dispatch(closeBook())).to.equal(true);
      const kept = (await here.repository.open(here.id))!;
      expect(kept.book.particulars.title).to.equal('Three');
      expect([kept.cursor, kept.total]).to.deep.equal([3, 4]);
    }
  });
});

describe('a book in two tabs', () => {
  it('is read in the second, which follows what the first writes', async () => {
    const { first, second } = await twoTabs();
    expect(stateOf(second).readOnly).to.equal(true);
    const chapter = stateOf(second).book!.divisions[1];
    titled(first, 'Changed');
    await first.store.dispatch(writeBookNow());
    await until(() => titleIn(second) === 'Changed');
    expect(stateOf(second).book!.divisions[1], 'what stayed keeps its identity').to.equal(chapter);
    expect(second.applied.at(-1)).to.deep.equal({ from: 0, to: 1 });
  });

  it('is let go when it is written', async () => {
    const { first, second } = await twoTabs();
    titled(first, 'Just typed');
    expect(await second.store.dispatch(takeOverBook())).to.equal(null);
    expect([titleIn(second), stateOf(second).readOnly]).to.deep.equal(['Just typed', false]);
    expect(stateOf(first).readOnly).to.equal(true);
    titled(second, 'From the second');
    await second.store.dispatch(writeBookNow());
    await until(() => titleIn(first) === 'From the second');
  });

  it('is not let go with changes that cannot be written, until its person says so', async () => {
    const { first, second } = await twoTabs();
    failSaves(first, 1);
    titled(first, 'Unwritten');
    expect(await second.store.dispatch(takeOverBook())).to.match(/1 change that it could not write/);
    expect(stateOf(second).readOnly).to.equal(true);
    expect(stateOf(first).readOnly).to.equal(false);
    expect(stateOf(first).unwritten).to.include({ changes: 1, asked: 'letGo' });
    await first.store.dispatch(settleUnwritten('giveUp'));
    expect([titleIn(first), stateOf(first).readOnly]).to.deep.equal(['A Book', true]);
    expect(await second.store.dispatch(takeOverBook())).to.equal(null);
    expect(stateOf(second).readOnly).to.equal(false);
  });

  it('taken away without asking writes no more from the first, and keeps what was not written there', async () => {
    const { first, second, tabs } = await twoTabs();
    titled(first, 'Unwritten');
    tabs.areDeaf = true;
    expect(await second.store.dispatch(takeOverBook())).to.equal(null);
    expect(titleIn(second)).to.equal('A Book');
    expect([titleIn(first), stateOf(first).readOnly]).to.deep.equal(['Unwritten', true]);
    expect(stateOf(first).unwritten).to.include({ changes: 1 });
    expect(await first.store.dispatch(writeBookNow())).to.equal(false);
    titled(second, 'From the second');
    await second.store.dispatch(writeBookNow());
    await first.store.dispatch(makeProduct('project'));
    expect(first.downloads[0].name).to.equal('unwritten.walnut');
    await first.store.dispatch(settleUnwritten('giveUp'));
    expect([titleIn(first), stateOf(first).unwritten]).to.deep.equal(['From the second', null]);
    expect((await second.repository.open(stateOf(second).book!.id))!.book.particulars.title).to.equal(
      'From the second',
    );
  });

  it('is not written by a tab that does not know yet that it lost it', async () => {
    const { first, second, id } = await twoTabs();
    // The lock of the first tab is gone without its knowing, as in a tab that was frozen.
    const claimed = (await second.repository.open(id, true))!;
    titled(first, 'Stale');
    expect(await first.store.dispatch(writeBookNow())).to.equal(false);
    expect(stateOf(first).readOnly).to.equal(true);
    expect(stateOf(first).unwritten).to.include({ changes: 1 });
    const kept = (await second.repository.open(id))!;
    expect([kept.book.particulars.title, kept.revision, kept.total]).to.deep.equal(['A Book', claimed.revision, 0]);
  });
});

describe('books opened one after another', () => {
  it('show the one asked for last, however slow the first is', async () => {
    const here = world();
    const [slow, fast] = [sample(), sample()];
    await here.repository.add(slow, 1);
    await here.repository.add(fast, 1);
    const open = here.repository.open.bind(here.repository);
    let release = () => undefined as void;
    const gate = new Promise<void>((resolve) => (release = resolve));
    here.repository.open = async (id, claims) => {
      if (id === slow.id) await gate;
      return open(id, claims);
    };
    const first = here.store.dispatch(openBook(slow.id));
    const second = here.store.dispatch(openBook(fast.id));
    expect(await second).to.equal('open');
    release();
    expect(await first).to.equal('overtaken');
    expect(stateOf(here).book!.id).to.equal(fast.id);
    expect(await here.store.dispatch(openBook(slow.id))).to.equal('open');
    expect(stateOf(here), 'the lock of the overtaken open was let go').to.include({ readOnly: false });
  });

  it('leave nothing behind when the Shelf is asked for meanwhile', async () => {
    const here = world();
    const made = sample();
    await here.repository.add(made, 1);
    const opening = here.store.dispatch(openBook(made.id));
    await here.store.dispatch(closeBook());
    expect(await opening).to.equal('overtaken');
    expect(stateOf(here).book).to.equal(null);
    expect(await here.store.dispatch(openBook(made.id))).to.equal('open');
    expect(stateOf(here).readOnly).to.equal(false);
  });

  it('are one session when the same is asked for twice', async () => {
    const here = world();
    const made = sample();
    await here.repository.add(made, 1);
    const both = [here.store.dispatch(openBook(made.id)), here.store.dispatch(openBook(made.id))];
    expect((await Promise.all(both)).at(-1)).to.equal('open');
    expect(await here.store.dispatch(openBook(made.id))).to.equal('open');
    expect(stateOf(here).readOnly).to.equal(false);
    expect(await here.store.dispatch(openBook('none'))).to.equal('missing');
  });

  it('hear nothing of a product of the book before', async () => {
    const here = await opened();
    const other = sample();
    await here.repository.add(other, 1);
    let finish: (result: WriteResult) => void;
    let report: ((share: number) => void) | undefined;
    here.services.startWriteJob = (_order, onProgress) => {
      report = onProgress;
      return {
        result: new Promise<WriteResult>((resolve) => (finish = resolve)),
        cancel: () => finish({ kind: 'cancelled' }),
      };
    };
    const writing = here.store.dispatch(makeProduct('press'));
    await until(() => report !== undefined);
    await here.store.dispatch(openBook(other.id));
    report!(0.5);
    await writing;
    expect(here.store.getState().jobs.jobs.press).to.include({ status: 'idle', share: 0 });
    expect(here.downloads).to.deep.equal([]);
  });
});

describe('the history of a book', () => {
  const entry = (k: number): HistoryEntry => ({
    name: `Title ${k}`,
    time: k * 2000,
    edits: [{ kind: 'setParticulars', key: 'title', from: `T${k - 1}`, to: `T${k}` }],
  });

  /** A book with a log of so many entries, all applied. */
  async function withLog(count: number) {
    const database = new WalnutDatabase(`log-${(databases += 1)}`);
    const here = world(database);
    const made = { ...sample() };
    const last = { ...made, particulars: { ...made.particulars, title: `T${count}` } };
    await here.repository.add(last, 1);
    await database.log.bulkPut(
      Array.from({ length: count }, (_, k) => ({ book: made.id, number: k + 1, entry: entry(k + 1) })),
    );
    await database.books.update(made.id, { cursor: count, revision: count });
    await here.store.dispatch(openBook(made.id));
    return { ...here, database, id: made.id, get: () => stateOf(here) };
  }

  it('is held near the cursor, and undone and redone to its ends', async () => {
    const here = await withLog(1500);
    expect([here.get().base, here.get().entries.length, here.get().total]).to.deep.equal([1300, 200, 1500]);
    for (let k = 1499; k >= 0; k -= 1) {
      await until(() => here.get().cursor > here.get().base);
      here.store.dispatch(editUndone());
      expect(here.get().book!.particulars.title).to.equal(`T${k}`);
    }
    here.store.dispatch(editUndone());
    expect(here.get().cursor).to.equal(0);
    await here.store.dispatch(writeBookNow());
    expect(here.get().entries.length).to.be.below(800);
    for (let k = 1; k <= 1500; k += 1) {
      await until(() => here.get().cursor < here.get().base + here.get().entries.length);
      here.store.dispatch(editRedone());
      expect(here.get().book!.particulars.title).to.equal(`T${k}`);
    }
  });

  it('opens where it was left, with what can be redone; a change there drops the rest from the disk', async () => {
    const here = await withLog(900);
    for (let k = 0; k < 500; k += 1) {
      await until(() => here.get().cursor > here.get().base);
      here.store.dispatch(editUndone());
    }
    await here.store.dispatch(closeBook());
    await here.store.dispatch(openBook(here.id));
    expect([here.get().cursor, here.get().total]).to.deep.equal([400, 900]);
    expect(here.get().entries.length).to.equal(400);
    here.store.dispatch(editRedone());
    expect(here.get().book!.particulars.title).to.equal('T401');
    here.store.dispatch(setParticulars('subtitle', 'Other', 'Subtitle'));
    await here.store.dispatch(writeBookNow());
    expect(await here.database.log.where('book').equals(here.id).count()).to.equal(402);
    const kept = (await here.repository.open(here.id)) as OpenBook;
    expect([kept.cursor, kept.total, kept.entries.at(-1)!.name]).to.deep.equal([402, 402, 'Subtitle']);
    const names = await here.repository.history(here.id, 400, 402);
    expect(names.map(({ name }) => name)).to.deep.equal(['Title 400', 'Title 401', 'Subtitle']);
  });

  it('writes what was changed at any place between two writes', async () => {
    const here = await withLog(300);
    for (const [back, forth] of [
      [10, 3],
      [120, 0],
      [40, 40],
      [0, 5],
    ]) {
      for (let k = 0; k < back; k += 1) {
        await until(() => here.get().cursor > here.get().base);
        here.store.dispatch(editUndone());
      }
      for (let k = 0; k < forth; k += 1) titled(here, `F${back}.${k}`);
      const wanted = here.get();
      await here.store.dispatch(writeBookNow());
      const kept = (await here.repository.open(here.id))!;
      expect(kept.book).to.deep.equal(wanted.book);
      expect([kept.cursor, kept.total]).to.deep.equal([wanted.cursor, wanted.total]);
      const log = await here.repository.history(here.id, wanted.base + 1, wanted.total);
      expect(log).to.deep.equal(wanted.entries.slice(0, wanted.total - wanted.base));
      expect(await here.database.log.where('book').equals(here.id).count()).to.equal(wanted.total);
    }
  });
});
