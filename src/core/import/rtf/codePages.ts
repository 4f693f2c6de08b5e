// Code pages of rich text files, of one byte a character and of two. Windows-1252 and the two pages of the first PCs have tables of
// ours: Node decodes the first as Latin-1, and no platform has the others.
import { WINDOWS_1252 } from '../txt/readTxt';

/** Takes bytes one by one. */
export interface ByteDecoder {
  /** The character that a byte completes; empty while another byte belongs to it. */
  readonly add: (byte: number) => string;
  /** Whether the last byte began a character that is not complete. */
  readonly isOpen: () => boolean;
}

const LABELS: ReadonlyMap<number, string> = new Map([
  [866, 'ibm866'],
  [874, 'windows-874'],
  [932, 'shift_jis'],
  [936, 'gbk'],
  [949, 'euc-kr'],
  [950, 'big5'],
  [1250, 'windows-1250'],
  [1251, 'windows-1251'],
  [1253, 'windows-1253'],
  [1254, 'windows-1254'],
  [1255, 'windows-1255'],
  [1256, 'windows-1256'],
  [1257, 'windows-1257'],
  [1258, 'windows-1258'],
  [10000, 'macintosh'],
  [65001, 'utf-8'],
]);

/** Characters of the bytes from 0x80 on. */
const TABLES: ReadonlyMap<number, string> = new Map([
  [
    437,
    'ÇüéâäàåçêëèïîìÄÅÉæÆôöòûùÿÖÜ¢£¥₧ƒáíóúñÑªº¿⌐¬½¼¡«»░▒▓│┤╡╢╖╕╣║╗╝╜╛┐└┴┬├─┼╞╟╚╔╩╦╠═╬╧╨╤╥╙╘╒╓╫╪┘┌█▄▌▐▀αßΓπΣσµτΦΘΩδ∞φε∩≡±≥≤⌠⌡÷≈°∙·√ⁿ²■\u00A0',
  ],
  [
    850,
    'ÇüéâäàåçêëèïîìÄÅÉæÆôöòûùÿÖÜø£Ø×ƒáíóúñÑªº¿®¬½¼¡«»░▒▓│┤ÁÂÀ©╣║╗╝¢¥┐└┴┬├─┼ãÃ╚╔╩╦╠═╬¤ðÐÊËÈıÍÎÏ┘┌█▄¦Ì▀ÓßÔÒõÕµþÞÚÛÙýÝ¯´\u00AD±‗¾¶§÷¸°¨·¹³²■\u00A0',
  ],
]);

/** Code pages of the character sets that a face may say (RTF 1.9.1, Font Table, \\fcharset). */
const CHARSETS: ReadonlyMap<number, number> = new Map([
  [0, 1252],
  [77, 10000],
  [128, 932],
  [129, 949],
  [134, 936],
  [136, 950],
  [161, 1253],
  [162, 1254],
  [163, 1258],
  [177, 1255],
  [178, 1256],
  [186, 1257],
  [204, 1251],
  [222, 874],
  [238, 1250],
  [255, 437],
]);

/** An unknown page is taken for Windows-1252. */
export function byteDecoder(codePage: number): ByteDecoder {
  const table = TABLES.get(codePage);
  if (table !== undefined) return single((byte) => (byte < 0x80 ? String.fromCharCode(byte) : table[byte - 0x80]));
  const label = LABELS.get(codePage);
  if (label === undefined) return single(windows1252);
  try {
    return streamed(new TextDecoder(label));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return single(windows1252);
  }
}

const single = (add: ByteDecoder['add']): ByteDecoder => ({ add, isOpen: () => false });

function streamed(decoder: TextDecoder): ByteDecoder {
  let isOpen = false;
  return {
    add: (byte) => {
      const text = decoder.decode(Uint8Array.of(byte), { stream: true });
      isOpen = text === '';
      return text;
    },
    isOpen: () => isOpen,
  };
}

function windows1252(byte: number): string {
  return byte >= 0x80 && byte < 0xa0 ? WINDOWS_1252[byte - 0x80] : String.fromCharCode(byte);
}

/** Pages that the head of a file may name in place of a number. */
const PAGE_WORDS: ReadonlyMap<string, number> = new Map([
  ['ansi', 1252],
  ['mac', 10000],
  ['pc', 437],
  ['pca', 850],
]);

/** The bytes of a file as characters: by the page of the face that they are set in, else by that of the file. */
export class RtfBytes {
  private page = 1252;
  private readonly pages = new Map<number, number>();
  /** Faces that say their page itself. */
  private readonly certain = new Set<number>();
  private face = 0;
  private readonly decoders = new Map<number, ByteDecoder>();
  private open: ByteDecoder | null = null;

  /** A word of the file's head. */
  headWord(word: string, value: number | null): void {
    const named = PAGE_WORDS.get(word);
    if (named !== undefined) this.page = named;
    else if (word === 'ansicpg' && value !== null && value > 0) this.page = value;
  }

  /** A word of the table of faces. */
  faceWord(word: string, value: number | null): void {
    if (value === null) return;
    if (word === 'f') this.face = value;
    else if (word === 'cpg' && value > 0) {
      this.pages.set(this.face, value);
      this.certain.add(this.face);
    } else if (word === 'fcharset' && !this.certain.has(this.face)) {
      const page = CHARSETS.get(value);
      if (page !== undefined) this.pages.set(this.face, page);
    }
  }

  /** The characters that a byte gives in a face; null: in none. */
  read(byte: number, face: number | null): string {
    const decoder = this.open ?? this.decoderOf((face === null ? undefined : this.pages.get(face)) ?? this.page);
    const text = decoder.add(byte);
    this.open = decoder.isOpen() ? decoder : null;
    return text;
  }

  /** Whether the next character of the file, though it is plain text, is the second byte of one. */
  get isOpen(): boolean {
    return this.open !== null;
  }

  private decoderOf(page: number): ByteDecoder {
    let decoder = this.decoders.get(page);
    if (decoder === undefined) this.decoders.set(page, (decoder = byteDecoder(page)));
    return decoder;
  }
}
