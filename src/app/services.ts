// Makes the services of the running app: database, locks, workers, downloads.
import { BookRepository } from '../storage/bookRepository';
import { FontRepository } from '../storage/fontRepository';
import type { FaceTable } from '../core/model/spec/faces';
import { PictureRepository } from '../storage/pictureRepository';
import { ProductRepository } from '../storage/productRepository';
import { PullRepository } from '../storage/pullRepository';
import { WalnutDatabase } from '../storage/database';
import { joinTabs, takeOver, tryLock } from '../storage/bookLock';
import type { Services } from '../state/services';
import type { DemoDress } from '../state/shelf/dressDemo';
import { Sessions } from '../state/session/sessions';
import { TypesetClient } from '../worker/typesetClient';
import { startWriteJob } from '../worker/writeClient';

/** The demonstration manuscripts; the last one stands first on the Shelf. */
const DEMOS = ['keeping-a-tidal-garden.docx', 'the-ferry-register.docx'];
/** What the invented press knows of its books and their authors' files do not say. */
const DEMO_PARTICULARS = {
  publisher: 'Ninepenny Landing Press',
  place: 'Saltmarket',
  year: '2026',
  edition: 'First printing',
  credits: 'Set in EB Garamond',
};

export function createServices(): Services {
  // Assets are served from the root, whatever stage the address of the page names.
  const base = new URL('/', document.baseURI).href;
  const typesetWorker = () =>
    new Worker(new URL('../worker/typesetWorker.ts', import.meta.url), { type: 'module', name: 'typeset' });
  const writeWorker = () =>
    new Worker(new URL('../worker/writeWorker.ts', import.meta.url), { type: 'module', name: 'write' });
  const database = new WalnutDatabase();
  const services: Services = {
    repository: new BookRepository(database),
    pulls: new PullRepository(database),
    pictures: new PictureRepository(database),
    products: new ProductRepository(database),
    locks: { tryLock, takeOver, joinTabs },
    get sessions() {
      return sessions;
    },
    createClient: (current, listener) =>
      new TypesetClient(typesetWorker, base, current, listener, () => services.ownFonts),
    startWriteJob: (order, onProgress) =>
      startWriteJob(writeWorker, { base, fonts: services.ownFonts }, order, onProgress),
    fonts: new FontRepository(database),
    ownFonts: [],
    async fetchFaces() {
      const response = await fetch(`${base}faces.json`);
      if (!response.ok) throw new Error(`The table of faces could not be loaded (${response.status}).`);
      return (await response.json()) as FaceTable;
    },
    async fetchDemos() {
      const read = async (name: string) => {
        const response = await fetch(`${base}demo/${name}`);
        if (!response.ok) throw new Error(`the demonstration file ${name} is missing`);
        return new Uint8Array(await response.arrayBuffer());
      };
      const dresses = JSON.parse(new TextDecoder().decode(await read('illustrations.json'))) as Record<
        string,
        DemoDress
      >;
      return Promise.all(
        DEMOS.map(async (fileName) => {
          const dress = dresses[fileName.replace(/\.docx$/, '')] ?? null;
          const names = dress?.figures.flatMap(({ files }) => files) ?? [];
          const pictures = await Promise.all(names.map(async (name) => [name, await read(name)] as const));
          return {
            ...{ fileName, particulars: DEMO_PARTICULARS, isHandbook: fileName === DEMOS[0], dress },
            bytes: await read(fileName),
            pictures: Object.fromEntries(pictures),
          };
        }),
      );
    },
    download,
    now: () => Date.now(),
    newBookId: () => `b${crypto.getRandomValues(new Uint32Array(2)).join('')}`,
  };
  const sessions = new Sessions(services);
  return services;
}

function download(fileName: string, file: Blob, type: string): void {
  const address = URL.createObjectURL(file.slice(0, file.size, type));
  const link = document.createElement('a');
  link.href = address;
  link.download = fileName;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 60_000);
}
