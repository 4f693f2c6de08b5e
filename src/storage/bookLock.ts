// One tab holds a book, by a Web Lock. A second tab reads; it may ask the first to let go, and takes the lock when the
// first has written everything, or after a second without an answer.

export interface HeldLock {
  readonly release: () => void;
}

/** How long another tab gets to write what it has, in ms. */
const PATIENCE = 1000;
const nameOf = (book: string) => `walnut-leaf-book-${book}`;

/** Takes the lock if it is free; null when another tab holds it. `onLost` is called when it is taken away. */
export function tryLock(book: string, onLost: () => void): Promise<HeldLock | null> {
  return request(book, { ifAvailable: true }, onLost);
}

/** Asks the holder to let go, and takes the lock. */
export async function takeOver(book: string, onLost: () => void): Promise<HeldLock> {
  const channel = new BroadcastChannel(nameOf(book));
  channel.postMessage('let-go');
  const waited = new AbortController();
  const timer = setTimeout(() => waited.abort(), PATIENCE);
  try {
    return (await request(book, { signal: waited.signal }, onLost))!;
  } catch (error) {
    if ((error as Error).name !== 'AbortError') throw error;
    return (await request(book, { steal: true }, onLost))!;
  } finally {
    clearTimeout(timer);
    channel.close();
  }
}

/** Calls back when another tab asks for the book. Answers how to stop listening. */
export function onLetGo(book: string, letGo: () => void): () => void {
  const channel = new BroadcastChannel(nameOf(book));
  channel.onmessage = () => letGo();
  return () => channel.close();
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
