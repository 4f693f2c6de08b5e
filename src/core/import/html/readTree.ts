// Reads the blocks of an HTML tree: one reader for HTML, EPUB and, by way of the same tree, Markdown.
import { columnShares, readRows } from './tableFacts';
import { append } from '../../base/append';
import { DEEPEST_TABLES } from '../../base/limits';
import { fromBase64 } from '../../base/base64';
import { maybeChild, textOf, type XmlElement } from '../../base/xml';
import { REFERENCE_SHOWS, type Block, type Paragraph, type StyleTag } from '../../model/copy/streams';
import { directionTouch } from '../../copy/direction';
import { isBreakMark } from '../../copy/headings';
import type { Incoming } from '../incoming';
import { ParagraphBuilder, type SpanLook } from '../paragraphBuilder';
import { CONTENTS_TAG, isPlainClass, tagOfLevel, tagOfName } from '../styleTags';
import { readDivisionMark } from '../../copy/copyMarks';
import { classAsName, isHidden, isListMark, isNoteList, markedList } from './clipboard';
import { BLOCKS, HEADING, HOSTILE, SKIPPED } from './elementKinds';
import { directionAround, directionSaid, signsOf, type SaidDirection } from './direction';
import { withElement } from './looks';
import type { NoteBody } from './noteBody';
import { rulesBeforeNotes } from './noteRules';
import { isBackLink, isNoteGroup, noteOf } from './notes';
import {
  asTyped,
  exactLook,
  exactTable,
  exactParagraph,
  exactPicture,
  ourObject,
  type ExactParagraph,
} from './ourMarks';

/** What the place of a block in the tree decides of its paragraphs. */
interface Surroundings {
  readonly tag: StyleTag | null;
  readonly style: string;
  readonly list?: Paragraph['list'];
  /** Inside an item: only its first paragraph has the mark of the list. */
  readonly isItem?: boolean;
  /** The style is a class that nothing of ours fits. */
  readonly isUnmatched?: boolean;
  readonly isCentred?: boolean;
  /** Of a list: the number of its next item. */
  readonly count?: { next: number };
  /** As a file of ours says it. */
  readonly exact?: ExactParagraph;
}

export interface TreeOptions {
  readonly notes: ReadonlyMap<string, NoteBody>;
  /** Signs at notes that lead back into the text; absent: there are none. */
  readonly signs?: ReadonlySet<XmlElement>;
  /** The file says by attributes what its elements do not (see ourMarks). */
  readonly isOurs?: boolean;
  /** Levels taken from headings: 1 where the only first-level heading is the title of the book. */
  readonly shift: number;
  /** A picture by the address that its element gives; undefined for what is not in the file. */
  readonly pictureAt?: (address: string) => Uint8Array | undefined;
  /** In a file of several: the name of a place by its id, and where an address in the file leads. */
  readonly placeAt?: (id: string) => string;
  readonly addressOf?: (address: string) => string;
}

export class TreeReader {
  private readonly made = new Map<string, string>();
  /** Notes whose bodies are read when the text is, however they refer to each other. */
  private readonly pending: { readonly note: string; readonly body: NoteBody }[] = [];
  private readonly copies: { readonly note: string; readonly of: string }[] = [];
  private readonly bodies: ReadonlySet<XmlElement>;
  /** Rules between the text and its notes. */
  private ruled: ReadonlySet<XmlElement> = new Set();
  private tables = 0;
  private builder = new ParagraphBuilder();
  /** The number of the item whose first words come next. */
  private itemNumber: number | null = null;
  /** Nothing of the item has been read yet. */
  private isItemNew = false;
  /** What the elements around say of the direction of text. */
  private direction: SaidDirection | undefined;
  /** The next paragraph begins a page. */
  private isOnNewPage = false;
  private blocks: Block[] = [];

  constructor(
    private readonly incoming: Incoming,
    private readonly options: TreeOptions,
  ) {
    this.bodies = new Set([...options.notes.values()].map(({ element }) => element));
  }

  /** Blocks of an element; call once per file. `around`: what says the direction of the file, such as its root element. */
  read(root: XmlElement, around: XmlElement = root): Block[] {
    this.direction = directionSaid(root) ?? directionSaid(around);
    this.ruled = this.options.isOurs ? new Set() : rulesBeforeNotes(root, this.bodies);
    const blocks = this.inside(root, { tag: null, style: 'Text' });
    this.readNotes();
    return blocks;
  }

  private readNotes(): void {
    const { notes } = this.incoming;
    for (let next = this.pending.shift(); next !== undefined; next = this.pending.shift()) {
      const { note, body } = next;
      const blocks = this.inside(body.element, { tag: 'NT', style: 'Note' });
      notes[note] = { ...notes[note], kind: body.kind, blocks: blocks.map(asNote) };
    }
    for (const { note, of } of this.copies.splice(0))
      notes[note] = { ...notes[note], blocks: notes[of].blocks.map((block) => this.incoming.copyOf(block)) };
  }

  private inside(parent: XmlElement, place: Surroundings): Block[] {
    const [blocks, builder] = [this.blocks, this.builder];
    [this.blocks, this.builder] = [[], new ParagraphBuilder()];
    this.walk(parent, place, {});
    this.flush(place);
    const read = this.blocks;
    [this.blocks, this.builder] = [blocks, builder];
    return read;
  }

  private walk(parent: XmlElement, place: Surroundings, look: SpanLook): void {
    for (const child of parent.children) {
      if (typeof child === 'string') this.addText(child, look);
      else this.readElement(child, place, look);
    }
  }

  private addText(text: string, look: SpanLook): void {
    const words = text.replace(/[ \t\n\r\f]+/g, ' ');
    this.builder.add(this.builder.isEmpty || this.builder.endsInSpace ? words.replace(/^ /, '') : words, look);
  }

  /** Ends the paragraph that is open, if it holds anything. */
  private flush(place: Surroundings, rest: Partial<Paragraph> = {}): void {
    const { builder } = this;
    this.builder = new ParagraphBuilder();
    if (builder.isBlank && rest.text === undefined) return;
    if (!this.options.isOurs) builder.trimEnd();
    const hasMark = place.list !== undefined && (place.isItem !== true || this.isItemNew);
    const list = hasMark ? { list: place.list } : {};
    this.isItemNew = false;
    const { isOnNewPage } = this;
    this.isOnNewPage = false;
    const { exact } = place;
    if (place.isUnmatched && place.tag === null && exact === undefined) this.incoming.leaveUnmatched(place.style);
    const touches = directionTouch(directionAround(this.direction, builder.words), builder.words);
    const said = { ...(touches.direction === undefined ? {} : touches), ...exact?.touches };
    const facts = { ...list, ...(Object.keys(said).length > 0 ? { touches: said } : {}), ...rest };
    const tag = exact?.style ?? place.tag ?? 'TX';
    const read = this.incoming.paragraph(builder, exact?.style ?? place.style, tag, facts, this.options.isOurs);
    const built = exact === undefined ? read : asTyped(read, exact);
    if (this.itemNumber !== null && built.list?.ordered) this.incoming.numberItem(built, this.itemNumber);
    this.itemNumber = null;
    const isCentred = place.isCentred === true;
    this.incoming.stand(built, { ...(isCentred ? { isCentred } : {}), ...(isOnNewPage ? { isOnNewPage } : {}) });
    this.blocks.push(isBreakMark(built.text) && built.style === 'TX' ? { ...built, style: 'SBO' } : built);
  }

  private breakPage(): void {
    this.incoming.pageBreaks += 1;
    this.isOnNewPage = true;
  }

  private readElement(element: XmlElement, place: Surroundings, look: SpanLook): void {
    const { name } = element;
    if (SKIPPED.has(name) || 'data-made' in element.attributes) return;
    if (HOSTILE.has(name))
      return this.incoming.remark('Scripts, forms and embedded objects left out', 'They are no part of a text.');
    if (isHidden(element)) {
      if (textOf(element).trim() !== '')
        this.incoming.remark('Hidden text left out', 'The file itself does not show it.');
      return;
    }
    if (isListMark(element)) return;
    if (!BLOCKS.has(name)) this.nameOf(element);
    const { isOurs = false } = this.options;
    const object = isOurs ? ourObject(element) : null;
    if (object !== null) return this.builder.addObject(object);
    const exact = isOurs ? exactLook(element) : null;
    if (exact !== null)
      return this.walk(element, place, look.link === undefined ? exact : { ...exact, link: look.link });
    const inner = withElement(element, look);
    if (inner === null)
      return this.incoming.remark('Deletions taken as accepted', 'Tracked changes are read as their author left them.');
    if (name === 'br') return this.builder.addObject({ kind: 'break' });
    if (name === 'img' || name === 'image') return this.readImage(element);
    if (name === 'a') return this.readLink(element, place, inner);
    if (isNoteGroup(element) && this.options.notes.size > 0) return this.flush(place);
    if (this.bodies.has(element) || (isNoteList(element) && this.bodies.size > 0)) return this.flush(place);
    if (BLOCKS.has(name)) return this.readBlock(element, place, inner);
    const signs = signsOf(element);
    if (signs === null) return this.walk(element, place, inner);
    const { builder } = this;
    builder.add(signs[0], inner);
    this.walk(element, place, inner);
    // A paragraph that ended meanwhile has ended it too.
    if (builder === this.builder) builder.add(signs[1], inner);
  }

  private readBlock(element: XmlElement, place: Surroundings, look: SpanLook): void {
    this.flush(place);
    const around = this.direction;
    this.direction = directionSaid(element) ?? around;
    this.nameOf(element);
    const division = readDivisionMark(element.attributes['data-division'] ?? '');
    if (division !== null) this.incoming.beginsDivision(division);
    this.readWithin(element, place, look);
    this.direction = around;
  }

  /** The names by which links lead to an element. */
  private nameOf({ name, attributes }: XmlElement): void {
    const { placeAt = (id: string) => id } = this.options;
    for (const id of [attributes.id, attributes['xml:id'], name === 'a' ? attributes.name : undefined])
      if (id !== undefined && id !== '') this.incoming.name(placeAt(id));
  }

  private readWithin(element: XmlElement, place: Surroundings, look: SpanLook): void {
    const { name, attributes } = element;
    if (/toc|doc-toc/.test(`${attributes['epub:type'] ?? ''} ${attributes.role ?? ''}`) && name === 'nav')
      return this.incoming.remark('Contents list left out', 'Ours is made from the headings, and always true.');
    const level = HEADING.exec(name);
    if (level !== null) return this.readHeading(element, Number(level[1]), look);
    if (name === 'hr' && this.ruled.has(element)) return;
    if (name === 'hr') {
      const words = attributes['data-words'] ?? '* * *';
      this.builder.add(words);
      return this.flush({ tag: 'SBO', style: 'hr', exact: this.exactOf(element) }, words === '' ? { text: '' } : {});
    }
    // A division of ours that has no words.
    if (this.options.isOurs && 'data-book-empty' in attributes) return this.flush(place, { text: '' });
    if (name === 'table') return this.readTable(element);
    if (name === 'pre') return this.readPre(element);
    if (/page-break-before:\s*always|break-before:\s*page/.test(attributes.style ?? '')) this.breakPage();
    const own = this.surroundings(element, place);
    if (own.tag === CONTENTS_TAG)
      return this.incoming.remark('Lines of a contents list left out', 'Ours is made from the headings.');
    this.walk(element, own, look);
    this.flush(own);
  }

  private exactOf(element: XmlElement): ExactParagraph | undefined {
    return this.options.isOurs ? exactParagraph(element) : undefined;
  }

  private surroundings(element: XmlElement, place: Surroundings): Surroundings {
    const dress = this.dressOf(element, place);
    // What a block around says is that of its paragraph, as of one that is quoted.
    const exact = this.exactOf(element) ?? (element.name === 'p' ? place.exact : undefined);
    const own = exact === dress.exact ? dress : { ...dress, exact };
    const isCentred = centring(element) ?? place.isCentred;
    return isCentred === undefined ? own : { ...own, isCentred };
  }

  private dressOf(element: XmlElement, place: Surroundings): Surroundings {
    const { name, attributes } = element;
    const classes = (attributes.class ?? '').split(/\s+/).filter((one) => one !== '');
    // A file of ours says styles by their tags.
    const guessed = this.options.isOurs ? [] : classes.map((one) => tagOfName(classAsName(one)));
    const named = guessed.find((tag) => tag !== undefined);
    const list = name === 'p' ? markedList(element) : undefined;
    if (list !== undefined) return { tag: 'LI', style: list.ordered ? 'Numbered list' : 'List', list };
    const style = classes[0] ?? (name === 'div' || name === 'section' ? place.style : name);
    if (name === 'ul' || name === 'ol') {
      const level = place.list === undefined ? 0 : place.list.level + 1;
      const list = { level, ordered: name === 'ol' };
      return {
        ...{ tag: 'LI', style: name === 'ol' ? 'Numbered list' : 'List', list },
        count: { next: wholeNumber(attributes.start) ?? 1 },
      };
    }
    if (name === 'blockquote') return { tag: named ?? 'EXT', style: classes[0] ?? 'blockquote' };
    if (name === 'figcaption' || name === 'caption') return { tag: 'CAP', style: 'Caption' };
    if (name === 'li') {
      const number = wholeNumber(attributes.value) ?? place.count?.next;
      this.itemNumber = number ?? null;
      this.isItemNew = true;
      if (place.count !== undefined && number !== undefined) place.count.next = number + 1;
      return { ...place, tag: place.tag ?? 'LI', isItem: true };
    }
    if (name === 'p' && place.tag !== null) return { ...place, tag: named ?? place.tag };
    const isUnmatched = name === 'p' && classes.length > 0 && !isPlainClass(style);
    return { ...place, tag: named ?? place.tag, style, isUnmatched };
  }

  private readHeading(element: XmlElement, level: number, look: SpanLook): void {
    this.walk(element, { tag: null, style: '' }, look);
    const isTitle = level <= this.options.shift;
    const tag = isTitle ? 'BT' : tagOfLevel(level - this.options.shift);
    const before = this.blocks.length;
    this.flush({ tag, style: `Heading ${level}`, exact: this.exactOf(element) });
    const built = this.blocks[before];
    if (built?.kind === 'paragraph') this.incoming.heading(level, built);
  }

  /** A table, or where it is nested too deep its paragraphs. */
  private readTable(table: XmlElement): void {
    if (this.tables >= DEEPEST_TABLES) {
      this.incoming.remark('Tables nested too deep read as text', 'Their words are kept.');
      this.walk(table, { tag: null, style: 'Table' }, {});
      return this.flush({ tag: null, style: 'Table' });
    }
    this.tables += 1;
    const caption = maybeChild(table, 'caption');
    if (caption !== undefined) append(this.blocks, this.inside(caption, { tag: 'CAP', style: 'Caption' }));
    const read = readRows(table, (cell) => this.inside(cell, { tag: null, style: 'Table' }));
    this.blocks.push(exactTable(this.incoming.table(read, columnShares(table)), this.exactOf(table)));
    this.tables -= 1;
  }

  /** Text whose line ends are its own. */
  private readPre(element: XmlElement): void {
    const lines = textOf(element)
      .replace(/\r\n?/g, '\n')
      .replace(/^\n|\n$/g, '')
      .split('\n');
    lines.forEach((line, index) => {
      if (index > 0) this.builder.addObject({ kind: 'break' });
      this.builder.add(line);
    });
    this.flush({ tag: 'EXT', style: 'pre' });
  }

  private readImage(element: XmlElement): void {
    const { attributes } = element;
    const ours = this.options.isOurs ? exactPicture(element) : null;
    const source = attributes.src ?? attributes['xlink:href'] ?? '';
    const data = /^data:image\/[^;,]+;base64,(.+)$/s.exec(source);
    const bytes = data === null ? this.options.pictureAt?.(source) : fromBase64(data[1]);
    const facts = {
      name:
        ours?.name ??
        (data === null ? (source.split(/[?#]/)[0].split('/').pop() ?? '') : (attributes.title ?? 'embedded')),
      width: Number.parseInt(attributes.width ?? '0', 10) || 0,
      height: Number.parseInt(attributes.height ?? '0', 10) || 0,
      alt: attributes.alt ?? '',
    };
    this.builder.addObject(this.incoming.picture(bytes, facts, ours?.shown));
  }

  private readLink(element: XmlElement, place: Surroundings, look: SpanLook): void {
    if (this.options.signs?.has(element)) return;
    const id = noteOf(element, this.options.notes);
    if (id !== null) return this.addNote(id, element.attributes['data-mark']);
    if (isBackLink(element) && this.options.notes.size > 0) return;
    const { href } = element.attributes;
    const isSafe = href !== undefined && /^(https?:|mailto:|#|[^:]*$)/i.test(href);
    if (href !== undefined && !isSafe)
      this.incoming.remark('Links that would run something left out', 'Their words are kept.');
    const { addressOf = (address: string) => address } = this.options;
    const shows = REFERENCE_SHOWS.find((own) => own === element.attributes['data-shows']);
    if (shows !== undefined && href?.includes('#'))
      return this.builder.addObject({ kind: 'reference', target: addressOf(href), shows });
    this.walk(element, place, isSafe && href !== '' ? { ...look, link: addressOf(href) } : look);
  }

  private addNote(id: string, mark?: string): void {
    const body = this.options.notes.get(id)!;
    let note = this.made.get(id);
    if (note !== undefined) {
      // A second reference to one note gets a copy: with us each note has one place.
      const of = note;
      note = this.incoming.note(body.kind);
      this.copies.push({ note, of });
    } else {
      note = this.incoming.note(body.kind);
      this.made.set(id, note);
      this.pending.push({ note, body });
    }
    if (mark !== undefined && this.options.isOurs) this.incoming.markNote(note, mark);
    this.builder.addObject({ kind: 'note', note });
  }
}

/** The value of an attribute that is a whole number; undefined for anything else. */
const wholeNumber = (value: string | undefined): number | undefined =>
  /^\s*-?\d{1,4}\s*$/.test(value ?? '') ? Number(value) : undefined;

/** Whether an element says that its text is centred; undefined where it says nothing. */
function centring({ name, attributes }: XmlElement): boolean | undefined {
  if (name === 'center' || /^cent(er|re)$/i.test(attributes.align ?? '')) return true;
  const align = /text-align:\s*([a-z-]+)/i.exec(attributes.style ?? '')?.[1].toLowerCase();
  if (align !== undefined) return align === 'center';
  return /(?:^|\s)(?:text-?)?cent(?:er|re)(?:ed)?(?:\s|$)/i.test(attributes.class ?? '') ? true : undefined;
}

function asNote(block: Block): Block {
  return block.kind === 'paragraph' ? { ...block, style: 'NT' } : block;
}
