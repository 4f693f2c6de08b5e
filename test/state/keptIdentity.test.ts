import { expect } from 'chai';
import { keepIdentity } from '../../src/state/keptIdentity';
import { noteCovers, coverOf } from '../../src/state/shelf/covers';
import { readShelf } from '../../src/state/shelf/shelfThunks';
import { sample, world } from '../build/world';

describe('lists that are worked out anew', () => {
  const row = (id: string, words: number) => ({ id, words });

  it('are the same list while their values are, and keep the rows that stayed', () => {
    const keep = keepIdentity<ReturnType<typeof row>>(({ id }) => id);
    const first = keep([row('a', 1), row('b', 2)]);
    expect(keep([row('a', 1), row('b', 2)])).to.equal(first);
    const changed = keep([row('b', 2), row('a', 9), row('c', 3)]);
    expect(changed.map(({ id, words }) => [id, words])).to.deep.equal([
      ['b', 2],
      ['a', 9],
      ['c', 3],
    ]);
    expect(changed[0]).to.equal(first[1]);
    expect(changed[1]).to.not.equal(first[0]);
    expect(keep([row('b', 2), row('a', 9)])).to.have.length(2);
  });
});

describe('title pages of the Shelf', () => {
  it('are there with the list of the books, without another reading', async () => {
    const { store, services, repository } = world();
    const made = sample();
    await repository.add(made, 5);
    const cover = { revision: 1, list: { page: 0 }, outlines: [], pages: 12 } as never;
    await repository.keepComposed(made.id, { cover, words: 9, findings: 0 });
    await repository.keepSetting('demonstration book given', true);
    expect(store.dispatch(coverOf(made.id))).to.equal(undefined);
    const reading = store.dispatch(readShelf());
    await reading;
    expect(store.getState().shelf.books!.map(({ id, hasCover }) => [id, hasCover])).to.deep.equal([[made.id, true]]);
    expect(store.dispatch(coverOf(made.id))).to.deep.include({ pages: 12 });
    noteCovers(services.repository, []);
    expect(store.dispatch(coverOf(made.id))).to.equal(undefined);
  });
});
