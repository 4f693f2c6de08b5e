import 'fake-indexeddb/auto';
import { expect } from 'chai';
import { applyEdits, setFigureEdit } from '../../src/core/edit';
import { gatherFigures } from '../../src/core/copy/figures/gatherFigures';
import { eachPicture, type Book } from '../../src/core/model/copy/book';
import { BookRepository } from '../../src/storage/bookRepository';
import { WalnutDatabase } from '../../src/storage/database';
import { PullRepository } from '../../src/storage/pullRepository';
import { book, chapter, p } from '../build/book';
import { factsOf, picture, pngOf } from '../build/pictures';

const flat = (): Book => {
  const one = chapter('One', 'Before.');
  const blocks = [...one.blocks, picture('p900', factsOf(pngOf(4, 2))), p('The gate.', 'CAP'), p('After.')];
  return book([{ ...one, blocks }]);
};
const withFigure = (): Book => gatherFigures(flat());

describe('figures in the database', () => {
  it('are kept with their book, written when they change, and go with it', async () => {
    const database = new WalnutDatabase('figures kept');
    const repository = new BookRepository(database);
    const start = withFigure();
    await repository.add(start, 1);
    const opened = (await repository.open('b1'))!;
    expect(opened.book).to.deep.equal(start);
    const [id] = Object.keys(start.figures);
    const edit = setFigureEdit(start, id, { place: 'foot', width: 90 })!;
    const next = { ...opened, book: applyEdits(opened.book, [edit]), revision: opened.revision + 1 };
    await repository.save(opened, next, 2);
    expect((await repository.open('b1'))!.book).to.deep.equal(next.book);
    const none = { ...next, book: { ...next.book, figures: {} }, revision: next.revision + 1 };
    await repository.save(next, none, 3);
    expect(await database.figures.count()).to.equal(0);
    await repository.save(none, { ...next, revision: none.revision + 1 }, 4);
    expect(await database.figures.count()).to.equal(1);
    await repository.remove('b1');
    expect(await database.figures.count()).to.equal(0);
    database.close();
  });

  it('of a kept state come back as they were, those that changed since stored apart', async () => {
    const database = new WalnutDatabase('figures pulled');
    const pulls = new PullRepository(database);
    const start = withFigure();
    const [id] = Object.keys(start.figures);
    const later = applyEdits(start, [setFigureEdit(start, id, { place: 'page' })!]);
    await pulls.keep(start, 'First', 1);
    const before = await database.pullParts.count();
    await pulls.keep(later, 'Second', 2);
    expect((await database.pullParts.count()) - before).to.equal(1);
    expect((await pulls.read('b1', 'First'))!.book).to.deep.equal(start);
    expect((await pulls.read('b1', 'Second'))!.book).to.deep.equal(later);
    database.close();
  });

  it('are made of the pictures of a book of before; it is written so for whoever may write it, and its log begins anew', async () => {
    const database = new WalnutDatabase('figures of before');
    const repository = new BookRepository(database);
    const { figures: _, ...old } = { ...flat(), format: 13 };
    await repository.add({ ...old, figures: {} }, 1);
    const entry = { name: 'Typing', edits: [], time: 1 };
    await database.log.put({ book: 'b1', number: 1, entry, format: 13 });
    await database.books.update('b1', { cursor: 1 });

    const read = (await repository.open('b1'))!;
    const [figure] = Object.values(read.book.figures);
    expect(figure.caption.blocks.map((block) => block.kind === 'paragraph' && block.text)).to.deep.equal(['The gate.']);
    expect([read.cursor, read.total, read.entries.length]).to.deep.equal([0, 0, 0]);
    // Who only reads it writes nothing.
    expect([await database.figures.count(), await database.log.count()]).to.deep.equal([0, 1]);

    const owned = (await repository.open('b1', false, true))!;
    expect(owned.book).to.deep.equal(read.book);
    expect([await database.figures.count(), await database.log.count()]).to.deep.equal([1, 0]);
    const again = (await repository.open('b1'))!;
    expect(again.book).to.deep.equal(read.book);
    expect([...eachPicture(again.book)]).to.have.length(1);
    database.close();
  });

  it('leave the log of a book without any as it was', async () => {
    const database = new WalnutDatabase('no figures');
    const repository = new BookRepository(database);
    await repository.add({ ...book([chapter('One', 'Words.')]), format: 13 }, 1);
    const entry = { name: 'Typing', edits: [], time: 1 };
    await database.log.put({ book: 'b1', number: 1, entry, format: 13 });
    await database.books.update('b1', { cursor: 1 });
    const opened = (await repository.open('b1', false, true))!;
    expect([opened.cursor, opened.total, opened.entries.length]).to.deep.equal([1, 1, 1]);
    database.close();
  });
});
