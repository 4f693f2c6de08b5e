// The typeset worker's own state: a replica of the book kept by edits, the newest composed pages, and the compose under
// way. Knows messages, not the worker around it, so that it is tested over any channel.
import { applyEdits, displayPage, paragraphFacts, typesetBook, type TypesetContext } from '../core/index';
import type { Book } from '../core/model/book';
import type { DisplayList, GlyphOutline } from '../core/model/displayList';
import type { TypesetBook } from '../core/model/pages';
import type { ParagraphFacts } from '../core/model/paragraphFacts';
import type { WorkerAssets } from './assets';
import { runJob, type Breathe } from './jobRunner';
import type { ComposedSummary, PageSummary, TypesetReply, TypesetRequest } from './protocol';

export type Post = (reply: TypesetReply, transfer?: Transferable[]) => void;

interface Composed {
  readonly revision: number;
  readonly book: TypesetBook;
  readonly context: TypesetContext;
}

export class TypesetSession {
  private book: Book | undefined;
  private revision = -1;
  private composed: Composed | undefined;
  private readonly sentOutlines = new Set<string>();

  constructor(
    private readonly assets: WorkerAssets,
    private readonly post: Post,
    private readonly breathe: Breathe,
  ) {}

  handle(message: TypesetRequest): void {
    switch (message.kind) {
      case 'open':
        this.book = message.book;
        this.revision = message.revision;
        this.composed = undefined;
        void this.compose();
        break;
      case 'apply':
        this.apply(message);
        break;
      case 'page':
        this.sendPage(message.request, message.page);
        break;
      case 'paragraph':
        this.post({ kind: 'paragraph', request: message.request, facts: this.factsOf(message) });
        break;
      case 'locate':
        this.post({ kind: 'located', request: message.request, page: this.locate(message) });
        break;
    }
  }

  private apply(message: Extract<TypesetRequest, { kind: 'apply' }>): void {
    if (this.book === undefined || message.from !== this.revision) {
      this.post({ kind: 'failed', code: 'out-of-step', message: 'The worker has another revision of the book.' });
      return;
    }
    this.book = applyEdits(this.book, message.edits);
    this.revision = message.to;
    void this.compose();
  }

  /** Composes the newest revision; a compose of an older one drops out at its next step. */
  private async compose(): Promise<void> {
    const { book, revision } = this;
    if (book === undefined) return;
    const isStale = () => this.revision !== revision || this.book !== book;
    try {
      const context = await this.assets.contextFor(book);
      if (isStale()) return;
      const result = await runJob(typesetBook(book, context), {
        isStale,
        onProgress: (share) => this.post({ kind: 'progress', revision, share }),
        now: () => performance.now(),
        breathe: this.breathe,
      });
      if (result === undefined || isStale()) return;
      this.composed = { revision, book: result, context };
      this.post({ kind: 'composed', summary: summarise(result, revision) });
    } catch (error) {
      const { message, code } = error as Error & { code?: string };
      this.post({ kind: 'failed', code: code ?? 'compose', message });
    }
  }

  private sendPage(request: number, page: number): void {
    const { composed } = this;
    if (composed === undefined || composed.book.pages[page] === undefined) {
      this.post({ kind: 'page', request, revision: composed?.revision ?? -1, list: null, outlines: [] });
      return;
    }
    const list = displayPage(composed.book, page, composed.context);
    const outlines = this.newOutlines(list, composed.context);
    const buffers = [
      list.glyphs,
      list.xs,
      list.rises,
      list.charOffsets,
      list.sourceOffsets,
      ...outlines.map((outline) => outline.path),
    ];
    const transfer = buffers.map((array) => array.buffer as ArrayBuffer);
    this.post({ kind: 'page', request, revision: composed.revision, list, outlines }, transfer);
  }

  private newOutlines(list: DisplayList, { library }: TypesetContext): GlyphOutline[] {
    const outlines: GlyphOutline[] = [];
    for (const item of list.items) {
      const font = library.font(item.face);
      for (let k = item.first; k < item.first + item.count; k += 1) {
        const glyph = list.glyphs[k];
        const key = `${item.face}:${glyph}`;
        if (this.sentOutlines.has(key)) continue;
        this.sentOutlines.add(key);
        const path = library.harfBuzz.outlineOf(font, glyph);
        outlines.push({ face: item.face, glyph, unitsPerEm: font.unitsPerEm, path });
      }
    }
    return outlines;
  }

  /** Of the newest composed book; null while the book has changed since, or when the paragraph is on no page. */
  private factsOf({ stream, block }: { stream: string; block: string }): ParagraphFacts | null {
    const { composed, book } = this;
    if (composed === undefined || book === undefined || composed.revision !== this.revision) return null;
    return paragraphFacts(book, composed.book, composed.context, stream, block);
  }

  /** Page on which a place in the text stands; -1 when it stands on none. */
  private locate({ stream, block, offset }: { stream: string; block: string; offset: number }): number {
    let found = -1;
    for (const page of this.composed?.book.pages ?? []) {
      for (const { paragraph, from } of [...page.fragments, ...page.notes]) {
        const { styled, broken } = paragraph;
        if (styled.stream !== stream || styled.block !== block) continue;
        const start = styled.source?.[broken.from[from]] ?? broken.from[from];
        if (start <= offset || found < 0) found = page.index;
      }
    }
    return found;
  }
}

function summarise(book: TypesetBook, revision: number): ComposedSummary {
  const pages = book.pages.map((page): PageSummary => {
    const first = page.fragments[0];
    const at = first?.paragraph.broken.from[first.from] ?? 0;
    const styled = first?.paragraph.styled;
    return {
      index: page.index,
      side: page.side,
      role: page.role,
      division: page.division,
      folio: page.folio,
      start:
        styled === undefined ? null : { stream: styled.stream, block: styled.block, offset: styled.source?.[at] ?? at },
    };
  });
  return {
    revision,
    pages,
    geometry: book.geometry,
    extents: book.extents,
    headings: book.references.headings,
    findings: book.findings,
    words: book.words,
    lines: book.lines,
    times: book.times,
    charactersPerLine: charactersPerLine(book),
  };
}

/** Mean characters of the full lines of body text; 0 under ten of them. */
function charactersPerLine(book: TypesetBook): number {
  let lines = 0;
  let characters = 0;
  for (const page of book.pages) {
    for (const { paragraph, from, to } of page.fragments) {
      const { styled, broken } = paragraph;
      if (styled.style.meaning !== 'body') continue;
      for (let line = from; line < Math.min(to, broken.count - 1); line += 1) {
        if (broken.width[line] < book.geometry.measure - 0.5) continue;
        lines += 1;
        characters += broken.to[line] - broken.from[line];
      }
    }
  }
  return lines < 10 ? 0 : characters / lines;
}
