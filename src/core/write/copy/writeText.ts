// The copy as plain text and as Markdown (CommonMark with tables and footnotes).
import { greatest } from '../../base/append';
import type { Book } from '../../model/copy/book';
import type { Block, Paragraph, PictureBytes, PictureFacts, Table } from '../../model/copy/streams';
import {
  authorOf,
  copyDivisions,
  headsOf,
  levelOf,
  meaningOf,
  numberedNotes,
  referenceWords,
  type NumberedNote,
} from './copyOf';
import { dataAddress } from './pictureFiles';
import { isBold, isItalic, piecesOf } from './pieces';

/** Plain text: paragraphs with a blank line between, notes at the end by their numbers. */
export function writePlainText(book: Book): string {
  const notes = numberedNotes(book);
  const heads = headsOf(book);
  const words = (paragraph: Paragraph) =>
    piecesOf(paragraph)
      .map((piece) => {
        if (piece.kind === 'text') return piece.text;
        if (piece.object.kind === 'note') return `[${labelOf(notes, piece.object.note)}]`;
        if (piece.object.kind === 'picture') return `[${piece.object.alt || piece.object.name || 'picture'}]`;
        if (piece.object.kind === 'reference') return referenceWords(piece.object, heads);
        return piece.object.kind === 'break' ? '\n' : piece.object.kind === 'tab' ? '\t' : '';
      })
      .join('');
  const blockText = (block: Block): string =>
    block.kind === 'paragraph'
      ? words(block)
      : tableRows(block, blockText)
          .map((row) => row.join('\t'))
          .join('\n');
  const head = [book.particulars.title, authorOf(book)].filter((line) => line !== '');
  const text = copyDivisions(book).flatMap((division) => division.blocks.map(blockText));
  const ends = [...notes.values()].map((entry) => `[${label(entry)}] ${entry.note.blocks.map(blockText).join('\n')}`);
  return `${[...head, ...text, ...ends].join('\n\n')}\n`;
}

const label = ({ kind, number }: NumberedNote) => (kind === 'endnote' ? `e${number}` : String(number));
const labelOf = (notes: ReadonlyMap<string, NumberedNote>, id: string) => {
  const found = notes.get(id);
  return found === undefined ? '?' : label(found);
};

function tableRows(table: Table, textOf: (block: Block) => string): string[][] {
  return table.rows.map((row) => row.map((cell) => cell.blocks.map(textOf).join(' ')));
}

export function writeMarkdown(book: Book, pictures: PictureBytes = {}): string {
  const notes = numberedNotes(book);
  const heads = headsOf(book);
  const files = new MarkdownPictures(pictures);
  const inline = (paragraph: Paragraph) =>
    piecesOf(paragraph)
      .map((piece) => {
        if (piece.kind === 'object') {
          if (piece.object.kind === 'note') return `[^${labelOf(notes, piece.object.note)}]`;
          if (piece.object.kind === 'picture') return files.reference(piece.object);
          if (piece.object.kind === 'reference') return escapeMarkdown(referenceWords(piece.object, heads));
          return piece.object.kind === 'break' ? '\\\n' : piece.object.kind === 'tab' ? '&#9;' : '';
        }
        const { span } = piece;
        let words = escapeMarkdown(piece.text);
        if (span === undefined) return words;
        if (span.style === 'sup' || span.style === 'sub') words = `<${span.style}>${words}</${span.style}>`;
        if (span.style === 'sc') words = `<span style="font-variant: small-caps">${words}</span>`;
        if (span.touches?.strike) words = around(words, '~~');
        if (span.touches?.underline) words = `<u>${words}</u>`;
        if (isBold(span)) words = around(words, '**');
        if (isItalic(span)) words = around(words, '*');
        return span.link === undefined ? words : `[${words}](<${span.link.replace(/[<>\n]/g, encodeURIComponent)}>)`;
      })
      .join('');
  const blockText = (block: Block): string => {
    if (block.kind === 'table')
      return markdownTable(tableRows(block, (one) => blockText(one).replace(/\s*\n\s*/g, ' ')));
    const level = levelOf(book, block);
    const words = inline(block);
    if (level > 0) return `${'#'.repeat(Math.min(6, level + 1))} ${words.replace(/\\\n/g, ' ')}`;
    if (meaningOf(book, block.style) === 'break') return '***';
    if (block.list !== undefined)
      return `${'    '.repeat(block.list.level)}${block.list.ordered ? '1.' : '-'} ${words}`;
    return meaningOf(book, block.style) === 'extract' ? `> ${words.replace(/\n/g, '\n> ')}` : words;
  };
  const { title, language } = book.particulars;
  const head = [
    '---',
    `title: ${JSON.stringify(title)}`,
    `author: ${JSON.stringify(authorOf(book))}`,
    `lang: ${language}`,
    '---',
  ];
  const text = copyDivisions(book)
    .flatMap((division) => division.blocks.map(blockText))
    .filter((words) => words !== '');
  const ends = [...notes.values()].map(
    (entry) =>
      `[^${label(entry)}]: ${entry.note.blocks
        .map(blockText)
        .join('\n\n')
        .replace(/\n(?=.)/g, '\n    ')}`,
  );
  return `${head.join('\n')}\n\n# ${escapeMarkdown(title)}\n\n${[...text, ...ends, ...files.definitions].join('\n\n')}\n`;
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

function markdownTable(rows: readonly string[][]): string {
  const columns = greatest(
    1,
    rows.map((row) => row.length),
  );
  const line = (row: readonly string[]) => `| ${Array.from({ length: columns }, (_, k) => row[k] ?? '').join(' | ')} |`;
  const [head = [], ...rest] = rows;
  return [line(head), `|${' --- |'.repeat(columns)}`, ...rest.map(line)].join('\n');
}
