// Reads an OpenDocument text (.odt; ODF 1.3): main text, styles, notes, tables, lists, metadata.
import type { IncomingRow } from '../incomingTable';
import { append } from '../../base/append';
import { ImportError } from '../../base/errors';
import { DEEPEST, DEEPEST_TABLES } from '../../base/limits';
import { elements, maybeChild, outermost, parseXml, textOf, type XmlElement } from '../../base/xml';
import { unpack } from '../../base/zip';
import type { Manuscript } from '../../model/copy/manuscript';
import { directionTouch } from '../../copy/direction';
import type { Block, Paragraph, ParagraphTouches } from '../../model/copy/streams';
import { isBreakMark } from '../../copy/headings';
import { Incoming } from '../incoming';
import { ParagraphBuilder, type SpanLook } from '../paragraphBuilder';
import { ListCounter } from '../listNumbers';
import { pointsOf } from '../localLooks';
import { isPlainName, tagOfLevel } from '../styleTags';
import { OdtStyles } from './styles';

const WANTED = /^(content|styles|meta)\.xml$|^META-INF\/manifest\.xml$|^Pictures\/[^/]+$/;
/** What is said of a document whose text only its owner can read. */
export const PROTECTED =
  'is protected by a password. Take it off in the program that wrote the file, and save it again.';
const BLOCKS_PER_STEP = 100;

export function* readOdt(bytes: Uint8Array): Generator<void, Manuscript> {
  const members = unpack(bytes, (name) => WANTED.test(name));
  const part = (name: string) => members[name] && parseXml(new TextDecoder('utf-8').decode(members[name]), name);
  const manifest = members['META-INF/manifest.xml'];
  if (manifest !== undefined && new TextDecoder('utf-8').decode(manifest).includes('encryption-data'))
    throw new ImportError('not-a-document', `This file ${PROTECTED}`);
  const content = part('content.xml');
  const body = maybeChild(maybeChild(content, 'office:body'), 'office:text');
  if (content === undefined || body === undefined)
    throw new ImportError('not-a-document', 'This is a zip file, but there is no OpenDocument text in it.');
  yield;
  const incoming = new Incoming();
  const reader = new OdtReader(incoming, new OdtStyles(part('styles.xml'), content), members);
  const blocks: Block[] = [];
  for (const [index, child] of elements(body).entries()) {
    if (index % BLOCKS_PER_STEP === 0) yield;
    append(blocks, reader.readBlock(child));
  }
  const meta = maybeChild(part('meta.xml'), 'office:meta');
  const value = (...names: string[]) => {
    for (const name of names) {
      const found = maybeChild(meta, name);
      if (found !== undefined && textOf(found).trim() !== '') return textOf(found).trim();
    }
    return undefined;
  };
  return incoming.finish(blocks, {
    title: value('dc:title'),
    author: value('meta:initial-creator', 'dc:creator'),
    language: value('dc:language'),
  });
}

/** Elements whose children stand in their place. */
const TRANSPARENT = new Set([
  'text:section',
  'text:numbered-paragraph',
  'text:list-header',
  'text:ruby',
  'text:ruby-base',
  'text:meta',
  'text:bookmark-ref',
  'text:reference-ref',
  // The entries of a bibliography were typed, or came from elsewhere: nothing of ours makes them.
  'text:bibliography',
  'text:index-body',
  'text:index-title',
]);
const CONTENTS = new Set([
  'text:table-of-content',
  'text:alphabetical-index',
  'text:illustration-index',
  'text:table-index',
  'text:user-index',
]);

class OdtReader {
  private boxes: XmlElement[] = [];
  /** Containers, and tables, that the reader stands in. */
  private depth = 0;
  private tables = 0;
  /** The list that is counted, and how many there were; by id, and by style the last. */
  private readonly counter = new ListCounter();
  private list = '';
  private lists = 0;
  private readonly listOfId = new Map<string, string>();
  private readonly lastOfStyle = new Map<string, string>();
  /** The number of the item whose first words come next. */
  private itemNumber: number | null = null;

  constructor(
    private readonly incoming: Incoming,
    private readonly styles: OdtStyles,
    private readonly members: Readonly<Record<string, Uint8Array>>,
  ) {}

  readBlock(element: XmlElement, list?: Paragraph['list'], listStyle?: string): Block[] {
    const isTable = element.name === 'table:table';
    if (this.depth >= DEEPEST || (isTable && this.tables >= DEEPEST_TABLES)) return this.readFlat(element, list);
    this.depth += 1;
    const blocks = this.blocksOf(element, list, listStyle);
    this.depth -= 1;
    return blocks;
  }

  /** The paragraphs of what is nested too deep, as their words. */
  private readFlat(element: XmlElement, list: Paragraph['list']): Block[] {
    const what = element.name === 'table:table' ? 'Tables' : 'Containers';
    this.incoming.remark(
      `${what} nested too deep read as text`,
      'Their words are kept; no word processor nests so deep.',
    );
    const paragraphs = PARAGRAPHS.has(element.name) ? [element] : outermost(element, PARAGRAPHS);
    return paragraphs.flatMap((paragraph) => this.readParagraph(paragraph, list));
  }

  private blocksOf(element: XmlElement, list?: Paragraph['list'], listStyle?: string): Block[] {
    const { name, attributes } = element;
    if (name === 'text:p' || name === 'text:h') return this.readParagraph(element, list);
    if (name === 'table:table') return [this.readTable(element)];
    if (name === 'text:list') return this.readList(element, list, listStyle);
    if (name === 'text:section' && attributes['text:display'] === 'none') {
      this.incoming.remark('Sections that are not displayed left out', 'The file itself does not show them.');
      return [];
    }
    if (CONTENTS.has(name)) {
      this.incoming.remark('Contents list or index left out', 'Ours is made from the copy, and always true.');
      return [];
    }
    if (name === 'text:tracked-changes') {
      const deleted = elements(element).filter((region) => maybeChild(region, 'text:deletion') !== undefined).length;
      const inserted = elements(element).filter((region) => maybeChild(region, 'text:insertion') !== undefined).length;
      if (deleted > 0) this.incoming.remark('Deletions taken as accepted', TRACKED_WHY, deleted);
      if (inserted > 0) this.incoming.remark('Insertions taken as accepted', TRACKED_WHY, inserted);
      return [];
    }
    if (name === 'draw:frame') {
      const builder = new ParagraphBuilder();
      this.readFrame(element, builder);
      const own = builder.isEmpty ? [] : [this.incoming.paragraph(builder, 'Picture', 'TX')];
      return [...own, ...this.takeBoxes()];
    }
    return TRANSPARENT.has(name) ? elements(element).flatMap((child) => this.readBlock(child, list, listStyle)) : [];
  }

  private readList(element: XmlElement, outer: Paragraph['list'], outerStyle: string | undefined): Block[] {
    const { attributes } = element;
    const style = attributes['text:style-name'] ?? outerStyle;
    const level = outer === undefined ? 0 : outer.level + 1;
    const own = { level, ordered: this.styles.isOrdered(style, level) };
    if (outer === undefined) this.beginList(attributes, style);
    return elements(element).flatMap((item) => {
      // A header of a list has no number (ODF 1.3, 5.3.4).
      if (own.ordered && item.name === 'text:list-item') {
        const start = Number(item.attributes['text:start-value'] ?? Number.NaN);
        const restart = Number.isInteger(start) ? start : undefined;
        this.itemNumber = this.counter.next(this.list, level, this.styles.firstOf(style, level), restart);
      }
      // Only the first paragraph of an item has the mark of the list.
      const first = elements(item).findIndex(({ name }) => name === 'text:p' || name === 'text:h');
      return elements(item).flatMap((child, k) =>
        this.readBlock(child, k > first && child.name === 'text:p' ? undefined : own, style),
      );
    });
  }

  /** A list counts anew, unless it says that it goes on: from the one before of its style, or from one by its id. */
  private beginList(attributes: XmlElement['attributes'], style: string | undefined): void {
    const before = attributes['text:continue-list'];
    const goesOn = attributes['text:continue-numbering'] === 'true' && this.lastOfStyle.has(style ?? '');
    this.list =
      (before === undefined ? undefined : this.listOfId.get(before)) ??
      (goesOn ? this.lastOfStyle.get(style ?? '')! : `list ${(this.lists += 1)}`);
    const id = attributes['xml:id'] ?? attributes['text:id'];
    if (id) this.listOfId.set(id, this.list);
    this.lastOfStyle.set(style ?? '', this.list);
  }

  private readParagraph(element: XmlElement, list: Paragraph['list']): Block[] {
    const { incoming } = this;
    const style = this.styles.get('paragraph', element.attributes['text:style-name']);
    const level = element.name === 'text:h' ? Number(element.attributes['text:outline-level'] ?? 1) || 1 : undefined;
    const named = style.name || (level === undefined ? 'Standard' : `Heading ${level}`);
    const builder = new ParagraphBuilder();
    this.readInline(element, builder, {});
    const tag =
      level === undefined ? (style.tag ?? (list === undefined ? 'TX' : 'LI')) : (style.tag ?? tagOfLevel(level));
    if (style.tag === undefined && level === undefined && !isPlainName(named)) incoming.leaveUnmatched(named);
    if (style.breakBefore) incoming.pageBreaks += 1;
    const touches: ParagraphTouches = {
      ...(style.breakBefore && !builder.isEmpty ? { breakBefore: true } : {}),
      ...directionTouch(style.direction, builder.words),
      ...(style.align !== undefined && tag === 'TX' ? { align: style.align } : {}),
    };
    incoming.styleLook(named, style.own);
    const built = incoming.paragraph(builder, named, tag, {
      ...(Object.keys(touches).length > 0 ? { touches } : {}),
      ...(list === undefined ? {} : { list }),
    });
    if (this.itemNumber !== null && built.list?.ordered) incoming.numberItem(built, this.itemNumber);
    this.itemNumber = null;
    if (level !== undefined) incoming.heading(level, built);
    if (level !== undefined) incoming.alsoNamed(built.id, built.text.trim());
    const { touches: _, ...plain } = built;
    const isBreak = isBreakMark(built.text) && built.style === 'TX';
    return [isBreak ? { ...plain, style: 'SBO' } : built, ...this.takeBoxes()];
  }

  private readTable(table: XmlElement): Block {
    this.tables += 1;
    const heads = new Set(outermost(table, HEAD_ROWS).flatMap((group) => outermost(group, ROW)));
    const rows = outermost(table, ROW).map((row): IncomingRow => ({
      kind: heads.size === 0 ? undefined : heads.has(row) ? 'head' : 'body',
      // Cells that another covers are there, and empty.
      cells: elements(row)
        .filter((cell) => cell.name === 'table:table-cell')
        .map((cell) => ({
          blocks: elements(cell).flatMap((child) => this.readBlock(child)),
          across: Number(cell.attributes['table:number-columns-spanned'] ?? 1),
          down: Number(cell.attributes['table:number-rows-spanned'] ?? 1),
        })),
    }));
    this.tables -= 1;
    return this.incoming.table(rows);
  }

  private takeBoxes(): Block[] {
    const boxes = this.boxes;
    this.boxes = [];
    return boxes.flatMap((box) => elements(box).flatMap((child) => this.readBlock(child)));
  }

  /** White space is one space, as in the format itself (6.1.2); other spaces have elements of their own. */
  private readInline(parent: XmlElement, builder: ParagraphBuilder, look: SpanLook): void {
    if (this.depth >= DEEPEST + DEEPEST) return builder.add(textOf(parent).replace(/[ \t\n\r]+/g, ' '), look);
    this.depth += 1;
    for (const child of parent.children) {
      if (typeof child === 'string') {
        const words = child.replace(/[ \t\n\r]+/g, ' ');
        builder.add(builder.isEmpty || builder.endsInSpace ? words.replace(/^ /, '') : words, look);
      } else this.readPart(child, builder, look);
    }
    this.depth -= 1;
  }

  private readPart(part: XmlElement, builder: ParagraphBuilder, look: SpanLook): void {
    const { attributes } = part;
    switch (part.name) {
      case 'text:span':
        return this.readInline(
          part,
          builder,
          joined(look, this.styles.get('text', attributes['text:style-name']).look),
        );
      case 'text:bookmark':
      case 'text:bookmark-start':
      case 'text:reference-mark':
      case 'text:reference-mark-start':
        return this.incoming.name(attributes['text:name']);
      case 'text:a':
        return this.readInline(
          part,
          builder,
          attributes['xlink:href'] ? { ...look, link: withoutOutline(attributes['xlink:href']) } : look,
        );
      case 'text:s':
        return builder.add(' '.repeat(Math.max(0, Math.min(200, Number(attributes['text:c'] ?? 1) || 1))), look);
      case 'text:tab':
        return builder.addObject({ kind: 'tab' });
      case 'text:line-break':
        return builder.addObject({ kind: 'break' });
      case 'text:note':
        return this.readNote(part, builder);
      case 'draw:frame':
        return this.readFrame(part, builder);
      case 'office:annotation':
        return this.readComment(part);
      case 'draw:custom-shape':
      case 'draw:rect':
      case 'draw:ellipse':
      case 'draw:circle':
      case 'draw:polygon':
      case 'draw:path':
      case 'draw:line':
      case 'draw:caption':
      case 'draw:regular-polygon':
        return this.readShape(part);
      case 'draw:g':
        for (const child of elements(part)) this.readPart(child, builder, look);
        return;
      case 'svg:title':
      case 'svg:desc':
      case 'office:annotation-end':
      case 'text:ruby-text':
      case 'text:soft-page-break':
        return;
      default:
        return this.readInline(part, builder, look);
    }
  }

  private readComment(part: XmlElement): void {
    const who = maybeChild(part, 'dc:creator');
    const paragraphs = elements(part).filter((child) => /^text:(p|list)$/.test(child.name));
    this.incoming.comment(who === undefined ? '' : textOf(who), paragraphs.map(textOf).join(' '));
  }

  private readNote(part: XmlElement, builder: ParagraphBuilder): void {
    const kind = part.attributes['text:note-class'] === 'endnote' ? 'endnote' : 'footnote';
    const note = this.incoming.note(kind);
    const mark = maybeChild(part, 'text:note-citation')?.attributes['text:label']?.trim();
    if (mark) this.incoming.markNote(note, mark);
    const body = maybeChild(part, 'text:note-body');
    const boxes = this.boxes;
    this.boxes = [];
    const blocks = body === undefined ? [] : elements(body).flatMap((child) => this.readBlock(child));
    this.boxes = boxes;
    this.incoming.notes[note] = {
      ...this.incoming.notes[note],
      kind,
      blocks: blocks.map((block) => (block.kind === 'paragraph' ? { ...block, style: 'NT' } : block)),
    };
    builder.addObject({ kind: 'note', note });
  }

  /** The paragraphs in a shape are read like those of a box; what names it is no text. */
  private readShape(shape: XmlElement): void {
    if (!elements(shape).some(({ name }) => PARAGRAPHS.has(name) || name === 'text:list')) return;
    this.boxes.push({
      ...shape,
      children: shape.children.filter((child) => typeof child !== 'string' && /^text:/.test(child.name)),
    });
    this.incoming.remark('Text boxes read after their paragraph', 'Boxes have no place of their own in the copy.');
  }

  private readFrame(frame: XmlElement, builder: ParagraphBuilder): void {
    const box = maybeChild(frame, 'draw:text-box');
    if (box !== undefined) {
      this.boxes.push(box);
      return this.incoming.remark(
        'Text boxes read after their paragraph',
        'Boxes have no place of their own in the copy.',
      );
    }
    const image = maybeChild(frame, 'draw:image');
    if (image === undefined)
      return this.incoming.remark('Drawings left out', 'They are no pictures that a file of their own holds.');
    const path = image.attributes['xlink:href'] ?? '';
    const words = (name: string) => {
      const found = maybeChild(frame, name);
      return found === undefined ? '' : textOf(found).trim();
    };
    const points = (name: string) => pointsOf(frame.attributes[name]) ?? 0;
    const facts = {
      name: path.split('/').pop() ?? '',
      width: 0,
      height: 0,
      alt: words('svg:desc') || words('svg:title'),
    };
    const shown = { width: points('svg:width'), height: points('svg:height') };
    builder.addObject(this.incoming.picture(this.members[path.replace(/^\.\//, '')], facts, shown));
  }
}

const PARAGRAPHS = new Set(['text:p', 'text:h']);
const ROW = new Set(['table:table-row']);
const HEAD_ROWS = new Set(['table:table-header-rows']);
const TRACKED_WHY = 'Tracked changes are read as their author left them.';

function joined(a: SpanLook, b: SpanLook): SpanLook {
  const touches = { ...a.touches, ...b.touches };
  return { ...a, ...b, ...(Object.keys(touches).length > 0 ? { touches } : {}) };
}

/** A link to a heading says its words behind its number: `#1.2.Mud|outline`. */
const withoutOutline = (link: string): string => link.replace(/^#(?:\d+\.)*(.*)\|outline$/s, '#$1');
