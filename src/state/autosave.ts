// Writes the open book to the disk: at most half a second after a change, and at once when the page is hidden.
import type { OpenBook } from '../storage/bookRepository';
import type { BookState, SaveState } from './bookSlice';
import type { Services } from './services';

/** From the first unsaved change to its writing, in ms. */
const DELAY = 200;

export class Autosave {
  private saved: OpenBook | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private writing: Promise<void> = Promise.resolve();
  private read: (() => BookState) | undefined;
  private tell: (state: SaveState) => void = () => undefined;

  constructor(private readonly services: Services) {}

  begin(opened: OpenBook): void {
    this.saved = opened;
  }

  end(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
    this.saved = null;
    this.read = undefined;
  }

  schedule(read: () => BookState, tell: (state: SaveState) => void): void {
    this.read = read;
    this.tell = tell;
    this.timer ??= setTimeout(() => void this.flush(), DELAY);
  }

  /** Writes what is not written yet; resolves when it is on the disk. */
  flush(): Promise<void> {
    clearTimeout(this.timer);
    this.timer = undefined;
    this.writing = this.writing.then(() => this.write());
    return this.writing;
  }

  private async write(): Promise<void> {
    const state = this.read?.();
    const before = this.saved;
    if (state?.book == null || before === null || state.revision === before.revision) return;
    const after: OpenBook = {
      book: state.book,
      entries: state.entries,
      cursor: state.cursor,
      revision: state.revision,
    };
    this.tell('saving');
    try {
      await this.services.repository.save(before, after, this.services.now());
      if (this.saved === before) this.saved = after;
      this.tell(this.read?.().revision === after.revision ? 'saved' : 'waiting');
    } catch {
      this.tell('failed');
      this.timer ??= setTimeout(() => void this.flush(), DELAY * 4);
    }
  }
}

let current: Autosave | null = null;

/** The autosave of the app; there is one. */
export function createAutosave(services: Services): Autosave {
  current = new Autosave(services);
  return current;
}

/** Writes the open book now: for a page that is being hidden, or a book that is being closed. */
export function flushAutosave(): Promise<void> {
  return current?.flush() ?? Promise.resolve();
}
