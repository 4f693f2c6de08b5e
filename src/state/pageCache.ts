// Display lists by page, and glyph outlines, outside the store: they are large and change wholesale. Keeps what was last
// drawn of a page until the newer one has arrived, so that nothing flickers.
import type { DisplayList, GlyphOutline } from '../core/model/displayList';
import type { TypesetClient } from '../worker/typesetClient';

/** Pages kept; a spread is two, and a desk shows a few. */
const MOST_PAGES = 60;

interface CachedPage {
  readonly revision: number;
  readonly list: DisplayList;
}

export class PageCache {
  private readonly pages = new Map<number, CachedPage>();
  private readonly pending = new Set<string>();
  private readonly outlines = new Map<string, GlyphOutline>();
  private readonly listeners = new Set<() => void>();
  private revision = -1;
  /** Grows with every change, for whoever compares. */
  version = 0;

  constructor(private readonly client: () => TypesetClient | null) {}

  /** A newer book is composed: pages are asked for again as they are looked at. */
  composed(revision: number): void {
    this.revision = revision;
    this.changed();
  }

  clear(): void {
    this.pages.clear();
    this.pending.clear();
    this.outlines.clear();
    this.revision = -1;
    this.changed();
  }

  /** The page as last drawn, undefined before that; asks for the newest when this is not it. */
  get(page: number): DisplayList | undefined {
    const known = this.pages.get(page);
    if (known?.revision !== this.revision && this.revision >= 0) this.ask(page);
    return known?.list;
  }

  /** True when the page shown is of the newest composed book. */
  isCurrent(page: number): boolean {
    return this.pages.get(page)?.revision === this.revision;
  }

  outline(face: string, glyph: number): GlyphOutline | undefined {
    return this.outlines.get(`${face}:${glyph}`);
  }

  addOutlines(outlines: readonly GlyphOutline[]): void {
    for (const outline of outlines) this.outlines.set(`${outline.face}:${outline.glyph}`, outline);
  }

  /** The page of the newest composed book, once it is here; undefined when it has no such page. */
  async load(page: number): Promise<DisplayList | undefined> {
    const client = this.client();
    if (client === null) return undefined;
    const reply = await client.page(page, this.revision);
    this.addOutlines(reply.outlines);
    return reply.list ?? undefined;
  }

  subscribe(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  private ask(page: number): void {
    const client = this.client();
    const key = `${this.revision}:${page}`;
    if (client === null || this.pending.has(key)) return;
    this.pending.add(key);
    void client.page(page, this.revision).then((reply) => {
      this.pending.delete(key);
      this.addOutlines(reply.outlines);
      if (reply.list === null) return;
      this.pages.delete(page);
      this.pages.set(page, { revision: reply.revision, list: reply.list });
      if (this.pages.size > MOST_PAGES) this.pages.delete(this.pages.keys().next().value!);
      this.changed();
    });
  }

  private changed(): void {
    this.version += 1;
    for (const listener of this.listeners) listener();
  }
}
