import 'fake-indexeddb/auto';
import { expect } from 'chai';
import type { Book } from '../../src/core/model/copy/book';
import { paragraph } from '../../src/core/model/copy/streams';
import { BookRepository, type OpenBook } from '../../src/storage/bookRepository';
import { WalnutDatabase } from '../../src/storage/database';
import { book, chapter, p } from '../build/book';

let made = 0;

async function kept(start: Book) {
  const database = new WalnutDatabase(`pieces ${(made += 1)}`);
  const repository = new BookRepository(database);
  await repository.add(start, 1);
  const opened = (await repository.open(start.id))!;
  return { database, repository, opened };
}

const withBlocks = (of: Book, blocks: Book['divisions'][number]['blocks']): Book => ({
  ...of,
  divisions: [{ ...of.divisions[0], blocks }, ...of.divisions.slice(1)],
});
const after = (was: OpenBook, now: Book): OpenBook => ({ ...was, book: now, revision: was.revision + 1 });

describe('books in the database', () => {
  const long = () => {
    const start = book([chapter('Long'), chapter('Short', 'A line.')]);
    return withBlocks(
      start,
      Array.from({ length: 1200 }, (_, k) => paragraph(`q${k}`, 'TX', `Paragraph ${k}.`)),
    );
  };

  it('keep a long division in pieces, and give it back as it was', async () => {
    const start = long();
    const { database, opened } = await kept(start);
    expect(opened.book).to.deep.equal(start);
    expect(await database.pieces.count()).to.equal(6);
    const row = (await database.divisions.get([opened.book.id, opened.book.divisions[0].id]))!;
    expect(row.value.blocks).to.deep.equal([]);
  });

  it('write one piece for a paragraph that changed, after opening and after saving', async () => {
    const { database, repository, opened } = await kept(long());
    let state = opened;
    for (const at of [700, 3]) {
      const blocks = state.book.divisions[0].blocks.map((one, k) => (k === at ? { ...one, text: 'New.' } : one));
      const next = after(state, withBlocks(state.book, blocks as (typeof state.book.divisions)[0]['blocks']));
      const puts: number[] = [];
      const count = (_key: unknown, row: { piece: number }) => void puts.push(row.piece);
      const change = (_changes: object, _key: unknown, row: { piece: number }) => void puts.push(row.piece);
      database.pieces.hook('creating', count);
      database.pieces.hook('updating', change);
      await repository.save(state, next, 2);
      database.pieces.hook('creating').unsubscribe(count);
      database.pieces.hook('updating').unsubscribe(change);
      expect(puts.length).to.equal(1);
      expect((await repository.open(next.book.id))!.book).to.deep.equal(next.book);
      state = next;
    }
  });

  it('put a division that has become short into one row, drop what goes, and leave nothing behind a book', async () => {
    const { database, repository, opened } = await kept(long());
    const short = after(opened, withBlocks(opened.book, opened.book.divisions[0].blocks.slice(0, 5)));
    await repository.save(opened, short, 2);
    expect((await repository.open(short.book.id))!.book).to.deep.equal(short.book);
    expect(await database.pieces.count()).to.equal(0);
    const again = after(short, withBlocks(short.book, opened.book.divisions[0].blocks));
    await repository.save(short, again, 3);
    expect((await repository.open(again.book.id))!.book).to.deep.equal(again.book);
    const one = after(again, { ...again.book, divisions: again.book.divisions.slice(1) });
    await repository.save(again, one, 4);
    expect(await database.pieces.count()).to.equal(0);
    await repository.save(one, after(one, withBlocks(one.book, [p('Last.')])), 5);
    await repository.remove(one.book.id);
    expect(await database.divisions.count()).to.equal(0);
  });
});
