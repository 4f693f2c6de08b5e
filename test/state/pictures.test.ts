import 'fake-indexeddb/auto';
import { expect } from 'chai';
import Dexie from 'dexie';
import { BookRepository, type OpenBook } from '../../src/storage/bookRepository';
import { NO_HISTORY } from '../../src/storage/historyWindow';
import { WalnutDatabase } from '../../src/storage/database';
import { PictureRepository } from '../../src/storage/pictureRepository';
import type { Book } from '../../src/core/model/copy/book';
import { book, chapter, p } from '../build/book';
import { blobOf, bytesOf } from '../build/files';
import { factsOf, jpegOf, picture, pngOf } from '../build/pictures';

const [FIRST, SECOND] = [pngOf(12, 6), jpegOf(8, 8)];
const [ONE, TWO] = [factsOf(FIRST), factsOf(SECOND)];

function world(name: string) {
  const database = new WalnutDatabase(name);
  return { database, books: new BookRepository(database), pictures: new PictureRepository(database) };
}

const withBlocks = (made: Book, blocks: Book['divisions'][number]['blocks']): Book => ({
  ...made,
  divisions: [{ ...made.divisions[0], blocks }, ...made.divisions.slice(1)],
});
const opened = (made: Book, revision: number): OpenBook => ({
  book: made,
  ...NO_HISTORY,
  revision,
});

/** The bytes of a book's pictures that are here. */
async function bytesIn(pictures: PictureRepository, made: Book): Promise<Record<string, Uint8Array>> {
  const found: Record<string, Uint8Array> = {};
  for (const [hash, blob] of Object.entries(await pictures.load(made))) found[hash] = await bytesOf(blob);
  return found;
}

describe('pictures of books in the database', () => {
  it('come with their book, and go with it', async () => {
    const { database, books, pictures } = world('pictures-1');
    const plain = book([chapter('One', 'Words.')]);
    const made = withBlocks(plain, [p('Words.'), picture('p901', ONE)]);
    await books.add(made, 1, { [ONE.asset]: blobOf(FIRST) });
    await books.add({ ...made, id: 'b2' }, 1, { [ONE.asset]: blobOf(FIRST) });
    expect(await bytesIn(pictures, made)).to.deep.equal({ [ONE.asset]: FIRST });
    expect(await database.blobs.count(), 'once for both').to.equal(1);
    await books.remove('b1');
    expect(await database.pictureOwners.toArray()).to.deep.equal([{ hash: ONE.asset, book: 'b2' }]);
    expect(await bytesOf((await pictures.find(ONE.asset))!)).to.deep.equal(FIRST);
    await books.remove('b2');
    expect(await pictures.find(ONE.asset)).to.equal(undefined);
    expect(await pictures.load(made)).to.deep.equal({});
    database.close();
  });

  it('that come with text from another book become this book’s own, in notes and cells too', async () => {
    const { database, books, pictures } = world('pictures-2');
    const source = withBlocks(book([chapter('One', 'x')]), [picture('p901', ONE), picture('p902', TWO)]);
    await books.add({ ...source, id: 'b7' }, 1, { [ONE.asset]: blobOf(FIRST), [TWO.asset]: blobOf(SECOND) });
    const plain = book([chapter('Two', 'Words.'), chapter('Three', 'More.')]);
    await books.add(plain, 1);
    const cells = [{ id: 'c1', blocks: [picture('p904', TWO)] }];
    const table = { kind: 'table' as const, id: 'p903', style: 'TB', columns: 1, rows: [cells] };
    const pasted = {
      ...withBlocks(plain, [p('Words.'), table]),
      notes: { n1: { id: 'n1', kind: 'footnote' as const, blocks: [picture('p905', ONE)] } },
    };
    await books.save(opened(plain, 0), opened(pasted, 1), 2);
    await books.remove('b7');
    expect(await bytesIn(pictures, pasted)).to.deep.equal({ [ONE.asset]: FIRST, [TWO.asset]: SECOND });
    database.close();
  });

  it('of a database of before, a row for each book, become one of all that have it', async () => {
    const old = new Dexie('pictures-3');
    old.version(5).stores({ books: 'id, touched', pictures: '[book+hash], book, hash' });
    await old.table('pictures').bulkPut([
      { book: 'b1', hash: ONE.asset, bytes: FIRST },
      { book: 'b2', hash: ONE.asset, bytes: FIRST },
      { book: 'b2', hash: TWO.asset, bytes: SECOND },
    ]);
    old.close();
    const { database, books, pictures } = world('pictures-3');
    expect(await database.blobs.count()).to.equal(2);
    await books.remove('b1');
    expect(await bytesOf((await pictures.find(ONE.asset))!)).to.deep.equal(FIRST);
    await books.remove('b2');
    expect(await database.blobs.count()).to.equal(0);
    expect(database.tables.map(({ name }) => name)).not.to.include('pictures');
    database.close();
  });
});
