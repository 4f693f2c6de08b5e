// Bookmarks of a Word document (ECMA-376-1, 17.13.6): the places that links lead to, where divisions and sections begin, and ranges of
// the index.
import { escapeXml } from '../../base/xml';
import { divisionMark, rangeMark, sectionMark } from '../../copy/copyMarks';
import { placesOf } from '../../copy/places';
import type { Book, Division } from '../../model/copy/book';
import type { BlockId, Paragraph } from '../../model/copy/streams';
import type { IndexMark } from '../../model/spec/indexSpec';

/** What a word processor takes for a name: letters, figures and low lines, at most forty, a letter first. */
const IS_TAKEN = /^[A-Za-z]\w{0,39}$/;

export class Bookmarks {
  private readonly marks = new Map<BlockId, string[]>();
  private readonly names = new Map<string, string>();
  /** Ranges of the index that are open: the number of each by its term. */
  private readonly open = new Map<string, number>();
  private readonly sections: string[] = [];
  private next = 1;
  private divisions = 0;
  private ranges = 0;

  constructor(book: Book) {
    const places = placesOf(book);
    let made = 0;
    for (const [name, { block }] of places) {
      let own = name;
      while (!IS_TAKEN.test(own) || (own !== name && places.has(own))) own = `place_${(made += 1)}`;
      this.names.set(name, own);
      this.marks.set(block, [...(this.marks.get(block) ?? []), own]);
    }
  }

  /** The names of the sections that were written, each by the bookmark at which it begins. */
  get sectionNames(): readonly (readonly [bookmark: string, name: string])[] {
    return this.sections.map((name, k) => [sectionMark(k + 1), name]);
  }

  /** Where a division begins. */
  divisionStart({ matter, role }: Division): string {
    return this.point(divisionMark(matter, role, (this.divisions += 1)));
  }

  /** The bookmarks at the beginning of a paragraph. */
  marksOf({ id, touches }: Paragraph): string {
    const places = (this.marks.get(id) ?? []).map((name) => this.point(name));
    if (touches?.section === undefined) return places.join('');
    this.sections.push(touches.section);
    return places.join('') + this.point(sectionMark(this.sections.length));
  }

  /** Runs that lead to a place; as they are where there is none of the name. */
  linkTo(name: string, runs: string): string {
    const own = this.names.get(name);
    return own === undefined ? runs : `<w:hyperlink w:anchor="${escapeXml(own)}">${runs}</w:hyperlink>`;
  }

  /** What begins the range of a mark and what its field says of it; the end of one that is open. */
  range({ term, sub, range }: IndexMark): { readonly xml: string; readonly name: string | null } {
    const key = `${term}\u0000${sub}`;
    if (range === 'to') {
      const number = this.open.get(key);
      this.open.delete(key);
      return { xml: number === undefined ? '' : `<w:bookmarkEnd w:id="${number}"/>`, name: null };
    }
    if (range === 'here') return { xml: '', name: null };
    const number = this.next++;
    const name = rangeMark((this.ranges += 1));
    this.open.set(key, number);
    return { xml: `<w:bookmarkStart w:id="${number}" w:name="${name}"/>`, name };
  }

  private point(name: string): string {
    const number = this.next++;
    return `<w:bookmarkStart w:id="${number}" w:name="${escapeXml(name)}"/><w:bookmarkEnd w:id="${number}"/>`;
  }
}
