// The tabs of one browser, for tests: who holds which book, and what the tabs say to each other.
import type { TabMessage } from '../../src/storage/bookLock';
import type { LockService } from '../../src/state/outside';

interface Listener {
  readonly book: string;
  readonly heard: (message: TabMessage) => void;
}

export class Tabs {
  private readonly holders = new Map<string, { readonly onLost: () => void }>();
  private readonly listeners = new Set<Listener>();
  /** True while holders do not hear that they are asked: a tab that hangs. */
  areDeaf = false;

  /** The locks as one tab has them. */
  locks(): LockService {
    return {
      tryLock: async (book, onLost) => (this.holders.has(book) ? null : this.hold(book, onLost)),
      takeOver: async (book, onLost) => {
        let refused: number | null = null;
        const tab = this.join(book, (message) => {
          if (message.kind === 'refused') refused = message.changes;
        });
        if (!this.areDeaf) tab.post({ kind: 'ask' });
        for (let turn = 0; turn < 200 && this.holders.has(book) && refused === null; turn += 1)
          await new Promise((resolve) => setImmediate(resolve));
        tab.close();
        if (refused !== null) return { refused };
        return { lock: this.steal(book, onLost) };
      },
      joinTabs: (book, heard) => this.join(book, heard),
    };
  }

  /** Takes the lock away without asking. */
  steal(book: string, onLost: () => void = () => undefined) {
    const before = this.holders.get(book);
    const lock = this.hold(book, onLost);
    before?.onLost();
    return lock;
  }

  isHeld(book: string): boolean {
    return this.holders.has(book);
  }

  private hold(book: string, onLost: () => void) {
    const holder = { onLost };
    this.holders.set(book, holder);
    return { release: () => void (this.holders.get(book) === holder && this.holders.delete(book)) };
  }

  private join(book: string, heard: (message: TabMessage) => void) {
    const own: Listener = { book, heard };
    this.listeners.add(own);
    const post = (message: TabMessage) => {
      for (const other of this.listeners)
        if (other !== own && other.book === book) queueMicrotask(() => other.heard(message));
    };
    return { post, close: () => void this.listeners.delete(own) };
  }
}
