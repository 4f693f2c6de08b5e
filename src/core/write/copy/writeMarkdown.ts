// The copy as Markdown (CommonMark with tables and footnotes).
import { plainBook } from '../../copy/figures/gatherFigures';
import { nameOfLink } from '../../copy/places';
import { escapeXml } from '../../base/xml';
import { clean } from './clean';
import { greatest } from '../../base/append';
import { unreachable } from '../../base/errors';
import { itemsOf, readingTree, type ReadingBlock, type ReadingTable } from '../../copy/readingTree';
import type { Book } from '../../model/copy/book';
import type { Block, Paragraph, PictureBytes, PictureFacts, Span } from '../../model/copy/streams';
import { authorOf, copyDivisions, headsOf, numberedNotes, referenceWords } from './copyOf';
import { dataAddress } from './pictureFiles';
import { isBold, isItalic, piecesOf, type Piece } from './pieces';
import { label, labelOf, paragraphsOf, rowsOf } from './textPieces';

export function writeMarkdown(of: Book, pictures: PictureBytes = {}): string {
  const book = plainBook(of);
  const writer = new MarkdownWriter(book, pictures);
  const { title, subtitle, language } = book.particulars;
  const head = [
    '---',
    `title: ${JSON.stringify(title)}`,
    ...(subtitle === '' ? [] : [`subtitle: ${JSON.stringify(subtitle)}`]),
    `author: ${JSON.stringify(authorOf(book))}`,
    `lang: ${language}`,
    '---',
  ];
  const text = copyDivisions(book)
    .flatMap((division) => writer.texts(division.blocks))
    .filter((words) => words !== '');
  const all = [...text, ...writer.notesAtEnd(), ...writer.pictures.definitions];
  return `${head.join('\n')}\n\n# ${escapeMarkdown(title)}\n\n${all.join('\n\n')}\n`;
}

class MarkdownWriter {
  readonly pictures: MarkdownPictures;
  private readonly notes;
  private readonly heads;

  constructor(
    private readonly book: Book,
    pictures: PictureBytes,
  ) {
    this.pictures = new MarkdownPictures(pictures);
    this.notes = numberedNotes(book);
    this.heads = headsOf(book);
  }

  /** Blocks, each as one text; an item of a list is one. */
  texts(blocks: readonly Block[]): string[] {
    return readingTree(blocks, this.book.spec.styles).flatMap((block) => this.textsOf(block));
  }

  notesAtEnd(): string[] {
    return [...this.notes.values()].map((entry) => {
      const words = this.texts(entry.note.blocks).join('\n\n');
      return `[^${label(entry)}]: ${words.replace(/\n(?=.)/g, '\n    ')}`;
    });
  }

  private textsOf(block: ReadingBlock): string[] {
    switch (block.kind) {
      case 'table': {
        const inLine = (one: ReadingBlock) => this.textsOf(one).map((words) => words.replace(/\s*\n\s*/g, ' '));
        return [...block.captions.map((caption) => this.inline(caption)), markdownTable(rowsOf(block, inLine), block)];
      }
      case 'head': {
        const words = this.inline(block.paragraph).replace(/\\\n/g, ' ');
        return [`${'#'.repeat(Math.min(6, block.level + 1))} ${words}`];
      }
      case 'break':
        return ['***'];
      case 'list':
        return itemsOf(block).map((item) => {
          const { level, ordered, start = 1 } = item.list!;
          return `${'    '.repeat(level)}${ordered ? `${start}.` : '-'} ${this.inline(item)}`;
        });
      case 'figure':
        return paragraphsOf(block).map((paragraph) => this.inline(paragraph));
      case 'text': {
        const words = this.inline(block.paragraph);
        return [block.meaning === 'extract' ? `> ${words.replace(/\n/g, '\n> ')}` : words];
      }
      default:
        return unreachable(block);
    }
  }

  private inline(paragraph: Paragraph): string {
    const names = (paragraph.names ?? []).map((name) => `<a id="${escapeXml(clean(name))}"></a>`);
    const words = piecesOf(paragraph)
      .map((piece) => (piece.kind === 'object' ? this.object(piece) : marked(escapeMarkdown(piece.text), piece.span)))
      .join('');
    return names.join('') + words;
  }

  private object({ object }: Extract<Piece, { kind: 'object' }>): string {
    if (object.kind === 'note') return `[^${labelOf(this.notes, object.note)}]`;
    if (object.kind === 'picture') return this.pictures.reference(object);
    if (object.kind === 'reference') return escapeMarkdown(referenceWords(object, this.heads));
    return object.kind === 'break' ? '\\\n' : object.kind === 'tab' ? '&#9;' : '';
  }
}

/** Words with the marks of their span. */
function marked(plain: string, span: Span | undefined): string {
  if (span === undefined) return plain;
  let words = plain;
  if (span.style === 'sup' || span.style === 'sub') words = `<${span.style}>${words}</${span.style}>`;
  if (span.style === 'code') words = `<code>${words}</code>`;
  if (span.style === 'sc') words = `<span style="font-variant: small-caps">${words}</span>`;
  if (span.touches?.strike) words = around(words, '~~');
  if (span.touches?.underline) words = `<u>${words}</u>`;
  if (isBold(span)) words = around(words, '**');
  if (isItalic(span)) words = around(words, '*');
  if (span.link === undefined) return words;
  const name = nameOfLink(span.link);
  const address =
    name === undefined ? span.link.replace(/[<>\n]/g, encodeURIComponent) : `#${encodeURIComponent(name)}`;
  return `[${words}](<${address}>)`;
}

/** Pictures by reference, so that the text can be read; their bytes stand at the end, each once. */
class MarkdownPictures {
  private readonly names = new Map<string, string>();
  readonly definitions: string[] = [];
  private readonly addressOf;

  constructor(pictures: PictureBytes) {
    this.addressOf = dataAddress(pictures);
  }

  reference(picture: PictureFacts): string {
    const alt = escapeMarkdown(picture.alt);
    const key = picture.asset || picture.name;
    const known = this.names.get(key);
    if (known !== undefined) return `![${alt}][${known}]`;
    const address = this.addressOf(picture) ?? encodeURI(picture.name || 'picture');
    const name = `picture-${this.names.size + 1}`;
    this.names.set(key, name);
    this.definitions.push(`[${name}]: <${address}>`);
    return `![${alt}][${name}]`;
  }
}

/** Marks stand close to the words: spaces at their ends go outside. */
function around(words: string, mark: string): string {
  const [, lead, inner, trail] = /^(\s*)([\s\S]*?)(\s*)$/.exec(words)!;
  return inner === '' ? words : `${lead}${mark}${inner}${mark}${trail}`;
}

function escapeMarkdown(text: string): string {
  return text.replace(/[\\`*_[\]<>&~|]/g, (sign) => `\\${sign}`).replace(/^(\s*)([#>+-]|\d+[.)])(?=\s)/, '$1\\$2');
}

/** A table as GFM has it (4.10): its first row is the head, the row under it says how columns stand. */
function markdownTable(rows: readonly string[][], table: ReadingTable): string {
  const columns = greatest(
    1,
    rows.map((row) => row.length),
  );
  const sides = { left: ':---', right: '---:', centre: ':---:', mark: '---' };
  const body = table.rows.find(({ kind }) => kind === 'body');
  const marks = Array.from({ length: columns }, (_, k) => {
    const align = body?.cells.find(({ column, across }) => column === k && across === 1)?.align;
    return align === undefined ? '---' : sides[align];
  });
  const line = (row: readonly string[]) => `| ${Array.from({ length: columns }, (_, k) => row[k] ?? '').join(' | ')} |`;
  const [head = [], ...rest] = rows;
  return [line(head), `| ${marks.join(' | ')} |`, ...rest.map(line)].join('\n');
}
