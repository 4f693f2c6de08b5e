// The typeset worker's own state: a replica of the book kept by edits, the newest composed pages, and the compose under
// way. Knows messages, not the worker around it, so that it is tested over any channel.
import {
  applyEdits,
  displayPage,
  findInScope,
  bookTies,
  wishCosts,
  lackingCharacters,
  NotLinearError,
  offersOf,
  OWN_PREFIX,
  pageTableOf,
  paragraphFacts,
  spacingFacts,
  replaceAll,
  takeTrial,
  tidyBook,
  trialPages,
  tryEdits,
  typesetBook,
  typesetReach,
  ValueError,
  type ComposedState,
  type Trial,
  type TypesetContext,
  type TypesetReach,
} from '../core/index';
import type { Book } from '../core/model/copy/book';
import type { TypesetBook } from '../core/model/composed/pages';
import type { PageTable } from '../core/model/composed/pageTable';
import type { LackingCharacter } from '../core/model/answers/lacking';
import type { SpacingFacts } from '../core/model/answers/spacingFacts';
import type { BookTie } from '../core/model/answers/ties';
import type { ParagraphFacts } from '../core/model/answers/paragraphFacts';
import type { TidyPlace } from '../core/model/answers/tidy';
import type { WorkerAssets } from './assets';
import { lastPageWith } from './lastPageWith';
import { runJob, type Breathe } from './jobRunner';
import { buffersOf, newOutlines } from './outlines';
import type { TextInView, TypesetReply, TypesetRequest } from './protocol';
import { summarise, SummaryTeller } from './summary';

type Question = Exclude<Extract<TypesetRequest, { readonly request: number }>, { readonly kind: 'stop' }>;
type QuestionOf<K extends Question['kind']> = Extract<Question, { readonly kind: K }>;
type Without<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
/** An answer, before it has the number of its question. */
type Reply = Without<
  Exclude<Extract<TypesetReply, { readonly request: number }>, { readonly kind: 'share' }>,
  'request'
> & {
  readonly transfer?: Transferable[];
};

export type Post = (reply: TypesetReply, transfer?: Transferable[]) => void;

/** What tells a place of a Tidy job from the others. */
const placeKey = ({ block, at, was }: TidyPlace) => `${block} ${at} ${was}`;

interface Composed {
  /** Only its first pages are there. */
  readonly isPart: boolean;
  readonly revision: number;
  readonly book: TypesetBook;
  readonly context: TypesetContext;
}

/** Least time from one word of progress to the next, in ms. */
const PROGRESS_STEP = 60;

/** Milliseconds that drawing two pages takes. */
const DRAWING = 45;

export class TypesetSession {
  /** The last change was one of the look: it touches all pages. */
  private isLook = false;
  private toldProgress = -Infinity;
  private book: Book | undefined;
  private revision = -1;
  private composed: Composed | undefined;
  /** All pages of this book were told once: its first pages alone would take the others out of view. */
  private toldWhole = false;
  /** What a person looks at, composed before the rest. */
  private view: TextInView | null = null;
  private readonly summaries = new SummaryTeller();
  private readonly sentOutlines = new Set<string>();
  /** The newest trial, until the book changes; its number is that of its question. */
  private trial: { readonly number: number; readonly tried: Trial } | null = null;
  /** Questions whose answers are not wanted any more. */
  private readonly stopped = new Set<number>();

  constructor(
    private readonly assets: WorkerAssets,
    private readonly post: Post,
    private readonly breathe: Breathe,
  ) {}

  handle(message: TypesetRequest): void {
    switch (message.kind) {
      case 'open':
        // Glyphs of a face that was replaced are other ones now.
        if (this.assets.useOwn(message.fonts ?? [])) this.forgetOutlines();
        if (this.book?.id !== message.book.id) this.toldWhole = false;
        this.book = message.book;
        this.revision = message.revision;
        this.composed = undefined;
        this.trial = null;
        void this.compose();
        break;
      case 'apply':
        this.apply(message);
        break;
      case 'look':
        this.view = message.view;
        break;
      case 'stop':
        this.stopped.add(message.request);
        break;
      default:
        void this.answer(message);
    }
  }

  private forgetOutlines(): void {
    for (const key of this.sentOutlines) if (key.startsWith(OWN_PREFIX)) this.sentOutlines.delete(key);
  }

  /** Every question is answered or refused, whatever goes wrong on the way. */
  private async answer(question: Question): Promise<void> {
    const { request } = question;
    try {
      const { transfer = [], ...reply } = await this.replyTo(question);
      this.post({ ...reply, request } as TypesetReply, transfer);
    } catch (error) {
      this.post({ kind: 'refused', request, message: (error as Error).message });
    } finally {
      this.stopped.delete(request);
    }
  }

  private replyTo(question: Question): Reply | Promise<Reply> {
    switch (question.kind) {
      case 'page':
        return this.page(question.page);
      case 'paragraph':
        return { kind: 'paragraph', facts: this.factsOf(question) };
      case 'ties':
        return { kind: 'ties', ties: this.ties() };
      case 'pageTable':
        return { kind: 'pageTable', table: this.pageTable(question.revision) };
      case 'spacing':
        return { kind: 'spacing', facts: this.spacing() };
      case 'wishes':
        return this.costs(question);
      case 'try':
        return this.try(question);
      case 'lacking':
        return { kind: 'lacking', characters: this.lacking() };
      case 'find':
        return this.find(question);
      case 'replace':
        return this.replace(question);
      case 'tidyOffers':
        return this.offerTidy();
      case 'tidy':
        return this.tidy(question);
      case 'locate':
        return { kind: 'located', page: this.locate(question) };
    }
  }

  private apply(message: Extract<TypesetRequest, { kind: 'apply' }>): void {
    if (this.book === undefined || message.from !== this.revision) {
      this.post({ kind: 'failed', code: 'out-of-step', message: 'The worker has another revision of the book.' });
      return;
    }
    const taken = this.trial?.number === message.trial ? this.trial?.tried : undefined;
    this.trial = null;
    if (taken !== undefined && this.composed !== undefined) takeTrial(taken, this.composed.context);
    // The blocks of a trial are those that its pages were made of.
    this.book = taken?.book ?? applyEdits(this.book, message.edits);
    this.revision = message.to;
    this.isLook = message.edits.some(({ kind }) => kind === 'setSpec' || kind === 'setStyle');
    void this.compose();
  }

  /** Composes the newest revision; a compose of an older one drops out at its next step. */
  private async compose(): Promise<void> {
    const { book, revision } = this;
    if (book === undefined) return;
    const isStale = () => this.revision !== revision || this.book !== book;
    try {
      const context = await this.assets.contextFor(book);
      if (isStale()) return;
      const hooks = {
        isStale,
        onProgress: (share: number) => this.tellProgress(revision, share),
        now: () => performance.now(),
        breathe: this.breathe,
      };
      const put = (result: TypesetBook, isPart: boolean) => {
        this.composed = { revision, book: result, context, isPart };
        this.post({ kind: 'composed', change: this.summaries.changeTo(summarise(result, revision)), isPart });
      };
      const { composed: earlier, view } = this;
      if (earlier !== undefined && view !== null) {
        const reach = await runJob(typesetReach(book, context, view.stream, earlier.book), hooks);
        if (isStale()) return;
        if (reach) this.sendAhead(reach, view, revision, context);
        // What was sent is drawn before the rest takes the machine.
        if (reach && this.isLook) await new Promise((resolve) => setTimeout(resolve, DRAWING));
        if (isStale()) return;
      }
      const tellFirst = this.toldWhole ? undefined : (first: TypesetBook) => put(first, true);
      const whole = typesetBook(book, context, undefined, tellFirst);
      const result = await runJob(whole, hooks);
      if (result === undefined || isStale()) return;
      put(result, false);
      this.toldWhole = true;
    } catch (error) {
      const { message, code } = error as Error & { code?: string };
      this.post({ kind: 'failed', code: code ?? 'compose', message });
    }
  }

  /** Tells how far a compose is, not more often than anybody could see. */
  private tellProgress(revision: number, share: number): void {
    const now = performance.now();
    if (now - this.toldProgress < PROGRESS_STEP) return;
    this.toldProgress = now;
    this.post({ kind: 'progress', revision, share });
  }

  private jobHooks(revision: number) {
    return { isStale: () => this.revision !== revision, now: () => performance.now(), breathe: this.breathe };
  }

  /** What Tidy would do; nothing when the copy changes meanwhile. */
  private async offerTidy(): Promise<Reply> {
    const { book, revision } = this;
    const offers = book === undefined ? [] : await runJob(offersOf(book), this.jobHooks(revision));
    return { kind: 'tidyOffers', offers: offers ?? [] };
  }

  private async find({ request, query }: QuestionOf<'find'>): Promise<Reply> {
    const { book } = this;
    try {
      const found = book && (await runJob(findInScope(book, query, 'linear'), this.searchHooks(request)));
      return { kind: 'found', hits: found?.hits ?? [], outside: found?.outside ?? 0, problem: null };
    } catch (error) {
      if (error instanceof NotLinearError)
        return { kind: 'found', hits: [], outside: 0, problem: null, isElsewhere: true };
      if (!(error instanceof ValueError)) throw error;
      return { kind: 'found', hits: [], outside: 0, problem: error.message };
    }
  }

  private async replace({ request, query, replacement, only }: QuestionOf<'replace'>): Promise<Reply> {
    const { book, revision } = this;
    const nothing = { edits: [], count: 0 };
    try {
      const taken = only === null ? undefined : new Set(only);
      const work = book && replaceAll(book, query, replacement, taken, 'linear');
      const done = work && (await runJob(work, this.searchHooks(request)));
      return { kind: 'replaced', revision, ...(done ?? nothing) };
    } catch (error) {
      if (!(error instanceof NotLinearError)) throw error;
      return { kind: 'replaced', revision, ...nothing, isElsewhere: true };
    }
  }

  /** Dropped when the copy changes, or nobody waits for it any more; told how far it is. */
  private searchHooks(request: number) {
    const { revision } = this;
    let told = 0;
    return {
      ...this.jobHooks(revision),
      isStale: () => this.revision !== revision || this.stopped.has(request),
      onProgress: (share: number) => {
        const now = performance.now();
        if (now - told < PROGRESS_STEP) return;
        told = now;
        this.post({ kind: 'share', request, share });
      },
    };
  }

  private async tidy({ jobs, only, skipped }: QuestionOf<'tidy'>): Promise<Reply> {
    const { book, revision } = this;
    const left = new Set(skipped.map(placeKey));
    const wanted = only && placeKey(only);
    const accepts = (place: TidyPlace) => {
      const key = placeKey(place);
      return wanted === null ? !left.has(key) : key === wanted;
    };
    const done = book === undefined ? undefined : await runJob(tidyBook(book, jobs, accepts), this.jobHooks(revision));
    const { edits, changes } = done ?? { edits: [], changes: [] };
    return { kind: 'tidied', revision, edits, changes };
  }

  /** The composed book to try something on; undefined while it has changed since, or only its first pages are there. */
  private toTry(): ComposedState | undefined {
    const { composed, book, revision } = this;
    if (book === undefined || composed?.revision !== revision || composed.isPart) return undefined;
    return { book, composed: composed.book, context: composed.context };
  }

  private async try({ request, edits, most }: QuestionOf<'try'>): Promise<Reply> {
    const from = this.toTry();
    // Edits may ask for faces that no page has had.
    if (from !== undefined) await this.assets.contextFor(applyEdits(from.book, edits));
    const tried = from && (await runJob(tryEdits(from, edits), this.searchHooks(request)));
    if (tried === undefined) return { kind: 'tried', trial: null, outlines: [] };
    this.trial = { number: request, tried };
    const pages = trialPages(tried, most);
    const lists = pages.map(({ list }) => list);
    const outlines = newOutlines(lists, tried.context, this.sentOutlines);
    const { changed, inStepFrom, gained, lost } = tried;
    const { extents, pages: all } = tried.composed;
    const trial = { number: request, changed, pageCount: all.length, extents, inStepFrom, gained, lost, pages };
    return { kind: 'tried', trial, outlines, transfer: buffersOf(lists, outlines) };
  }

  private async costs({ stream, block, wishes }: QuestionOf<'wishes'>): Promise<Reply> {
    const from = this.toTry();
    const work = from && wishCosts(from, { stream, block }, wishes);
    const costs = work && (await runJob(work, this.jobHooks(this.revision)));
    return { kind: 'wishes', costs: costs ?? [] };
  }

  private page(page: number): Reply {
    const { composed } = this;
    if (composed === undefined || composed.book.pages[page] === undefined)
      return { kind: 'page', revision: composed?.revision ?? -1, list: null, outlines: [] };
    const list = displayPage(composed.book, page, composed.context);
    const outlines = newOutlines([list], composed.context, this.sentOutlines);
    return { kind: 'page', revision: composed.revision, list, outlines, transfer: buffersOf([list], outlines) };
  }

  /** The pages that take the place of those in view: where the text at their head stands now, and the one beside it. */
  private sendAhead(reach: TypesetReach, view: TextInView, revision: number, context: TypesetContext): void {
    const found = lastPageWith(reach.pages, view);
    if (found === undefined) return;
    const facing = found.side === 'verso' ? found.index + 1 : found.index - 1;
    const near = view.pages.length > 1 ? [found.index, facing].sort((a, b) => a - b) : [found.index];
    const first = Math.min(...reach.pages.map((page) => page.index));
    const pages = near.flatMap((index, k) => {
      if (reach.pages[index - first] === undefined) return [];
      return [{ page: view.pages[k], list: displayPage(reach, index - first, context) }];
    });
    const lists = pages.map((one) => one.list);
    const outlines = newOutlines(lists, context, this.sentOutlines);
    this.post({ kind: 'ahead', revision, pages, outlines }, buffersOf(lists, outlines));
  }

  /** Of the newest composed book. */
  private lacking(): LackingCharacter[] {
    const { composed } = this;
    if (composed === undefined) return [];
    const placed = composed.book.pages.flatMap((page) => [...page.fragments, ...page.notes]);
    return lackingCharacters(
      placed.map(({ paragraph }) => paragraph.styled),
      composed.context.library.table,
    );
  }

  private pageTable(revision: number): PageTable | null {
    const { composed } = this;
    return composed?.revision === revision && !composed.isPart ? pageTableOf(composed.book) : null;
  }

  private ties(): BookTie[] {
    return this.composed === undefined ? [] : bookTies(this.composed.book);
  }

  private spacing(): SpacingFacts | null {
    const { composed, book } = this;
    if (composed === undefined || book === undefined || composed.revision !== this.revision) return null;
    return spacingFacts(book, composed.book, composed.context);
  }

  /** Of the newest composed book; null while the book has changed since, or when the paragraph is on no page. */
  private factsOf({ stream, block }: { stream: string; block: string }): ParagraphFacts | null {
    const { composed, book } = this;
    if (composed === undefined || book === undefined || composed.revision !== this.revision) return null;
    return paragraphFacts(book, composed.book, composed.context, stream, block);
  }

  /** Page on which a place in the text stands; -1 when it stands on none. */
  private locate(place: Omit<TextInView, 'pages'>): number {
    return lastPageWith(this.composed?.book.pages ?? [], place)?.index ?? -1;
  }
}
