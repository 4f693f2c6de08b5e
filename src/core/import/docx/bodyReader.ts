// Reads the blocks of a WordprocessingML part: paragraphs, runs and what stands inside them.
import { elements, maybeChild, textOf, type XmlElement } from '../../base/xml';
import type { ImportRemark } from '../../model/manuscript';
import type { Block, Paragraph } from '../../model/streams';
import { isBreakMark } from '../headings';
import { cutParagraph, ParagraphBuilder, type IdCounter, type SpanLook } from '../paragraphBuilder';
import { CONTENTS_TAG, toggle, type IncomingStyles } from './styleNames';

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

/** Runs that stand inside these are read as if they stood in the paragraph itself. */
const TRANSPARENT = new Set([
  'w:hyperlink',
  'w:smartTag',
  'w:ins',
  'w:moveTo',
  'w:fldSimple',
  'w:sdt',
  'w:sdtContent',
  'w:bdo',
  'w:dir',
  'w:customXml',
]);

export class BodyReader {
  readonly references: NoteReference[] = [];
  private readonly counts = new Map<string, number>();
  private readonly fields: FieldState[] = [];

  constructor(
    private readonly styles: IncomingStyles,
    private readonly ids: IdCounter,
  ) {}

  remark(what: string): void {
    this.counts.set(what, (this.counts.get(what) ?? 0) + 1);
  }

  remarks(): ImportRemark[] {
    return [...this.counts].map(([what, count]) => ({ what, count }));
  }

  /** The blocks that a child of the body gives: none for what is left out, one or more otherwise. */
  readBlock(element: XmlElement): Block[] {
    if (element.name === 'w:p') return this.readParagraph(element);
    if (element.name === 'w:tbl') return this.readTable(element);
    if (TRANSPARENT.has(element.name)) {
      if (element.name === 'w:sdt' && isContentsControl(element)) {
        this.remark('Contents list left out: ours is made from the headings');
        return [];
      }
      return elements(element).flatMap((child) => this.readBlock(child));
    }
    return [];
  }

  /** A note's paragraphs, its own mark and the space after it left out. */
  readNote(note: XmlElement): Block[] {
    const blocks = elements(note).flatMap((child) => this.readBlock(child));
    return blocks.map((block) => (block.kind === 'paragraph' ? { ...trimStart(block), style: 'NT' } : block));
  }

  private readTable(table: XmlElement): Block[] {
    this.remark('Tables set as plain paragraphs');
    const cells = elements(table)
      .filter((row) => row.name === 'w:tr')
      .flatMap((row) => elements(row).filter((cell) => cell.name === 'w:tc'));
    return cells.flatMap((cell) => elements(cell).flatMap((child) => this.readBlock(child)));
  }

  private readParagraph(element: XmlElement): Block[] {
    const properties = maybeChild(element, 'w:pPr');
    const style = this.styles.byId.get(maybeChild(properties, 'w:pStyle')?.attributes['w:val'] ?? '');
    const builder = new ParagraphBuilder();
    const wasInContents = this.inContentsField();
    this.readInline(element, builder);
    if (style?.tag === CONTENTS_TAG || (wasInContents && this.inContentsField())) {
      this.remark('Lines of a contents list left out: ours is made from the headings');
      return [];
    }
    if (style !== undefined && style.tag === undefined && !/^(normal|body text.*|standard)$/i.test(style.name)) {
      this.remark(`Paragraphs of style “${style.name}” read as text`);
    }
    const numbered = maybeChild(properties, 'w:numPr') !== undefined;
    const built = builder.build(this.ids.take('p'), style?.tag ?? (numbered ? 'LI' : 'TX'));
    return [isBreakMark(built.text) && built.style === 'TX' ? { ...built, style: 'SBO' } : built];
  }

  private inContentsField(): boolean {
    return this.fields.some((field) => /^\s*TOC\b/.test(field.code));
  }

  private readInline(parent: XmlElement, builder: ParagraphBuilder): void {
    for (const child of elements(parent)) {
      if (child.name === 'w:r') this.readRun(child, builder);
      else if (TRANSPARENT.has(child.name)) this.readInline(child, builder);
      else if (child.name === 'w:del' || child.name === 'w:moveFrom') this.remark('Deletions taken as accepted');
    }
  }

  private readRun(run: XmlElement, builder: ParagraphBuilder): void {
    const look = this.readLook(maybeChild(run, 'w:rPr'));
    for (const child of elements(run)) this.readRunPart(child, look, builder);
  }

  private readRunPart(part: XmlElement, look: SpanLook, builder: ParagraphBuilder): void {
    const field = this.fields[this.fields.length - 1];
    if (part.name === 'w:fldChar') return this.stepField(part.attributes['w:fldCharType']);
    if (part.name === 'w:instrText') {
      if (field) field.code += textOf(part);
      return;
    }
    if (field?.inCode) return;
    switch (part.name) {
      case 'w:t':
        return builder.add(textOf(part).replace(/[\r\n]+/g, ' '), look);
      case 'w:tab':
        return builder.addObject({ kind: 'tab' });
      case 'w:br':
      case 'w:cr':
        if (part.attributes['w:type'] === undefined || part.attributes['w:type'] === 'textWrapping') {
          return builder.addObject({ kind: 'break' });
        }
        return this.remark('Page and column breaks left out');
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
        return this.remark('Pictures and boxes left out');
      case 'w:sym':
        return this.remark('Symbols of a symbol font left out');
      case 'mc:AlternateContent':
        return this.remark('Pictures and boxes left out');
      case 'w:commentReference':
        return this.remark('Comments left out');
      default:
    }
  }

  private addNote(part: XmlElement, builder: ParagraphBuilder): void {
    const kind = part.name === 'w:footnoteReference' ? 'footnote' : 'endnote';
    const id = this.ids.take('n');
    this.references.push({ kind, number: part.attributes['w:id'], id });
    builder.addObject({ kind: 'note', note: id });
  }

  private stepField(type: string | undefined): void {
    if (type === 'begin') this.fields.push({ inCode: true, code: '' });
    else if (type === 'separate' && this.fields.length > 0) this.fields[this.fields.length - 1].inCode = false;
    else if (type === 'end') this.fields.pop();
  }

  private readLook(properties: XmlElement | undefined): SpanLook {
    if (properties === undefined) return {};
    const style = this.styles.byId.get(maybeChild(properties, 'w:rStyle')?.attributes['w:val'] ?? '');
    const italic = toggle(properties, 'w:i');
    const bold = toggle(properties, 'w:b');
    const position = maybeChild(properties, 'w:vertAlign')?.attributes['w:val'];
    let tag: string | undefined;
    if (position === 'superscript') tag = 'sup';
    else if (position === 'subscript') tag = 'sub';
    else if (toggle(properties, 'w:smallCaps')) tag = 'sc';
    else if (style?.italic && italic !== false) tag = 'em';
    else if (style?.bold && bold !== false) tag = 'strong';
    const touches = {
      ...(italic && tag !== 'em' ? { italic } : {}),
      ...(bold && tag !== 'strong' ? { bold } : {}),
      ...(toggle(properties, 'w:u') ? { underline: true } : {}),
      ...(toggle(properties, 'w:strike') ? { strike: true } : {}),
    };
    return { ...(tag ? { style: tag } : {}), ...(Object.keys(touches).length > 0 ? { touches } : {}) };
  }
}

function isContentsControl(control: XmlElement): boolean {
  const gallery = maybeChild(maybeChild(maybeChild(control, 'w:sdtPr'), 'w:docPartObj'), 'w:docPartGallery');
  return gallery?.attributes['w:val'] === 'Table of Contents';
}

/** Without the white space at the start, which parts a note from its own mark. */
function trimStart(source: Paragraph): Paragraph {
  const lead = source.text.length - source.text.trimStart().length;
  return lead === 0 ? source : cutParagraph(source, lead, source.text.length);
}
