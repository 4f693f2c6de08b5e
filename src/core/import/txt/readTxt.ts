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
  const lines = decodeText(bytes).split(/\r\n|\n|\r|\f/);
  const { metadata, from } = readOpening(lines);
  const incoming = new Incoming();
  const blocks: Block[] = [];
  const wrapped = isWrapped(lines);
  const numbersAreHeadings = lines.filter(isBareNumber).length >= 2;
  let pending: string[] = [];
  const flush = () => {
    if (pending.length > 0) blocks.push(plainParagraph(pending.join(' '), 'TX', incoming));
    pending = [];
  };
  for (let k = from; k < lines.length; k += 1) {
    if (k % LINES_PER_STEP === 0) yield;
    const line = lines[k].trimEnd();
    const alone = (lines[k - 1] ?? '').trim() === '' || k === from;
    if (line.trim() === '') flush();
    else if (alone && (looksLikeHeading(line) || (numbersAreHeadings && isBareNumber(line)))) {
      flush();
      k += pushHeading(lines, k, blocks, incoming);
    } else if (isBreakMark(line)) {
      flush();
      blocks.push(plainParagraph(line.trim(), 'SBO', incoming));
    } else {
      if (!wrapped || /^(?:\t| {2,})\S/.test(line)) flush();
      pending.push(line.trim());
    }
  }
  flush();
  return incoming.finish(blocks, metadata);
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

/** Title and author from the head of the file: `Title: …`, `Author: …`, or a first line followed by `by …`. */
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
  const by = /^by\s+(.{2,60})$/i.exec(filled[1]?.text ?? '');
  if (from === 0 && by !== null && filled[0].text.length <= 100) {
    return { metadata: { title: filled[0].text, author: by[1] }, from: filled[1].index + 1 };
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
  const pieces = text.split(/(?<![\p{L}\p{N}])_([^_\s](?:[^_]*[^_\s])?)_(?![\p{L}\p{N}])/u);
  pieces.forEach((piece, index) => builder.add(piece, index % 2 === 1 ? { touches: { italic: true } } : {}));
  return incoming.paragraph(builder, STYLE_NAMES[style] ?? 'Text', style);
}
