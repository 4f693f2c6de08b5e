import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { WalnutDatabase } from '../../src/storage/database';
import { PullRepository } from '../../src/storage/pullRepository';
import type { Paragraph } from '../../src/core/model/copy/streams';
import { pageTableOf } from '../../src/core/typeset';
import { compose } from '../build/assets';
import { book, chapter, note, p, seeded, words } from '../build/book';

describe('kept states of a book', () => {
  it('come back as they were, under names of their own, and store equal divisions once', async () => {
    const database = new WalnutDatabase('pulls-test');
    const pulls = new PullRepository(database);
    const first = book([chapter('One', 'Words{1}.'), chapter('Two', 'More.')], [note(1, 'Noted.')]);
    const [one, two] = first.divisions;
    const [head, paragraph] = two.blocks as Paragraph[];
    const second = { ...first, divisions: [one, { ...two, blocks: [head, { ...paragraph, text: 'Less.' }] }] };
    expect(await pulls.keep(first, 'Before', 10)).to.equal('Before');
    const parts = await database.pullParts.count();
    expect(await pulls.keep(second, 'Before', 20)).to.equal('Before (2)');
    expect(await pulls.list('b1')).to.deep.equal([
      { name: 'Before (2)', time: 20 },
      { name: 'Before', time: 10 },
    ]);
    expect((await pulls.read('b1', 'Before'))!.book).to.deep.equal(first);
    expect((await pulls.read('b1', 'Before (2)'))!.book).to.deep.equal(second);
    expect(await pulls.read('b1', 'None')).to.equal(undefined);
    // A division each, a spec and the notes at the least; the second book adds the piece that changed.
    expect(parts).to.be.at.least(4);
    expect(await database.pullParts.count()).to.equal(parts + 1);
    database.close();
  });

  /** Bytes of all that the database holds of pulls, as JSON. */
  const sizeOf = async (database: WalnutDatabase) => {
    const rows = [...(await database.pulls.toArray()), ...(await database.pullParts.toArray())];
    return rows.reduce((sum, row) => sum + JSON.stringify(row).length, 0);
  };

  it('share the pieces of a long division: fifty of 100,000 words, a paragraph changed each, are under 10 MB', async () => {
    const database = new WalnutDatabase('pulls-long');
    const pulls = new PullRepository(database);
    const start = book(
      [chapter('Long', ...Array.from({ length: 1000 }, (_, k) => words(100, k)))],
      [note(1, 'Noted.')],
    );
    const random = seeded(20261130);
    let now = start;
    const states = [start];
    for (let k = 0; k < 50; k += 1) {
      const [division] = now.divisions;
      const at = 1 + Math.floor(random() * (division.blocks.length - 1));
      // Changed, put in and taken out, in turn.
      const old = division.blocks[at] as Paragraph;
      const put = [[{ ...old, text: words(100, 2000 + k) }], [old, { ...p(words(90, k)), id: `p${5000 + k}` }], []][
        k % 3
      ];
      const blocks = [...division.blocks.slice(0, at), ...put, ...division.blocks.slice(at + 1)];
      now = { ...now, divisions: [{ ...division, blocks }] };
      states.push(now);
      await pulls.keep(now, `Pull ${k}`, k);
    }
    const whole = JSON.stringify(start).length;
    const size = await sizeOf(database);
    expect(size).to.be.below(10_000_000);
    // Of each pull little more than the piece that changed.
    expect(size).to.be.below(whole * 5);
    for (const k of [0, 17, 49]) expect((await pulls.read('b1', `Pull ${k}`))!.book).to.deep.equal(states[k + 1]);
    database.close();
  });

  it('keep many notes in pieces, in whatever order they were made', async () => {
    const database = new WalnutDatabase('pulls-notes');
    const pulls = new PullRepository(database);
    const notes = Array.from({ length: 300 }, (_, k) => note(k + 1, words(20, k)));
    const first = book([chapter('One', 'Words.')], notes.toReversed());
    await pulls.keep(first, 'First', 1);
    const before = await database.pullParts.count();
    await pulls.keep({ ...first, notes: { ...first.notes, n150: note(150, 'Another.') } }, 'Second', 2);
    expect((await database.pullParts.count()) - before).to.equal(1);
    expect((await pulls.read('b1', 'First'))!.book).to.deep.equal(first);
    database.close();
  });

  it('that were kept whole come back too', async () => {
    const database = new WalnutDatabase('pulls-older');
    const made = book([chapter('One', 'Words{1}.')], [note(1, 'Noted.')]);
    const { divisions, notes, ...head } = made;
    const part = (hash: string, value: unknown) => database.pullParts.put({ book: 'b1', hash, value });
    await part('d', divisions[0]);
    await part('n', notes);
    await database.pulls.put({ book: 'b1', name: 'Old', time: 1, head, divisions: ['d'], notes: 'n' });
    expect(await new PullRepository(database).read('b1', 'Old')).to.deep.equal({ book: made, table: null });
    database.close();
  });

  it('keep the table of their pages', async () => {
    const database = new WalnutDatabase('pulls-table');
    const pulls = new PullRepository(database);
    const made = book([chapter('One', words(900))]);
    const table = pageTableOf(compose(made));
    await pulls.keep(made, 'With pages', 1, table);
    expect((await pulls.read('b1', 'With pages'))!.table).to.deep.equal(table);
    database.close();
  });
});
