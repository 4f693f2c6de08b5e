// Writes one open book to the disk: at most half a second after a change, and at once when asked. Knows what is written and
// what is not; a write that fails is told, tried again, and never forgotten.
import { changesBetween, trimmed, withPage } from '../../storage/historyWindow';
import { OutdatedBookError, type BookRepository, type OpenBook } from '../../storage/bookRepository';
import type { HistoryEntry } from '../../core/model/copy/bookEdit';

/** From the first unsaved change to its writing, in ms. */
const DELAY = 200;
/** From a write that failed to the next try, in ms. */
const RETRY = 800;

/** What is told of the writing. */
export type SaveNews =
  | { readonly kind: 'saving' }
  /** `isAll`: nothing was changed meanwhile. */
  | { readonly kind: 'saved'; readonly isAll: boolean }
  | { readonly kind: 'failed'; readonly reason: string }
  /** Another tab has written the book: this one never will again. */
  | { readonly kind: 'outdated' };

export class Autosave {
  private timer: ReturnType<typeof setTimeout> | undefined;
  private writing: Promise<boolean> = Promise.resolve(true);
  private hasEnded = false;

  /** `saved`: the state on the disk. `read`: the newest state. */
  constructor(
    private readonly repository: Pick<BookRepository, 'save'>,
    private saved: OpenBook,
    private readonly read: () => OpenBook,
    private readonly now: () => number,
    private readonly tell: (news: SaveNews) => void,
  ) {}

  /** Changes that are not on the disk. */
  get unwritten(): number {
    return changesBetween(this.saved, this.read());
  }

  /** Writes soon; the time counts from the first change that waits. */
  schedule(): void {
    if (!this.hasEnded) this.timer ??= setTimeout(() => void this.flush(), DELAY);
  }

  /** Writes what is not written yet. Answers whether all that there was to write when it was asked is on the disk now. */
  flush(): Promise<boolean> {
    clearTimeout(this.timer);
    this.timer = undefined;
    this.writing = this.writing.then(() => this.write());
    return this.writing;
  }

  /** Writes no more; what is being written ends as it may. */
  end(): void {
    this.hasEnded = true;
    clearTimeout(this.timer);
  }

  /** A page that was read of the log stands on the disk too. */
  pageRead(from: number, page: readonly HistoryEntry[]): void {
    this.saved = withPage(this.saved, from, page);
  }

  private async write(): Promise<boolean> {
    const [before, after] = [this.saved, this.read()];
    if (after.revision === before.revision) return true;
    if (this.hasEnded || after.book.id !== before.book.id) return false;
    this.tell({ kind: 'saving' });
    try {
      await this.repository.save(before, after, this.now());
    } catch (error) {
      return this.failed(error);
    }
    const isAll = this.read().revision === after.revision;
    this.saved = isAll ? trimmed(after) : after;
    this.tell({ kind: 'saved', isAll });
    return true;
  }

  private failed(error: unknown): false {
    if (error instanceof OutdatedBookError) {
      this.end();
      this.tell({ kind: 'outdated' });
    } else if (!this.hasEnded) {
      this.timer ??= setTimeout(() => void this.flush(), RETRY);
      this.tell({ kind: 'failed', reason: reasonOf(error) });
    }
    return false;
  }
}

/** Why a write failed, as the end of a sentence. */
function reasonOf(error: unknown): string {
  const { name, inner, message } = error as Error & { inner?: Error };
  const names = [name, inner?.name];
  if (names.includes('QuotaExceededError')) return 'the disk, or this browser’s share of it, is full';
  if (names.includes('DatabaseClosedError') || names.includes('InvalidStateError'))
    return 'the browser has closed its database';
  return `the browser’s database refused (${message})`;
}
