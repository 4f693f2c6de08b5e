import 'fake-indexeddb/auto';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  bookEdited,
  bookReducer,
  editRedone,
  editUndone,
  bookOpened,
  readOnlyChanged,
  type BookState,
} from '../../src/state/book/bookSlice';
import { closeBook, openBook, setParticulars, writeBookNow } from '../../src/state/book/bookThunks';
import { setAs, setSpec } from '../../src/state/spec/specThunks';
import { pageOfSpread, selectRunningOrder, selectSpreads, spreadOfPage } from '../../src/state/book/selectors';
import { addManuscript, readShelf, removeBook } from '../../src/state/shelf/shelfThunks';
import { fileStem, makeProduct, readMadeProducts } from '../../src/state/send-out/sendOutThunks';
import { addRemark, dropRemark, selectFindings } from '../../src/state/send-out/outsideFacts';
import { jobChanged, settingsChosen } from '../../src/state/send-out/jobsSlice';
import { fingerprint } from '../../src/core/base/hash';
import { bookFingerprint } from '../../src/core/copy/bookFingerprint';
import type { ComposedSummary } from '../../src/worker/typesetClient';
import { bringCopyIn, keepPicture, putTable } from '../../src/state/arrival/incomingThunks';
import { eachPicture } from '../../src/core/model/copy/book';
import { figuresIn } from '../../src/core/model/copy/holders';

import { jpegOf, pngOf } from '../build/pictures';
import { setParticularsEdit } from '../../src/core/edit';
import { opened, sample, until, world, type World } from '../build/world';
import { bytesOf, openProject } from '../build/files';

describe('the open book', () => {
  it('is edited, undone and redone; each is a new revision', async () => {
    const { store, applied } = await opened();
    store.dispatch(setParticulars('title', 'New', 'Title'));
    expect(store.getState().book.book!.particulars.title).to.equal('New');
    store.dispatch(editUndone());
    expect(store.getState().book.book!.particulars.title).to.equal('A Book');
    store.dispatch(editRedone());
    expect(store.getState().book.book!.particulars.title).to.equal('New');
    store.dispatch(editRedone());
    expect(store.getState().book.revision).to.equal(3);
    expect(applied).to.deep.equal([
      { from: 0, to: 1 },
      { from: 1, to: 2 },
      { from: 2, to: 3 },
    ]);
  });

  it('joins typing within half a second, and parts it at words', async () => {
    const here = await opened();
    const type = (text: string, after: number) => {
      here.time += after;
      here.store.dispatch(setParticulars('subtitle', text, 'Subtitle'));
    };
    type('A', 10);
    type('An', 100);
    type('An ', 100);
    type('An o', 100);
    type('An ow', 900);
    const { entries } = here.store.getState().book;
    expect(entries.map((entry) => (entry.edits[0] as { to: string }).to)).to.deep.equal(['An', 'An o', 'An ow']);
    here.store.dispatch(editUndone());
    here.store.dispatch(editUndone());
    here.store.dispatch(editUndone());
    expect(here.store.getState().book.book!.particulars.subtitle).to.equal('');
  });

  it('refuses a spec that cannot be set, with a sentence, and changes nothing', async () => {
    const { store } = await opened();
    const before = store.getState().book;
    expect(store.dispatch(setSpec(['page', 'margins', 'back'], { pt: 390, unit: 'pt' }, 'Back margin'))).to.include(
      'no room',
    );
    expect(store.dispatch(setSpec(['text', 'size'], { pt: 900, unit: 'pt' }, 'Size'))).to.equal(
      'It must be from 4 to 72 pt.',
    );
    expect(store.getState().book).to.equal(before);
    expect(store.dispatch(setSpec(['text', 'size'], { pt: 12, unit: 'pt' }, 'Size'))).to.equal(null);
    expect(store.getState().book.book!.spec.text.size.pt).to.equal(12);
    expect(store.dispatch(setSpec(['text', 'size'], { pt: 12, unit: 'pt' }, 'Size'))).to.equal(null);
    expect(store.getState().book.entries).to.have.length(1);
  });

  it('refuses particulars that cannot be kept, with a sentence', async () => {
    const { store } = await opened();
    expect(store.dispatch(setParticulars('title', 'x'.repeat(500), 'Title'))).to.match(/title/);
    expect(store.dispatch(setParticulars('language', 'xx', 'Language'))).to.match(/language/);
    expect(store.getState().book.entries).to.have.length(0);
  });

  it('is on the disk after a flush, with its history, and undo goes on after a reload', async () => {
    const here = await opened();
    here.store.dispatch(setParticulars('title', 'One', 'Title'));
    here.time += 2000;
    here.store.dispatch(setSpec(['openers', 'sink'], 7, 'Sink'));
    here.time += 2000;
    here.store.dispatch(setParticulars('title', 'Two', 'Title'));
    here.store.dispatch(editUndone());
    await here.store.dispatch(writeBookNow());
    expect(here.store.getState().book.save).to.equal('saved');
    const wanted = here.store.getState().book.book;
    await here.store.dispatch(closeBook());
    await here.store.dispatch(openBook(here.id));
    const again = here.store.getState().book;
    expect(again.book).to.deep.equal(wanted);
    expect([again.cursor, again.entries.length, again.revision]).to.deep.equal([2, 3, 4]);
    here.store.dispatch(editRedone());
    expect(here.store.getState().book.book!.particulars.title).to.equal('Two');
    here.store.dispatch(editUndone());
    here.store.dispatch(editUndone());
    here.store.dispatch(editUndone());
    expect(here.store.getState().book.book!.spec.openers.sink).to.equal(5);
    expect(here.store.getState().book.book!.particulars.title).to.equal('A Book');
  });

  it('drops from the disk what a new edit made unreachable', async () => {
    const here = await opened();
    for (const title of ['One', 'Two', 'Three']) {
      here.time += 2000;
      here.store.dispatch(setParticulars('title', title, 'Title'));
    }
    await here.store.dispatch(writeBookNow());
    here.store.dispatch(editUndone());
    here.store.dispatch(editUndone());
    here.time += 2000;
    here.store.dispatch(setParticulars('title', 'Other', 'Title'));
    await here.store.dispatch(writeBookNow());
    const kept = await here.repository.open(here.id);
    expect(kept!.entries).to.have.length(2);
    expect(kept!.book.particulars.title).to.equal('Other');
  });

  it('saves within half a second by itself', async () => {
    const here = await opened();
    here.store.dispatch(setParticulars('title', 'Soon', 'Title'));
    await until(() => here.store.getState().book.save === 'saved');
    expect((await here.repository.open(here.id))!.book.particulars.title).to.equal('Soon');
  });

  it('does not change while another tab holds it', async () => {
    const { store } = await opened();
    store.dispatch(readOnlyChanged(true));
    store.dispatch(setParticulars('title', 'No', 'Title'));
    expect(store.getState().book.book!.particulars.title).to.equal('A Book');
    expect(store.getState().book.revision).to.equal(0);
  });

  it('comes back to any state by any walk of undo and redo', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 40 }), (walk) => {
        const made = sample();
        let state: BookState = bookReducer(
          undefined,
          bookOpened({ book: made, entries: [], base: 0, total: 0, cursor: 0, revision: 0, readOnly: false }),
        );
        const states: string[] = [made.particulars.title];
        let at = 0;
        walk.forEach((step, k) => {
          if (step === 0) {
            state = bookReducer(state, editUndone());
            at = Math.max(0, at - 1);
          } else if (step === 1) {
            state = bookReducer(state, editRedone());
            at = Math.min(states.length - 1, at + 1);
          } else {
            state = bookReducer(
              state,
              bookEdited({ name: 'T', time: k * 1000, edits: [setParticularsEdit(state.book!, 'title', `T${k}`)] }),
            );
            states.length = at + 1;
            states.push(`T${k}`);
            at += 1;
          }
          expect(state.book!.particulars.title).to.equal(states[at]);
          expect(state.cursor).to.equal(at);
        });
      }),
    );
  });
});

describe('the shelf', () => {
  it('gives the demonstration book once, and takes manuscripts', async () => {
    const { store, repository } = world();
    await store.dispatch(readShelf());
    expect(store.getState().shelf.books?.map((entry) => entry.title)).to.deep.equal(['The Ferry Register']);
    const id = await store.dispatch(addManuscript('notes.txt', new Blob(['CHAPTER 1\n\nText.'])));
    expect((await repository.open(id!))!.book.divisions.some((entry) => entry.role === 'chapter')).to.equal(true);
    await store.dispatch(
      removeBook(store.getState().shelf.books!.find((entry) => entry.title === 'The Ferry Register')!.id),
    );
    expect(store.getState().shelf.books).to.have.length(1);
    expect(await repository.setting('demonstration book given')).to.equal(true);
  });

  it('says why a file was refused, and leaves nothing half-made', async () => {
    const { store, repository } = world();
    for (const [name, bytes] of [
      ['a.docx', new Uint8Array(0)],
      ['b.docx', new Uint8Array(400)],
      ['c.txt', new Uint8Array(400)],
      ['d.walnut', new Uint8Array(50)],
    ] as const) {
      expect(await store.dispatch(addManuscript(name, new Blob([bytes])))).to.equal(null);
    }
    expect(store.getState().shelf.refused).to.have.length(4);
    for (const sentence of store.getState().shelf.refused) expect(sentence).to.match(/^[a-d]\.\w+.*\.$/);
    expect(store.getState().shelf.reading).to.deep.equal([]);
    expect(await repository.list()).to.deep.equal([]);
  });
});

describe('products', () => {
  it('are written, downloaded under the title’s name, and stale after an edit', async () => {
    const here = await opened();
    await here.store.dispatch(makeProduct('project'));
    expect(here.downloads.map((file) => file.name)).to.deep.equal(['a-book.walnut']);
    expect(here.store.getState().jobs.jobs.project).to.include({ status: 'done', revision: 0 });
    await here.store.dispatch(makeProduct('press'));
    expect(await here.downloads[1].file.slice(0, 5).text()).to.equal('%PDF-');
    expect(fileStem('“Été” & co.: a/b')).to.equal('e-te-co-a-b');
    expect(fileStem('???')).to.equal('book');
  });

  it('are recorded: what was chosen, of which state of the book, and known again when it is opened', async () => {
    const here = await opened();
    const { store } = here;
    store.dispatch(settingsChosen({ copy: { format: 'md' } }));
    await store.dispatch(makeProduct('copy'));
    const { made } = store.getState().jobs.jobs.copy;
    expect(made).to.deep.include({ product: 'copy', settings: { format: 'md' }, source: { kind: 'open' }, pages: 0 });
    expect(made!.hash).to.equal(fingerprint(await bytesOf(here.downloads[0].file)));
    expect(made!.bytes).to.equal(here.downloads[0].file.size);
    const bookNow = () => bookFingerprint(store.getState().book.book!);
    expect(made!.book).to.equal(bookNow());
    store.dispatch(setParticulars('title', 'Another', 'Title'));
    expect(made!.book).to.not.equal(bookNow());
    // What is taken back leaves the file as good as new.
    store.dispatch(editUndone());
    expect(made!.book).to.equal(bookNow());
    const { id } = store.getState().book.book!;
    await store.dispatch(closeBook());
    expect(store.getState().jobs.jobs.copy.made).to.equal(null);
    await store.dispatch(openBook(id));
    await store.dispatch(readMadeProducts());
    expect(store.getState().jobs.jobs.copy.made).to.deep.equal(made);
    expect(store.getState().jobs.settings.copy).to.deep.equal({ format: 'md' });
    // Of other choices it is not the product any more.
    store.dispatch(settingsChosen({ copy: { format: 'txt' } }));
    expect(store.getState().jobs.jobs.copy.made).to.equal(null);
  });

  it('are made of a pull too, and of none that is not kept', async () => {
    const here = await opened();
    const { store } = here;
    const { book } = store.getState().book;
    const name = await here.services.pulls.keep(book!, 'First pages', 1);
    store.dispatch(setParticulars('title', 'Another', 'Title'));
    await store.dispatch(makeProduct('project', { kind: 'pull', name }));
    const { made } = store.getState().jobs.jobs.project;
    expect(made).to.deep.include({ source: { kind: 'pull', name }, book: bookFingerprint(book!) });
    expect(openProject(await bytesOf(here.downloads[0].file)).book.particulars.title).to.equal(book!.particulars.title);
    await store.dispatch(makeProduct('project', { kind: 'pull', name: 'Nobody kept it' }));
    expect(store.getState().jobs.jobs.project).to.deep.include({
      status: 'failed',
      message: 'This state is not kept any more.',
    });
  });

  it('carry what a press said of them to the page it is about, until another file is written or it is seen to', async () => {
    const here = await opened();
    const { store } = here;
    const { id } = store.getState().book.book!;
    expect(await store.dispatch(addRemark('press', { source: 'press', page: 1, message: 'x' }))).to.match(/no file/);
    await store.dispatch(makeProduct('press'));
    const { pages, hash } = store.getState().jobs.jobs.press.made!;
    for (const [page, message] of [
      [0, 'Too near the trim.'],
      [pages + 1, 'Too near the trim.'],
      [1, '  '],
      [1, 'x'.repeat(501)],
    ] as const)
      expect(await store.dispatch(addRemark('press', { source: 'press', page, message }))).to.match(/\.$/);
    const book = store.getState().book.book!;
    const { id: stream, blocks } = book.divisions[book.divisions.length - 1];
    const start = { stream, block: blocks[0].id, offset: 0 };
    const summaryOf = (at: number) =>
      ({
        findings: [],
        pages: Array.from({ length: pages + 1 }, (_, index) => ({ index, start: index === at ? start : null })),
      }) as never;
    const stateOf = (at: number) => ({
      ...store.getState(),
      compose: { ...store.getState().compose, summary: summaryOf(at) },
    });
    await addRemark('press', { source: 'press', page: pages, message: ' Too near the trim. ' })(
      store.dispatch,
      () => stateOf(pages - 1),
      here.services,
    );
    const file = 'a-book.pdf';
    const [finding] = selectFindings(stateOf(pages - 1));
    expect(finding).to.deep.equal({
      kind: 'outside-remark',
      grade: 'should',
      message: `The press on page ${pages} of ${file}: Too near the trim.`,
      stream,
      block: blocks[0].id,
      from: 0,
      to: 0,
      page: pages - 1,
    });
    // The copy has moved on: the remark goes with the words that began its page.
    expect(selectFindings(stateOf(pages))[0].page).to.equal(pages);
    expect(selectFindings(stateOf(-1))[0].page).to.equal(-1);
    // It is known again when the book is opened.
    await store.dispatch(closeBook());
    await store.dispatch(openBook(id));
    await store.dispatch(readMadeProducts());
    const { facts } = store.getState().jobs.jobs.press;
    expect(facts).to.deep.include({
      ...facts[0],
      source: 'press',
      hash,
      page: pages - 1,
      message: 'Too near the trim.',
    });
    expect(selectFindings(stateOf(0))).to.have.length(1);
    // Of another file nothing was said.
    store.dispatch(
      jobChanged({
        product: 'press',
        change: { made: { ...store.getState().jobs.jobs.press.made!, hash: '0'.repeat(32) } },
      }),
    );
    expect(selectFindings(stateOf(0))).to.have.length(0);
    await store.dispatch(dropRemark('press', facts[0]));
    expect(await here.services.products.list(id)).to.have.length(1);
    expect((await here.services.products.list(id))[0].facts).to.deep.equal([]);
    await store.dispatch(addRemark('press', { source: 'shop', page: null, message: 'No blurb.' }));
    await store.dispatch(makeProduct('press'));
    expect(store.getState().jobs.jobs.press.facts).to.deep.equal([]);
    expect((await here.services.products.list(id))[0].facts).to.deep.equal([]);
  });

  it('pass over a record that is none, and are written when theirs cannot be kept', async () => {
    const here = await opened();
    const { store } = here;
    const { id } = store.getState().book.book!;
    await here.services.products.keep(id, { product: 'epub', settings: {}, book: 'no fingerprint' } as never);
    await store.dispatch(readMadeProducts());
    expect(store.getState().jobs.jobs.epub.made).to.equal(null);
    here.services.products.keep = () => Promise.reject(new Error('the disk is full'));
    await store.dispatch(makeProduct('project'));
    expect(store.getState().jobs.jobs.project.status).to.equal('done');
  });
});

describe('selectors', () => {
  it('pair pages into spreads: a recto alone, then versos with rectos', () => {
    for (let page = 0; page < 9; page += 1) {
      expect(pageOfSpread(spreadOfPage(page, true), true)).to.be.within(page - 1, page);
      expect(pageOfSpread(spreadOfPage(page, false), false)).to.equal(page);
    }
    const pages = [0, 1, 2, 3].map((index) => ({
      index,
      side: index % 2 ? 'verso' : 'recto',
      role: 'text',
      division: 'd1',
      folio: `${index}`,
      start: null,
    }));
    const state = { compose: { summary: { pages } as unknown as ComposedSummary }, book: { book: null } } as never;
    expect(selectSpreads(state).map((spread) => [spread.verso?.index, spread.recto?.index])).to.deep.equal([
      [undefined, 0],
      [1, 2],
      [3, undefined],
    ]);
    const single = pages.map((page) => ({ ...page, side: 'recto' }));
    const alone = {
      compose: { summary: { pages: single } as unknown as ComposedSummary },
      book: { book: null },
    } as never;
    expect(selectSpreads(alone).map((spread) => [spread.verso, spread.recto?.index])).to.deep.equal(
      single.map(({ index }) => [null, index]),
    );
  });

  it('name divisions by number and title, or by role', () => {
    const made = sample();
    const state = { book: { book: made }, compose: { summary: null } } as never;
    expect(selectRunningOrder(state).map((row) => row.name)).to.deep.equal(['Title page', 'One', 'Two']);
  });
});

describe('what is put into the open book', () => {
  const caret = ({ store }: World, offset = 0) => {
    const division = store.getState().book.book!.divisions[1];
    const at = { block: division.blocks[1].id, offset };
    return { stream: division.id, anchor: at, head: at };
  };
  const blocksOf = ({ store }: World) => store.getState().book.book!.divisions[1].blocks;

  it('is a picture file at the caret, kept with the book, as one step', async () => {
    const here = await opened();
    const bytes = pngOf(12, 6);
    const done = await here.store.dispatch(bringCopyIn('weir.png', bytes, caret(here), 'Picture'));
    expect(done).to.have.property('end');
    const now = () => here.store.getState().book.book!;
    const [picture] = eachPicture(now());
    // Its mark is tied to the paragraph at the caret.
    expect(blocksOf(here).flatMap(figuresIn)).to.deep.equal(Object.keys(now().figures));
    expect(picture).to.include({ name: 'weir.png', width: 12, height: 6, format: 'png' });
    const kept = await here.services.pictures.load(here.store.getState().book.book!);
    expect(Object.keys(kept)).to.deep.equal([picture.asset]);
    expect(await bytesOf(kept[picture.asset])).to.deep.equal(bytes);
    here.store.dispatch(editUndone());
    expect([...eachPicture(now()), ...blocksOf(here).flatMap(figuresIn)]).to.deep.equal([]);
  });

  it('is a picture that a person chooses, and nothing when it is none', async () => {
    const here = await opened();
    expect(await here.store.dispatch(keepPicture('notes.txt', new TextEncoder().encode('words')))).to.equal(null);
    const kept = await here.store.dispatch(keepPicture('mill.jpg', jpegOf(16, 8)));
    expect(kept).to.include({ name: 'mill.jpg', width: 16, height: 8, format: 'jpeg' });
    expect(await bytesOf((await here.services.pictures.find(kept!.asset))!)).to.deep.equal(jpegOf(16, 8));
  });

  it('is a table with ids of its own', async () => {
    const here = await opened();
    expect(here.store.dispatch(putTable(2, 3, caret(here)))).to.have.property('end');
    const table = blocksOf(here).find((block) => block.kind === 'table')!;
    expect(table).to.include({ columns: 3 });
    const cells = table.kind === 'table' ? table.rows.flat() : [];
    expect(cells).to.have.length(6);
    expect(new Set(cells.flatMap((cell) => [cell.id, cell.blocks[0].id])).size).to.equal(12);
  });

  it('is set as another starting spec in one step, and as it was by undo', async () => {
    const here = await opened();
    const before = here.store.getState().book.book!.spec;
    here.store.dispatch(setAs('workbook'));
    expect(here.store.getState().book.book!.spec).to.include({ name: 'Workbook' });
    here.store.dispatch(setAs('workbook'));
    expect(here.store.getState().book.entries).to.have.length(1);
    here.store.dispatch(editUndone());
    expect(here.store.getState().book.book!.spec).to.deep.equal(before);
  });
});
