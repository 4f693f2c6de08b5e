// Single-byte code pages of rich text files. Windows-1252 has a table of ours, since Node decodes it as Latin-1.
import { WINDOWS_1252 } from '../txt/readTxt';

export type ByteDecoder = (byte: number) => string;

const LABELS: Readonly<Record<number, string>> = {
  437: 'ibm866',
  866: 'ibm866',
  874: 'windows-874',
  1250: 'windows-1250',
  1251: 'windows-1251',
  1253: 'windows-1253',
  1254: 'windows-1254',
  1255: 'windows-1255',
  1256: 'windows-1256',
  1257: 'windows-1257',
  1258: 'windows-1258',
  10000: 'macintosh',
};

/** Decodes one byte at a time; an unknown page is taken for Windows-1252. */
export function byteDecoder(codePage: number): ByteDecoder {
  const label = LABELS[codePage];
  if (label === undefined) return windows1252;
  try {
    const decoder = new TextDecoder(label);
    return (byte) => decoder.decode(Uint8Array.of(byte));
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return windows1252;
  }
}

function windows1252(byte: number): string {
  return byte >= 0x80 && byte < 0xa0 ? WINDOWS_1252[byte - 0x80] : String.fromCharCode(byte);
}
