// The session of the open book: there is one at a time, and of opens that overtake each other the last one counts.
import { bookClosed } from '../book/bookSlice';
import type { Outside } from '../outside';
import { BookSession } from './bookSession';
import type { SessionStore } from './openSession';

/**
 * How an open ended. `overtaken`: another book was asked for, or the Shelf, before this one was open. `unwritten`: the book
 * before has changes that could not be written, and a person is asked about them; it is still open.
 */
export type OpenOutcome = 'open' | 'missing' | 'overtaken' | 'unwritten';

export class Sessions {
  /** The session that is opening or open. */
  current: BookSession | null = null;
  private wishes = 0;
  private readonly listeners = new Set<() => void>();

  constructor(private readonly services: Outside) {}

  async open(id: string, store: SessionStore): Promise<OpenOutcome> {
    const wish = (this.wishes += 1);
    if (this.current?.id !== id || this.current.isClosed) {
      if (!(await this.closeCurrent(store))) return 'unwritten';
      if (wish !== this.wishes) return 'overtaken';
      this.change(new BookSession(id, this.services, store));
    }
    const session = this.current!;
    const isOpen = await session.open().catch(async (error: unknown) => {
      await this.drop(session);
      throw error;
    });
    if (this.current !== session || session.isClosed) return 'overtaken';
    if (isOpen) return 'open';
    await this.drop(session);
    return 'missing';
  }

  /** False, and the book still open, when it has changes that could not be written: see BookSession.close. */
  async close(store: SessionStore, { withoutUnwritten = false } = {}): Promise<boolean> {
    this.wishes += 1;
    return this.closeCurrent(store, withoutUnwritten);
  }

  private async closeCurrent(store: SessionStore, withoutUnwritten = false): Promise<boolean> {
    const session = this.current;
    if (session === null) return true;
    if (!(await session.close({ withoutUnwritten }))) return false;
    if (this.current !== session) return true;
    store.dispatch(bookClosed());
    this.change(null);
    return true;
  }

  private async drop(session: BookSession): Promise<void> {
    await session.close({ withoutUnwritten: true });
    if (this.current === session) this.change(null);
  }

  /** Calls back whenever another session is the current one. Answers how to stop listening. */
  subscribe(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  private change(session: BookSession | null): void {
    this.current = session;
    for (const listener of this.listeners) listener();
  }
}
