// Fetches the shipped assets for a worker; each once. The fetching function is given, so that tests read files instead.
import { addPatterns, createTypesetContext, FaceLibrary, HarfBuzz, needsOf, type TypesetContext } from '../core/index';
import type { Book } from '../core/model/copy/book';
import { isSameFont, type FaceRecord, type FaceTable, type OwnFont } from '../core/model/spec/faces';

export type FetchBytes = (name: string) => Promise<Uint8Array<ArrayBuffer>>;

/** Fetches from an address; throws with a sentence when the server does not give the file. */
export function fetchFrom(base: string): FetchBytes {
  return async (name) => {
    const response = await fetch(base + name);
    if (!response.ok) throw new Error(`${name} could not be loaded (${response.status}).`);
    return new Uint8Array(await response.arrayBuffer());
  };
}

export class WorkerAssets {
  private context: Promise<TypesetContext> | undefined;
  private readonly loading = new Map<string, Promise<void>>();

  private own: readonly OwnFont[];

  /** `own`: faces besides those that ship. */
  constructor(
    private readonly fetchBytes: FetchBytes,
    own: readonly OwnFont[] = [],
  ) {
    this.own = own;
  }

  /** Takes other faces of the person's own; what is composed from now on knows them. False: they are those that it has. */
  useOwn(own: readonly OwnFont[]): boolean {
    const same = own.length === this.own.length && own.every((font, at) => isSameFont(font, this.own[at]));
    if (same) return false;
    this.own = own;
    this.context = undefined;
    this.loading.clear();
    return true;
  }

  /** A context with every face and pattern that the book needs. */
  async contextFor(book: Book): Promise<TypesetContext> {
    this.context ??= this.createContext();
    const context = await this.context;
    const { table } = context.library;
    const needs = needsOf(book, table);
    await Promise.all([
      ...needs.faces.map((id) =>
        this.once(id, async () => context.library.add(id, await this.bytesOf(context.library.record(id)))),
      ),
      ...needs.languages.map((language) =>
        this.once(`patterns ${language}`, async () =>
          addPatterns(context, language, await this.fetchJson(`patterns/${language}.json`)),
        ),
      ),
    ]);
    return context;
  }

  /** The faces of the person's own that a book is set in. */
  async ownFacesOf(book: Book): Promise<readonly OwnFont[]> {
    const table = await this.fetchJson<FaceTable>('faces.json');
    const { faces } = needsOf(book, [...table, ...this.own.map(({ record }) => record)]);
    return this.own.filter(({ record }) => faces.includes(record.id));
  }

  private async bytesOf({ id, file }: FaceRecord): Promise<Uint8Array> {
    return this.own.find(({ record }) => record.id === id)?.bytes ?? (await this.fetchBytes(`fonts/${file}`));
  }

  private async createContext(): Promise<TypesetContext> {
    const [wasm, table] = await Promise.all([
      this.fetchBytes('harfbuzz.wasm'),
      this.fetchJson<FaceTable>('faces.json'),
    ]);
    const faces = [...table, ...this.own.map(({ record }) => record)];
    return createTypesetContext(
      new FaceLibrary(new HarfBuzz(wasm), faces),
      () => performance.now(),
      new Date().toISOString().slice(0, 10),
    );
  }

  private async fetchJson<T>(name: string): Promise<T> {
    return JSON.parse(new TextDecoder().decode(await this.fetchBytes(name))) as T;
  }

  /** Runs the loading of a thing once; a failed one may be tried again. */
  private once(key: string, load: () => Promise<void>): Promise<void> {
    const known = this.loading.get(key);
    if (known !== undefined) return known;
    const started = load().catch((error: unknown) => {
      this.loading.delete(key);
      throw error;
    });
    this.loading.set(key, started);
    return started;
  }
}
