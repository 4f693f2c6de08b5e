// What the Shelf shows of a book: its composed title page and counts. Kept when the book has rested, and when it is closed.
import type { DisplayList, GlyphOutline } from '../../core/model/composed/displayList';
import type { Book } from '../../core/model/copy/book';
import type { ComposedSummary } from '../../worker/typesetClient';
import type { PageCache } from '../compose/pageCache';
import type { Outside } from '../outside';
import type { OpenSession, SessionStore } from './openSession';

/** The Shelf need not know of every letter: so long has the book rested, in ms. */
const KEEP_AFTER = 1500;

export class ShelfFacts {
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly session: OpenSession,
    private readonly services: Outside,
    private readonly store: SessionStore,
  ) {}

  keepSoon(): void {
    this.end();
    this.timer = setTimeout(() => void this.keepNow(), KEEP_AFTER);
  }

  /** Keeps what waits to be kept. Never fails: what the Shelf shows is made again when the book is opened. */
  async keepNow(): Promise<void> {
    if (this.timer === undefined) return;
    this.end();
    const { book } = this.store.getState().book;
    const { summary } = this.store.getState().compose;
    if (book === null || summary === null || this.session.life === 'readOnly' || this.session.life === 'lost') return;
    const facts = await shelfFactsOf(book, summary, this.session.pageCache).catch(() => null);
    if (facts === null || this.store.getState().compose.summary?.revision !== summary.revision) return;
    await this.services.repository.keepComposed(book.id, facts).catch(() => undefined);
  }

  /** Keeps nothing more. */
  end(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
  }
}

/** The title page (the first page where there is none) and counts of a composed book; null when the page is not to be had. */
export async function shelfFactsOf(book: Book, summary: ComposedSummary, cache: PageCache) {
  const title = book.divisions.find((division) => division.role === 'title')?.id;
  const page =
    summary.pages.find((candidate) => candidate.division === title && candidate.role === 'display')?.index ?? 0;
  const list = await cache.load(page);
  if (list === undefined) return null;
  const cover = { revision: summary.revision, list, outlines: outlinesOf(list, cache), pages: summary.pages.length };
  return { cover, words: summary.words, findings: summary.findings.length };
}

function outlinesOf(list: DisplayList, cache: PageCache): GlyphOutline[] {
  const wanted = new Set<string>();
  const outlines: GlyphOutline[] = [];
  for (const item of list.items) {
    for (let k = item.first; k < item.first + item.count; k += 1) {
      const key = `${item.face}:${list.glyphs[k]}`;
      const outline = wanted.has(key) ? undefined : cache.outline(item.face, list.glyphs[k]);
      wanted.add(key);
      if (outline !== undefined) outlines.push(outline);
    }
  }
  return outlines;
}
