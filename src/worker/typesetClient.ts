// The main thread's side of the workers. A typeset worker that dies is started again from the current book.
import { withChange } from '../core/base/listChange';
import type { Book } from '../core/model/book';
import type { BookEdit } from '../core/model/bookEdit';
import type { FindHit, FindQuery, FindReplacement } from '../core/model/find';
import type { DisplayList, GlyphOutline } from '../core/model/displayList';
import type { BookTie } from '../core/model/ties';
import type { LackingCharacter } from '../core/model/lacking';
import type { ParagraphFacts, WishCost } from '../core/model/paragraphFacts';
import type { ParagraphTouches } from '../core/model/streams';
import type { TidyChange, TidyOffer, TidyPlace } from '../core/model/tidy';
import type {
  ComposedSummary,
  SummaryChange,
  TextInView,
  TypesetReply,
  TypesetRequest,
  WriteReply,
  WriteRequest,
} from './protocol';

/** The part of a Worker that is used; tests give a port instead. */
export interface WorkerLike {
  postMessage(message: unknown, transfer?: Transferable[]): void;
  terminate(): void;
  onmessage: ((event: MessageEvent) => void) | null;
  onerror: ((event: ErrorEvent) => void) | null;
}

export interface PageReply {
  readonly revision: number;
  readonly list: DisplayList | null;
  readonly outlines: readonly GlyphOutline[];
}

export type AheadPages = readonly { readonly page: number; readonly list: DisplayList }[];

export interface FoundReply {
  readonly hits: readonly FindHit[];
  /** What is wrong with the pattern. */
  readonly problem: string | null;
}

export interface ReplacedReply {
  readonly revision: number;
  readonly edits: readonly BookEdit[];
  readonly count: number;
}

/** A pattern may try for ever: after so many ms it is given up. */
const LONGEST_FIND = 8000;
const TOO_SLOW = 'This pattern takes too long: it has too many ways to match.';

/** The edits that Tidy jobs come to, and the revision to which they are made. */
export interface TidyReply {
  readonly revision: number;
  readonly edits: readonly BookEdit[];
  readonly changes: readonly TidyChange[];
}

export interface TypesetListener {
  onProgress(revision: number, share: number): void;
  /** `isPart`: the first pages of a book, the rest is on its way. */
  onComposed(summary: ComposedSummary, isPart: boolean): void;
  /** The pages in view of a revision whose book is still being composed. */
  onAhead(revision: number, pages: AheadPages, outlines: readonly GlyphOutline[]): void;
  onFailed(message: string): void;
  /** The worker is a new one: it has sent no outlines yet. */
  onRestarted(): void;
}

/** Restarts in a row without a finished compose after which the client gives up. */
const MOST_RESTARTS = 2;

type Told = Pick<ComposedSummary, 'pages' | 'extents' | 'headings' | 'findings'> & { readonly number: number };
const NOTHING_TOLD: Told = { number: 0, pages: [], extents: [], headings: [], findings: [] };

export class TypesetClient {
  /** The lists of the summary told last, and its number. */
  private told: Told | null = null;
  private worker: WorkerLike | undefined;
  private requests = 0;
  private view: TextInView | null = null;
  private restarts = 0;
  private readonly pages = new Map<number, (reply: PageReply) => void>();
  private readonly facts = new Map<number, (facts: ParagraphFacts | null) => void>();
  private readonly places = new Map<number, (page: number) => void>();
  private readonly offers = new Map<number, (offers: readonly TidyOffer[]) => void>();
  private readonly wished = new Map<number, (costs: readonly (WishCost | null)[]) => void>();
  private readonly tied = new Map<number, (ties: readonly BookTie[]) => void>();
  private readonly lackings = new Map<number, (characters: readonly LackingCharacter[]) => void>();
  private readonly found = new Map<number, (reply: FoundReply) => void>();
  private readonly replaced = new Map<number, (reply: ReplacedReply) => void>();
  private readonly tidied = new Map<number, (reply: TidyReply) => void>();

  constructor(
    private readonly createWorker: () => WorkerLike,
    private readonly base: string,
    private readonly current: () => { readonly book: Book; readonly revision: number } | null,
    private readonly listener: TypesetListener,
  ) {}

  open(book: Book, revision: number): void {
    this.send({ kind: 'open', book, revision, base: this.base });
  }

  apply(edits: readonly BookEdit[], from: number, to: number): void {
    this.send({ kind: 'apply', edits, from, to });
  }

  /** Tells what is looked at, to be composed first from now on. */
  look(view: TextInView | null): void {
    this.view = view;
    this.send({ kind: 'look', view });
  }

  page(page: number, revision: number): Promise<PageReply> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.pages.set(request, resolve);
      this.send({ kind: 'page', request, page, revision });
    });
  }

  /** Index of the page on which a place of the text stands; -1 when on none. */
  locate(stream: string, block: string, offset: number): Promise<number> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.places.set(request, resolve);
      this.send({ kind: 'locate', request, stream, block, offset });
    });
  }

  /** Everything that a query finds. A pattern that takes too long is given up, and the worker is started again. */
  find(query: FindQuery): Promise<FoundReply> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      const timer = setTimeout(() => {
        this.found.delete(request);
        resolve({ hits: [], problem: TOO_SLOW });
        this.restart(TOO_SLOW);
      }, LONGEST_FIND);
      this.found.set(request, (reply) => {
        clearTimeout(timer);
        resolve(reply);
      });
      this.send({ kind: 'find', request, query });
    });
  }

  /** The edits that replace what a query finds, for the revision that is told with them. */
  replace(query: FindQuery, replacement: FindReplacement, only: readonly string[] | null): Promise<ReplacedReply> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.replaced.set(request, resolve);
      this.send({ kind: 'replace', request, query, replacement, only });
    });
  }

  /** Characters that the face of their paragraph lacks, of the pages composed last. */
  lacking(): Promise<readonly LackingCharacter[]> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.lackings.set(request, resolve);
      this.send({ kind: 'lacking', request });
    });
  }

  /** What each of some wishes for a paragraph would do to its pages; empty when the book changes before that is known. */
  wishes(
    place: { readonly stream: string; readonly block: string },
    wishes: readonly Partial<Record<keyof ParagraphTouches, unknown>>[],
  ): Promise<readonly (WishCost | null)[]> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.wished.set(request, resolve);
      this.send({ kind: 'wishes', request, ...place, wishes });
    });
  }

  /** Ties by rule of the pages composed last. */
  ties(): Promise<readonly BookTie[]> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.tied.set(request, resolve);
      this.send({ kind: 'ties', request });
    });
  }

  /** What Tidy would do for the copy; empty when it changes before that is known. */
  tidyOffers(): Promise<readonly TidyOffer[]> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.offers.set(request, resolve);
      this.send({ kind: 'tidyOffers', request });
    });
  }

  /** The edits of Tidy jobs, for the revision that is told with them. */
  tidy(jobs: readonly string[], only: TidyPlace | null): Promise<TidyReply> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.tidied.set(request, resolve);
      this.send({ kind: 'tidy', request, jobs, only });
    });
  }

  /** What can be told of a paragraph of the composed book; null when it stands on no page, or the book has changed. */
  paragraph(stream: string, block: string): Promise<ParagraphFacts | null> {
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.facts.set(request, resolve);
      this.send({ kind: 'paragraph', request, stream, block });
    });
  }

  close(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.settleAll();
  }

  private send(message: TypesetRequest): void {
    this.worker ??= this.start();
    this.worker.postMessage(message);
  }

  private start(): WorkerLike {
    const worker = this.createWorker();
    worker.onmessage = (event: MessageEvent<TypesetReply>) => this.receive(event.data);
    worker.onerror = (event) => this.restart(event.message);
    return worker;
  }

  private receive(reply: TypesetReply): void {
    switch (reply.kind) {
      case 'progress':
        return this.listener.onProgress(reply.revision, reply.share);
      case 'composed':
        this.restarts = 0;
        return this.takeSummary(reply.change, reply.isPart);
      case 'ahead':
        return this.listener.onAhead(reply.revision, reply.pages, reply.outlines);
      case 'page':
        this.pages.get(reply.request)?.(reply);
        this.pages.delete(reply.request);
        return;
      case 'paragraph':
        this.facts.get(reply.request)?.(reply.facts);
        this.facts.delete(reply.request);
        return;
      case 'lacking':
        this.lackings.get(reply.request)?.(reply.characters);
        this.lackings.delete(reply.request);
        return;
      case 'wishes':
        this.wished.get(reply.request)?.(reply.costs);
        this.wished.delete(reply.request);
        return;
      case 'ties':
        this.tied.get(reply.request)?.(reply.ties);
        this.tied.delete(reply.request);
        return;
      case 'found':
        this.found.get(reply.request)?.(reply);
        this.found.delete(reply.request);
        return;
      case 'replaced':
        this.replaced.get(reply.request)?.(reply);
        this.replaced.delete(reply.request);
        return;
      case 'tidyOffers':
        this.offers.get(reply.request)?.(reply.offers);
        this.offers.delete(reply.request);
        return;
      case 'tidied':
        this.tidied.get(reply.request)?.(reply);
        this.tidied.delete(reply.request);
        return;
      case 'located':
        this.places.get(reply.request)?.(reply.page);
        this.places.delete(reply.request);
        return;
      case 'failed':
        if (reply.code === 'out-of-step') return this.restart(reply.message);
        return this.listener.onFailed(reply.message);
    }
  }

  private takeSummary({ number, from, facts, lists }: SummaryChange, isPart: boolean): void {
    const before = from === null ? NOTHING_TOLD : this.told;
    // Of a worker that was ended meanwhile.
    if (before === null || before.number !== (from ?? 0)) return;
    const summary: ComposedSummary = {
      ...facts,
      pages: withChange(before.pages, lists.pages),
      extents: withChange(before.extents, lists.extents),
      headings: withChange(before.headings, lists.headings),
      findings: withChange(before.findings, lists.findings),
    };
    this.told = { ...summary, number };
    this.listener.onComposed(summary, isPart);
  }

  private restart(message: string): void {
    this.close();
    const current = this.current();
    this.restarts += 1;
    if (current === null || this.restarts > MOST_RESTARTS) return this.listener.onFailed(message);
    this.listener.onRestarted();
    this.open(current.book, current.revision);
    this.look(this.view);
  }

  /** Answers whoever waits, so that nothing waits for ever. */
  private settleAll(): void {
    for (const resolve of this.pages.values()) resolve({ revision: -1, list: null, outlines: [] });
    for (const resolve of this.places.values()) resolve(-1);
    for (const resolve of this.facts.values()) resolve(null);
    for (const resolve of this.found.values()) resolve({ hits: [], problem: null });
    for (const resolve of this.replaced.values()) resolve({ revision: -1, edits: [], count: 0 });
    this.found.clear();
    this.replaced.clear();
    for (const resolve of this.offers.values()) resolve([]);
    for (const resolve of this.lackings.values()) resolve([]);
    this.lackings.clear();
    for (const resolve of this.tied.values()) resolve([]);
    this.tied.clear();
    for (const resolve of this.wished.values()) resolve([]);
    this.wished.clear();
    for (const resolve of this.tidied.values()) resolve({ revision: -1, edits: [], changes: [] });
    this.offers.clear();
    this.tidied.clear();
    this.facts.clear();
    this.pages.clear();
    this.places.clear();
  }
}

/** How a write job ends. */
export type WriteResult = Exclude<WriteReply, { kind: 'progress' }> | { readonly kind: 'cancelled' };

export interface WriteJob {
  readonly result: Promise<WriteResult>;
  /** Ends the worker; the result is `cancelled`. */
  readonly cancel: () => void;
}

/** Omits a key from each member of a union. */
type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
export type WriteOrder = Without<WriteRequest, 'base'>;

/** Starts a write worker for one job. */
export function startWriteJob(
  createWorker: () => WorkerLike,
  base: string,
  order: WriteOrder,
  onProgress: (share: number) => void = () => undefined,
): WriteJob {
  const worker = createWorker();
  let settle: (result: WriteResult) => void;
  const result = new Promise<WriteResult>((resolve) => {
    settle = (value) => {
      worker.terminate();
      resolve(value);
    };
  });
  worker.onmessage = (event: MessageEvent<WriteReply>) => {
    if (event.data.kind === 'progress') onProgress(event.data.share);
    else settle(event.data);
  };
  worker.onerror = (event) => settle({ kind: 'failed', code: 'worker', message: `The work stopped: ${event.message}` });
  worker.postMessage({ ...order, base });
  return { result, cancel: () => settle({ kind: 'cancelled' }) };
}

export type { ComposedSummary, PageSummary, TextInView, WholeBook } from './protocol';
