// The app's state as tests have it: a real database in memory, the write jobs in the same thread, a typeset client that only notes.
import 'fake-indexeddb/auto';
import type { FaceTable } from '../../src/core/model/spec/faces';
import { openBook } from '../../src/state/book/bookThunks';
import { Sessions } from '../../src/state/session/sessions';
import type { Services } from '../../src/state/services';
import { createAppStore, type AppStore } from '../../src/state/store';
import { BookRepository } from '../../src/storage/bookRepository';
import { WalnutDatabase } from '../../src/storage/database';
import { FontRepository } from '../../src/storage/fontRepository';
import { PictureRepository } from '../../src/storage/pictureRepository';
import { ProductRepository } from '../../src/storage/productRepository';
import { PullRepository } from '../../src/storage/pullRepository';
import type { TypesetListener } from '../../src/worker/typesetClient';
import { doWriteJob } from '../../src/worker/writeJobs';
import { readAsset, readJson } from './assets';
import { book, chapter, division, note } from './book';
import { Tabs } from './tabs';

let databases = 0;

export interface World {
  readonly services: Services;
  readonly store: AppStore;
  readonly repository: BookRepository;
  readonly applied: { from: number; to: number }[];
  readonly downloads: { name: string; file: Blob }[];
  listener?: TypesetListener;
  /** What the client answers of any place; -1 at first. */
  pageLocated?: number;
  time: number;
}

/** The app's state over a real (in-memory) database, with a typeset client that only notes what it is told. */
export function world(database = new WalnutDatabase(`test-${(databases += 1)}`), tabs = new Tabs()): World {
  const repository = new BookRepository(database);
  const made: Partial<World> & { applied: World['applied']; downloads: World['downloads']; time: number } = {
    repository,
    applied: [],
    downloads: [],
    time: 1000,
  };
  const client = {
    open: () => queueMicrotask(() => made.listener?.onFailed('no typeset worker in this test')),
    apply: (_edits: unknown, from: number, to: number) => void made.applied.push({ from, to }),
    page: async () => ({ revision: 0, list: null, outlines: [] }),
    locate: async () => made.pageLocated ?? -1,
    look: () => undefined,
    pageTable: async () => null,
    close: () => undefined,
  };
  const services: Services = {
    repository,
    pulls: new PullRepository(database),
    pictures: new PictureRepository(database),
    products: new ProductRepository(database),
    fonts: new FontRepository(database),
    ownFonts: [],
    fetchFaces: async () => readJson('faces.json') as FaceTable,
    locks: tabs.locks(),
    get sessions() {
      return sessions;
    },
    createClient: (_current, listener) => {
      made.listener = listener;
      return client as never;
    },
    startWriteJob: (order) => ({
      result: doWriteJob(
        { ...order, base: '' } as never,
        async (name) => readAsset(name),
        () => undefined,
      ) as never,
      cancel: () => undefined,
    }),
    fetchDemos: async () => [
      {
        fileName: 'the-ferry-register.docx',
        bytes: readAsset('demo/the-ferry-register.docx'),
        isHandbook: false,
        dress: null,
        pictures: {},
        particulars: { year: '2026' },
      },
    ],
    download: (name, file) => void made.downloads.push({ name, file }),
    now: () => made.time,
    newBookId: () => `b${(databases += 1)}`,
  };
  const sessions = new Sessions(services);
  return Object.assign(made, { services, store: createAppStore(services) }) as World;
}

/** A small book of its own id. */
export const sample = () => ({
  ...book([division('title', []), chapter('One', 'a{1}'), chapter('Two', 'b')], [note(1, 'x')]),
  id: `b${(databases += 1)}`,
});

/** A world with the sample open. */
export async function opened(): Promise<World & { id: string }> {
  const here = world();
  const made = sample();
  await here.repository.add(made, 1);
  await here.store.dispatch(openBook(made.id));
  return Object.assign(here, { id: made.id });
}

/** Waits until something is so; throws after ten seconds. */
export async function until(isSo: () => boolean | Promise<boolean>): Promise<void> {
  for (const end = Date.now() + 10_000; !(await isSo());) {
    if (Date.now() > end) throw new Error('What was waited for did not come.');
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
}
