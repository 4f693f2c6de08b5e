// One open book: its lock, its worker, its autosave, its products being written and its caches, with one life. Whatever
// comes late from a session that is closed is dropped here and reaches no other book.
import type { BookEdit, HistoryEntry } from '../../core/model/copy/bookEdit';
import { editsBetweenBooks } from '../../core/edit';
import type { HeldLock, TabChannel, TabMessage } from '../../storage/bookLock';
import type { OpenBook } from '../../storage/bookRepository';
import { pageWanted } from '../../storage/historyWindow';
import type { TypesetClient } from '../../worker/typesetClient';
import type { WriteJob, WriteOrder, WriteResult } from '../../worker/writeClient';
import {
  bookFollowed,
  bookOpened,
  historyRead,
  historyTrimmed,
  readOnlyChanged,
  saveChanged,
  unwrittenChanged,
  type Unwritten,
} from '../book/bookSlice';
import { composeStarted } from '../compose/composeSlice';
import { PageCache } from '../compose/pageCache';
import { PictureCache } from '../compose/pictureCache';
import type { Outside } from '../outside';
import { Autosave, type SaveNews } from './autosave';
import type { OpenSession, SessionLife, SessionStore } from './openSession';
import { ShelfFacts } from './shelfFacts';
import { listenToTypeset } from './typesetEvents';

/** Longest wait from what the writing tab has written to reading it here, in ms. */
const FOLLOW = 400;

export class BookSession implements OpenSession {
  life: SessionLife = 'opening';
  readonly pageCache = new PageCache(() => this.client);
  readonly pictureCache: PictureCache;
  client: TypesetClient | null = null;
  private readonly tabs: TabChannel;
  private readonly facts: ShelfFacts;
  private readonly jobs = new Map<string, WriteJob>();
  private lock: HeldLock | null = null;
  private locking: Promise<unknown> = Promise.resolve();
  private autosave: Autosave | null = null;
  private opening: Promise<boolean> | null = null;
  private closing: Promise<boolean> | null = null;
  private reading: Promise<void> | null = null;
  private following: ReturnType<typeof setTimeout> | undefined;
  /** Since when changes wait to be written; null when none do. */
  private waitingSince: number | null = null;

  constructor(
    readonly id: string,
    private readonly services: Outside,
    private readonly store: SessionStore,
  ) {
    this.pictureCache = new PictureCache(
      (asset) => services.pictures.find(asset),
      () => this.pageCache.changed(),
      async (file, format) => {
        const made = await services.startWriteJob({ kind: 'showPicture', file, format }).result;
        return made.kind === 'picture' ? made.file : null;
      },
    );
    this.tabs = services.locks.joinTabs(id, (message) => void this.heard(message));
    this.facts = new ShelfFacts(this, services, store);
  }

  /** Asks for the lock and reads the book. False when there is no such book, or the session was closed meanwhile. */
  open(): Promise<boolean> {
    this.opening ??= this.begin();
    return this.opening;
  }

  get isClosed(): boolean {
    return this.life === 'closing' || this.life === 'closed';
  }

  /** Changes that are not on the disk. */
  get unwritten(): number {
    return this.isClosed ? 0 : (this.autosave?.unwritten ?? 0);
  }

  /** Whether leaving the page now would lose what cannot be written, or has waited for over a second. */
  get losesWhenLeft(): boolean {
    if (this.unwritten === 0) return false;
    const waits = this.waitingSince !== null && this.services.now() - this.waitingSince > 1000;
    return this.life === 'failing' || this.life === 'lost' || waits;
  }

  private async begin(): Promise<boolean> {
    const { locks, repository, fonts } = this.services;
    try {
      const asking = locks.tryLock(this.id, () => this.lockLost());
      this.locking = asking.catch(() => null);
      this.lock = await asking;
      if (this.isClosed) return this.dropLock();
      const opened = await repository.open(this.id, false, this.lock !== null);
      const own = await fonts.all();
      if (this.isClosed || opened === undefined) return this.dropLock();
      this.services.ownFonts = own;
      this.start(opened);
      return true;
    } catch (error) {
      this.dropLock();
      throw error;
    }
  }

  private start(opened: OpenBook): void {
    const readOnly = this.lock === null;
    this.life = readOnly ? 'readOnly' : 'open';
    this.client ??= this.services.createClient(
      () => {
        const { book, revision } = this.state;
        return book === null || this.isClosed ? null : { book, revision };
      },
      listenToTypeset(this, this.store, () => this.facts.keepSoon()),
    );
    this.store.dispatch(bookOpened({ ...opened, readOnly }));
    this.autosave?.end();
    this.waitingSince = null;
    this.autosave = readOnly
      ? null
      : new Autosave(
          this.services.repository,
          opened,
          () => this.state as OpenBook,
          () => this.services.now(),
          (news) => this.saveNews(news),
        );
    this.client.open(opened.book, opened.revision);
  }

  private get state() {
    return this.store.getState().book;
  }

  /** The book was changed: the worker follows, and the disk within half a second. */
  edited(edits: readonly BookEdit[], from: number, to: number): void {
    this.client?.apply(edits, from, to);
    this.waitingSince ??= this.services.now();
    this.autosave?.schedule();
    if (this.state.unwritten !== null) this.tellUnwritten({});
    void this.readHistory();
  }

  /** Reads the page of the log that undo or redo nears. */
  async readHistory(): Promise<void> {
    if (this.reading !== null || this.isClosed) return;
    const wanted = pageWanted(this.state);
    if (wanted === null) return;
    this.reading = this.services.repository
      .history(this.id, wanted.from, wanted.to)
      .then((page) => this.takeHistory(wanted.from, page))
      // Undo ends where the log cannot be read; the next step asks again.
      .catch(() => undefined)
      .finally(() => (this.reading = null));
    await this.reading;
  }

  private takeHistory(from: number, page: readonly HistoryEntry[]): void {
    if (this.isClosed) return;
    this.autosave?.pageRead(from, page);
    this.store.dispatch(historyRead({ from, page }));
  }

  /** Writes what is not written yet; answers whether everything is on the disk. */
  async flush(): Promise<boolean> {
    return (await this.autosave?.flush()) ?? this.life !== 'lost';
  }

  private saveNews(news: SaveNews): void {
    if (this.life === 'closed') return;
    const { dispatch } = this.store;
    switch (news.kind) {
      case 'saving':
        if (this.life !== 'failing') dispatch(saveChanged('saving'));
        return;
      case 'saved':
        if (this.life === 'readOnly') return;
        if (this.life === 'lost') return this.unwritten === 0 ? this.becomeReader() : this.tellUnwritten({});
        this.waitingSince = news.isAll ? null : this.services.now();
        if (this.life === 'failing') this.life = 'open';
        if (news.isAll) dispatch(historyTrimmed());
        dispatch(saveChanged(news.isAll ? 'saved' : 'waiting'));
        if (this.state.unwritten !== null) dispatch(unwrittenChanged(null));
        this.tabs.post({ kind: 'written' });
        return;
      case 'failed':
        if (this.life === 'open') this.life = 'failing';
        dispatch(saveChanged('failed'));
        return this.tellUnwritten({ reason: news.reason });
      case 'outdated':
        return this.lockLost();
    }
  }

  /** What is not written, in the store; a question that is open there stays. */
  private tellUnwritten(change: Partial<Unwritten>): void {
    const { unwritten } = this.state;
    const told = { asked: unwritten?.asked ?? null, reason: unwritten?.reason ?? '', ...change };
    this.store.dispatch(unwrittenChanged({ ...told, changes: this.unwritten }));
  }

  /** Tries to write again; where somebody waits for it, this ends the question. */
  async tryAgain(): Promise<boolean> {
    const asked = this.state.unwritten?.asked;
    const isWritten = await this.flush();
    if (isWritten && asked === 'letGo') this.becomeReader();
    return isWritten;
  }

  /** Takes the question back: the book stays open and goes on trying. */
  stay(): void {
    this.tellUnwritten({ asked: null });
  }

  /** Closes, or lets the other tab have the book, without what is not written. */
  async giveUp(): Promise<void> {
    const { asked } = this.state.unwritten ?? { asked: null };
    if (asked === 'leave') await this.close({ withoutUnwritten: true });
    else if (asked === 'letGo' || this.life === 'lost') await this.showWritten();
  }

  /**
   * Writes what is left and ends the session. False, and still open, when something could not be written: then the store
   * holds what a person is to be asked.
   */
  async close({ withoutUnwritten = false } = {}): Promise<boolean> {
    if (withoutUnwritten) this.autosave?.end();
    this.closing ??= this.tryToClose(withoutUnwritten).finally(() => (this.closing = null));
    return this.closing;
  }

  private async tryToClose(withoutUnwritten: boolean): Promise<boolean> {
    if (this.isClosed) return true;
    while (!withoutUnwritten && this.unwritten > 0) {
      if (this.life !== 'lost' && (await this.flush())) continue;
      this.tellUnwritten({ asked: 'leave' });
      return false;
    }
    this.life = 'closing';
    const wrote = this.autosave !== null;
    this.autosave?.end();
    // What comes between here and the end could not be written any more.
    this.store.dispatch(readOnlyChanged(true));
    for (const job of this.jobs.values()) job.cancel();
    if (wrote) await this.facts.keepNow();
    await this.locking;
    this.dropLock();
    this.tabs.close();
    clearTimeout(this.following);
    this.facts.end();
    this.client?.close();
    this.client = null;
    this.pageCache.clear();
    this.pictureCache.clear();
    this.life = 'closed';
    return true;
  }

  private dropLock(): false {
    this.lock?.release();
    this.lock = null;
    return false;
  }

  /** Takes the book from the tab that holds it, and reads again what that tab has written. Answers why not, or null. */
  async takeOver(): Promise<string | null> {
    const taken = await this.services.locks.takeOver(this.id, () => this.lockLost());
    if ('refused' in taken)
      return `The other tab has ${changesWords(taken.refused)} that it could not write. Settle that there first.`;
    this.lock = taken.lock;
    if (this.isClosed) return this.dropLock() || null;
    const opened = await this.services.repository.open(this.id, true);
    if (opened === undefined) this.dropLock();
    if (this.isClosed) return this.dropLock() || null;
    if (opened === undefined) return 'This book was removed.';
    this.start(opened);
    return null;
  }

  /** The lock is another tab's now: nothing is written from here any more. */
  private lockLost(): void {
    if (this.isClosed || this.life === 'readOnly' || this.life === 'lost') return;
    this.lock = null;
    const changes = this.unwritten;
    this.autosave?.end();
    if (changes === 0) return this.becomeReader();
    this.life = 'lost';
    this.store.dispatch(readOnlyChanged(true));
    this.tellUnwritten({ reason: 'another tab has taken the book over', asked: null });
  }

  private becomeReader(): void {
    this.life = 'readOnly';
    this.autosave?.end();
    this.autosave = null;
    this.waitingSince = null;
    this.dropLock();
    this.store.dispatch(readOnlyChanged(true));
    this.store.dispatch(unwrittenChanged(null));
    this.store.dispatch(saveChanged('saved'));
  }

  private async heard(message: TabMessage): Promise<void> {
    if (message.kind === 'written' && this.life === 'readOnly') {
      this.following ??= setTimeout(() => {
        this.following = undefined;
        void this.follow();
      }, FOLLOW);
    }
    if (message.kind === 'ask' && (this.life === 'open' || this.life === 'failing')) await this.letGo();
  }

  /** Another tab asks for the book: everything is written first. */
  private async letGo(): Promise<void> {
    this.tabs.post({ kind: 'writing' });
    this.store.dispatch(readOnlyChanged(true));
    if (await this.flush()) return this.becomeReader();
    if (this.life !== 'open' && this.life !== 'failing') return;
    this.store.dispatch(readOnlyChanged(false));
    this.tabs.post({ kind: 'refused', changes: this.unwritten });
    this.tellUnwritten({ asked: 'letGo' });
  }

  /** Shows what the writing tab has written; what stayed keeps its identity. */
  private async follow(): Promise<void> {
    try {
      const found = await this.services.repository.open(this.id);
      const { book, revision: from } = this.state;
      if (found === undefined || book === null || this.life !== 'readOnly' || found.revision === from) return;
      const { book: after, ...history } = found;
      const edits = editsBetweenBooks(book, after);
      this.store.dispatch(bookFollowed({ ...history, edits }));
      this.client?.apply(edits, from, found.revision);
    } catch {
      // The next word of the writing tab tries again.
    }
  }

  /** Shows the book as it is on the disk in place of what was not written. */
  private async showWritten(): Promise<void> {
    this.becomeReader();
    const found = await this.services.repository.open(this.id);
    if (found !== undefined && this.life === 'readOnly') this.start(found);
  }

  /** Starts a product; one of a name is written at a time. Undefined when the session is closed before it is done. */
  async write(name: string, order: WriteOrder, onProgress: (share: number) => void): Promise<WriteResult | undefined> {
    if (this.isClosed) return undefined;
    this.jobs.get(name)?.cancel();
    const job = this.services.startWriteJob(order, (share) => this.isClosed || onProgress(share));
    this.jobs.set(name, job);
    const result = await job.result;
    if (this.jobs.get(name) === job) this.jobs.delete(name);
    return this.isClosed ? undefined : result;
  }

  stopWriting(name: string): void {
    this.jobs.get(name)?.cancel();
  }

  /** The faces that there are have changed: the worker learns of them and composes the book with them. */
  composeAnew(): void {
    const { book, revision } = this.state;
    if (book === null || this.isClosed) return;
    // Its old pages stay in view until the new ones are there.
    this.client?.open(book, revision);
    this.store.dispatch(composeStarted());
  }
}

export const changesWords = (count: number): string => (count === 1 ? '1 change' : `${count} changes`);
