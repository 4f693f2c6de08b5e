// Reads plain text: the encoding is detected, lines that end for want of width are joined again, chapters are found
// from lines such as "CHAPTER IV", _italics_ from their underscores.
import { table } from '../../base/table';
import { ImportError } from '../../base/errors';
import { MOST_TEXT_BYTES, tooMuch } from '../../base/limits';
import type { IncomingMetadata, Manuscript } from '../../model/copy/manuscript';
import type { Block, Paragraph } from '../../model/copy/streams';
import { isBareNumber, isBreakMark, looksLikeHeading, readHeading } from '../../copy/headings';
import { Incoming } from '../incoming';
import { ParagraphBuilder } from '../paragraphBuilder';

/** Lines longer than this were not ended by a typewriter's margin: each is a paragraph. */
const LONG_LINE = 100;
const LINES_PER_STEP = 2000;

export function* readTxt(bytes: Uint8Array): Generator<void, Manuscript> {
  if (bytes.length > MOST_TEXT_BYTES) throw tooMuch(MOST_TEXT_BYTES >> 20, 'MB of text');
  const lines = decodeText(bytes)
    .replace(/\n?\f\n?/g, '\n\f\n')
    .split(/\r\n|\n|\r/);
  const { metadata, from } = readOpening(lines);
  const incoming = new Incoming();
  const reader = new LineReader(lines, incoming);
  for (let k = from; k < lines.length; k += 1) {
    if (k % LINES_PER_STEP === 0) yield;
    k += reader.readLine(k, k === from);
  }
  return incoming.finish(reader.finish(), metadata);
}

/** Paragraphs of lines: those that were ended at a margin are joined, those that a person ended stay lines. */
class LineReader {
  private readonly blocks: Block[] = [];
  private pending: string[] = [];
  /** Characters at which lines were ended; null: each line is a paragraph. */
  private readonly width: number | null;
  private readonly numbersAreHeadings: boolean;
  /** Before the first text, lines stand as they are: a title page is no paragraph. */
  private isOpening = true;
  private isOnNewPage = false;

  constructor(
    private readonly lines: readonly string[],
    private readonly incoming: Incoming,
  ) {
    this.width = isWrapped(lines) ? widthOf(lines) : null;
    this.numbersAreHeadings = lines.filter(isBareNumber).length >= 2;
  }

  finish(): readonly Block[] {
    this.flush();
    return this.blocks;
  }

  /** Reads the line at `at`. Answers how many further lines it took. */
  readLine(at: number, isFirst: boolean): number {
    const { lines } = this;
    const line = lines[at].trimEnd();
    const alone = isFirst || (lines[at - 1] ?? '').trim() === '';
    if (lines[at] === '\f') {
      this.flush();
      this.isOnNewPage = true;
    } else if (line.trim() === '') this.flush();
    else if (alone && (isHeadingLine(lines, at) || (this.numbersAreHeadings && isBareNumber(line)))) {
      this.flush();
      this.isOpening = false;
      return pushHeading(lines, at, this.blocks, this.incoming);
    } else if (isBreakMark(line)) {
      this.flush();
      this.blocks.push(plainParagraph(line.trim(), 'SBO', this.incoming));
    } else {
      if (this.width === null || (/^(?:\t| {2,})\S/.test(line) && !isSameIndent(line, this.pending))) this.flush();
      this.pending.push(line);
    }
    return 0;
  }

  private flush(): void {
    const { pending, width } = this;
    this.pending = [];
    if (pending.length === 0) return;
    const areLines = width !== null && areMeantLines(pending, width);
    if (areLines && this.isOpening) pending.forEach((line, at) => this.put(line.trim(), line, at > 0));
    else if (areLines) this.blocks.push(stanza(pending, this.incoming));
    else {
      const text = pending.slice(1).reduce(joinedLine, pending[0].trim());
      if (text.length > LONG_LINE) this.isOpening = false;
      this.put(text, pending[0], false);
    }
  }

  /** `line`: as it stands in the file. */
  private put(text: string, line: string, isClose: boolean): void {
    const { width, isOnNewPage } = this;
    const made = plainParagraph(text, 'TX', this.incoming);
    const isCentred = width !== null && this.isOpening && isCentredLine(line, width);
    this.blocks.push(made);
    this.incoming.stand(made, {
      ...(isCentred ? { isCentred } : {}),
      ...(isOnNewPage ? { isOnNewPage } : {}),
      ...(isClose ? { isClose } : {}),
    });
    this.isOnNewPage = false;
  }
}

/** An indent begins a paragraph, unless the line before has it too. */
function isSameIndent(line: string, pending: readonly string[]): boolean {
  const before = pending[pending.length - 1];
  const indent = (text: string) => text.length - text.trimStart().length;
  return (
    before !== undefined &&
    indent(before) > 1 &&
    (pending.length > 1 || indent(before) >= 4) &&
    indent(before) <= indent(line) + 40
  );
}

/** Characters at which lines were ended: nearly the longest, so that one that runs over does not count. */
function widthOf(lines: readonly string[]): number {
  const lengths = lines
    .map((line) => line.trimEnd().length)
    .filter((length) => length > 0)
    .sort((a, b) => a - b);
  return lengths[Math.floor(lengths.length * 0.98)] ?? 0;
}

/** Lines that end before their margin, where the word after would still have fitted, were ended by a person. */
function areMeantLines(lines: readonly string[], width: number): boolean {
  if (lines.length < 2) return false;
  let meant = 0;
  for (let k = 0; k + 1 < lines.length; k += 1) {
    const next = /^\S+/.exec(lines[k + 1].trimStart())?.[0] ?? '';
    if (lines[k].trimEnd().length + 1 + next.length <= width - 2) meant += 1;
  }
  return meant >= (lines.length - 1) * 0.6;
}

/** As much space before it as after it, within a few characters. */
function isCentredLine(line: string, width: number): boolean {
  const before = line.length - line.trimStart().length;
  const after = width - line.trimEnd().length;
  return before >= 6 && Math.abs(before - after) <= 8;
}

/** A line that ends in a hyphen between small letters is joined without a space, unless the hyphen waits for a later word. */
function joinedLine(text: string, next: string): string {
  const line = next.trim();
  const isOneWord =
    /\p{Ll}-$/u.test(text) && /^\p{Ll}/u.test(line) && !/^(?:and|or|to|und|oder|et|ou|y|o)\b/u.test(line);
  return isOneWord ? `${text}${line}` : `${text} ${line}`;
}

/** Lines of verse in one paragraph. */
function stanza(lines: readonly string[], incoming: Incoming): Paragraph {
  const builder = new ParagraphBuilder();
  lines.forEach((line, at) => {
    if (at > 0) builder.addObject({ kind: 'break' });
    addMarked(builder, line.trim());
  });
  return incoming.paragraph(builder, 'Lines', 'VRS');
}

/** A line that must be a heading; one of a list of such lines is an entry of it. */
function isHeadingLine(lines: readonly string[], at: number): boolean {
  const line = lines[at];
  if (!looksLikeHeading(line) || /(?:\.\s?){3,}|[\t…]\s*\d{1,4}$| {3,}\d{1,4}$/.test(line.trim())) return false;
  const next = lines[at + 1] ?? '';
  return !looksLikeHeading(next) || readHeading(next).kind !== readHeading(line).kind;
}

/** UTF-8 and UTF-16 by their marks, UTF-8 when it is valid, else Windows-1252. Throws ImportError `not-text`. */
export function decodeText(bytes: Uint8Array): string {
  const [a, b] = bytes;
  let text: string;
  if (a === 0xff && b === 0xfe) text = new TextDecoder('utf-16le').decode(bytes);
  else if (a === 0xfe && b === 0xff) text = new TextDecoder('utf-16be').decode(bytes);
  else text = decodeEightBit(bytes);
  if (text.startsWith('\uFEFF')) text = text.slice(1);

  const controls = text.slice(0, 20000).match(/[\u0000-\u0008\u000E-\u001F]/g)?.length ?? 0;
  if (controls > 0 && controls > text.length / 1000) {
    throw new ImportError('not-text', 'This file is not text: it holds characters that no manuscript has.');
  }

  return text.replace(/[\u0000-\u0008\u000B\u000E-\u001F]/g, '');
}

function decodeEightBit(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    return decodeWindows1252(bytes);
  }
}

/** Characters of Windows-1252 from 0x80 to 0x9F. Our own table: Node 20 decodes this encoding as Latin-1. */
export const WINDOWS_1252 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

function decodeWindows1252(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += byte >= 0x80 && byte < 0xa0 ? WINDOWS_1252[byte - 0x80] : String.fromCharCode(byte);
  return text;
}

/** True when lines were ended at a margin: most are about equally short, and few are long. */
function isWrapped(lines: readonly string[]): boolean {
  const filled = lines.filter((line) => line.trim() !== '');
  const long = filled.filter((line) => line.length > LONG_LINE).length;
  return long < filled.length * 0.1;
}

/** Title and author from the head of the file: `Title: …`, `Author: …`. */
function readOpening(lines: readonly string[]): { metadata: IncomingMetadata; from: number } {
  const metadata: { title?: string; author?: string } = {};
  let from = 0;
  const filled = lines.map((text, index) => ({ text: text.trim(), index })).filter((line) => line.text !== '');
  for (const line of filled.slice(0, 6)) {
    const field = /^(title|author)\s*:\s*(.+)$/i.exec(line.text);
    if (field === null) continue;
    metadata[field[1].toLowerCase() as 'title' | 'author'] ??= field[2];
    from = line.index + 1;
  }
  return { metadata, from };
}

/** Pushes the heading on line `at`, with a title that stands below it. Answers how many further lines it took. */
function pushHeading(lines: readonly string[], at: number, blocks: Block[], incoming: Incoming): number {
  const words = readHeading(lines[at]);
  const [numberStyle, titleStyle] = words.kind === 'part' ? ['PN', 'PT'] : ['CN', 'CT'];
  let taken = 0;
  let title = words.title;
  if (title === '') {
    let next = at + 1;
    while (next < lines.length && lines[next].trim() === '' && next < at + 3) next += 1;
    if (next < lines.length && isTitleLine(lines, next)) {
      title = lines[next].trim();
      taken = next - at;
    }
  }
  if (words.number !== '' && title !== '') blocks.push(plainParagraph(words.number, numberStyle, incoming));
  const head = plainParagraph(title || words.number, titleStyle, incoming);
  blocks.push(head);
  incoming.heading(1, head);
  return taken;
}

/** A title below a number stands alone, is short, and does not end like a sentence. */
function isTitleLine(lines: readonly string[], at: number): boolean {
  const line = lines[at].trim();
  const alone = (lines[at + 1] ?? '').trim() === '';
  return (
    alone && line !== '' && line.length <= 60 && !/[.,;:]$/.test(line) && !looksLikeHeading(line) && !isBreakMark(line)
  );
}

/** What the lines of a plain text are called. */
const STYLE_NAMES: Readonly<Record<string, string>> = table({
  CN: 'Chapter line',
  CT: 'Chapter line',
  PN: 'Part line',
  PT: 'Part line',
  SBO: 'Break of marks',
});

/** A paragraph whose _underscored_ words are italic. */
function plainParagraph(text: string, style: string, incoming: Incoming): Paragraph {
  const builder = new ParagraphBuilder();
  addMarked(builder, text);
  return incoming.paragraph(builder, STYLE_NAMES[style] ?? 'Text', style);
}

function addMarked(builder: ParagraphBuilder, text: string): void {
  const pieces = text.split(/(?<![\p{L}\p{N}])_([^_\s](?:[^_]*[^_\s])?)_(?![\p{L}\p{N}])/u);
  pieces.forEach((piece, index) => builder.add(piece, index % 2 === 1 ? { touches: { italic: true } } : {}));
}
