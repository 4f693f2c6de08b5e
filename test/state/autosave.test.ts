import { expect } from 'chai';
import { mock } from 'node:test';
import type { OpenBook } from '../../src/storage/bookRepository';
import { Autosave, type SaveNews } from '../../src/state/session/autosave';
import { sample } from '../build/world';

/** A book that changes by itself, its writes as slow as asked, and a clock that is turned by hand, in ms. */
function typing(writeTakes: (revision: number) => number | 'fails') {
  let time = 0;
  let newest: OpenBook = { book: sample(), revision: 0, base: 0, entries: [], cursor: 0, total: 0 } as OpenBook;
  const changed: number[] = [0];
  let written = 0;
  const news: SaveNews['kind'][] = [];
  const save = async (_before: OpenBook, after: OpenBook) => {
    const takes = writeTakes(after.revision);
    await new Promise((resolve) => setTimeout(resolve, takes === 'fails' ? 20 : takes));
    if (takes === 'fails') throw new Error('aborted');
    written = after.revision;
  };
  const autosave = new Autosave(
    { save },
    newest,
    () => newest,
    () => time,
    (one) => void news.push(one.kind),
  );
  return {
    autosave,
    news,
    change: () => {
      newest = { ...newest, revision: newest.revision + 1 };
      changed.push(time);
      autosave.schedule();
    },
    /** How long the oldest change that is not written has waited. */
    waits: () => (written === newest.revision ? 0 : time - changed[written + 1]),
    /** Ten milliseconds go by, and what they bring. */
    turn: async () => {
      time += 10;
      mock.timers.tick(10);
      await new Promise((resolve) => setImmediate(resolve));
    },
  };
}

describe('the autosave', () => {
  beforeEach(() => mock.timers.enable({ apis: ['setTimeout'] }));
  afterEach(() => mock.timers.reset());

  it('writes each change within a second while letters come faster than they are written', async () => {
    for (const [pace, writeTakes] of [
      [40, 60],
      [10, 150],
      [90, 350],
    ]) {
      const hand = typing(() => writeTakes);
      let longest = 0;
      for (let time = 0; time < 8000; time += 10) {
        if (time % pace === 0) hand.change();
        await hand.turn();
        longest = Math.max(longest, hand.waits());
      }
      expect(longest, `${pace} ms a key, ${writeTakes} ms a write`).to.be.within(writeTakes, 1000);
      while (hand.waits() > 0) await hand.turn();
      expect(hand.news.at(-1)).to.equal('saved');
    }
  });

  it('writes within a second and a write after the disk has room again', async () => {
    const hand = typing((revision) => (revision < 30 ? 'fails' : 60));
    for (let key = 0; key < 30; key += 1) {
      hand.change();
      for (let k = 0; k < 4; k += 1) await hand.turn();
    }
    let rest = 0;
    for (; hand.waits() > 0; rest += 10) await hand.turn();
    expect(rest).to.be.at.most(1100);
    expect(hand.news).to.include('failed');
    expect(hand.news.at(-1)).to.equal('saved');
  });
});
