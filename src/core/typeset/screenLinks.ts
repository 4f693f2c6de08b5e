// What leads somewhere on a composed page: entries of contents and index, cross-references, addresses in the text.
import type { Book } from '../model/book';
import type { DisplayList, TextItem } from '../model/displayList';
import type { TypesetBook } from '../model/pages';
import type { ReferenceTable } from '../model/referenceTable';
import type { BlockId, Paragraph } from '../model/streams';
import type { OutlineEntry, PdfLink } from '../write/pdf';

/** Heads of the contents as the outline has them. */
export function outlineEntries({ references }: TypesetBook): OutlineEntry[] {
  let hasParts = false;
  return references.headings.map(({ number, title, page, level, role }) => {
    if (role === 'part') hasParts = true;
    const words = [number, title].filter((part) => part !== '').join(' ');
    return { title: words, page, level: role === 'part' ? 1 : level + (hasParts ? 1 : 0) };
  });
}

/** Above and below a baseline, in sizes of the type. */
const ABOVE = 0.8;
const BELOW = 0.25;

export class ScreenLinks {
  private readonly headPages = new Map<string, number>();
  private readonly indexPages = new Map<string, ReferenceTable['index'][number]>();
  /** Paragraphs that lead somewhere. */
  private readonly paragraphs = new Map<BlockId, Paragraph>();
  /** Locators of an index entry that earlier lines have told. */
  private readonly told = new Map<string, { seen: number; at: number }>();

  constructor(
    book: Book,
    private readonly references: ReferenceTable,
  ) {
    for (const { block, division, page } of references.headings) this.headPages.set(block || division, page);
    for (const { block, page } of references.captions) this.headPages.set(block, page);
    for (const entry of references.index)
      this.indexPages.set(entry.sub === '' ? entry.term : `${entry.term}\u0000${entry.sub}`, entry);
    for (const { blocks } of [...book.divisions, ...Object.values(book.notes)])
      for (const block of blocks)
        if (
          block.kind === 'paragraph' &&
          (block.objects.some(({ kind }) => kind === 'reference') || block.spans.some(({ link }) => isAddress(link)))
        )
          this.paragraphs.set(block.id, block);
  }

  /** Links of a page, in order. */
  of(list: DisplayList): PdfLink[] {
    return list.items.flatMap((item) => {
      if (item.source === null || item.count === 0) return [];
      const { block } = item.source;
      if (block.startsWith('contents:')) return this.ofEntry(block, item, list);
      if (block.startsWith('index:')) return this.ofIndex(block, item, list);
      const paragraph = this.paragraphs.get(block);
      return paragraph === undefined ? [] : this.ofText(paragraph, item, list);
    });
  }

  private ofEntry(block: string, item: TextItem, list: DisplayList): PdfLink[] {
    const page = this.headPages.get(block.split(':')[1]);
    return page === undefined || page < 0 ? [] : [linkOver(item, list, 0, item.count, { page })];
  }

  /** Every locator of an entry leads to its own page; figures in the term itself are none. */
  private ofIndex(block: string, item: TextItem, list: DisplayList): PdfLink[] {
    const key = block.slice('index:'.length).replace(/\[\{.*$/, '');
    const entry = this.indexPages.get(key);
    if (entry === undefined) return [];
    const state = this.told.get(key) ?? { seen: 0, at: 0 };
    const links: PdfLink[] = [];
    const words = (entry.sub || entry.term).length;
    for (const found of item.text.matchAll(/[\p{L}\d-]*\d+(?:–\d+)?|\b[ivxlc]+(?:–[ivxlc]+)?\b/gu)) {
      const range = entry.pages[state.seen];
      if (state.at + found.index < words || range === undefined) continue;
      state.seen += 1;
      const glyphs = glyphsBetween(item, list, found.index, found.index + found[0].length);
      if (glyphs !== null) links.push(linkOver(item, list, ...glyphs, { page: range[0] }));
    }
    state.at += item.text.length;
    this.told.set(key, state);
    return links;
  }

  private ofText(paragraph: Paragraph, item: TextItem, list: DisplayList): PdfLink[] {
    const links: PdfLink[] = [];
    const add = (from: number, to: number, target: PdfLink['to']) => {
      let first = -1;
      let last = -1;
      for (let k = 0; k < item.count; k += 1) {
        const source = list.sourceOffsets[item.first + k];
        if (source < from || source >= to) continue;
        if (first < 0) first = k;
        last = k;
      }
      if (first >= 0) links.push(linkOver(item, list, first, last + 1, target));
    };
    for (const object of paragraph.objects) {
      const place = object.kind === 'reference' ? this.references.targets[object.target] : undefined;
      if (place !== undefined && place.page >= 0) add(object.at, object.at + 1, { page: place.page });
    }
    for (const { from, to, link } of paragraph.spans) if (isAddress(link)) add(from, to, { address: link! });
    return links;
  }
}

const isAddress = (link: string | undefined): boolean => link !== undefined && /^(?:https?:|mailto:)/i.test(link);

/** Glyphs of a stretch of an item's text; null for none. */
function glyphsBetween(item: TextItem, list: DisplayList, from: number, to: number): [number, number] | null {
  let first = -1;
  let last = -1;
  for (let k = 0; k < item.count; k += 1) {
    const at = list.charOffsets[item.first + k];
    if (at < from || at >= to) continue;
    if (first < 0) first = k;
    last = k;
  }
  return first < 0 ? null : [first, last + 1];
}

function linkOver(item: TextItem, list: DisplayList, from: number, to: number, target: PdfLink['to']): PdfLink {
  const x = list.xs[item.first + from];
  const end = to < item.count ? list.xs[item.first + to] : item.endX;
  return {
    x: Math.min(x, end),
    y: item.y - ABOVE * item.size,
    width: Math.abs(end - x),
    height: (ABOVE + BELOW) * item.size,
    to: target,
  };
}
