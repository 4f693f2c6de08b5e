// Blocks as XHTML: elements by the meaning of styles, notes by their roles, nothing of the look but what has a meaning.
import { escapeXml } from '../../base/xml';
import type { Book } from '../../model/copy/book';
import { isPictureAlone, type Block, type Paragraph, type PictureFacts, type Span } from '../../model/copy/streams';
import { levelOf, meaningOf, referenceWords, type HeadsOfCopy, type NumberedNote } from './copyOf';
import { isBold, isItalic, piecesOf } from './pieces';

export interface XhtmlContext {
  readonly book: Book;
  readonly notes: ReadonlyMap<string, NumberedNote>;
  /** Where a note stands, such as `#n1` or `notes.xhtml#n1`. */
  readonly hrefOf: (id: string) => string;
  readonly heads: HeadsOfCopy;
  /** Where a head stands that is referred to. */
  readonly headHref: (block: string) => string;
  /** Taken from the levels of headings: 0 where the division's title is the first of its file. */
  readonly deeper: number;
  /** Words of a field, filled from the particulars. */
  readonly fieldText: (paragraph: Paragraph, at: number) => string;
  /** Where the file of a picture is; null when it is not there. */
  readonly pictureHref: (picture: PictureFacts) => string | null;
}

export function blocksXhtml(blocks: readonly Block[], context: XhtmlContext): string {
  const parts: string[] = [];
  for (let k = 0; k < blocks.length; k += 1) {
    const block = blocks[k];
    if (block.kind === 'paragraph' && block.list !== undefined) {
      let end = k;
      while (end + 1 < blocks.length && isItem(blocks[end + 1])) end += 1;
      parts.push(listXhtml(blocks.slice(k, end + 1) as Paragraph[], 0, context));
      k = end;
    } else if (isPictureAlone(block)) {
      const after = blocks[k + 1];
      const hasCaption = after?.kind === 'paragraph' && meaningOf(context.book, after.style) === 'caption';
      const caption = hasCaption ? `<figcaption>${inlineXhtml(after, context)}</figcaption>` : '';
      parts.push(`<figure>${inlineXhtml(block, context)}${caption}</figure>`);
      if (hasCaption) k += 1;
    } else parts.push(blockXhtml(block, context));
  }
  return parts.join('\n');
}

const isItem = (block: Block) => block.kind === 'paragraph' && block.list !== undefined;

function blockXhtml(block: Block, context: XhtmlContext): string {
  if (block.kind === 'table') {
    const row = (cells: (typeof block.rows)[number]) =>
      `<tr>${cells.map((cell) => `<td>${blocksXhtml(cell.blocks, context)}</td>`).join('')}</tr>`;
    return block.rows.length === 0 ? '' : `<table>${block.rows.map(row).join('')}</table>`;
  }
  const { book, deeper } = context;
  const meaning = meaningOf(book, block.style);
  const words = inlineXhtml(block, context);
  const level = levelOf(book, block);
  if (level > 0) return headXhtml(block, Math.min(6, level + deeper), words, context);
  // A break that a note hangs on keeps its place.
  if (meaning === 'break' && block.objects.every((object) => object.kind !== 'note')) return '<hr/>';
  if (words === '') return '';
  if (meaning === 'extract') return `<blockquote class="${className(block.style)}"><p>${words}</p></blockquote>`;
  return `<p class="${className(meaning === 'verse' ? 'verse' : block.style)}">${words}</p>`;
}

/** A head with its number: before its words, or as a line of its own. */
function headXhtml(block: Paragraph, level: number, words: string, { heads }: XhtmlContext): string {
  const number = heads.numbers.get(block.id);
  const isReached = heads.targets.has(block.id) || heads.listed.has(block.id);
  const id = isReached ? ` id="h-${block.id}"` : '';
  const said = number === undefined ? '' : escapeXml(number.text);
  if (number?.scheme.place === 'ownLine') return `<p class="cn">${said}</p>\n<h${level}${id}>${words}</h${level}>`;
  return `<h${level}${id}>${said === '' ? '' : `${said}\u2002`}${words}</h${level}>`;
}

const className = (tag: string) => tag.replace(/[^A-Za-z0-9-]/g, '').toLowerCase();

/** Items of a level and what is deeper, as one list. */
function listXhtml(items: readonly Paragraph[], level: number, context: XhtmlContext): string {
  const parts: string[] = [];
  const { ordered } = items[0].list!;
  for (let k = 0; k < items.length;) {
    let end = k + 1;
    while (end < items.length && items[end].list!.level > level) end += 1;
    const own = items[k].list!.level > level ? '' : inlineXhtml(items[k], context);
    const inner = items.slice(own === '' && items[k].list!.level > level ? k : k + 1, end);
    parts.push(`<li>${own}${inner.length > 0 ? listXhtml(inner, level + 1, context) : ''}</li>`);
    k = end;
  }
  const name = ordered ? 'ol' : 'ul';
  return `<${name}>${parts.join('')}</${name}>`;
}

function inlineXhtml(paragraph: Paragraph, context: XhtmlContext): string {
  let isLead = true;
  return piecesOf(paragraph)
    .map((piece) => {
      if (piece.kind === 'text') {
        isLead = false;
        return spanXhtml(escapeXml(clean(piece.text)), piece.span);
      }
      const { object } = piece;
      if (object.kind === 'break') return isLead ? '' : '<br/>';
      if (object.kind === 'tab') return '\u2003';
      if (object.kind === 'field') return escapeXml(context.fieldText(paragraph, object.at));
      if (object.kind === 'picture') return pictureXhtml(object, context);
      if (object.kind === 'index') return '';
      if (object.kind === 'reference') {
        const said = escapeXml(clean(referenceWords(object, context.heads)));
        return context.heads.targets.has(object.target)
          ? `<a href="${context.headHref(object.target)}">${said}</a>`
          : said;
      }
      const found = context.notes.get(object.note);
      if (found === undefined) return '';
      const id = `ref-${object.note}`;
      return `<a id="${id}" href="${context.hrefOf(object.note)}" epub:type="noteref" role="doc-noteref">${escapeXml(found.label)}</a>`;
    })
    .join('');
}

function pictureXhtml(picture: PictureFacts, context: XhtmlContext): string {
  const href = context.pictureHref(picture);
  const alt = escapeXml(clean(picture.alt));
  // A picture that is not there is told by its words.
  if (href === null) return `[${alt || escapeXml(clean(picture.name)) || 'picture'}]`;
  return `<img src="${href}" alt="${alt}"/>`;
}

/** Without what XML cannot hold (XML 1.0, 2.2). */
export function clean(text: string): string {
  return text.replace(/\p{Surrogate}/gu, '\uFFFD').replace(/[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g, '');
}

function spanXhtml(words: string, span: Span | undefined): string {
  if (span === undefined) return words;
  let made = words;
  if (span.style === 'sup' || span.style === 'sub') made = `<${span.style}>${made}</${span.style}>`;
  if (span.style === 'sc') made = `<span class="smallcaps">${made}</span>`;
  if (span.touches?.strike) made = `<s>${made}</s>`;
  if (span.touches?.underline) made = `<u>${made}</u>`;
  if (isBold(span)) made = `<strong>${made}</strong>`;
  if (isItalic(span)) made = `<em>${made}</em>`;
  if (span.language !== undefined)
    made = `<span lang="${escapeXml(span.language)}" xml:lang="${escapeXml(span.language)}">${made}</span>`;
  return span.link === undefined ? made : `<a href="${escapeXml(hrefOf(span.link))}">${made}</a>`;
}

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
      const [type, role] = kind === 'endnote' ? ['endnote', 'doc-endnote'] : ['footnote', 'doc-footnote'];
      return kind === 'endnote'
        ? `<li id="${id}" epub:type="${type}" role="${role}">${body}</li>`
        : `<aside id="${id}" epub:type="${type}" role="${role}">${body}</aside>`;
    })
    .join('\n');
}
