// The reading tree as XHTML: elements by what blocks mean, each with its id, notes by their roles, nothing of the look but what has a
// meaning.
import { CREDIT_STYLE } from '../../copy/figures/gatherFigures';
import { escapeXml } from '../../base/xml';
import type { Book } from '../../model/copy/book';
import { unreachable } from '../../base/errors';
import { readingTree, type ReadingBlock, type ReadingList, type ReadingTable } from '../../copy/readingTree';
import { PLAIN_TEXT } from '../../copy/plainTags';
import type {
  Block,
  BlockId,
  FieldName,
  InlineObject,
  Paragraph,
  PictureFacts,
  Span,
  StyleTag,
} from '../../model/copy/streams';
import type { EbookSettings } from '../../model/products/ebook';
import { referenceWords, type HeadsOfCopy, type NumberedNote } from './copyOf';
import { nameOfLink } from '../../copy/places';
import { clean } from './clean';
import { paragraphMarks, pictureMark, tableMarks, typedMark, withLook, type TypedWords } from './ourMarks';
import { placeLink } from './placeLinks';
import { isBold, isItalic, piecesOf, type Piece } from './pieces';
import { tableXhtml } from './xhtmlTable';

export interface XhtmlContext {
  readonly book: Book;
  readonly notes: ReadonlyMap<string, NumberedNote>;
  /** Where a note stands, such as `#n1` or `notes.xhtml#n1`. */
  readonly hrefOf: (id: string) => string;
  readonly heads: HeadsOfCopy;
  /** Where a head stands that is referred to. */
  readonly headHref: (block: string) => string;
  /** Where a named place stands; null when there is none of the name. */
  readonly placeHref: (name: string) => string | null;
  /** Taken from the levels of headings: 0 where the division's title is the first of its file. */
  readonly deeper: number;
  /** Words of a field, filled from the particulars. */
  readonly fieldText: (paragraph: Paragraph, at: number) => string;
  /** Where the file of a picture is; null when it is not there. */
  readonly pictureHref: (picture: PictureFacts) => string | null;
  /** Of an ebook. */
  readonly ebook?: EbookText;
}

/** What an ebook has besides the words: how each paragraph is set, and the places that its lists lead to. */
export interface EbookText {
  /** The style by which a paragraph is set. */
  readonly tagOf: (paragraph: Paragraph) => StyleTag;
  /** Its words as they are set, and where an offset of the copy is in them. */
  readonly setWords: (paragraph: Paragraph) => {
    readonly paragraph: Paragraph;
    readonly offset: (at: number) => number;
    readonly typed: readonly TypedWords[];
  };
  /** How tables stand on narrow screens. */
  readonly tables: EbookSettings['tables'];
  /** Tells what was typed too, so that the file comes back as it was typed. */
  readonly tellsTyped: boolean;
  /** Elements that stand at offsets of a paragraph, rising. */
  readonly marksIn: (block: BlockId) => readonly { readonly at: number; readonly xhtml: string }[];
  /** Letters of the drop capital with which a paragraph begins; 0: none. */
  readonly initialOf: (block: BlockId) => number;
}

export const blocksXhtml = (blocks: readonly Block[], context: XhtmlContext): string =>
  treeXhtml(readingTree(blocks, context.book.spec.styles), context);

const treeXhtml = (tree: readonly ReadingBlock[], context: XhtmlContext): string =>
  tree.map((block) => blockXhtml(block, context)).join('\n');

/** The id by which a block's element is reached; apart from those of notes. */
export const elementId = (block: BlockId): string => `b-${block}`;

/** A direction that is said of a paragraph; that of its language needs no words. */
const directionIn = ({ touches }: Paragraph) => (touches?.direction === undefined ? '' : ` dir="${touches.direction}"`);

const SIDES = { left: 'left', right: 'right', centre: 'center', justify: 'justify' } as const;

/** What the element of a paragraph says besides its words; in an ebook with what only we read. `plain`: see paragraphMarks. */
function saidOf(paragraph: Paragraph, plain: StyleTag, { ebook }: XhtmlContext): string {
  if (ebook === undefined) return directionIn(paragraph);
  const { align } = paragraph.touches ?? {};
  const side = align === undefined ? '' : ` style="text-align: ${SIDES[align]}"`;
  const typed = ebook.tellsTyped ? typedMark(ebook.setWords(paragraph).typed) : '';
  return `${directionIn(paragraph)}${side}${paragraphMarks(paragraph, plain)}${typed}`;
}
const idOf = ({ id }: { readonly id: BlockId }) => ` id="${elementId(id)}"`;

function blockXhtml(block: ReadingBlock, context: XhtmlContext): string {
  switch (block.kind) {
    case 'table':
      return tableElement(block, context);
    case 'list':
      return listXhtml(block, context);
    case 'figure': {
      const { captions, paragraph } = block;
      return `<figure${idOf(block)}${saidOf(paragraph, PLAIN_TEXT, context)}>${inlineXhtml(paragraph, context)}${captionXhtml(captions, context)}</figure>`;
    }
    case 'head':
      return headXhtml(block, context);
    case 'break':
      return `<hr${idOf(block)}${breakMarks(block.paragraph, context)}/>`;
    case 'text': {
      const { meaning, paragraph } = block;
      const words = inlineXhtml(paragraph, context);
      if (words === '') return '';
      const name = classesOf(paragraph, context, meaning === 'verse' ? 'verse' : undefined);
      if (meaning === 'extract') {
        const said = saidOf(paragraph, 'EXT', context);
        return `<blockquote class="${name}"${idOf(block)}><p${said}>${words}</p></blockquote>`;
      }
      return `<p class="${name}"${idOf(block)}${saidOf(paragraph, PLAIN_TEXT, context)}>${words}</p>`;
    }
    default:
      return unreachable(block);
  }
}

/** A break: its words are never set. */
const breakMarks = (paragraph: Paragraph, context: XhtmlContext): string =>
  context.ebook === undefined
    ? ''
    : `${saidOf(paragraph, 'SBO', context)}${paragraph.text === '* * *' ? '' : ` data-words="${escapeXml(clean(paragraph.text))}"`}`;

/** The classes of a paragraph: its style, and in an ebook the one by which it is set. */
function classesOf(paragraph: Paragraph, { ebook }: XhtmlContext, first = className(paragraph.style)): string {
  const set = ebook === undefined ? first : className(ebook.tagOf(paragraph));
  return set === first ? first : `${first} ${set}`;
}

/** A table with its captions; one without rows is its captions. */
function tableElement(table: ReadingTable, context: XhtmlContext): string {
  const { captions, rows } = table;
  if (rows.length === 0) return captions.map((caption) => paragraphXhtml(caption, context)).join('\n');
  return tableXhtml(table, {
    attributes: `${idOf(table)}${context.ebook === undefined ? '' : tableMarks(table.table)}`,
    caption: tableCaption(captions, context),
    isListed: context.ebook?.tables === 'lists',
    tree: (blocks) => treeXhtml(blocks, context),
  });
}

const paragraphXhtml = (caption: Paragraph, context: XhtmlContext) =>
  `<p class="${classesOf(caption, context)}"${idOf(caption)}${saidOf(caption, 'CAP', context)}>${inlineXhtml(caption, context)}</p>`;

function tableCaption(captions: readonly Paragraph[], context: XhtmlContext): string {
  if (captions.length === 0) return '';
  const [first] = captions;
  if (captions.length === 1)
    return `<caption${idOf(first)}${saidOf(first, 'CAP', context)}>${inlineXhtml(first, context)}</caption>`;
  return `<caption>${captions.map((caption) => paragraphXhtml(caption, context)).join('')}</caption>`;
}

/** The captions of a figure: one as it is, several, or a credit line, as paragraphs. */
function captionXhtml(captions: readonly Paragraph[], context: XhtmlContext): string {
  if (captions.length === 0) return '';
  const [first] = captions;
  if (captions.length === 1 && first.style !== CREDIT_STYLE)
    return `<figcaption${idOf(first)}${saidOf(first, 'CAP', context)}>${inlineXhtml(first, context)}</figcaption>`;
  return `<figcaption>${captions.map((caption) => paragraphXhtml(caption, context)).join('')}</figcaption>`;
}

/** On what the book makes: our own reader of ebooks leaves it out, and the book makes it again. */
export const MADE = ' data-made=""';

/** A head with its number: before its words, or as a line of its own. */
function headXhtml(head: Extract<ReadingBlock, { kind: 'head' }>, context: XhtmlContext): string {
  const level = Math.min(6, head.level + context.deeper);
  const words = inlineXhtml(head.paragraph, context);
  const number = context.heads.numbers.get(head.id);
  const said = number === undefined ? '' : escapeXml(number.text);
  const name = context.ebook === undefined ? '' : ` class="${classesOf(head.paragraph, context)}"`;
  const plain = level === 1 ? 'CT' : level === 2 ? 'AH' : 'BH';
  const element = (inner: string) =>
    `<h${level}${name}${idOf(head)}${saidOf(head.paragraph, plain, context)}>${inner}</h${level}>`;
  const isMade = context.ebook === undefined ? '' : MADE;
  if (number?.scheme.place === 'ownLine') return `<p class="cn"${isMade}>${said}</p>\n${element(words)}`;
  const before = context.ebook === undefined ? `${said}\u2002` : `<span class="number"${MADE}>${said}\u2002</span>`;
  return element(`${said === '' ? '' : before}${words}`);
}

export const className = (tag: string) => tag.replace(/[^A-Za-z0-9-]/g, '').toLowerCase();

function listXhtml({ isOrdered, items }: ReadingList, context: XhtmlContext): string {
  const parts = items.map(({ paragraph, inner }) => {
    const deeper = inner.map((list) => listXhtml(list, context)).join('');
    return paragraph === null
      ? // No item is counted where a list begins deeper.
        `<li${isOrdered ? ' value="0"' : ''} style="list-style: none">${deeper}</li>`
      : `<li${idOf(paragraph)}${saidOf(paragraph, 'LI', context)}${isOrdered ? valueOf(paragraph) : ''}>${inlineXhtml(paragraph, context)}${deeper}</li>`;
  });
  const name = isOrdered ? 'ol' : 'ul';
  return `<${name}>${parts.join('')}</${name}>`;
}

/** The number of an item that does not go on from the one before (HTML, the `li` element). */
const valueOf = ({ list }: Paragraph): string => (list?.start === undefined ? '' : ` value="${list.start}"`);

function inlineXhtml(copy: Paragraph, context: XhtmlContext): string {
  const { ebook } = context;
  if (ebook === undefined) return piecesXhtml(copy, piecesOf(copy), context);
  const { paragraph, offset } = ebook.setWords(copy);
  const marks = ebook.marksIn(copy.id).map(({ at, xhtml }) => ({ at: offset(at), xhtml }));
  if (marks.length === 0) return piecesXhtml(paragraph, piecesOf(paragraph), context);
  const pieces = piecesOf(
    paragraph,
    marks.map(({ at }) => at),
  );
  let made = '';
  let from = 0;
  for (const { at, xhtml } of marks) {
    let to = from;
    while (to < pieces.length && pieces[to].from < at) to += 1;
    made += piecesXhtml(paragraph, pieces.slice(from, to), context) + xhtml;
    from = to;
  }
  return made + piecesXhtml(paragraph, pieces.slice(from), context);
}

function piecesXhtml(paragraph: Paragraph, pieces: readonly Piece[], context: XhtmlContext): string {
  let isLead = pieces[0]?.from === 0;
  const initial = context.ebook?.initialOf(paragraph.id) ?? 0;
  return pieces
    .map((piece) => {
      if (piece.kind === 'text') {
        const text = escapeXml(clean(piece.text));
        const words = initial > 0 && piece.from === 0 ? withInitial(piece.text, initial) : text;
        isLead = false;
        return spanXhtml(words, piece.span, context);
      }
      const { object } = piece;
      if (object.kind === 'break') return isLead ? '' : '<br/>';
      if (object.kind === 'tab') return context.ebook === undefined ? '\u2003' : '<span data-book-tab="">\u2003</span>';
      if (object.kind === 'field') return fieldXhtml(object.field, context.fieldText(paragraph, object.at), context);
      if (object.kind === 'picture') return pictureXhtml(object, context);
      if (object.kind === 'index') return context.ebook === undefined ? '' : indexMarkXhtml(object);
      if (object.kind === 'figure') return '';
      if (object.kind === 'reference') {
        const said = escapeXml(clean(referenceWords(object, context.heads)));
        return context.heads.targets.has(object.target)
          ? `<a href="${context.headHref(object.target)}"${context.ebook === undefined ? '' : ` data-shows="${object.shows}"`}>${said}</a>`
          : said;
      }
      const found = context.notes.get(object.note);
      if (found === undefined) return '';
      const id = `ref-${object.note}`;
      return `<a id="${id}" href="${context.hrefOf(object.note)}" epub:type="noteref" role="doc-noteref"${signOf(found, context)}>${escapeXml(found.label)}</a>`;
    })
    .join('');
}

/** The sign of a note that has one of its own. */
const signOf = ({ note: { mark } }: NumberedNote, { ebook }: XhtmlContext): string =>
  ebook === undefined || mark === undefined ? '' : ` data-mark="${escapeXml(clean(mark))}"`;

function fieldXhtml(field: FieldName, words: string, { ebook }: XhtmlContext): string {
  if (ebook === undefined) return escapeXml(words);
  const link = field === 'printAddress' && isAddress(words) ? ` href="${escapeXml(hrefOf(words))}"` : '';
  const name = link === '' ? 'span' : 'a';
  return `<${name} data-book-field="${field}"${link}>${escapeXml(words)}</${name}>`;
}

/** An index mark, as our own reader of ebooks takes it back. */
function indexMarkXhtml({ term, sub, see, seeAlso, range }: Extract<InlineObject, { kind: 'index' }>): string {
  const said = JSON.stringify({ term, sub, see, seeAlso, range });
  return `<span data-index="${escapeXml(clean(said))}"></span>`;
}

const BEFORE_INITIAL = /^[\s\p{P}]*/u;

/** A text whose first letters, with the quotes before them, are a drop capital; a device that knows none shows them in their line. */
function withInitial(text: string, letters: number): string {
  const start = BEFORE_INITIAL.exec(text)![0].length;
  const rest = [...text.slice(start)];
  const end = start + rest.slice(0, letters).join('').length;
  if (rest.length <= letters || !/\p{L}/u.test(rest[0])) return escapeXml(clean(text));
  return `<span class="initial">${escapeXml(clean(text.slice(0, end)))}</span>${escapeXml(clean(text.slice(end)))}`;
}

function pictureXhtml(picture: PictureFacts, context: XhtmlContext): string {
  const href = context.pictureHref(picture);
  const alt = escapeXml(clean(picture.alt));
  // A picture that is not there is told by its words.
  if (href === null) {
    const said = `[${alt || escapeXml(clean(picture.name)) || 'picture'}]`;
    return context.ebook === undefined ? said : `<span class="picture">${said}</span>`;
  }
  return `<img src="${href}" alt="${alt}"${context.ebook === undefined ? '' : pictureMark(picture)}/>`;
}

function spanXhtml(words: string, span: Span | undefined, context: XhtmlContext): string {
  if (span === undefined) return words;
  let made = context.ebook === undefined ? words : withLook(words, span);
  if (span.style === 'sup' || span.style === 'sub') made = `<${span.style}>${made}</${span.style}>`;
  if (span.style === 'code') made = `<code>${made}</code>`;
  if (span.style === 'sc') made = `<span class="smallcaps">${made}</span>`;
  if (span.touches?.strike) made = `<s>${made}</s>`;
  if (span.touches?.underline) made = `<u>${made}</u>`;
  if (isBold(span)) made = `<strong>${made}</strong>`;
  if (isItalic(span)) made = `<em>${made}</em>`;
  if (span.language !== undefined)
    made = `<span lang="${escapeXml(span.language)}" xml:lang="${escapeXml(span.language)}">${made}</span>`;
  const name = nameOfLink(span.link);
  const place = name === undefined ? null : context.placeHref(name);
  if (place !== null) return placeLink(place, made);
  return isAddress(span.link) ? `<a href="${escapeXml(hrefOf(span.link))}">${made}</a>` : made;
}

/** An address that says how to get there (RFC 3986, 3.1): one inside another file leads nowhere here, and its words are words. */
const isAddress = (link: string | undefined): link is string =>
  link !== undefined && /^[a-z][a-z0-9+.-]*:/i.test(link.trim());

/** An address as it may stand in a file: spaces and the like are escaped. */
function hrefOf(link: string): string {
  return clean(link).replace(/[\s"<>\\^`{|}]/g, (sign) => encodeURIComponent(sign));
}

/** The bodies of notes, each with the way back. */
export function notesXhtml(
  ids: readonly string[],
  context: XhtmlContext,
  backTo: (id: string) => string = (id) => `#ref-${id}`,
): string {
  return ids
    .map((id) => {
      const { note, label, kind } = context.notes.get(id)!;
      const back = `<a href="${backTo(id)}" role="doc-backlink">${escapeXml(label)}.</a> `;
      const inner = blocksXhtml(note.blocks, context) || '<p></p>';
      const body = inner.replace(/^<p([^>]*)>/, `<p$1>${back}`);
      if (kind === 'footnote') return `<aside id="${id}" epub:type="footnote" role="doc-footnote">${body}</aside>`;
      // An item of a list is one: the role of its own is deprecated (DPUB-ARIA 1.1). Our copies are told by it.
      const role = context.ebook === undefined ? ' role="doc-endnote"' : '';
      return `<li id="${id}" epub:type="endnote"${role}>${body}</li>`;
    })
    .join('\n');
}
