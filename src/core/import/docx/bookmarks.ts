// Bookmarks and index fields of a .docx: places that links lead to, ranges of the index, and what our own copies say by them.
import { isRangeMark, isSectionMark, readDivisionMark } from '../../copy/copyMarks';
import { indexMarkOf, rangeOfField } from '../../copy/indexField';
import type { XmlElement } from '../../base/xml';
import type { IndexMark } from '../../model/spec/indexSpec';
import type { Incoming } from '../incoming';
import type { ParagraphBuilder } from '../paragraphBuilder';

export const isBookmark = ({ name }: XmlElement): boolean => name === 'w:bookmarkStart' || name === 'w:bookmarkEnd';

export class DocxBookmarks {
  /** Names of the bookmarks that are open, by their numbers. */
  private readonly open = new Map<string, string>();
  /** Index marks whose range is open, by the name of its bookmark. */
  private readonly ranges = new Map<string, IndexMark>();
  /** Ends of ranges that stood between paragraphs. */
  private ends: IndexMark[] = [];

  constructor(private readonly incoming: Incoming) {}

  /** `builder`: the paragraph in which it stands; null: it stands between two. */
  read({ name: kind, attributes }: XmlElement, builder: ParagraphBuilder | null): void {
    const number = attributes['w:id'] ?? '';
    if (kind === 'w:bookmarkEnd') return this.end(number, builder);
    const name = attributes['w:name'] ?? '';
    this.open.set(number, name);
    const division = readDivisionMark(name);
    if (division !== null) this.incoming.beginsDivision(division);
    else if (isSectionMark(name)) this.incoming.beginsSection(name);
    else if (!isRangeMark(name)) this.incoming.name(name);
  }

  /** The ends of ranges that came before a paragraph stand at its beginning. */
  enter(builder: ParagraphBuilder): void {
    for (const mark of this.ends.splice(0)) builder.addObject({ kind: 'index', ...mark });
  }

  /** The mark of a field, if it is one of the index. False for any other field. */
  addMark(code: string, builder: ParagraphBuilder): boolean {
    const mark = indexMarkOf(code);
    if (mark === null) return false;
    const range = rangeOfField(code);
    const isOpen = range !== undefined && [...this.open.values()].includes(range) && !this.ranges.has(range);
    if (isOpen) this.ranges.set(range, mark);
    builder.addObject({ kind: 'index', ...mark, ...(isOpen ? { range: 'from' as const } : {}) });
    return true;
  }

  private end(number: string, builder: ParagraphBuilder | null): void {
    const name = this.open.get(number) ?? '';
    this.open.delete(number);
    const mark = this.ranges.get(name);
    if (mark === undefined) return;
    this.ranges.delete(name);
    const end: IndexMark = { ...mark, see: '', seeAlso: '', range: 'to' };
    if (builder === null) this.ends.push(end);
    else builder.addObject({ kind: 'index', ...end });
  }
}
