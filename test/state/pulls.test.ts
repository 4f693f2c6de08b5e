import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { WalnutDatabase } from '../../src/storage/database';
import { PullRepository } from '../../src/storage/pullRepository';
import { book, chapter, note } from '../build/book';

describe('kept states of a book', () => {
  it('come back as they were, under names of their own, and store equal divisions once', async () => {
    const database = new WalnutDatabase('pulls-test');
    const pulls = new PullRepository(database);
    const first = book([chapter('One', 'Words{1}.'), chapter('Two', 'More.')], [note(1, 'Noted.')]);
    const second = { ...first, divisions: [first.divisions[0], chapter('Two', 'Less.')] };
    expect(await pulls.keep(first, 'Before', 10)).to.equal('Before');
    expect(await pulls.keep(second, 'Before', 20)).to.equal('Before (2)');
    expect(await pulls.list('b1')).to.deep.equal([
      { name: 'Before (2)', time: 20 },
      { name: 'Before', time: 10 },
    ]);
    expect(await pulls.read('b1', 'Before')).to.deep.equal(first);
    expect(await pulls.read('b1', 'Before (2)')).to.deep.equal(second);
    expect(await pulls.read('b1', 'None')).to.equal(undefined);
    // Three divisions and one record of notes for two books of two divisions.
    expect(await database.pullParts.count()).to.equal(4);
    database.close();
  });
});
