// The objects of a PDF file (ISO 32000-1, 7.3) and the file around them (7.5). Each object stands in the file from the
// moment that it is set, and its bytes are given away at the next flush: only where it begins is kept.
import { zlibSync } from 'fflate';
import { concat } from '../../base/bytes';
import type { ByteRange, FileJob, FileStep } from '../../base/fileJob';

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
  /** Where each object begins. */
  private readonly offsets: (number | undefined)[] = [];
  private steps: FileStep[] = [];
  private at = 0;

  constructor() {
    this.put(Uint8Array.from([...encoder.encode('%PDF-1.7\n%'), 0xe2, 0xe3, 0xcf, 0xd3, 0x0a]));
  }

  reserve(): number {
    this.offsets.push(undefined);
    return this.offsets.length;
  }

  reference(number: number): PdfValue {
    return `${number} 0 R`;
  }

  set(number: number, value: PdfValue): void {
    this.begin(number);
    this.put(encoder.encode(`${value}\nendobj\n`));
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
    return this.stream(body.length, { ...entries, ...(plain ? {} : { Filter: '/FlateDecode' }) }, () => this.put(body));
  }

  /** Adds a stream of stretches of a picture's own file. */
  addCopy(asset: string, ranges: readonly ByteRange[], entries: Readonly<Record<string, PdfValue>>): PdfValue {
    const length = ranges.reduce((sum, { from, to }) => sum + to - from, 0);
    return this.stream(length, entries, () => {
      for (const range of ranges) this.steps.push({ kind: 'copy', asset, ...range });
      this.at += length;
    });
  }

  private stream(length: number, entries: Readonly<Record<string, PdfValue>>, put: () => void): PdfValue {
    const number = this.reserve();
    this.begin(number);
    this.put(encoder.encode(`${pdfDictionary({ ...entries, Length: String(length) })}\nstream\n`));
    put();
    this.put(encoder.encode('\nendstream\nendobj\n'));
    return this.reference(number);
  }

  private begin(number: number): void {
    this.offsets[number - 1] = this.at;
    this.put(encoder.encode(`${number} 0 obj\n`));
  }

  private put(bytes: Uint8Array): void {
    this.steps.push({ kind: 'bytes', bytes });
    this.at += bytes.length;
  }

  /** Gives away what was written since. */
  *flush(): FileJob {
    const { steps } = this;
    this.steps = [];
    let open: Uint8Array[] = [];
    for (const step of steps) {
      if (step.kind === 'bytes') open.push(step.bytes);
      else {
        yield { kind: 'bytes', bytes: concat(open) };
        open = [];
        yield step;
      }
    }
    if (open.length > 0) yield { kind: 'bytes', bytes: concat(open) };
  }

  /** Ends the file: cross-reference table and trailer (7.5.4, 7.5.5). */
  *end(trailer: Readonly<Record<string, PdfValue>>): FileJob {
    const rows = this.offsets.map((offset, index) => {
      if (offset === undefined) throw new Error(`PDF object ${index + 1} was reserved and never written`);
      return `${String(offset).padStart(10, '0')} 00000 n \n`;
    });
    const size = String(this.offsets.length + 1);
    const table = `xref\n0 ${size}\n0000000000 65535 f \n${rows.join('')}`;
    this.put(
      encoder.encode(`${table}trailer\n${pdfDictionary({ Size: size, ...trailer })}\nstartxref\n${this.at}\n%%EOF\n`),
    );
    yield* this.flush();
  }
}
