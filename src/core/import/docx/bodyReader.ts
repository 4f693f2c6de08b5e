// Reads the blocks of a WordprocessingML part: paragraphs, runs and what stands inside them (ECMA-376, part 1, 17.3).
import { fixedWidths, readRows } from './tableFacts';
import { append } from '../../base/append';
import { DEEPEST, DEEPEST_TABLES } from '../../base/limits';
import { elements, maybeChild, outermost, textOf, type XmlElement } from '../../base/xml';
import type { Block, Paragraph, ParagraphTouches } from '../../model/copy/streams';
import { directionTouch } from '../../copy/direction';
import { isBreakMark } from '../../copy/headings';
import type { Incoming } from '../incoming';
import { cutParagraph } from '../../copy/cutParagraph';
import { linkOfField } from '../links';
import { ParagraphBuilder, type SpanLook } from '../paragraphBuilder';
import { CONTENTS_TAG, isPlainName } from '../styleTags';
import { DocxBookmarks, isBookmark } from './bookmarks';
import { alignOf, Directions } from './direction';
import type { DocxParts, RelatedPart } from './parts';
import { isContentsControl, isDropCapital, styleWithOutline, trimStart } from './paragraphFacts';
import { readPicture } from './pictures';
import { readLook } from './runLook';
import { ownTag, toggle, type DocxStyle, type IncomingStyles } from './styleNames';
import { alternative, TRANSPARENT } from './wrapped';

export interface NoteReference {
  readonly kind: 'footnote' | 'endnote';
  /** The number in the file, and the id that the note has with us. */
  readonly number: string;
  readonly id: string;
}

/** Where the reader stands inside a complex field (17.16.18): its code is skipped, its result is kept. */
interface FieldState {
  inCode: boolean;
  code: string;
}

export class BodyReader {
  readonly references: NoteReference[] = [];
  private readonly fields: FieldState[] = [];
  /** Text boxes of the paragraph being read, to stand after it; and a page break that its next one begins with. */
  private boxes: XmlElement[] = [];
  private breaksNext = false;
  /** A drop capital whose word comes next. */
  private dropped = '';
  private readonly directions = new Directions();
  private readonly bookmarks: DocxBookmarks;
  /** Offsets into the paragraph being read at which a page ends. */
  private pageEnds: number[] = [];
  private readonly links: string[] = [];
  /** A note whose own sign has not been met yet. */
  private unmarked: string | null = null;
  /** Containers, and tables, that the reader stands in. */
  private depth = 0;
  private tables = 0;

  constructor(
    private readonly styles: IncomingStyles,
    private readonly incoming: Incoming,
    private readonly parts: DocxParts,
    /** Name of the part that is read, whose relations its links and pictures go by. */
    private readonly part: RelatedPart,
  ) {
    this.bookmarks = new DocxBookmarks(incoming);
  }

  /** The blocks that a child of the body gives: none for what is left out, one or more otherwise. */
  readBlock(element: XmlElement): Block[] {
    if (
      element.name !== 'w:p' &&
      (this.depth >= DEEPEST || (element.name === 'w:tbl' && this.tables >= DEEPEST_TABLES))
    )
      return this.readFlat(element);
    this.depth += 1;
    const blocks = this.blocksOf(element);
    this.depth -= 1;
    return blocks;
  }

  /** The paragraphs of what is nested too deep. */
  private readFlat(element: XmlElement): Block[] {
    this.incoming.remark(
      element.name === 'w:tbl' ? 'Tables nested too deep read as text' : 'Containers nested too deep read as text',
      DEEP_WHY,
    );
    return outermost(element, PARAGRAPH).flatMap((paragraph) => this.readParagraph(paragraph));
  }

  /** One paragraph of all words of a box inside boxes inside boxes. */
  private flatWords(box: XmlElement): Block[] {
    const builder = new ParagraphBuilder();
    builder.add(textOf(box).replace(/\s+/g, ' '));
    return [this.incoming.paragraph(builder, 'Normal', 'TX')];
  }

  private blocksOf(element: XmlElement): Block[] {
    if (element.name === 'w:p') return this.readParagraph(element);
    if (element.name === 'w:tbl') return [this.readTable(element)];
    if (element.name === 'mc:AlternateContent') {
      const meant = alternative(element);
      return meant === undefined ? [] : elements(meant).flatMap((child) => this.readBlock(child));
    }
    if (!TRANSPARENT.has(element.name)) {
      if (isBookmark(element)) this.bookmarks.read(element, null);
      this.tellSkipped(element);
      return [];
    }
    if (element.name === 'w:sdt' && isContentsControl(element)) {
      this.incoming.remark('Contents list left out', CONTENTS_WHY);
      return [];
    }
    return elements(element).flatMap((child) => this.readBlock(child));
  }

  /** A sign of a symbol font: its lower half is the character of the font (17.3.3.30). */
  private markBySymbol(code: string | undefined): void {
    const char = Number.parseInt(code ?? '', 16) & 0xff;
    if (char > 0x20 && char < 0x7f) this.incoming.markNote(this.unmarked!, String.fromCharCode(char));
    this.unmarked = null;
  }

  /** A note's paragraphs, its own mark and the space after it left out. */
  readNote(note: XmlElement, mark = ''): Block[] {
    const blocks = elements(note).flatMap((child) => this.readBlock(child));
    const [first] = blocks;
    if (mark !== '' && first?.kind === 'paragraph' && first.text.trimStart().startsWith(mark)) {
      const at = first.text.indexOf(mark) + mark.length;
      blocks[0] = cutParagraph(first, at, first.text.length);
    }
    return blocks.map((block) => (block.kind === 'paragraph' ? { ...trimStart(block), style: 'NT' } : block));
  }

  private readTable(table: XmlElement): Block {
    this.tables += 1;
    const rows = readRows(table, (cell) => elements(cell).flatMap((child) => this.readBlock(child)));
    this.tables -= 1;
    return this.incoming.table(rows, fixedWidths(table));
  }

  private readParagraph(element: XmlElement): Block[] {
    const { incoming } = this;
    const properties = maybeChild(element, 'w:pPr');
    const id = maybeChild(properties, 'w:pStyle')?.attributes['w:val'];
    const style = styleWithOutline(properties, this.styles.byId.get(id ?? this.styles.defaultId ?? ''));
    if (isDropCapital(properties)) {
      this.dropped += textOf(element).trim();
      return [];
    }
    const builder = new ParagraphBuilder();
    this.bookmarks.enter(builder);
    builder.add(this.dropped);
    this.dropped = '';
    const wasInContents = this.inContentsField();
    const beginsBefore = this.breaksNext || toggle(properties, 'w:pageBreakBefore') === true;
    if (toggle(properties, 'w:pageBreakBefore') === true) incoming.pageBreaks += 1;
    this.breaksNext = false;
    const outer = this.pageEnds;
    this.pageEnds = [];
    const around = this.directions.enter(properties, style);
    this.readInline(element, builder, {});
    const direction = this.directions.leave(around);
    const ends = this.pageEnds.filter((at) => at > 0 && at < builder.length);
    // A break with nothing after it is that of the next paragraph.
    if (this.pageEnds.some((at) => at > 0 && at === builder.length)) this.breaksNext = true;
    const begins = beginsBefore || this.pageEnds.includes(0);
    this.pageEnds = outer;
    if (style?.tag === CONTENTS_TAG || (wasInContents && this.inContentsField())) {
      incoming.remark('Lines of a contents list left out', CONTENTS_WHY);
      return [];
    }
    if (style !== undefined && style.tag === undefined && !isPlainName(style.name)) incoming.leaveUnmatched(style.name);
    const list = this.readList(properties, style?.list);
    const tag = style?.tag ?? (list === undefined ? 'TX' : 'LI');
    const align = alignOf(properties, direction);
    const touches: ParagraphTouches = {
      ...(begins && !builder.isEmpty ? { breakBefore: true } : {}),
      ...directionTouch(direction, builder.words),
      ...(align !== undefined && tag === 'TX' ? { align } : {}),
    };
    if (style !== undefined) incoming.styleLook(style.name, style.look);
    const facts = {
      ...(Object.keys(touches).length > 0 ? { touches } : {}),
      ...(list === undefined || style?.level ? {} : { list }),
    };
    const built = incoming.paragraph(builder, style?.name ?? 'Normal', tag, facts, ownTag(id) !== undefined);
    if (facts.list !== undefined) this.numberItem(built, properties, style);
    if (begins && builder.isEmpty) this.breaksNext = true;
    if (style?.level) incoming.heading(style.level, built);
    const isBreak = isBreakMark(built.text) && built.style === 'TX';
    const { touches: _, ...plain } = built;
    const own: Block[] = isBreak ? [{ ...plain, style: 'SBO' }] : incoming.partedAt(built, ends);
    return [...own, ...this.takeBoxes()];
  }

  private takeBoxes(): Block[] {
    const boxes = this.boxes;
    this.boxes = [];
    if (boxes.length === 0) return [];
    if (this.depth >= DEEPEST) return boxes.flatMap((box) => this.flatWords(box));
    this.depth += 1;
    const blocks = boxes.flatMap((box) => elements(box).flatMap((child) => this.readBlock(child)));
    this.depth -= 1;
    return blocks;
  }

  private readList(properties: XmlElement | undefined, ofStyle: Paragraph['list']): Paragraph['list'] {
    const numbering = maybeChild(properties, 'w:numPr');
    if (numbering === undefined) return ofStyle;
    const number = maybeChild(numbering, 'w:numId')?.attributes['w:val'];
    const level = Number(maybeChild(numbering, 'w:ilvl')?.attributes['w:val'] ?? 0);
    if (number === undefined || number === '0') return undefined;
    return { level: Math.max(0, level || 0), ordered: this.parts.isOrdered(number, level) };
  }

  private numberItem(built: Paragraph, properties: XmlElement | undefined, style: DocxStyle | undefined): void {
    const numbering = maybeChild(properties, 'w:numPr');
    const number = maybeChild(numbering, 'w:numId')?.attributes['w:val'] ?? style?.numbering;
    if (number !== undefined && built.list !== undefined)
      this.incoming.numberItem(built, this.parts.countItem(number, built.list.level));
  }

  private inContentsField(): boolean {
    return this.fields.some((field) => /^\s*TOC\b/.test(field.code));
  }

  private readInline(parent: XmlElement, builder: ParagraphBuilder, link: SpanLook, depth = 0): void {
    if (depth >= DEEPEST) {
      for (const run of outermost(parent, RUN)) this.readRun(run, builder, link);
      return;
    }
    for (const child of elements(parent)) {
      if (child.name === 'w:r') this.readRun(child, builder, link);
      else if (isBookmark(child)) this.bookmarks.read(child, builder);
      else if (TRANSPARENT.has(child.name)) {
        const code = child.name === 'w:fldSimple' ? (child.attributes['w:instr'] ?? '') : '';
        if (this.bookmarks.addMark(code, builder)) continue;
        if (child.name === 'w:ins') this.incoming.remark('Insertions taken as accepted', TRACKED_WHY);
        this.readInline(child, builder, this.linkOf(child) ?? link, depth + 1);
      } else if (child.name === 'mc:AlternateContent') this.readDrawn(child, builder);
      else this.tellSkipped(child);
    }
  }

  /** What is not read and has words is told, so that nobody looks for them in vain. */
  private tellSkipped(element: XmlElement): void {
    if (textOf(element).trim() === '') return;
    if (element.name === 'w:del' || element.name === 'w:moveFrom')
      return this.incoming.remark('Deletions taken as accepted', TRACKED_WHY);
    if (element.name.startsWith('m:')) this.incoming.remark('Equations left out', 'There is no way to set them yet.');
    else
      this.incoming.remark(`Text inside “${element.name}” left out`, 'It is no part of a paragraph that can be read.');
  }

  /** The words under a ruby annotation; the annotation itself has no place in the copy. */
  private readRuby(ruby: XmlElement, link: SpanLook, builder: ParagraphBuilder): void {
    const base = maybeChild(ruby, 'w:rubyBase');
    if (base !== undefined) this.readInline(base, builder, link);
    this.incoming.remark('Ruby annotations left out', 'The words under them are kept.');
  }

  /** Where an element around runs leads; undefined where it is no link. */
  private linkOf({ name, attributes }: XmlElement): SpanLook | undefined {
    if (name !== 'w:hyperlink' && name !== 'w:fldSimple') return undefined;
    const { 'r:id': id, 'w:anchor': anchor, 'w:instr': code = '' } = attributes;
    const target = id === undefined ? undefined : this.parts.target(this.part, id);
    const link = target ?? (anchor === undefined ? linkOfField(code) : `#${anchor}`);
    return link === undefined ? undefined : { link };
  }

  private readRun(run: XmlElement, builder: ParagraphBuilder, link: SpanLook): void {
    const properties = maybeChild(run, 'w:rPr');
    if (toggle(properties, 'w:vanish') === true) {
      if (textOf(run) !== '') this.incoming.remark('Hidden text left out', 'The file itself does not show it.');
      return;
    }
    const ofField = this.links[this.links.length - 1];
    const inside = ofField === undefined || ofField === '' ? link : { link: ofField };
    const look = { ...readLook(properties, this.styles), ...inside };
    for (const child of elements(run)) this.readRunPart(child, look, builder, properties);
  }

  private readRunPart(part: XmlElement, look: SpanLook, builder: ParagraphBuilder, run: XmlElement | undefined): void {
    const { incoming } = this;
    const field = this.fields[this.fields.length - 1];
    if (part.name === 'w:fldChar') return this.stepField(part.attributes['w:fldCharType'], builder);
    if (part.name === 'w:instrText') {
      if (field) field.code += textOf(part);
      return;
    }
    // What a field inside the code of another comes to is part of that code.
    if (this.fields.some(({ inCode }) => inCode)) return;
    switch (part.name) {
      case 'w:t':
        return this.directions.add(builder, this.withoutMark(textOf(part).replace(/[\r\n]+/g, ' ')), look, run);
      case 'w:tab':
        return builder.addObject({ kind: 'tab' });
      case 'w:br':
      case 'w:cr':
        return this.readBreak(part.attributes['w:type'], builder);
      case 'w:noBreakHyphen':
        return builder.add('\u2011', look);
      case 'w:softHyphen':
        return builder.add('\u00AD', look);
      case 'w:footnoteReference':
      case 'w:endnoteReference':
        return this.addNote(part, builder);
      case 'w:drawing':
      case 'w:pict':
      case 'w:object':
      case 'mc:AlternateContent':
        return this.readDrawn(part, builder);
      case 'w:sym':
        if (this.unmarked !== null) return this.markBySymbol(part.attributes['w:char']);
        return incoming.remark('Symbols of a symbol font left out', 'They are no characters of the text.');
      case 'w:ruby':
        return this.readRuby(part, look.link === undefined ? {} : { link: look.link }, builder);
      case 'w:commentReference':
        return this.readComment(part.attributes['w:id'] ?? '');
      default:
    }
  }

  /** The sign of a note that has one of its own stands after its reference; what is left of the text. */
  private withoutMark(text: string): string {
    if (this.unmarked === null) return text;
    const mark = LEADING_MARK.exec(text)?.[0] ?? '';
    if (mark !== '') this.incoming.markNote(this.unmarked, mark);
    this.unmarked = null;
    return text.slice(mark.length);
  }

  private readComment(id: string): void {
    const { who, text } = this.parts.comment(id);
    this.incoming.comment(who, text);
  }

  private readBreak(type: string | undefined, builder: ParagraphBuilder): void {
    if (type === undefined || type === 'textWrapping') return builder.addObject({ kind: 'break' });
    this.incoming.pageBreaks += 1;
    this.pageEnds.push(builder.length);
  }

  /** Pictures and text boxes; of two ways to draw the same thing the first. */
  private readDrawn(part: XmlElement, builder: ParagraphBuilder): void {
    const drawn = part.name === 'mc:AlternateContent' ? alternative(part) : part;
    if (drawn === undefined) return;
    const boxes = outermost(drawn, BOX);
    if (boxes.length > 0) {
      append(this.boxes, boxes);
      this.incoming.remark('Text boxes read after their paragraph', 'Boxes have no place of their own in the copy.');
      return;
    }
    const image = readPicture(drawn, this.parts, this.part);
    if (image === null) {
      this.incoming.remark('Drawings left out', 'They are no pictures that a file of their own holds.');
      return;
    }
    builder.addObject(this.incoming.picture(image.bytes, image.facts, image.shown));
  }

  private addNote(part: XmlElement, builder: ParagraphBuilder): void {
    const kind = part.name === 'w:footnoteReference' ? 'footnote' : 'endnote';
    const id = this.incoming.note(kind);
    if (isOn(part.attributes['w:customMarkFollows'])) this.unmarked = id;
    this.references.push({ kind, number: part.attributes['w:id'], id });
    builder.addObject({ kind: 'note', note: id });
  }

  private stepField(type: string | undefined, builder: ParagraphBuilder): void {
    const field = this.fields[this.fields.length - 1];
    if (type === 'begin') {
      this.fields.push({ inCode: true, code: '' });
      this.links.push('');
    } else if (type === 'separate' && field !== undefined) {
      field.inCode = false;
      const target = linkOfField(field.code);
      if (target !== undefined) this.links[this.links.length - 1] = target;
    } else if (type === 'end') {
      this.bookmarks.addMark(field?.code ?? '', builder);
      this.fields.pop();
      this.links.pop();
    }
  }
}

const CONTENTS_WHY = 'Ours is made from the headings, and always true.';
const TRACKED_WHY = 'Tracked changes are read as their author left them.';

/** A sign of a note, of at most so many characters: what follows white space is text. */
const LEADING_MARK = /^\S{1,4}/;
const isOn = (value: string | undefined) => value !== undefined && !/^(?:0|false|off)$/.test(value);

const DEEP_WHY = 'Their words are kept; no word processor nests so deep.';
const PARAGRAPH = new Set(['w:p']);
const RUN = new Set(['w:r']);
const BOX = new Set(['w:txbxContent']);
