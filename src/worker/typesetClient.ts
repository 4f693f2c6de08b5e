// The main thread's side of the workers. A typeset worker that dies is started again from the current book.
import { withChange } from '../core/base/listChange';
import type { Book } from '../core/model/copy/book';
import type { OwnFont } from '../core/model/spec/faces';
import type { BookEdit } from '../core/model/copy/bookEdit';
import type { FindQuery, FindReplacement } from '../core/model/answers/find';
import type { DisplayList, GlyphOutline } from '../core/model/composed/displayList';
import type { SpacingFacts } from '../core/model/answers/spacingFacts';
import type { BookTie } from '../core/model/answers/ties';
import type { LackingCharacter } from '../core/model/answers/lacking';
import type { PageTable } from '../core/model/composed/pageTable';
import type { ParagraphFacts, Wish, WishCost } from '../core/model/answers/paragraphFacts';
import type { TidyChange, TidyOffer, TidyPlace } from '../core/model/answers/tidy';
import type { WorkerLike } from './workerLike';
import type {
  ComposedSummary,
  Found,
  SummaryChange,
  TextInView,
  TrialAnswer,
  TypesetReply,
  TypesetRequest,
} from './protocol';

export interface PageReply {
  readonly revision: number;
  readonly list: DisplayList | null;
  readonly outlines: readonly GlyphOutline[];
}

export interface TriedReply {
  readonly trial: TrialAnswer | null;
  readonly outlines: readonly GlyphOutline[];
}

export type AheadPages = readonly { readonly page: number; readonly list: DisplayList }[];

export interface FoundReply extends Found {
  /** The pattern has to be run where it can be ended. */
  readonly isElsewhere?: boolean;
}

export interface ReplacedReply {
  readonly revision: number;
  readonly edits: readonly BookEdit[];
  readonly count: number;
  readonly isElsewhere?: boolean;
}

/** A question that takes its time. */
export interface RunningQuestion<T> {
  readonly result: Promise<T>;
  /** Its answer is not wanted any more; it comes all the same, and says nothing. */
  readonly stop: () => void;
}

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

/** What the worker answers to a question. */
type Answer = Exclude<Extract<TypesetReply, { readonly request: number }>, { readonly kind: 'refused' | 'share' }>;

interface OpenQuestion {
  readonly answer: (reply: Answer) => void;
  readonly lose: () => void;
}

export class TypesetClient {
  /** The lists of the summary told last, and its number. */
  private told: Told | null = null;
  private worker: WorkerLike | undefined;
  private requests = 0;
  private view: TextInView | null = null;
  private restarts = 0;
  /** `givenUp`: workers died again and again; nothing is asked until a book is opened anew. */
  private life: 'running' | 'givenUp' | 'closed' = 'running';
  /** Who is told how far a question is. */
  private readonly onShare = new Map<number, (share: number) => void>();
  /** Questions that the worker has not answered yet. */
  private readonly questions = new Map<number, OpenQuestion>();

  constructor(
    private readonly createWorker: () => WorkerLike,
    private readonly base: string,
    private readonly current: () => { readonly book: Book; readonly revision: number } | null,
    private readonly listener: TypesetListener,
    /** Faces of the person's own. */
    private readonly fonts: () => readonly OwnFont[] = () => [],
  ) {}

  /** Gives a worker the book; a client that has given up tries one more. */
  open(book: Book, revision: number): void {
    if (this.life === 'closed') return;
    if (this.life === 'givenUp') [this.life, this.restarts] = ['running', MOST_RESTARTS];
    this.worker ??= this.start();
    this.send({ kind: 'open', book, revision, base: this.base, fonts: this.fonts() });
  }

  /** After workers have died again and again, the next change gives a new one the whole book: it may be another book now. */
  apply(edits: readonly BookEdit[], from: number, to: number, trial?: number): void {
    const taken = trial === undefined ? {} : { trial };
    if (this.life === 'running') return this.send({ kind: 'apply', edits, from, to, ...taken });
    const current = this.current();
    if (current !== null) this.open(current.book, current.revision);
  }

  /** Tells what is looked at, to be composed first from now on. */
  look(view: TextInView | null): void {
    this.view = view;
    this.send({ kind: 'look', view });
  }

  page(page: number, revision: number): Promise<PageReply> {
    const lost: PageReply = { revision: -1, list: null, outlines: [] };
    return this.ask(
      'page',
      (request) => ({ kind: 'page', request, page, revision }),
      (reply): PageReply => reply,
      lost,
    );
  }

  /** Index of the page on which a place of the text stands; -1 when on none. */
  locate(stream: string, block: string, offset: number): Promise<number> {
    return this.ask(
      'located',
      (request) => ({ kind: 'locate', request, stream, block, offset }),
      ({ page }) => page,
      -1,
    );
  }

  /** Everything that a query finds. */
  find(query: FindQuery, onProgress: (share: number) => void = () => undefined): RunningQuestion<FoundReply> {
    const lost: FoundReply = { hits: [], outside: 0, problem: 'The search was stopped before its end.' };
    let asked = 0;
    const result = this.ask(
      'found',
      (request) => ({ kind: 'find', request: (asked = request), query }),
      (reply): FoundReply => reply,
      lost,
    );
    this.onShare.set(asked, onProgress);
    return {
      result: result.finally(() => this.onShare.delete(asked)),
      stop: () => this.send({ kind: 'stop', request: asked }),
    };
  }

  /** The edits that replace what a query finds, for the revision that is told with them. */
  replace(query: FindQuery, replacement: FindReplacement, only: readonly string[] | null): Promise<ReplacedReply> {
    const lost: ReplacedReply = { revision: -1, edits: [], count: 0 };
    const message = { kind: 'replace', query, replacement, only } as const;
    return this.ask(
      'replaced',
      (request) => ({ ...message, request }),
      (reply): ReplacedReply => reply,
      lost,
    );
  }

  /** Characters that the face of their paragraph lacks, of the pages composed last. */
  lacking(): Promise<readonly LackingCharacter[]> {
    return this.ask(
      'lacking',
      (request) => ({ kind: 'lacking', request }),
      ({ characters }) => characters,
      [],
    );
  }

  /**
   * What edits would do to the pages; `most` of the changed ones are drawn. Null when the book changes before that is known. Until it
   * changes, `apply` with the number of the trial takes it as it was tried.
   */
  try(edits: readonly BookEdit[], most: number): Promise<TriedReply> {
    const lost: TriedReply = { trial: null, outlines: [] };
    return this.ask(
      'tried',
      (request) => ({ kind: 'try', request, edits, most }),
      (reply): TriedReply => reply,
      lost,
    );
  }

  /** What each of some wishes for a paragraph would do to its pages; empty when the book changes before that is known. */
  wishes(
    place: { readonly stream: string; readonly block: string },
    wishes: readonly Wish[],
  ): Promise<readonly (WishCost | null)[]> {
    return this.ask(
      'wishes',
      (request) => ({ kind: 'wishes', request, ...place, wishes }),
      ({ costs }) => costs,
      [],
    );
  }

  /** The page table of a revision; null when another is composed. */
  pageTable(revision: number): Promise<PageTable | null> {
    return this.ask(
      'pageTable',
      (request) => ({ kind: 'pageTable', request, revision }),
      ({ table }) => table,
      null,
    );
  }

  /** Ties by rule of the pages composed last. */
  ties(): Promise<readonly BookTie[]> {
    return this.ask(
      'ties',
      (request) => ({ kind: 'ties', request }),
      ({ ties }) => ties,
      [],
    );
  }

  /** How often each rule of spacing decided in the pages composed last; null when that is not known now. */
  spacing(): Promise<SpacingFacts | null> {
    return this.ask(
      'spacing',
      (request) => ({ kind: 'spacing', request }),
      ({ facts }) => facts,
      null,
    );
  }

  /** What Tidy would do for the copy; empty when it changes before that is known. */
  tidyOffers(): Promise<readonly TidyOffer[]> {
    return this.ask(
      'tidyOffers',
      (request) => ({ kind: 'tidyOffers', request }),
      ({ offers }) => offers,
      [],
    );
  }

  /** The edits of Tidy jobs, for the revision that is told with them. */
  tidy(jobs: readonly string[], only: TidyPlace | null, skipped: readonly TidyPlace[] = []): Promise<TidyReply> {
    const lost: TidyReply = { revision: -1, edits: [], changes: [] };
    return this.ask(
      'tidied',
      (request) => ({ kind: 'tidy', request, jobs, only, skipped }),
      (reply): TidyReply => reply,
      lost,
    );
  }

  /** What can be told of a paragraph of the composed book; null when it stands on no page, or the book has changed. */
  paragraph(stream: string, block: string): Promise<ParagraphFacts | null> {
    return this.ask(
      'paragraph',
      (request) => ({ kind: 'paragraph', request, stream, block }),
      ({ facts }) => facts,
      null,
    );
  }

  /** Asks under a number of its own. `lost`: the answer when the question is refused, or the worker ends before it gives one. */
  private ask<K extends Answer['kind'], T>(
    _kind: K,
    message: (request: number) => TypesetRequest,
    taken: (reply: Extract<Answer, { kind: K }>) => T,
    lost: T,
  ): Promise<T> {
    if (this.life !== 'running') return Promise.resolve(lost);
    const request = (this.requests += 1);
    return new Promise((resolve) => {
      this.questions.set(request, {
        answer: (reply) => resolve(taken(reply as Extract<Answer, { kind: K }>)),
        lose: () => resolve(lost),
      });
      this.send(message(request));
    });
  }

  /** Ends the worker for good. Whoever waits, or asks later, gets the answer that says nothing. */
  close(): void {
    this.life = 'closed';
    this.endWorker();
  }

  private endWorker(): void {
    this.worker?.terminate();
    this.worker = undefined;
    this.settleAll();
  }

  /** To the worker that has the book; without one, the message is about nothing and is dropped. */
  private send(message: TypesetRequest): void {
    if (this.life === 'running') this.worker?.postMessage(message);
  }

  private start(): WorkerLike {
    const worker = this.createWorker();
    // A worker that was ended may have messages on the way.
    worker.onmessage = (event: MessageEvent<TypesetReply>) => this.worker === worker && this.receive(event.data);
    worker.onerror = (event) => this.worker === worker && this.restart(event.message);
    return worker;
  }

  private receive(reply: TypesetReply): void {
    if (reply.kind === 'share') return this.onShare.get(reply.request)?.(reply.share);
    if ('request' in reply) {
      const question = this.questions.get(reply.request);
      this.questions.delete(reply.request);
      if (reply.kind === 'refused') question?.lose();
      else question?.answer(reply);
      return;
    }
    switch (reply.kind) {
      case 'progress':
        return this.listener.onProgress(reply.revision, reply.share);
      case 'composed':
        this.restarts = 0;
        return this.takeSummary(reply.change, reply.isPart);
      case 'ahead':
        return this.listener.onAhead(reply.revision, reply.pages, reply.outlines);
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

  /** Gives a new worker the book as it is now; gives up after some that died without having composed it. */
  private restart(message: string): void {
    this.endWorker();
    const current = this.current();
    this.restarts += 1;
    if (current === null || this.restarts > MOST_RESTARTS) {
      this.life = 'givenUp';
      return this.listener.onFailed(message);
    }
    this.listener.onRestarted();
    this.open(current.book, current.revision);
    this.look(this.view);
  }

  /** Answers whoever waits, so that nothing waits for ever. */
  private settleAll(): void {
    for (const { lose } of this.questions.values()) lose();
    this.questions.clear();
  }
}

export type { ComposedSummary, PageSummary, TextInView, TrialAnswer } from './protocol';
