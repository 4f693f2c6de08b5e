// One tab holds a book, by a Web Lock. Tabs of one book talk over a channel: a reader may ask the holder to let go, and
// hears when the holder has written. Whoever asks takes the lock when the holder has written everything, or after ten
// seconds without any answer (a tab that is gone has let its lock go by then, one that works hard may be late to answer); a holder
// with changes that it cannot write refuses.

export interface HeldLock {
  readonly release: () => void;
}

/** What the tabs of one book say to each other. */
export type TabMessage =
  /** A reader asks the holder to let go. */
  | { readonly kind: 'ask' }
  /** The holder has heard it, and writes what it has. */
  | { readonly kind: 'writing' }
  /** The holder cannot write so many changes, and keeps the book until its person has decided. */
  | { readonly kind: 'refused'; readonly changes: number }
  /** The holder has written the book. */
  | { readonly kind: 'written' };

/** The channel of a book; `close` ends it. */
export interface TabChannel {
  readonly post: (message: TabMessage) => void;
  readonly close: () => void;
}

/** The lock, or how many changes the holder keeps it for. */
export type TakenOver = { readonly lock: HeldLock } | { readonly refused: number };

/** How long a tab that does not answer is waited for, and one that says that it writes, in ms. */
const PATIENCE = { SILENT: 10_000, WRITING: 30_000 };
const nameOf = (book: string) => `walnut-leaf-book-${book}`;

/** Takes the lock if it is free; null when another tab holds it. `onLost` is called when it is taken away. */
export function tryLock(book: string, onLost: () => void): Promise<HeldLock | null> {
  return request(book, { ifAvailable: true }, onLost);
}

/** Joins the channel of a book; messages of this tab are not heard here. */
export function joinTabs(book: string, onMessage: (message: TabMessage) => void): TabChannel {
  const channel = new BroadcastChannel(nameOf(book));
  channel.onmessage = (event: MessageEvent<TabMessage>) => onMessage(event.data);
  return { post: (message) => channel.postMessage(message), close: () => channel.close() };
}

/** Asks the holder to let go, and takes the lock, unless it refuses. */
export async function takeOver(book: string, onLost: () => void): Promise<TakenOver> {
  const waiting = new AbortController();
  const giveUp = () => waiting.abort();
  let timer = setTimeout(giveUp, PATIENCE.SILENT);
  let refused: number | null = null;
  const tabs = joinTabs(book, (message) => {
    if (message.kind === 'refused') {
      refused = message.changes;
      giveUp();
    }
    if (message.kind !== 'writing') return;
    clearTimeout(timer);
    timer = setTimeout(giveUp, PATIENCE.WRITING);
  });
  tabs.post({ kind: 'ask' });
  try {
    return { lock: (await request(book, { signal: waiting.signal }, onLost))! };
  } catch (error) {
    if ((error as Error).name !== 'AbortError') throw error;
    if (refused !== null) return { refused };
    return { lock: (await request(book, { steal: true }, onLost))! };
  } finally {
    clearTimeout(timer);
    tabs.close();
  }
}

function request(book: string, options: LockOptions, onLost: () => void): Promise<HeldLock | null> {
  return new Promise((resolve, reject) => {
    let held = false;
    navigator.locks
      .request(nameOf(book), options, (lock) => {
        if (lock === null) {
          resolve(null);
          return undefined;
        }
        held = true;
        return new Promise<void>((done) => resolve({ release: () => done() }));
      })
      // A stolen lock rejects the request of the one who held it.
      .catch((error: unknown) => (held ? onLost() : reject(error)));
  });
}
