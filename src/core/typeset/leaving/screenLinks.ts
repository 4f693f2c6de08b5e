// What leads somewhere on a composed page: entries of contents and index, cross-references, addresses in the text.
import { append } from '../../base/append';
import { eachStream, type Book } from '../../model/copy/book';
import type { DisplayList, TextItem } from '../../model/composed/displayList';
import type { Page, TypesetBook } from '../../model/composed/pages';
import type { NotePlaces, ReferenceTable } from '../../model/composed/referenceTable';
import type { BlockId, Paragraph, StreamId } from '../../model/copy/streams';
import { notePlaces } from '../../references';
import type { OutlineEntry, PdfLink } from '../../write/pdf';

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
  /** Notes by their first block, and those whose number was met. */
  private readonly notes = new Map<BlockId, StreamId>();
  private readonly numbered = new Set<StreamId>();
  private readonly noteReferences: NotePlaces;
  private readonly bodies: ReadonlyMap<StreamId, { readonly page: number; readonly y: number }>;
  private readonly marks: ReadonlyMap<BlockId, readonly NotePlaceInBlock[]>;
  /** Locators of an index entry that earlier lines have told. */
  private readonly told = new Map<string, { seen: number; at: number }>();

  constructor(
    book: Book,
    private readonly references: ReferenceTable,
    pages: readonly Page[],
  ) {
    for (const { block, division, page } of references.headings) this.headPages.set(block || division, page);
    for (const { block, page } of references.captions) this.headPages.set(block, page);
    for (const entry of references.index)
      this.indexPages.set(entry.sub === '' ? entry.term : `${entry.term}\u0000${entry.sub}`, entry);
    for (const { blocks } of eachStream(book))
      for (const block of blocks)
        if (
          block.kind === 'paragraph' &&
          (block.objects.some(({ kind }) => kind === 'reference') || block.spans.some(({ link }) => isAddress(link)))
        )
          this.paragraphs.set(block.id, block);
    for (const note of Object.values(book.notes))
      if (note.blocks.length > 0) this.notes.set(note.blocks[0].id, note.id);
    this.noteReferences = notePlaces(pages, book, true);
    this.bodies = noteBodies(pages, book);
    this.marks = noteMarks(pages);
  }

  /** Links of a page, in order. */
  of(list: DisplayList): PdfLink[] {
    return list.items.flatMap((item) => {
      if (item.source === null || item.count === 0) return [];
      const { block } = item.source;
      if (block.startsWith('contents:')) return this.ofEntry(block, item, list);
      if (block.startsWith('index:')) return this.ofIndex(block, item, list);
      const paragraph = this.paragraphs.get(block);
      return [
        ...this.ofNumber(block, item, list),
        ...this.ofMarks(block, item, list),
        ...(paragraph === undefined ? [] : this.ofText(paragraph, item, list)),
      ];
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
      const glyphs = glyphsBetween(item, list.charOffsets, found.index, found.index + found[0].length);
      if (glyphs !== null) links.push(linkOver(item, list, ...glyphs, { page: range[0] }));
    }
    state.at += item.text.length;
    this.told.set(key, state);
    return links;
  }

  /** The number of a note, once, back to its reference. */
  private ofNumber(block: string, item: TextItem, list: DisplayList): PdfLink[] {
    const note = this.notes.get(block);
    const to = note === undefined ? undefined : this.noteReferences[note];
    if (note === undefined || to === undefined || this.numbered.has(note)) return [];
    this.numbered.add(note);
    // What is put before the words has the source offset of the first of them.
    let count = 0;
    while (count < item.count && list.sourceOffsets[item.first + count] === 0) count += 1;
    const isAll = count === item.count;
    return count > 1 || isAll ? [linkOver(item, list, 0, isAll ? count : count - 1, { page: to.page })] : [];
  }

  /** Signs of notes in the text to their notes, and the numbers of notes that run on back to their references. */
  private ofMarks(block: string, item: TextItem, list: DisplayList): PdfLink[] {
    return (this.marks.get(block) ?? []).flatMap(({ note, from, to, isNumber }) => {
      const place = isNumber ? this.noteReferences[note] : this.bodies.get(note);
      const target = isNumber && place !== undefined ? { page: place.page } : place;
      return target === undefined ? [] : linkBetween(item, list, from, to, target);
    });
  }

  private ofText(paragraph: Paragraph, item: TextItem, list: DisplayList): PdfLink[] {
    const links: PdfLink[] = [];
    const add = (from: number, to: number, target: PdfLink['to']) =>
      void append(links, linkBetween(item, list, from, to, target));
    for (const object of paragraph.objects) {
      const place = object.kind === 'reference' ? this.references.targets[object.target] : undefined;
      if (place !== undefined && place.page >= 0) add(object.at, object.at + 1, { page: place.page });
    }
    for (const { from, to, link } of paragraph.spans) if (isAddress(link)) add(from, to, { address: link! });
    return links;
  }
}

/** Where each note begins. */
function noteBodies(pages: readonly Page[], { notes }: Book): Map<StreamId, { page: number; y: number }> {
  const found = new Map<StreamId, { page: number; y: number }>();
  for (const { index, fragments, notes: atFoot } of pages)
    for (const list of [atFoot, fragments])
      for (const { paragraph, y } of list) {
        const { stream, style } = paragraph.styled;
        for (const { note } of paragraph.joined ?? [])
          if (!found.has(note)) found.set(note, { page: index, y: y - style.leading });
        if (stream in notes && !found.has(stream)) found.set(stream, { page: index, y: y - style.leading });
      }
  return found;
}

/** Places in the set source of a block: signs of notes, and numbers of notes that run on. */
interface NotePlaceInBlock {
  readonly note: StreamId;
  readonly from: number;
  readonly to: number;
  readonly isNumber: boolean;
}

/** Read off the pages, where rows of tables and notes that run on are paragraphs of their own making. */
function noteMarks(pages: readonly Page[]): Map<BlockId, NotePlaceInBlock[]> {
  const found = new Map<BlockId, NotePlaceInBlock[]>();
  const seen = new Set<unknown>();
  for (const { fragments, notes } of pages)
    for (const { paragraph } of [...fragments, ...notes]) {
      const { styled, joined = [] } = paragraph;
      if (seen.has(paragraph) || (styled.notes.length === 0 && joined.length === 0)) continue;
      seen.add(paragraph);
      const signs = styled.notes.map(({ note, at }) => {
        const from = styled.source?.[at] ?? at;
        return { note, from, to: from + 1, isNumber: false };
      });
      found.set(styled.block, [...signs, ...joined.map((one) => ({ ...one, isNumber: true }))]);
    }
  return found;
}

const isAddress = (link: string | undefined): boolean => link !== undefined && /^(?:https?:|mailto:)/i.test(link);

/** A link over the glyphs of an item that come from a stretch of the source; none where it has none. */
function linkBetween(item: TextItem, list: DisplayList, from: number, to: number, target: PdfLink['to']): PdfLink[] {
  const glyphs = glyphsBetween(item, list.sourceOffsets, from, to);
  return glyphs === null ? [] : [linkOver(item, list, ...glyphs, target)];
}

/** Glyphs of an item from the first to the last whose offset is in a stretch, of the source or of its text; null for none. */
function glyphsBetween(item: TextItem, offsets: ArrayLike<number>, from: number, to: number): [number, number] | null {
  let first = -1;
  let last = -1;
  for (let k = 0; k < item.count; k += 1) {
    const at = offsets[item.first + k];
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
