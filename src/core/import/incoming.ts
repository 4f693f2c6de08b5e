// Collects a manuscript while a file is read: what every reader needs, whatever its format.
import type { DivisionStart } from '../copy/copyMarks';
import type {
  BlockStand,
  ImportRemark,
  IncomingComment,
  IncomingHeading,
  IncomingImage,
  IncomingLook,
  IncomingMetadata,
  IncomingNote,
  Manuscript,
} from '../model/copy/manuscript';
import type { Block, BlockId, Paragraph, PictureFacts, StyleTag } from '../model/copy/streams';
import { LONGEST_PLACE, withPlaces } from './links';
import { DEEPEST_LIST, MOST_PARAGRAPHS, MOST_PICTURES, tooMuch } from '../base/limits';
import { LONGEST, plainText, styleName, wellFormed } from './withinBounds';
import { IdCounter, type ParagraphBuilder } from './paragraphBuilder';
import { withStarts } from './listNumbers';
import { tableOf, type IncomingRow } from './incomingTable';
import { keepUnmatched } from './keepUnmatched';
import { PLAIN_TABLE } from '../model/spec/tableStyle';
import { cutParagraph } from '../copy/cutParagraph';
import { pictureOf } from '../copy/pictureOf';

/** Characters of a paragraph that show what a style is for. */
const SAMPLE = 80;

const LOST_WHY = 'They go to another file, or to a place that is not in this one; their words are kept.';

/** What is said of pictures of which a file has the names alone. */
export const NOT_IN_FILE = 'Pictures that are not in the file';

export class Incoming {
  readonly ids = new IdCounter();
  readonly notes: Record<string, IncomingNote> = {};
  /** Names of sections by the bookmarks at which they begin. */
  sectionNames: ReadonlyMap<string, string> = new Map();
  private division: DivisionStart | null = null;
  private section: string | null = null;
  /** Names of places, by the block that has them, and those whose paragraph comes yet. */
  private readonly namesOf = new Map<BlockId, readonly string[]>();
  private openNames: string[] = [];
  readonly images: IncomingImage[] = [];
  private readonly pictures: Record<string, Uint8Array> = {};
  readonly headings: IncomingHeading[] = [];
  readonly comments: IncomingComment[] = [];
  private readonly stands: Record<string, BlockStand> = {};
  private readonly itemNumbers = new Map<string, readonly number[]>();
  pageBreaks = 0;
  private paragraphs = 0;
  private readonly unmatched = new Set<string>();
  private readonly looks = new Map<string, IncomingLook>();
  private readonly remarks = new Map<string, { count: number; why: string }>();
  private readonly styles = new Map<string, { count: number; mappedTo: StyleTag; sample: string; blocks: string[] }>();

  /** Something left out or changed, and why. */
  remark(what: string, why: string, count = 1): void {
    const known = this.remarks.get(what);
    if (known === undefined) this.remarks.set(what, { count, why });
    else known.count += count;
  }

  /** A remark on the paragraph that is being read. */
  comment(who: string, text: string): void {
    this.remark('Comments left out', 'They are notes to the typesetter, and listed as such.');
    const words = text.replace(/\s+/g, ' ').trim();
    if (words !== '') this.comments.push({ block: '', who: who.trim(), text: words });
  }

  /** Nothing of ours fits this style of the file. */
  leaveUnmatched(style: string): void {
    this.unmatched.add(styleName(style));
  }

  /** What a style of the file looks like. */
  styleLook(style: string, look: IncomingLook): void {
    if (Object.keys(look).length > 0) this.looks.set(styleName(style), look);
  }

  lookOf(style: string): IncomingLook {
    return this.looks.get(styleName(style)) ?? {};
  }

  /** The next block begins a division, as a copy of ours says. */
  beginsDivision(start: DivisionStart): void {
    this.division = start;
  }

  /** The next paragraph begins a section, whose name the file has by its bookmark. */
  beginsSection(bookmark: string): void {
    this.section = this.sectionNames.get(bookmark)?.slice(0, LONGEST.NAME) ?? '';
  }

  /** What was said of the next block, once it is there. */
  private takeDivision(id: BlockId): void {
    if (this.division !== null) this.stands[id] = { ...this.stands[id], division: this.division };
    this.division = null;
  }

  /** A name of the place that is read: of the next paragraph with words, or of the one that is open. */
  name(name: string | undefined): void {
    const own = name?.trim() ?? '';
    if (own !== '' && own.length <= LONGEST_PLACE) this.openNames.push(own);
  }

  /** The names of a paragraph go to it; a place without words leaves them to the next. */
  private takeNames({ id, text }: Paragraph): void {
    if (this.openNames.length === 0 || text.trim() === '') return;
    this.namesOf.set(id, [...(this.namesOf.get(id) ?? []), ...this.openNames]);
    this.openNames = [];
  }

  /** Names that a paragraph has by its words, such as a heading. */
  alsoNamed(id: BlockId, name: string): void {
    if (name.length <= LONGEST_PLACE) this.namesOf.set(id, [...(this.namesOf.get(id) ?? []), name]);
  }

  /** A finished paragraph of a style of the file. */
  paragraph(
    builder: ParagraphBuilder,
    named: string,
    tag: StyleTag,
    rest: Partial<Paragraph> = {},
    isOurs = false,
  ): Paragraph {
    const style = styleName(named);
    if ((this.paragraphs += 1) > MOST_PARAGRAPHS) throw tooMuch(MOST_PARAGRAPHS, 'paragraphs');
    const list = rest.list && {
      ...rest.list,
      level: Math.min(DEEPEST_LIST, Math.max(0, Math.trunc(rest.list.level) || 0)),
    };
    const touches = this.section === null ? rest.touches : { ...rest.touches, section: this.section };
    this.section = null;
    const facts = { ...rest, ...(list ? { list } : {}), ...(touches ? { touches } : {}) };
    const built = builder.build(this.ids.take('p'), tag, facts, isOurs);
    this.takeNames(built);
    this.takeDivision(built.id);
    for (let k = this.comments.length - 1; k >= 0 && this.comments[k].block === ''; k -= 1)
      this.comments[k] = { ...this.comments[k], block: built.id };
    const known = this.styles.get(style);
    const words = built.text.replace(/\uFFFC/g, ' ').trim();
    if (known === undefined)
      this.styles.set(style, { count: 1, mappedTo: tag, sample: words.slice(0, SAMPLE), blocks: [built.id] });
    else {
      known.count += 1;
      known.blocks.push(built.id);
      if (known.sample === '') known.sample = words.slice(0, SAMPLE);
    }
    return built;
  }

  /** A finished paragraph parted at offsets into its text, rising; each later part begins a page. Parts without words are left out. */
  partedAt(whole: Paragraph, offsets: readonly number[]): Paragraph[] {
    if (offsets.length === 0) return [whole];
    const { breakBefore: _, ...touches } = whole.touches ?? {};
    const parts: Paragraph[] = [];
    for (const [k, from] of [0, ...offsets].entries()) {
      const part = cutParagraph(whole, from, offsets[k] ?? whole.text.length);
      if (part.text.trim() === '' && part.objects.length === 0) continue;
      if (parts.length === 0 && k === 0) parts.push(part);
      else {
        const id = parts.length === 0 ? whole.id : this.ids.take('p');
        parts.push({ ...part, id, touches: { ...touches, breakBefore: true } });
        if (id !== whole.id) this.listPart(whole.id, id);
      }
    }
    return parts.length > 0 ? parts : [whole];
  }

  /** A part of a paragraph has its style. */
  private listPart(of: string, id: string): void {
    for (const style of this.styles.values()) {
      if (style.blocks[style.blocks.length - 1] !== of) continue;
      style.count += 1;
      style.blocks.push(id);
      return;
    }
  }

  /** What a list item is counted as in the file; several, where its mark can be read in several ways. */
  numberItem({ id }: Paragraph, ...numbers: readonly number[]): void {
    if (numbers.length > 0) this.itemNumbers.set(id, numbers);
  }

  stand({ id }: Paragraph, stand: BlockStand): void {
    if (Object.keys(stand).length > 0) this.stands[id] = { ...this.stands[id], ...stand };
  }

  heading(level: number, { id, text }: Paragraph): void {
    const words = text
      .replace(/\uFFFC/g, ' ')
      .replace(/\s+/g, ' ')
      .trim();
    if (words !== '') this.headings.push({ level, block: id, text: words });
  }

  /**
   * A picture where it stands in the text. `bytes`: undefined when the file only refers to it; its place is kept then.
   * `shown`: points.
   */
  picture(
    bytes: Uint8Array | undefined,
    facts: IncomingImage,
    shown: { readonly width: number; readonly height: number } = { width: 0, height: 0 },
  ): PictureFacts {
    if (this.images.length >= MOST_PICTURES) throw tooMuch(MOST_PICTURES, 'pictures');
    const made = pictureOf(bytes, facts, shown);
    const { name, alt, width, height, asset } = made;
    this.images.push({ name, width, height, alt });
    if (bytes !== undefined && asset !== '') this.pictures[asset] = bytes;
    else this.remark(NOT_IN_FILE, 'It only says where they are; their place in the text is kept.');
    return made;
  }

  /** A place for a note, whose body may be read later. */
  note(kind: IncomingNote['kind'], blocks: readonly Block[] = []): string {
    const id = this.ids.take('n');
    this.notes[id] = { kind, blocks };
    return id;
  }

  /** Gives a note a sign of its own. */
  markNote(id: string, mark: string): void {
    this.notes[id] = { ...this.notes[id], mark: wellFormed(plainText(mark)).trim().slice(0, LONGEST.MARK) || '*' };
  }

  /** A block with ids of its own. */
  copyOf(block: Block): Block {
    if (block.kind === 'paragraph') return { ...block, id: this.ids.take('p') };
    const rows = block.rows.map((row) =>
      row.map((cell) => ({ id: this.ids.take('c'), blocks: cell.blocks.map((one) => this.copyOf(one)) })),
    );
    return { ...block, id: this.ids.take('p'), rows };
  }

  /** `widths`: shares of the columns, where a person fixed them. */
  table(rows: readonly IncomingRow[], widths: readonly number[] = []): Block {
    const id = this.ids.take('p');
    this.takeDivision(id);
    const flattened = () => this.remark('Tables inside tables read as their paragraphs', 'Their words are kept.');
    return {
      kind: 'table',
      id,
      style: PLAIN_TABLE,
      ...tableOf(rows, widths, () => this.ids.take('c'), flattened),
    };
  }

  finish(blocks: readonly Block[], metadata: IncomingMetadata): Manuscript {
    const placed = withPlaces(
      withStarts(blocks, this.itemNumbers),
      Object.entries(this.notes).map(([id, note]) => [id, withStarts(note.blocks, this.itemNumbers)]),
      this.namesOf,
    );
    if (placed.lost > 0) this.remark('Links that lead nowhere', LOST_WHY, placed.lost);
    const notes = placed.notes.map(([id, own]) => [id, { ...this.notes[id], blocks: own }]);
    const manuscript: Manuscript = {
      metadata,
      blocks: placed.blocks,
      notes: Object.fromEntries(notes) as Manuscript['notes'],
      styles: [...this.styles]
        .map(([name, facts]) => ({ name, ...facts, ...(this.looks.has(name) ? { look: this.looks.get(name)! } : {}) }))
        .sort((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1)),
      images: this.images,
      pictures: this.pictures,
      headings: this.headings,
      comments: this.comments,
      ...(Object.keys(this.stands).length > 0 ? { stands: this.stands } : {}),
      pageBreaks: this.pageBreaks,
      nextId: this.ids.next,
      remarks: [...this.remarks].map(([what, { count, why }]): ImportRemark => ({ what, count, why })),
    };
    return keepUnmatched(manuscript, this.unmatched);
  }
}
