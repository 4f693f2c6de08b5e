import { expect } from 'chai';
import { FIRST_EBOOK } from '../../src/core/model/products/ebook';
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import type { BookEdit } from '../../src/core/model/copy/bookEdit';
import type { Book } from '../../src/core/model/copy/book';
import { WorkerAssets } from '../../src/worker/assets';
import { channelBreath, runJob } from '../../src/worker/jobRunner';
import type { ComposedSummary, TypesetReply } from '../../src/worker/protocol';
import { TypesetClient, type AheadPages } from '../../src/worker/typesetClient';
import { startWriteJob, type WriteOrder } from '../../src/worker/writeClient';
import type { WorkerLike } from '../../src/worker/workerLike';
import { TypesetSession } from '../../src/worker/typesetSession';
import { doWriteJob } from '../../src/worker/writeJobs';
import { applyEdit, applyEdits, setSpecEdit } from '../../src/core/edit';
import { readAsset } from '../build/assets';
import { book, chapter, words } from '../build/book';
import { blobOf, bytesOf } from '../build/files';
import { qpdfCheck } from '../build/tools';

const fetchBytes = (name: string) => Promise.resolve(readAsset(name));
const openPorts: MessagePort[] = [];

/** A worker that lives in this thread behind a real message channel: what crosses is copied as it would be. */
function fakeWorker(onDeath?: (kill: () => void) => void): WorkerLike {
  const { port1, port2 } = new MessageChannel();
  openPorts.push(port1, port2);
  const session = new TypesetSession(
    new WorkerAssets(fetchBytes),
    (reply, transfer = []) => port2.postMessage(reply, transfer as never),
    channelBreath(),
  );
  port2.on('message', (message) => session.handle(message));
  const worker: WorkerLike = {
    postMessage: (message) => port1.postMessage(message),
    terminate: () => port1.close(),
    onmessage: null,
    onerror: null,
  };
  port1.on('message', (data) => worker.onmessage?.({ data } as MessageEvent));
  onDeath?.(() => worker.onerror?.({ message: 'out of memory' } as ErrorEvent));
  return worker;
}

/** A client of a fake worker, which is given the book as it is when the client starts the worker again. */
const clientOf = (made: Book, revision: number, listener: Listener, onDeath?: (kill: () => void) => void) =>
  new TypesetClient(
    () => fakeWorker(onDeath),
    '',
    () => ({ book: made, revision }),
    listener,
  );

type Listener = ConstructorParameters<typeof TypesetClient>[3];

interface Watch {
  readonly composed: ComposedSummary[];
  readonly failed: string[];
  readonly progress: number[];
  readonly parts: ComposedSummary[];
  readonly ahead: { readonly revision: number; readonly pages: AheadPages; readonly after: number }[];
  restarts: number;
  next: () => Promise<ComposedSummary>;
}

function watch(): Watch & { listener: Listener } {
  const waiting: ((summary: ComposedSummary) => void)[] = [];
  const seen: Watch = {
    composed: [],
    failed: [],
    progress: [],
    parts: [],
    ahead: [],
    restarts: 0,
    next: () => new Promise((resolve) => waiting.push(resolve)),
  };
  return Object.assign(seen, {
    listener: {
      onProgress: (_revision: number, share: number) => void seen.progress.push(share),
      onComposed: (summary: ComposedSummary, isPart: boolean) => {
        if (isPart) return void seen.parts.push(summary);
        seen.composed.push(summary);
        for (const resolve of waiting.splice(0)) resolve(summary);
      },
      onAhead: (revision: number, pages: AheadPages) =>
        void seen.ahead.push({ revision, pages, after: seen.composed.length }),
      onFailed: (message: string) => void seen.failed.push(message),
      onRestarted: () => void (seen.restarts += 1),
    },
  });
}

const longBook = (chapters = 8): Book =>
  book(
    Array.from({ length: chapters }, (_, k) =>
      chapter(`C${k}`, ...Array.from({ length: 12 }, (_unused, n) => words(120, k * 50 + n))),
    ),
  );

/** A change of one paragraph of the first chapter. */
function change(made: Book, text: string): BookEdit {
  const block = made.divisions[0].blocks[1];
  return {
    kind: 'replaceBlocks',
    stream: made.divisions[0].id,
    at: 1,
    removed: [block],
    inserted: [{ ...block, text } as never],
  };
}

/** Waits until something is true. */
async function until(isTrue: () => boolean): Promise<void> {
  while (!isTrue()) await new Promise((resolve) => setTimeout(resolve, 1));
}

describe('the typeset worker', () => {
  afterEach(() => openPorts.splice(0).forEach((port) => port.close()));

  it('composes what is opened, tells its pages, and sends a page with outlines once', async () => {
    const made = longBook(2);
    const seen = watch();
    const client = clientOf(made, 4, seen.listener);
    const next = seen.next();
    client.open(made, 4);
    const summary = await next;
    expect(summary.revision).to.equal(4);
    expect(summary.pages.length).to.be.above(4);
    expect(summary.charactersPerLine).to.be.within(55, 80);
    const page = await client.page(0, 4);
    expect(page.list!.page).to.equal(0);
    expect(page.outlines.length).to.be.above(10);
    const again = await client.page(0, 4);
    expect(again.outlines).to.have.length(0);
    expect([...again.list!.glyphs]).to.deep.equal([...page.list!.glyphs]);
    expect((await client.page(9999, 4)).list).to.equal(null);
    client.close();
  });

  it('shows the first pages of a book before the rest is composed', async () => {
    const made = longBook(12);
    const seen = watch();
    const client = clientOf(made, 1, seen.listener);
    client.open(made, 1);
    const whole = await seen.next();
    expect(seen.parts).to.have.length(1);
    const [part] = seen.parts;
    expect(part.pages.length).to.be.within(6, whole.pages.length - 6);
    expect(part.pages.map((page) => page.start)).to.deep.equal(
      whole.pages.slice(0, part.pages.length).map((page) => page.start),
    );
    client.close();
  });

  it('composes what is looked at before the rest of the book', async () => {
    const made = longBook(10);
    const seen = watch();
    const client = clientOf(made, 0, seen.listener);
    client.open(made, 0);
    const before = await seen.next();
    const at = before.pages.find((page) => page.division === made.divisions[6].id && page.role === 'text')!;
    const pages = at.side === 'verso' ? [at.index, at.index + 1] : [at.index - 1, at.index];
    client.look({ ...at.start!, pages });
    const larger = setSpecEdit(made, ['text', 'size'], { pt: 12.5, unit: 'pt' });
    client.apply([larger], 0, 1);
    const after = await seen.next();
    expect(after.revision).to.equal(1);
    expect(seen.ahead.map((one) => [one.revision, one.after])).to.deep.equal([[1, 1]]);
    const shown = seen.ahead[0].pages;
    expect(shown.map((one) => one.page)).to.deep.equal(pages);
    // One of them shows the text that stood at the head of the view, at its new size.
    const items = shown.flatMap((one) => one.list.items);
    expect(items.some((item) => item.source?.block === at.start!.block && item.size === 12.5)).to.equal(true);
    // It is the page that the whole book comes to, but for where it stands.
    const place = await client.locate(at.start!.stream, at.start!.block, at.start!.offset);
    const list = (await client.page(place, 1)).list!;
    const texts = (from: { items: readonly { artifact: unknown; text: string }[] }) =>
      from.items.filter((item) => item.artifact === null).map((item) => item.text);
    expect(shown.some((one) => texts(one.list).join('|') === texts(list).join('|'))).to.equal(true);
    client.close();
  });

  it('says what Tidy would do, and gives the edits that do it', async () => {
    const made = book([chapter('One', 'He said "no" -- twice.', 'Nothing to do here.', 'The the  end.')]);
    const seen = watch();
    const client = clientOf(made, 0, seen.listener);
    client.open(made, 0);
    await seen.next();
    const offers = await client.tidyOffers();
    expect(offers.map(({ id, count }) => [id, count])).to.deep.equal([
      ['runs-of-spaces', 1],
      ['quotes', 2],
      ['dashes', 1],
    ]);
    const { revision, edits, changes } = await client.tidy(['quotes', 'dashes'], null);
    expect(revision).to.equal(0);
    expect(changes).to.have.length(3);
    const [only] = edits as Extract<BookEdit, { kind: 'replaceBlocks' }>[];
    expect(edits).to.have.length(1);
    expect([only.at, only.removed.length]).to.deep.equal([1, 1]);
    const tidied = applyEdit(made, only);
    expect((tidied.divisions[0].blocks[1] as { text: string }).text).to.equal('He said “no” – twice.');
    // One place alone, as it was told.
    const [opening] = offers.find((offer) => offer.id === 'quotes')!.places;
    expect((await client.tidy(['quotes'], opening)).changes).to.have.length(1);
    client.close();
  });

  it('lists ties, and works out what wishes would do to the pages of the newest book', async () => {
    const made = book([
      chapter('One', 'Mrs Vane and Mr Orme. '.repeat(90), ...Array.from({ length: 8 }, () => words(90, 3))),
    ]);
    const seen = watch();
    const client = clientOf(made, 5, seen.listener);
    const composed = seen.next();
    client.open(made, 5);
    await composed;
    expect(await client.ties()).to.deep.equal([
      { words: 'Mr Orme', count: 90 },
      { words: 'Mrs Vane', count: 90 },
    ]);
    const [division] = made.divisions;
    const place = { stream: division.id, block: division.blocks[6].id };
    const [broken, same] = await client.wishes(place, [{ breakBefore: true }, {}]);
    expect(broken!.pages).to.be.at.least(1);
    expect(same).to.deep.equal({ pages: 0, more: 0, lines: 0 });
    expect(await client.wishes({ ...place, stream: 'd999' }, [{ breakBefore: true }])).to.deep.equal([null]);
    client.close();
  });

  it('tries edits without changing anything, and takes a trial as it was tried', async () => {
    const made = book([
      chapter('One', ...Array.from({ length: 8 }, (_, k) => words(90, k))),
      chapter('Two', words(90)),
    ]);
    const seen = watch();
    const client = clientOf(made, 5, seen.listener);
    const first = seen.next();
    client.open(made, 5);
    const before = await first;
    const [division] = made.divisions;
    const [block] = division.blocks.slice(4);
    const edit: BookEdit = {
      kind: 'replaceBlocks',
      stream: division.id,
      at: 4,
      removed: [block],
      inserted: [{ ...block, text: words(400, 9) } as typeof block],
    };
    const { trial, outlines } = await client.try([edit], 2);
    expect(trial!.changed.length).to.be.at.least(2);
    expect(trial!.pageCount).to.be.above(before.pages.length - 1);
    expect(trial!.pages.map(({ page }) => page)).to.deep.equal(trial!.changed.slice(0, 2));
    expect(trial!.pages[0].list.items.length).to.be.above(0);
    expect(outlines.length).to.be.above(0);
    // Nothing has changed by it.
    expect((await client.page(0, 5)).revision).to.equal(5);
    const composed = seen.next();
    client.apply([edit], 5, 6, trial!.number);
    const after = await composed;
    expect(after.revision).to.equal(6);
    expect(after.pages.length).to.equal(trial!.pageCount);
    client.close();
  });

  it('makes the edits of a trial on the book as it is now when another came before', async () => {
    const made = book([chapter('One', ...Array.from({ length: 8 }, (_, k) => words(90, k)))]);
    const larger = setSpecEdit(made, ['text', 'size'], { pt: 14, unit: 'pt' });
    const longer = change(made, words(400, 9));
    const seen = watch();
    const client = clientOf(made, 5, seen.listener);
    const first = seen.next();
    client.open(made, 5);
    await first;
    const { trial } = await client.try([longer], 2);
    let composed = seen.next();
    client.apply([larger], 5, 6);
    await composed;
    // Its number comes too late: the edits are made on the book as it is now.
    composed = seen.next();
    client.apply([longer], 6, 7, trial!.number);
    const pages = (await composed).pages.length;
    client.close();

    const fresh = watch();
    const other = clientOf(made, 1, fresh.listener);
    const whole = fresh.next();
    other.open(applyEdit(applyEdit(made, larger), longer), 1);
    expect((await whole).pages.length).to.equal(pages);
    other.close();
  });

  it('gives up a trial when the book changes while it is composed', async () => {
    const made = longBook();
    const edit = setSpecEdit(made, ['text', 'size'], { pt: 14, unit: 'pt' });
    const held: (() => void)[] = [];
    let isHeld = false;
    const breathe = () =>
      isHeld
        ? new Promise<void>((resolve) => held.push(resolve))
        : new Promise<void>((resolve) => setImmediate(resolve));
    const replies: TypesetReply[] = [];
    const session = new TypesetSession(new WorkerAssets(fetchBytes), (reply) => replies.push(reply), breathe);
    session.handle({ kind: 'open', book: made, revision: 1, base: '' });
    await until(() => replies.some((reply) => reply.kind === 'composed' && !reply.isPart));
    // The trial stops at its first breath, and the book changes there.
    isHeld = true;
    session.handle({ kind: 'try', request: 1, edits: [edit], most: 2 });
    await until(() => held.length === 1);
    isHeld = false;
    session.handle({ kind: 'apply', edits: [change(made, 'Short.')], from: 1, to: 2 });
    held[0]();
    await until(() => replies.some((reply) => reply.kind === 'tried'));
    expect(replies.find((reply) => reply.kind === 'tried')).to.include({ request: 1, trial: null });
    await until(() => replies.filter((reply) => reply.kind === 'composed' && !reply.isPart).length === 2);
  });

  it('answers every question that is open when it is ended', async () => {
    const made = book([chapter('One', words(400, 2))]);
    const client = clientOf(made, 1, watch().listener);
    const place = { stream: made.divisions[0].id, block: made.divisions[0].blocks[0].id };
    const asked = [
      client.page(0, 1),
      client.locate(place.stream, place.block, 0),
      client.paragraph(place.stream, place.block),
      client.lacking(),
      client.ties(),
      client.wishes(place, [{}]),
      client.try([], 1),
      client.tidyOffers(),
      client.tidy(['quotes'], null),
    ];
    client.close();
    expect(await Promise.all(asked)).to.deep.equal([
      { revision: -1, list: null, outlines: [] },
      -1,
      null,
      [],
      [],
      [],
      { trial: null, outlines: [] },
      [],
      { revision: -1, edits: [], changes: [] },
    ]);
  });

  it('follows edits by revision, and throws away what was overtaken', async () => {
    let made = longBook();
    const seen = watch();
    const client = clientOf(made, 0, seen.listener);
    client.open(made, 0);
    for (let revision = 1; revision <= 5; revision += 1) {
      const edit = change(made, `Text ${revision}.`);
      made = applyEdit(made, edit);
      client.apply([edit], revision - 1, revision);
    }
    while (seen.composed.at(-1)?.revision !== 5) await seen.next();
    expect(seen.composed.length).to.be.below(4);
    const place = made.divisions[0];
    expect(await client.locate(place.id, place.blocks[1].id, 0)).to.equal(0);
    expect(await client.locate(place.id, 'p0', 0)).to.equal(-1);
    const last = made.divisions[7];
    expect(await client.locate(last.id, last.blocks[12].id, 0)).to.be.above(10);
    const facts = await client.paragraph(last.id, last.blocks[12].id);
    expect(facts!.best.lines).to.be.above(1);
    expect(facts!.set.widest).to.be.within(0.15, 0.6);
    for (const [variant, step] of [
      [facts!.shorter, -1],
      [facts!.longer, 1],
    ] as const)
      if (variant !== null) expect(variant.lines).to.equal(facts!.best.lines + step);
    expect(await client.paragraph(last.id, 'p0')).to.equal(null);
    client.close();
  });

  it('tells its progress on a long book', async () => {
    const made = longBook(14);
    const seen = watch();
    const client = clientOf(made, 0, seen.listener);
    const next = seen.next();
    client.open(made, 0);
    await next;
    expect(seen.progress.length).to.be.above(3);
    expect(Math.max(...seen.progress)).to.be.at.most(1);
    client.close();
  });

  it('is started again from the current book when it dies or is out of step, and gives up after a few times', async () => {
    const made = longBook(1);
    const seen = watch();
    const kills: (() => void)[] = [];
    const client = clientOf(made, 7, seen.listener, (kill) => kills.push(kill));
    let next = seen.next();
    client.open(made, 7);
    await next;
    const pending = client.page(0, 7);
    next = seen.next();
    kills[0]();
    expect((await pending).revision).to.be.oneOf([-1, 7]);
    expect((await next).revision).to.equal(7);
    expect(seen.restarts).to.equal(1);
    next = seen.next();
    client.apply([], 99, 100);
    expect((await next).revision).to.equal(7);
    expect(seen.restarts).to.equal(2);
    for (let k = 2; k < 5; k += 1) kills[k]?.();
    expect(seen.failed).to.deep.equal(['out of memory']);
    client.close();
  });
});

describe('the job runner', () => {
  const hooks = { now: () => performance.now(), breathe: channelBreath() };

  it('gives the result of a generator, breathing between slices', async () => {
    let breaths = 0;
    function* work(): Generator<number, string> {
      for (let k = 0; k < 5; k += 1) yield k;
      return 'done';
    }
    let clock = 0;
    const result = await runJob(work(), {
      isStale: () => false,
      now: () => (clock += 10),
      breathe: async () => void (breaths += 1),
    });
    expect(result).to.equal('done');
    expect(breaths).to.equal(5);
  });

  it('drops a stale job and lets it clean up', async () => {
    let cleaned = false;
    function* work(): Generator<number, string> {
      try {
        for (;;) yield 1;
      } finally {
        cleaned = true;
      }
    }
    const start = performance.now();
    expect(await runJob(work(), { ...hooks, isStale: () => performance.now() - start > 20 })).to.equal(undefined);
    expect(cleaned).to.equal(true);
  });

  it('passes on what a job throws', async () => {
    function* work(): Generator<number, string> {
      throw new RangeError('no');
    }
    let caught: unknown;
    await runJob(work(), { ...hooks, isStale: () => false }).catch((error: unknown) => (caught = error));
    expect(caught).to.be.instanceOf(RangeError);
  });
});

/** For the metadata of products. */
const DATE = '2026-01-01T00:00:00Z';

describe('write jobs', () => {
  const post = () => undefined;

  it('import a manuscript, and open the project that they wrote to an identical book', async () => {
    const imported = await doWriteJob(
      {
        kind: 'import',
        fileName: 'd.docx',
        file: blobOf(readAsset('demo/the-ferry-register.docx')),
        bookId: 'b5',
        particulars: { year: '2026' },
        base: '',
      },
      fetchBytes,
      post,
    );
    expect(imported.kind).to.equal('book');
    if (imported.kind !== 'book') return;
    expect(imported.book.particulars.year).to.equal('2026');
    const file = await doWriteJob(
      {
        ...{
          kind: 'product',
          product: 'project',
          settings: {},
          date: DATE,
          book: imported.book,
          pictures: {},
          base: '',
        },
        copyBase: imported.base!,
      },
      fetchBytes,
      post,
    );
    if (file.kind !== 'file') throw new Error('no file');
    const opened = await doWriteJob({ kind: 'openProject', file: file.file, bookId: 'b5', base: '' }, fetchBytes, post);
    if (opened.kind !== 'book') throw new Error('no book');
    const { base, ...rest } = opened;
    expect(rest).to.deep.equal({
      ...{ kind: 'book', book: imported.book, pictures: {}, arrival: null },
      ...{ fonts: [], facesNeeded: [] },
    });
    // With it the copy as it came, so that the next file is joined with what is done here, in another browser too.
    const copyOf = ({ divisions, notes, source }: Book) => ({ divisions, notes, styles: source.styles });
    expect(copyOf(base!)).to.deep.equal(copyOf(imported.base!));
  });

  it('join the author’s next file with the desk’s work: mapping and recipe of today run over both files', async () => {
    const file = (text: string) => blobOf(new TextEncoder().encode(text));
    const first =
      '<h1>One</h1><p class="aside">He said "no"  and went.</p><p>Left as it was.</p><p>The last line of it.</p>';
    const imported = await doWriteJob(
      { kind: 'import', fileName: 'a.html', file: file(first), bookId: 'b6', base: '' },
      fetchBytes,
      post,
    );
    if (imported.kind !== 'book') throw new Error('no book');
    // At the desk: the style is mapped, spaces are tidied, a word is typed.
    const waiting = imported.book.source.mapping.aside;
    const mapping = { ...imported.book.source.mapping, aside: 'EXT' };
    const desk: Book = {
      ...imported.book,
      source: { ...imported.book.source, mapping, recipe: ['runs-of-spaces'] },
      divisions: imported.book.divisions.map((division) => ({
        ...division,
        blocks: division.blocks.map((block) =>
          block.kind === 'table'
            ? block
            : {
                ...block,
                style: block.style === waiting ? 'EXT' : block.style,
                text: block.text.replace('  ', ' ').replace('The last line', 'The very last line'),
              },
        ),
      })),
    };
    const next = async (text: string, copyBase: Book | null, from: Book) => {
      const reply = await doWriteJob(
        { kind: 'replaceCopy', book: from, copyBase, division: null, fileName: 'b.html', file: file(text), base: '' },
        fetchBytes,
        post,
      );
      if (reply.kind !== 'replaced') throw new Error(JSON.stringify(reply));
      return { ...reply, book: applyEdits(from, reply.edits) };
    };
    const newer = first.replace('and went', 'and  stayed');
    const three = await next(newer, imported.base, desk);
    const texts = three.book.divisions.flatMap(({ blocks }) =>
      blocks.map((block) => (block.kind === 'table' ? '' : block.text)),
    );
    expect(texts).to.include.members(['He said "no" and stayed.', 'Left as it was.', 'The very last line of it.']);
    expect(three.report).to.include({ ways: 'three' });
    expect([three.report.author.length, three.report.desk.length, three.report.both.length]).to.deep.equal([1, 1, 0]);
    expect(three.book.source.base).to.not.equal(imported.book.source.base);
    const again = await next(newer, three.base, three.book);
    expect(again.edits).to.deep.equal([]);
    // Without the last file: two ways, which is said, and three from then on.
    const two = await next(newer, null, desk);
    expect(two.report.ways).to.equal('two');
    expect(
      two.book.divisions.flatMap(({ blocks }) => blocks).map((block) => (block.kind === 'table' ? '' : block.text)),
    ).to.not.include('The very last line of it.');
    const after = await next(newer, two.base, two.book);
    expect(after.report.ways).to.equal('three');
    expect(after.edits).to.deep.equal([]);
  });

  it('write a press PDF with progress', async () => {
    const shares: number[] = [];
    const file = await doWriteJob(
      { kind: 'product', product: 'press', settings: {}, book: longBook(6), pictures: {}, date: DATE, base: '' },
      fetchBytes,
      (reply) => reply.kind === 'progress' && shares.push(reply.share),
    );
    if (file.kind !== 'file') throw new Error(JSON.stringify(file));
    expect(file.pages).to.be.above(10);
    expect(qpdfCheck(await bytesOf(file.file))).to.include('No syntax');
    expect(shares).to.deep.equal([...shares].sort((a, b) => a - b));
  });

  it('write the copy and an EPUB', async () => {
    const made = book([chapter('One', 'He *went* and came.')]);
    const orders: readonly WriteOrder[] = [
      { kind: 'product', product: 'copy', settings: { format: 'md' }, book: made, pictures: {}, date: DATE },
      { kind: 'product', product: 'epub', settings: FIRST_EBOOK, book: made, pictures: {}, date: DATE },
    ];
    for (const [k, order] of orders.entries()) {
      const file = await doWriteJob({ ...order, base: '' }, fetchBytes, post);
      if (file.kind !== 'file') throw new Error(JSON.stringify(file));
      const text = new TextDecoder('latin1').decode(await bytesOf(file.file));
      expect(text).to.include(k === 0 ? 'He *went* and came.' : 'mimetypeapplication/epub+zip');
    }
  });

  it('answer bad files with a sentence and a code', async () => {
    const reply = await doWriteJob(
      { kind: 'import', fileName: 'x.docx', file: blobOf(new Uint8Array([1])), bookId: 'b', base: '' },
      fetchBytes,
      post,
    );
    expect(reply).to.deep.equal({
      kind: 'failed',
      code: 'not-a-document',
      message: 'x.docx is not a Word document, whatever its name says.',
    });
  });

  it('are cancelled by ending their worker', async () => {
    let ended = false;
    const worker: WorkerLike = {
      postMessage: () => undefined,
      terminate: () => void (ended = true),
      onmessage: null,
      onerror: null,
    };
    const job = startWriteJob(
      () => worker,
      { base: '' },
      { kind: 'product', product: 'project', settings: {}, date: DATE, book: longBook(1), pictures: {} },
    );
    job.cancel();
    expect(await job.result).to.deep.equal({ kind: 'cancelled' });
    expect(ended).to.equal(true);
    const failing = startWriteJob(
      () => worker,
      { base: '' },
      { kind: 'product', product: 'project', settings: {}, date: DATE, book: longBook(1), pictures: {} },
    );
    worker.onerror!({ message: 'gone' } as ErrorEvent);
    expect(await failing.result).to.include({ kind: 'failed' });
  });

  it('take replies for what they are', () => {
    const reply: TypesetReply = { kind: 'progress', revision: 1, share: 0.5 };
    expect(structuredClone(reply)).to.deep.equal(reply);
  });
});
