// The copy as a .docx (ECMA-376) for its author: with our styles under their names, so that what comes back is the same copy.
import { tableXml } from './docxTable';
import { plainBook } from '../../copy/figures/gatherFigures';
import { nameOfLink } from '../../copy/places';
import { SUBTITLE } from '../../copy/copyMarks';
import { fieldOfMark } from '../../copy/indexField';
import type { IndexMark } from '../../model/spec/indexSpec';
import { Bookmarks } from './bookmarks';
import { unreachable } from '../../base/errors';
import { escapeXml } from '../../base/xml';
import { itemsOf, readingTree, type ReadingBlock, type ReadingTable } from '../../copy/readingTree';
import type { FileJob } from '../../base/fileJob';
import { writeZip } from '../../base/zipWriter';
import type { Book } from '../../model/copy/book';
import type { ParagraphStyle } from '../../model/spec/spec';
import {
  PICTURE_KINDS,
  type Block,
  type Paragraph,
  type PictureFacts,
  type PictureKind,
  type Span,
} from '../../model/copy/streams';
import { authorOf, copyDivisions, headsOf, numberedNotes, referenceWords } from './copyOf';
import { shownSize } from '../../copy/pictureOf';
import { cleanDrawing, PictureFiles } from './pictureFiles';
import { piecesOf } from './pieces';
import { clean } from './clean';

/** Ids of our styles in the file begin so: the reader takes their tags from them. */
export const STYLE_ID = 'WalnutLeaf';

const W =
  'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"';
const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n';
const RELATION = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const CONTENT = 'application/vnd.openxmlformats-officedocument.wordprocessingml';

const PICTURE = 'http://schemas.openxmlformats.org/drawingml/2006/picture';
const DRAWING = `xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" xmlns:pic="${PICTURE}"`;
/** English Metric Units in a point. */
const EMU = 12700;
/** Kinds of pictures that the file may hold: all, as they came. */
const HELD: ReadonlySet<PictureKind> = new Set(PICTURE_KINDS);

/** Numberings of the file: 1 counts, 2 has bullets. */
const ORDERED = 1;
const BULLETS = 2;
/** Levels of a list are counted to this. */
const DEEPEST = 8;
/** Numberings of the lists of the copy, from this on. */
const FIRST_LIST = 3;

/** `there`: hashes of the pictures that can be had. */
export function* writeDocx(of: Book, there: ReadonlySet<string>): FileJob {
  const book = plainBook(of);
  const notes = numberedNotes(book);
  const files = new PictureFiles(there, HELD);
  const numberings = new Numberings();
  const numbers = new Map([...notes.keys()].map((id, index) => [id, index + 1]));
  const bookmarks = new Bookmarks(book);
  const text = new PartWriter(numberings, bookmarks, book, numbers, files);
  const body = copyDivisions(book)
    .map((division) => bookmarks.divisionStart(division) + (text.blocks(division.blocks) || '<w:p/>'))
    .join('');
  const noteParts = (['footnote', 'endnote'] as const).map((kind) => {
    const writer = new PartWriter(numberings, bookmarks, book, numbers, files);
    const own = [...notes].filter(([, one]) => one.kind === kind);
    const inner = own.map(([id, { note }]) => {
      const sign = note.mark === undefined ? `<w:${kind}Ref/>` : `<w:t>${escapeXml(clean(note.mark))}</w:t>`;
      const mark = `<w:r>${sign}</w:r><w:r><w:t xml:space="preserve"> </w:t></w:r>`;
      return `<w:${kind} w:id="${numbers.get(id)}">${writer.blocks(note.blocks, mark) || '<w:p/>'}</w:${kind}>`;
    });
    return { kind, writer, xml: `${HEAD}<w:${kind}s ${W}>${inner.join('')}</w:${kind}s>` };
  });
  const members: Record<string, string> = {
    '[Content_Types].xml': '',
    '_rels/.rels': `${HEAD}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="${RELATION}/officeDocument" Target="word/document.xml"/><Relationship Id="r2" Type="http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties" Target="docProps/core.xml"/><Relationship Id="r3" Type="${RELATION}/custom-properties" Target="docProps/custom.xml"/></Relationships>`,
    'docProps/core.xml': coreProperties(book),
    'docProps/custom.xml': customProperties(book, bookmarks),
    'word/document.xml': `${HEAD}<w:document ${W}><w:body>${body}<w:sectPr/></w:body></w:document>`,
    'word/styles.xml': stylesXml(book),
    'word/numbering.xml': numberings.xml,
    'word/_rels/document.xml.rels': relations([
      ...['styles', 'numbering', 'footnotes', 'endnotes'].map(
        (name) => `<Relationship Id="${name}" Type="${RELATION}/${name}" Target="${name}.xml"/>`,
      ),
      ...text.relations,
    ]),
  };
  for (const { kind, writer, xml } of noteParts) {
    members[`word/${kind}s.xml`] = xml;
    members[`word/_rels/${kind}s.xml.rels`] = relations(writer.relations);
  }
  members['[Content_Types].xml'] = contentTypes(files);
  const encoder = new TextEncoder();
  yield* writeZip([
    ...Object.entries(members).map(([name, xml]) => ({ name, content: encoder.encode(xml) })),
    ...files.files.map(({ name, asset, format }) => ({
      name: `word/media/${name}`,
      content: { asset, ...(format === 'svg' ? { convert: cleanDrawing } : {}) },
    })),
  ]);
}

/** Writes the blocks of one part, whose links have relations of their own. */
class PartWriter {
  readonly relations: string[] = [];
  /** The numbering of the list that is written; null before its first numbered item. */
  private list: number | null = null;
  /** Whether the last item of a level was numbered: one after a bullet begins at 1. */
  private kinds: boolean[] = [];
  /** Whether a bullet above a level has come since its last number. */
  private cut: boolean[] = [];

  constructor(
    private readonly numberings: Numberings,
    private readonly bookmarks: Bookmarks,
    private readonly book: Book,
    private readonly numbers: ReadonlyMap<string, number>,
    private readonly files: PictureFiles,
    private readonly heads = headsOf(book),
  ) {}

  /** `lead`: put before the words of the first paragraph. */
  blocks(blocks: readonly Block[], lead = ''): string {
    const { styles } = this.book.spec;
    return readingTree(blocks, styles)
      .map((block, index) => this.block(block, index === 0 ? lead : ''))
      .join('');
  }

  private block(block: ReadingBlock, lead: string): string {
    switch (block.kind) {
      case 'table':
        return this.table(block, lead);
      case 'list':
        this.list = null;
        this.kinds = [];
        this.cut = [];
        return this.paragraphs(itemsOf(block), lead);
      case 'figure':
        return this.paragraphs([block.paragraph, ...block.captions], lead);
      case 'head':
      case 'text':
      case 'break':
        return this.paragraph(block.paragraph, lead);
      default:
        return unreachable(block);
    }
  }

  private numbering({ level, ordered, start }: NonNullable<Paragraph['list']>): number {
    this.kinds.length = Math.min(this.kinds.length, level + 1);
    const isOther = this.kinds[level] === false || this.cut[level] === true;
    this.kinds[level] = ordered;
    // Numbers below a bullet begin again; a word processor does so only below a number.
    for (let deeper = level; deeper <= DEEPEST; deeper += 1) this.cut[deeper] = !ordered && deeper > level;
    if (!ordered) return BULLETS;
    if (this.list === null) this.list = this.numberings.forList(level, start ?? 1);
    else if (start !== undefined || isOther) this.list = this.numberings.forItem(level, start ?? 1);
    return this.list;
  }

  private paragraphs(paragraphs: readonly Paragraph[], lead: string): string {
    return paragraphs.map((paragraph, index) => this.paragraph(paragraph, index === 0 ? lead : '')).join('');
  }

  private table(table: ReadingTable, lead: string): string {
    const above = this.paragraphs(table.captions, lead);
    return above + tableXml(table, (blocks) => blocks.map((block) => this.block(block, '')).join(''));
  }

  private paragraph(paragraph: Paragraph, lead: string): string {
    const { style, touches, list } = paragraph;
    const isRtl = touches?.direction === 'rtl';
    // The sides of a paragraph from right to left are named by where its lines begin and end (17.3.1.13).
    const sides = isRtl ? { left: 'right', right: 'left' } : { left: 'left', right: 'right' };
    const align = { centre: 'center', ...sides, justify: 'both' }[touches?.align ?? 'left'];
    const properties = [
      `<w:pStyle w:val="${STYLE_ID}${escapeXml(style)}"/>`,
      touches?.breakBefore && touches.breakBefore !== 'column' ? '<w:pageBreakBefore/>' : '',
      list === undefined
        ? ''
        : `<w:numPr><w:ilvl w:val="${list.level}"/><w:numId w:val="${this.numbering(list)}"/></w:numPr>`,
      touches?.direction === undefined ? '' : `<w:bidi w:val="${isRtl ? 1 : 0}"/>`,
      touches?.align === undefined ? '' : `<w:jc w:val="${align}"/>`,
    ].join('');
    const runs = piecesOf(paragraph).map((piece) => {
      if (piece.kind === 'text')
        return this.run(`<w:t xml:space="preserve">${escapeXml(clean(piece.text))}</w:t>`, piece.span);
      const { object } = piece;
      if (object.kind === 'break') return this.run('<w:br/>', piece.span);
      if (object.kind === 'tab') return this.run('<w:tab/>', piece.span);
      if (object.kind === 'field') return '';
      if (object.kind === 'figure') return '';
      if (object.kind === 'index') return this.indexField(object);
      if (object.kind === 'reference')
        return this.run(
          `<w:t xml:space="preserve">${escapeXml(clean(referenceWords(object, this.heads)))}</w:t>`,
          piece.span,
        );
      if (object.kind === 'picture') return this.run(this.drawing(object), piece.span);
      const number = this.numbers.get(object.note);
      const { kind = 'footnote', mark } = this.book.notes[object.note] ?? {};
      if (number === undefined) return '';
      if (mark === undefined) return this.run(`<w:${kind}Reference w:id="${number}"/>`, undefined);
      const own = `<w:${kind}Reference w:customMarkFollows="1" w:id="${number}"/><w:t>${escapeXml(clean(mark))}</w:t>`;
      return this.run(own, undefined);
    });
    return `<w:p><w:pPr>${properties}</w:pPr>${this.bookmarks.marksOf(paragraph)}${lead}${runs.join('')}</w:p>`;
  }

  /** An index mark as a field (17.16.5.79), with the bookmark of its range. */
  private indexField(mark: IndexMark): string {
    const { xml, name } = this.bookmarks.range(mark);
    if (mark.range === 'to') return xml;
    const code = escapeXml(clean(fieldOfMark(mark, name)));
    const part = (type: string) => `<w:r><w:fldChar w:fldCharType="${type}"/></w:r>`;
    return `${xml}${part('begin')}<w:r><w:instrText xml:space="preserve">${code}</w:instrText></w:r>${part('end')}`;
  }

  /** A picture in the line (20.4.2.8); one whose bytes are not there is referred to by its name. */
  private drawing(picture: PictureFacts): string {
    const id = this.relations.length + 1;
    const file = this.files.take(picture);
    const [target, mode] =
      file === null ? [picture.name || 'picture', ' TargetMode="External"'] : [`media/${file}`, ''];
    this.relations.push(
      `<Relationship Id="l${id}" Type="${RELATION}/image" Target="${escapeXml(clean(target))}"${mode}/>`,
    );
    const { width, height } = shownSize(picture);
    const [cx, cy] = [Math.round(width * EMU), Math.round(height * EMU)];
    const name = escapeXml(clean(picture.name));
    const alt = escapeXml(clean(picture.alt));
    return `<w:drawing><wp:inline ${DRAWING}><wp:extent cx="${cx}" cy="${cy}"/><wp:docPr id="${id}" name="${name}" descr="${alt}"/><a:graphic><a:graphicData uri="${PICTURE}"><pic:pic><pic:nvPicPr><pic:cNvPr id="${id}" name="${name}"/><pic:cNvPicPr/></pic:nvPicPr><pic:blipFill><a:blip r:${file === null ? 'link' : 'embed'}="l${id}"/><a:stretch><a:fillRect/></a:stretch></pic:blipFill><pic:spPr><a:xfrm><a:off x="0" y="0"/><a:ext cx="${cx}" cy="${cy}"/></a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></pic:spPr></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing>`;
  }

  private run(inner: string, span: Span | undefined): string {
    if (span === undefined) return `<w:r>${inner}</w:r>`;
    const { style, touches = {}, language, link } = span;
    const toggle = (name: string, value: boolean | undefined) =>
      value === undefined ? '' : `<w:${name}${value ? '' : ' w:val="0"'}/>`;
    const properties = [
      style === undefined ? '' : `<w:rStyle w:val="${STYLE_ID}${escapeXml(style)}"/>`,
      toggle('b', touches.bold),
      toggle('i', touches.italic),
      toggle('strike', touches.strike),
      touches.underline === undefined ? '' : `<w:u w:val="${touches.underline ? 'single' : 'none'}"/>`,
      touches.face === undefined
        ? ''
        : `<w:rFonts w:ascii="${escapeXml(touches.face)}" w:hAnsi="${escapeXml(touches.face)}"/>`,
      touches.colour === undefined ? '' : `<w:color w:val="${touches.colour.slice(1)}"/>`,
      touches.size === undefined ? '' : `<w:sz w:val="${Math.round(touches.size * 2)}"/>`,
      language === undefined ? '' : `<w:lang w:val="${escapeXml(language)}"/>`,
    ].join('');
    const run = `<w:r>${properties === '' ? '' : `<w:rPr>${properties}</w:rPr>`}${inner}</w:r>`;
    if (link === undefined) return run;
    const name = nameOfLink(link);
    if (name !== undefined) return this.bookmarks.linkTo(name, run);
    const id = `l${this.relations.length + 1}`;
    this.relations.push(
      `<Relationship Id="${id}" Type="${RELATION}/hyperlink" Target="${escapeXml(clean(link))}" TargetMode="External"/>`,
    );
    return `<w:hyperlink r:id="${id}">${run}</w:hyperlink>`;
  }
}

function relations(entries: readonly string[]): string {
  return `${HEAD}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">${entries.join('')}</Relationships>`;
}

function stylesXml({ spec, particulars }: Book): string {
  const half = (points: number) => Math.round(points * 2);
  const level = ({ meaning = 'body' }: ParagraphStyle) =>
    meaning.startsWith('heading') ? Number(meaning.slice(7)) - 1 : null;
  const paragraphs = Object.entries(spec.styles).map(([tag, style]) => {
    const outline = level(style);
    const base = style.basedOn === undefined ? '' : `<w:basedOn w:val="${STYLE_ID}${escapeXml(style.basedOn)}"/>`;
    const shape = `${style.align === 'centre' ? '<w:jc w:val="center"/>' : ''}${outline === null ? '' : `<w:outlineLvl w:val="${outline}"/>`}`;
    const look = `${style.italic ? '<w:i/>' : ''}${style.caps === 'small' ? '<w:smallCaps/>' : ''}${style.size === undefined ? '' : `<w:sz w:val="${half(style.size)}"/>`}`;
    return `<w:style w:type="paragraph" w:styleId="${STYLE_ID}${escapeXml(tag)}"${tag === 'TX' ? ' w:default="1"' : ''}><w:name w:val="${escapeXml(style.name)}"/>${base}<w:qFormat/>${shape === '' ? '' : `<w:pPr>${shape}</w:pPr>`}${look === '' ? '' : `<w:rPr>${look}</w:rPr>`}</w:style>`;
  });
  const characters = Object.entries(spec.characterStyles).map(([tag, style]) => {
    const look = [
      style.italic === undefined ? '' : '<w:i/>',
      (style.weight ?? 400) >= 600 ? '<w:b/>' : '',
      style.caps === 'small' ? '<w:smallCaps/>' : '',
      style.position === undefined
        ? ''
        : `<w:vertAlign w:val="${style.position === 'superior' ? 'superscript' : 'subscript'}"/>`,
    ].join('');
    return `<w:style w:type="character" w:styleId="${STYLE_ID}${escapeXml(tag)}"><w:name w:val="${escapeXml(style.name)}"/>${look === '' ? '' : `<w:rPr>${look}</w:rPr>`}</w:style>`;
  });
  const defaults = `<w:docDefaults><w:rPrDefault><w:rPr><w:lang w:val="${escapeXml(particulars.language)}"/></w:rPr></w:rPrDefault></w:docDefaults>`;
  return `${HEAD}<w:styles ${W}>${defaults}${paragraphs.join('')}${characters.join('')}</w:styles>`;
}

/** Numberings of the lists of a document: each begins anew, and again where an item has a number of its own (17.9.15, 17.9.26). */
class Numberings {
  /** What levels begin with, by numbering. */
  private readonly begins: ReadonlyMap<number, number>[] = [];

  /** A numbering for a list, whose first item of a level has the number. */
  forList(level: number, start: number): number {
    return this.add(new Map(Array.from({ length: 9 }, (_, k) => [k, k === level ? start : 1])));
  }

  /** A numbering for the rest of a list, in which only this level begins anew. */
  forItem(level: number, start: number): number {
    return this.add(new Map([[level, start]]));
  }

  private add(begins: ReadonlyMap<number, number>): number {
    this.begins.push(begins);
    return FIRST_LIST + this.begins.length - 1;
  }

  get xml(): string {
    const levels = (format: string, text: (level: number) => string) =>
      Array.from(
        { length: 9 },
        (_, k) =>
          `<w:lvl w:ilvl="${k}"><w:start w:val="1"/><w:numFmt w:val="${format}"/><w:lvlText w:val="${text(k)}"/><w:pPr><w:ind w:left="${360 * (k + 1)}" w:hanging="360"/></w:pPr></w:lvl>`,
      ).join('');
    const list = (id: number, inner: string) => `<w:abstractNum w:abstractNumId="${id}">${inner}</w:abstractNum>`;
    const number = (id: number, source: number, inner = '') =>
      `<w:num w:numId="${id}"><w:abstractNumId w:val="${source}"/>${inner}</w:num>`;
    const lists = this.begins.map((begins, k) => {
      const overrides = [...begins].map(
        ([level, start]) => `<w:lvlOverride w:ilvl="${level}"><w:startOverride w:val="${start}"/></w:lvlOverride>`,
      );
      return number(FIRST_LIST + k, ORDERED, overrides.join(''));
    });
    return `${HEAD}<w:numbering ${W}>${list(
      ORDERED,
      levels('decimal', (level) => `%${level + 1}.`),
    )}${list(
      BULLETS,
      levels('bullet', () => '•'),
    )}${number(ORDERED, ORDERED)}${number(BULLETS, BULLETS)}${lists.join('')}</w:numbering>`;
  }
}

function coreProperties(book: Book): string {
  const { title, language } = book.particulars;
  return `${HEAD}<cp:coreProperties xmlns:cp="http://schemas.openxmlformats.org/package/2006/metadata/core-properties" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>${escapeXml(clean(title))}</dc:title><dc:creator>${escapeXml(clean(authorOf(book)))}</dc:creator><dc:language>${escapeXml(language)}</dc:language></cp:coreProperties>`;
}

/** The subtitle, and the names of sections by their bookmarks (ECMA-376-1, 22.3). */
function customProperties({ particulars: { subtitle } }: Book, { sectionNames }: Bookmarks): string {
  const all = [...(subtitle === '' ? [] : [[SUBTITLE, subtitle] as const]), ...sectionNames];
  const entries = all.map(
    ([name, value], k) =>
      `<property fmtid="{D5CDD505-2E9C-101B-9397-08002B2CF9AE}" pid="${k + 2}" name="${name}"><vt:lpwstr>${escapeXml(clean(value))}</vt:lpwstr></property>`,
  );
  return `${HEAD}<Properties xmlns="http://schemas.openxmlformats.org/officeDocument/2006/custom-properties" xmlns:vt="http://schemas.openxmlformats.org/officeDocument/2006/docPropsVTypes">${entries.join('')}</Properties>`;
}

function contentTypes({ files }: PictureFiles): string {
  const kinds = new Map(files.map(({ name, type }) => [name.split('.')[1], type]));
  const media = [...kinds].map(([extension, type]) => `<Default Extension="${extension}" ContentType="${type}"/>`);
  const part = (name: string, type: string) => `<Override PartName="/${name}" ContentType="${type}"/>`;
  const word = ['styles', 'numbering', 'footnotes', 'endnotes'].map((name) =>
    part(`word/${name}.xml`, `${CONTENT}.${name}+xml`),
  );
  return `${HEAD}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/>${media.join('')}${part('word/document.xml', `${CONTENT}.document.main+xml`)}${word.join('')}${part('docProps/core.xml', 'application/vnd.openxmlformats-package.core-properties+xml')}${part('docProps/custom.xml', 'application/vnd.openxmlformats-officedocument.custom-properties+xml')}</Types>`;
}
