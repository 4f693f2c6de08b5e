// Display lists by page, and glyph outlines, outside the store: they are large and change wholesale. Keeps what was last
// drawn of a page until the newer one has arrived, so that nothing flickers.
import type { DisplayList, GlyphOutline } from '../../core/model/composed/displayList';
import type { AheadPages, TypesetClient } from '../../worker/typesetClient';

/** Pages kept; a spread is two, and a desk shows a few. */
const MOST_PAGES = 60;

interface CachedPage {
  /** The composed book that it is of, counted as they came. */
  readonly generation: number;
  readonly list: DisplayList;
  /** Composed ahead of its book: what stands before it may yet move it. */
  readonly isAhead: boolean;
}

export class PageCache {
  private readonly pages = new Map<number, CachedPage>();
  private readonly pending = new Set<string>();
  private readonly outlines = new Map<string, GlyphOutline>();
  private readonly listeners = new Set<() => void>();
  private revision = -1;
  private generation = 0;
  /** Grows with every change, for whoever compares. */
  version = 0;

  constructor(private readonly client: () => TypesetClient | null) {}

  /** A newer book is composed: pages are asked for again as they are looked at. */
  composed(revision: number): void {
    this.revision = revision;
    this.generation += 1;
    this.changed();
  }

  /** Pages in view of a book that is still being composed; asked for again when it is. */
  ahead(pages: AheadPages): void {
    for (const { page, list } of pages) this.pages.set(page, { generation: this.generation, list, isAhead: true });
    this.changed();
  }

  /** True while the page shown was composed ahead of its book: its folio is provisional. */
  isAhead(page: number): boolean {
    return this.pages.get(page)?.isAhead === true;
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
    if (known?.generation !== this.generation && this.revision >= 0) this.ask(page);
    return known?.list;
  }

  /** True when the page shown is of the newest composed book. */
  isCurrent(page: number): boolean {
    const known = this.pages.get(page);
    return known?.generation === this.generation && !known.isAhead;
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
    const { generation } = this;
    const key = `${generation}:${page}`;
    if (client === null || this.pending.has(key)) return;
    this.pending.add(key);
    void client.page(page, this.revision).then((reply) => {
      this.pending.delete(key);
      this.addOutlines(reply.outlines);
      if (reply.list === null) return;
      this.pages.delete(page);
      this.pages.set(page, { generation, list: reply.list, isAhead: false });
      if (this.pages.size > MOST_PAGES) this.pages.delete(this.pages.keys().next().value!);
      this.changed();
    });
  }

  /** Tells whoever draws pages that something of them has arrived. */
  changed(): void {
    this.version += 1;
    for (const listener of this.listeners) listener();
  }
}
