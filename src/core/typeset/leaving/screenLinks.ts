// What leads somewhere on a composed page: entries of contents and index, cross-references, addresses in the text.
import { placesOf } from '../../copy/places';
import { unreachable } from '../../base/errors';
import type { Book } from '../../model/copy/book';
import type { LinkTarget } from '../../model/composed/links';
import type { DisplayList, TextItem } from '../../model/composed/displayList';
import type { Page, TypesetBook } from '../../model/composed/pages';
import type { NotePlaces, ReferenceTable } from '../../model/composed/referenceTable';
import type { StreamId } from '../../model/copy/streams';
import { findPlaces, notePlaces } from '../../references';
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

/** Finds where the links of display lists go, on the pages of a composed book. */
export class ScreenLinks {
  /** Pages of heads, captions and divisions, by the id of the block or division. */
  private readonly places = new Map<string, number>();
  private readonly names = new Map<string, number>();
  private readonly indexPages = new Map<string, ReferenceTable['index'][number]>();
  private readonly noteReferences: NotePlaces;
  private readonly bodies: ReadonlyMap<StreamId, { readonly page: number; readonly y: number }>;

  constructor(
    book: Book,
    private readonly references: ReferenceTable,
    pages: readonly Page[],
  ) {
    for (const { block, division, page } of references.headings) this.places.set(block || division, page);
    for (const { block, page } of references.captions) this.places.set(block, page);
    for (const entry of references.index) this.indexPages.set(indexKey(entry), entry);
    const places = placesOf(book);
    const pageOf = findPlaces(pages, new Set([...places.values()].map(({ block }) => block)));
    for (const [name, { block }] of places) this.names.set(name, pageOf(block));
    this.noteReferences = notePlaces(pages, book, true);
    this.bodies = noteBodies(pages, book);
  }

  /** Links of a page, in order. */
  of(list: DisplayList): PdfLink[] {
    return list.items.flatMap((item) =>
      (item.links ?? []).flatMap(({ from, to, target }) => {
        const goal = this.goalOf(target);
        const glyphs = goal === undefined ? null : glyphsBetween(item, list.charOffsets, from, to);
        return goal === undefined || glyphs === null ? [] : [linkOver(item, list, ...glyphs, goal)];
      }),
    );
  }

  /** Where a target is; undefined when it is on no page. */
  private goalOf(target: LinkTarget): PdfLink['to'] | undefined {
    switch (target.kind) {
      case 'address':
        return { address: target.address };
      case 'place':
        return onPage(this.places.get(target.id));
      case 'name':
        return onPage(this.names.get(target.name));
      case 'reference':
        return onPage(this.references.targets[target.target]?.page);
      case 'note':
        return this.bodies.get(target.note);
      case 'noteReference':
        return onPage(this.noteReferences[target.note]?.page);
      case 'locator':
        return onPage(this.indexPages.get(indexKey(target))?.pages[target.at]?.[0]);
      default:
        return unreachable(target);
    }
  }
}

const indexKey = ({ term, sub }: { readonly term: string; readonly sub: string }) => `${term}\u0000${sub}`;

const onPage = (page: number | undefined) => (page === undefined || page < 0 ? undefined : { page });

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

/** Glyphs of an item from the first to the last whose offset is in a stretch of its text; null for none. */
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
