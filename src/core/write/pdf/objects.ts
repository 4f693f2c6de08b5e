// The objects of a PDF file (ISO 32000-1, 7.3) and the file around them (7.5). Each object is bytes from
// the moment that it is set; the file is put together of them once, at the end.
import { zlibSync } from 'fflate';
import { concat } from '../../base/bytes';

/** Text of an object as it stands in the file; strings and names are made by the functions below. */
export type PdfValue = string;

const encoder = new TextEncoder();

/** Keys of dictionaries come again with every page. */
const names = new Map<string, PdfValue>();
const MOST_NAMES = 2000;

/** A name (7.3.5): bytes outside the regular characters as #xx. */
export function pdfName(name: string): PdfValue {
  let value = names.get(name);
  if (value === undefined) {
    value = spelled(name);
    if (names.size < MOST_NAMES) names.set(name, value);
  }
  return value;
}

function spelled(name: string): PdfValue {
  const safe = [...encoder.encode(name)].map((byte) => {
    const char = String.fromCharCode(byte);
    return /[A-Za-z0-9+\-_.]/.test(char) ? char : `#${byte.toString(16).toUpperCase().padStart(2, '0')}`;
  });
  return `/${safe.join('')}`;
}

/** A text string (7.9.2.2) in UTF-16BE with its mark, as hexadecimal digits. */
export function pdfText(text: string): PdfValue {
  return `<FEFF${utf16Hex(text)}>`;
}

/** UTF-16BE of the text in hexadecimal digits. */
export function utf16Hex(text: string): string {
  let hex = '';
  for (let k = 0; k < text.length; k += 1) hex += text.charCodeAt(k).toString(16).toUpperCase().padStart(4, '0');
  return hex;
}

/** A number with at most `decimals` decimals and no trailing zeros. */
export function pdfNumber(value: number, decimals = 3): PdfValue {
  const text = value.toFixed(decimals);
  const short = text.includes('.') ? text.replace(/\.?0+$/, '') : text;
  return short === '-0' ? '0' : short;
}

export function pdfDictionary(entries: Readonly<Record<string, PdfValue | undefined>>): PdfValue {
  const parts = Object.entries(entries).filter(([, value]) => value !== undefined);
  return `<< ${parts.map(([key, value]) => `${pdfName(key)} ${value}`).join(' ')} >>`;
}

export function pdfArray(values: readonly PdfValue[]): PdfValue {
  return `[${values.join(' ')}]`;
}

/** How hard a stream is pressed. `fast`: the many small streams of pages, a quarter faster and a twentieth larger than `small`. */
export type Compression = 'small' | 'fast' | 'none';
const LEVELS = { fast: 1, small: 6 } as const;

/** Objects of one file by number, from 1. A number can be reserved before its object is known. */
export class PdfFile {
  private readonly bodies: (Uint8Array | undefined)[] = [];

  reserve(): number {
    this.bodies.push(undefined);
    return this.bodies.length;
  }

  reference(number: number): PdfValue {
    return `${number} 0 R`;
  }

  set(number: number, value: PdfValue): void {
    this.bodies[number - 1] = encoder.encode(value);
  }

  add(value: PdfValue): PdfValue {
    const number = this.reserve();
    this.set(number, value);
    return this.reference(number);
  }

  /** Adds a stream; `entries` go into its dictionary. */
  addStream(
    data: Uint8Array,
    entries: Readonly<Record<string, PdfValue>> = {},
    compression: Compression = 'small',
  ): PdfValue {
    const plain = compression === 'none';
    const body = plain ? data : zlibSync(data, { level: LEVELS[compression] });
    const dictionary = pdfDictionary({
      ...entries,
      ...(plain ? {} : { Filter: '/FlateDecode' }),
      Length: String(body.length),
    });
    const number = this.reserve();
    this.bodies[number - 1] = concat([encoder.encode(`${dictionary}\nstream\n`), body, encoder.encode('\nendstream')]);
    return this.reference(number);
  }

  /** The bytes of the whole file: header, objects, cross-reference table, trailer. */
  write(trailer: Readonly<Record<string, PdfValue>>): Uint8Array<ArrayBuffer> {
    const parts: Uint8Array[] = [Uint8Array.from([...encoder.encode('%PDF-1.7\n%'), 0xe2, 0xe3, 0xcf, 0xd3, 0x0a])];
    let at = parts[0].length;
    const offsets: number[] = [];
    this.bodies.forEach((body, index) => {
      if (body === undefined) throw new Error(`PDF object ${index + 1} was reserved and never written`);
      const object = concat([encoder.encode(`${index + 1} 0 obj\n`), body, encoder.encode('\nendobj\n')]);
      offsets.push(at);
      at += object.length;
      parts.push(object);
    });
    const rows = offsets.map((offset) => `${String(offset).padStart(10, '0')} 00000 n \n`).join('');
    const size = this.bodies.length + 1;
    const end = `xref\n0 ${size}\n0000000000 65535 f \n${rows}trailer\n${pdfDictionary({ Size: String(size), ...trailer })}\nstartxref\n${at}\n%%EOF\n`;
    parts.push(encoder.encode(end));
    return concat(parts);
  }
}
