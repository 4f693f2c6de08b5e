// Bookmarks of a Word document: the places of a book by names that a word processor takes (ECMA-376-1, 17.13.6).
import { escapeXml } from '../../base/xml';
import { placesOf } from '../../copy/places';
import type { Book } from '../../model/copy/book';
import type { BlockId, Paragraph } from '../../model/copy/streams';

/** Letters, figures and low lines, at most forty, a letter first. */
const IS_TAKEN = /^[A-Za-z]\w{0,39}$/;

export class Bookmarks {
  private readonly marks = new Map<BlockId, string[]>();
  private readonly names = new Map<string, string>();
  private next = 1;

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

  /** The bookmarks at the beginning of a paragraph. */
  marksOf({ id }: Paragraph): string {
    return (this.marks.get(id) ?? [])
      .map((name) => {
        const number = this.next++;
        return `<w:bookmarkStart w:id="${number}" w:name="${escapeXml(name)}"/><w:bookmarkEnd w:id="${number}"/>`;
      })
      .join('');
  }

  /** Runs that lead to a place; as they are where there is none of the name. */
  linkTo(name: string, runs: string): string {
    const own = this.names.get(name);
    return own === undefined ? runs : `<w:hyperlink w:anchor="${escapeXml(own)}">${runs}</w:hyperlink>`;
  }
}
