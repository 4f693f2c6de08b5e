// WOFF2 files unpacked to TTF or OTF (W3C, WOFF File Format 2.0): the table directory, and the tables that are packed in a way
// of their own: glyf with loca, and hmtx. Brotli itself is given by whoever calls.
import { ImportError, isPastEnd } from '../base/errors';

/** Unpacks to at most `size` bytes; throws Error where there are more, or the stream is damaged. */
export type Brotli = (bytes: Uint8Array, size: number) => Uint8Array;

/** Tags by their number in a table's flags (section 4.1). */
const TAGS = [
  ...['cmap', 'head', 'hhea', 'hmtx', 'maxp', 'name', 'OS/2', 'post', 'cvt ', 'fpgm', 'glyf', 'loca', 'prep', 'CFF '],
  ...['VORG', 'EBDT', 'EBLC', 'gasp', 'hdmx', 'kern', 'LTSH', 'PCLT', 'VDMX', 'vhea', 'vmtx', 'BASE', 'GDEF', 'GPOS'],
  ...['GSUB', 'EBSC', 'JSTF', 'MATH', 'CBDT', 'CBLC', 'COLR', 'CPAL', 'SVG ', 'sbix', 'acnt', 'avar', 'bdat', 'bloc'],
  ...['bsln', 'cvar', 'fdsc', 'feat', 'fmtx', 'fvar', 'gvar', 'hsty', 'just', 'lcar', 'mort', 'morx', 'opbd', 'prop'],
  ...['trak', 'Zapf', 'Silf', 'Glat', 'Gloc', 'Feat', 'Sill'],
];
const OTHER_TAG = 63;
const HEADER = 48;
/** Unpacked bytes that are taken at most. */
const LIMIT = 64 * 1024 * 1024;

/** True for a file with the signature of WOFF2. */
export function isWoff2(bytes: Uint8Array): boolean {
  return String.fromCharCode(...bytes.subarray(0, 4)) === 'wOF2';
}

/** The font as a TTF or OTF file. Throws ImportError `damaged`, or `not-a-document` for a collection of fonts; both name the file. */
export function unpackWoff2(fileName: string, bytes: Uint8Array, brotli: Brotli): Uint8Array {
  try {
    const reader = new Reader(bytes);
    reader.at = 4;
    const flavor = reader.u32();
    if (flavor === 0x74746366)
      throw new ImportError('not-a-document', `${fileName} holds several fonts: take them one by one.`);
    reader.at = 12;
    const count = reader.u16();
    reader.at = 20;
    const packed = reader.u32();
    reader.at = HEADER;
    const entries = Array.from({ length: count }, () => readEntry(reader));
    const size = entries.reduce((sum, { length }) => sum + length, 0);
    if (size > LIMIT) throw new ImportError('damaged', `${fileName} is far too large when it is unpacked.`);
    const stream = brotli(bytes.subarray(reader.at, reader.at + packed), size);
    if (stream.length < size) throw new ImportError('damaged', `${fileName} is damaged: it is cut short.`);
    const tables = new Map<string, Uint8Array>();
    let at = 0;
    for (const { tag, length } of entries) tables.set(tag, stream.subarray(at, (at += length)));
    const isPacked = (name: string) => entries.find(({ tag }) => tag === name)?.isTransformed === true;
    if (isPacked('glyf')) restoreGlyphs(tables);
    if (isPacked('hmtx')) restoreMetrics(tables);
    return writeSfnt(flavor, tables);
  } catch (error) {
    // What the unpacker says is a plain error; any other kind is a fault of ours.
    const isDamage = isPastEnd(error) || (error instanceof Error && error.constructor === Error);
    if (!isDamage) throw error;
    throw new ImportError('damaged', `${fileName} is damaged: it cannot be unpacked.`);
  }
}

interface Entry {
  readonly tag: string;
  /** Bytes in the unpacked stream. */
  readonly length: number;
  readonly isTransformed: boolean;
}

function readEntry(reader: Reader): Entry {
  const flags = reader.u8();
  const number = flags & 0x3f;
  const tag = number === OTHER_TAG ? String.fromCharCode(...reader.take(4)) : TAGS[number];
  const version = flags >> 6;
  const original = reader.base128();
  // For glyf and loca the null transform is number 3, for all others it is 0.
  const isTransformed = tag === 'glyf' || tag === 'loca' ? version !== 3 : version !== 0;
  return { tag, length: isTransformed ? reader.base128() : original, isTransformed };
}

/** Reads big-endian values one after another; past the end it throws RangeError. */
class Reader {
  at = 0;
  private readonly view: DataView;

  constructor(private readonly bytes: Uint8Array) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }
  u8 = () => this.view.getUint8(this.at++);
  u16(): number {
    this.at += 2;
    return this.view.getUint16(this.at - 2);
  }
  i16(): number {
    this.at += 2;
    return this.view.getInt16(this.at - 2);
  }
  u32(): number {
    this.at += 4;
    return this.view.getUint32(this.at - 4);
  }
  take(count: number): Uint8Array {
    if (count < 0 || this.at + count > this.bytes.length) throw new RangeError('past the end');
    this.at += count;
    return this.bytes.subarray(this.at - count, this.at);
  }
  part = (count: number) => new Reader(this.take(count));
  /** UIntBase128: seven bits a byte, the first not 0x80. */
  base128(): number {
    let value = 0;
    for (let k = 0; k < 5; k += 1) {
      const byte = this.u8();
      if (k === 0 && byte === 0x80) throw new RangeError('leading zeros');
      value = value * 128 + (byte & 0x7f);
      if ((byte & 0x80) === 0) return value;
    }
    throw new RangeError('too long a number');
  }
  /** 255UInt16: one byte up to 252, else two or three. */
  u255(): number {
    const code = this.u8();
    if (code === 253) return this.u16();
    if (code === 255) return this.u8() + 253;
    return code === 254 ? this.u8() + 506 : code;
  }
}

/** Grows as it is written; big-endian. */
class Writer {
  private bytes = new Uint8Array(1 << 16);
  length = 0;
  private room(count: number): void {
    if (this.length + count <= this.bytes.length) return;
    const larger = new Uint8Array(Math.max(this.bytes.length * 2, this.length + count));
    larger.set(this.bytes);
    this.bytes = larger;
  }
  u8(value: number): void {
    this.room(1);
    this.bytes[this.length++] = value & 0xff;
  }
  u16(value: number): void {
    this.u8(value >> 8);
    this.u8(value);
  }
  u32(value: number): void {
    this.u16(value >>> 16);
    this.u16(value & 0xffff);
  }
  put(values: Uint8Array): void {
    this.room(values.length);
    this.bytes.set(values, this.length);
    this.length += values.length;
  }
  pad(to: number): void {
    while (this.length % to !== 0) this.u8(0);
  }
  done = () => this.bytes.slice(0, this.length);
}

const COMPONENT = { words: 0x1, scale: 0x8, more: 0x20, xyScale: 0x40, twoByTwo: 0x80, instructions: 0x100 };

/** Puts glyf and loca in place of the transformed glyf (section 5.1); loca has long offsets then, and head says so. */
function restoreGlyphs(tables: Map<string, Uint8Array>): void {
  const all = new Reader(tables.get('glyf')!);
  all.u16();
  const options = all.u16();
  const glyphs = all.u16();
  all.u16();
  const sizes = Array.from({ length: 7 }, () => all.u32());
  const [contours, points, flags, triplets, composites, boxes, instructions] = sizes.map((size) => all.part(size));
  const boxBits = boxes.take(4 * Math.ceil(glyphs / 32));
  const overlapBits = (options & 1) === 1 ? all.take(4 * Math.ceil(glyphs / 32)) : null;
  const isSet = (bits: Uint8Array, glyph: number) => (bits[glyph >> 3] & (0x80 >> (glyph & 7))) !== 0;
  const glyf = new Writer();
  const loca = new Writer();
  for (let glyph = 0; glyph < glyphs; glyph += 1) {
    loca.u32(glyf.length);
    const count = contours.i16();
    const box = isSet(boxBits, glyph) ? boxes.take(8) : null;
    if (count === 0) continue;
    glyf.u16(count);
    if (count < 0) {
      if (box === null) throw new RangeError('a composite without a box');
      glyf.put(box);
      putComposite(glyf, composites, triplets, instructions);
    } else {
      const ends: number[] = [];
      for (let k = 0; k < count; k += 1) ends.push((ends[k - 1] ?? -1) + points.u255());
      const outline = readOutline(ends[count - 1] + 1, flags, triplets);
      if (box === null) for (const edge of boxOf(outline)) glyf.u16(edge);
      else glyf.put(box);
      for (const end of ends) glyf.u16(end);
      const size = triplets.u255();
      glyf.u16(size);
      glyf.put(instructions.take(size));
      putOutline(glyf, outline, overlapBits !== null && isSet(overlapBits, glyph));
    }
    glyf.pad(4);
  }
  loca.u32(glyf.length);
  tables.set('glyf', glyf.done());
  tables.set('loca', loca.done());
  const head = tables.get('head')!.slice();
  new DataView(head.buffer).setInt16(50, 1);
  tables.set('head', head);
}

function putComposite(glyf: Writer, composites: Reader, triplets: Reader, instructions: Reader): void {
  let hasInstructions = false;
  for (let more = true; more;) {
    const flags = composites.u16();
    glyf.u16(flags);
    const size =
      2 +
      ((flags & COMPONENT.words) !== 0 ? 4 : 2) +
      ((flags & COMPONENT.scale) !== 0
        ? 2
        : (flags & COMPONENT.xyScale) !== 0
          ? 4
          : (flags & COMPONENT.twoByTwo) !== 0
            ? 8
            : 0);
    glyf.put(composites.take(size));
    hasInstructions ||= (flags & COMPONENT.instructions) !== 0;
    more = (flags & COMPONENT.more) !== 0;
  }
  if (!hasInstructions) return;
  const size = triplets.u255();
  glyf.u16(size);
  glyf.put(instructions.take(size));
}

/** Points as steps from the one before. */
interface Outline {
  readonly dx: Int16Array;
  readonly dy: Int16Array;
  readonly onCurve: Uint8Array;
}

/** Points from their flags and triplets (section 5.2). */
function readOutline(count: number, flags: Reader, triplets: Reader): Outline {
  const outline = { dx: new Int16Array(count), dy: new Int16Array(count), onCurve: new Uint8Array(count) };
  const signed = (bit: number, value: number) => ((bit & 1) === 1 ? value : -value);
  for (let k = 0; k < count; k += 1) {
    const byte = flags.u8();
    outline.onCurve[k] = (byte & 0x80) === 0 ? 1 : 0;
    const flag = byte & 0x7f;
    let [dx, dy] = [0, 0];
    if (flag < 10) dy = signed(flag, ((flag & 14) << 7) + triplets.u8());
    else if (flag < 20) dx = signed(flag, (((flag - 10) & 14) << 7) + triplets.u8());
    else if (flag < 84) {
      const [high, low] = [flag - 20, triplets.u8()];
      dx = signed(flag, 1 + (high & 0x30) + (low >> 4));
      dy = signed(flag >> 1, 1 + ((high & 0x0c) << 2) + (low & 0x0f));
    } else if (flag < 120) {
      const high = flag - 84;
      dx = signed(flag, 1 + (Math.floor(high / 12) << 8) + triplets.u8());
      dy = signed(flag >> 1, 1 + (((high % 12) >> 2) << 8) + triplets.u8());
    } else if (flag < 124) {
      const [a, b, c] = triplets.take(3);
      dx = signed(flag, (a << 4) + (b >> 4));
      dy = signed(flag >> 1, ((b & 0x0f) << 8) + c);
    } else {
      dx = signed(flag, triplets.u16());
      dy = signed(flag >> 1, triplets.u16());
    }
    outline.dx[k] = dx;
    outline.dy[k] = dy;
  }
  return outline;
}

/** xMin, yMin, xMax, yMax of the points. */
function boxOf({ dx, dy }: Outline): readonly number[] {
  let [x, y] = [0, 0];
  let [left, bottom, right, top] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let k = 0; k < dx.length; k += 1) {
    [x, y] = [x + dx[k], y + dy[k]];
    [left, right] = [Math.min(left, x), Math.max(right, x)];
    [bottom, top] = [Math.min(bottom, y), Math.max(top, y)];
  }
  return dx.length === 0 ? [0, 0, 0, 0] : [left, bottom, right, top];
}

const FLAG = { onCurve: 0x1, xByte: 0x2, yByte: 0x4, xSame: 0x10, ySame: 0x20, overlap: 0x40 };

/** Flags and steps as glyf has them (OpenType 1.9): a byte where it will do, nothing for no step; flags are not run together. */
function putOutline(glyf: Writer, { dx, dy, onCurve }: Outline, overlaps: boolean): void {
  const axisFlag = (step: number, byte: number, same: number) =>
    step === 0 ? same : Math.abs(step) < 256 ? byte | (step > 0 ? same : 0) : 0;
  for (let k = 0; k < dx.length; k += 1)
    glyf.u8(
      (onCurve[k] === 1 ? FLAG.onCurve : 0) |
        axisFlag(dx[k], FLAG.xByte, FLAG.xSame) |
        axisFlag(dy[k], FLAG.yByte, FLAG.ySame) |
        (overlaps && k === 0 ? FLAG.overlap : 0),
    );
  for (const steps of [dx, dy])
    for (const step of steps) {
      if (step === 0) continue;
      if (Math.abs(step) < 256) glyf.u8(Math.abs(step));
      else glyf.u16(step);
    }
}

/** Puts hmtx in place of the transformed one (section 5.4): side bearings left out are the left edges of the glyphs. */
function restoreMetrics(tables: Map<string, Uint8Array>): void {
  const long = new DataView(tables.get('hhea')!.slice().buffer).getUint16(34);
  const glyphs = new DataView(tables.get('maxp')!.slice().buffer).getUint16(4);
  const packed = new Reader(tables.get('hmtx')!);
  const flags = packed.u8();
  const advances = Array.from({ length: long }, () => packed.u16());
  const longBearings = (flags & 1) === 1 ? null : Array.from({ length: long }, () => packed.i16());
  const restBearings = (flags & 2) === 2 ? null : Array.from({ length: glyphs - long }, () => packed.i16());
  const leftEdge = leftEdges(tables);
  const hmtx = new Writer();
  for (let glyph = 0; glyph < glyphs; glyph += 1) {
    if (glyph < long) hmtx.u16(advances[glyph]);
    const given = glyph < long ? longBearings?.[glyph] : restBearings?.[glyph - long];
    hmtx.u16(given ?? leftEdge(glyph));
  }
  tables.set('hmtx', hmtx.done());
}

/** xMin of a glyph by its number; 0 for one without an outline. */
function leftEdges(tables: Map<string, Uint8Array>): (glyph: number) => number {
  const [glyf, loca] = ['glyf', 'loca'].map((tag) => {
    const bytes = tables.get(tag)!;
    return new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  });
  return (glyph) => {
    const [from, to] = [loca.getUint32(glyph * 4), loca.getUint32(glyph * 4 + 4)];
    return to > from ? glyf.getInt16(from + 2) : 0;
  };
}

/** A font file of the tables, sorted by their tags (OpenType 1.9, table directory). */
function writeSfnt(flavor: number, tables: ReadonlyMap<string, Uint8Array>): Uint8Array {
  const sorted = [...tables].sort(([a], [b]) => (a < b ? -1 : 1));
  const out = new Writer();
  const power = 2 ** Math.floor(Math.log2(Math.max(1, sorted.length)));
  out.u32(flavor);
  out.u16(sorted.length);
  out.u16(power * 16);
  out.u16(Math.log2(power));
  out.u16((sorted.length - power) * 16);
  let at = 12 + sorted.length * 16;
  for (const [tag, bytes] of sorted) {
    for (const char of tag) out.u8(char.charCodeAt(0));
    out.u32(checksum(bytes));
    out.u32(at);
    out.u32(bytes.length);
    at += Math.ceil(bytes.length / 4) * 4;
  }
  for (const [, bytes] of sorted) {
    out.put(bytes);
    out.pad(4);
  }
  return out.done();
}

function checksum(bytes: Uint8Array): number {
  let sum = 0;
  for (let k = 0; k < bytes.length; k += 4)
    sum =
      (sum + ((bytes[k] << 24) | ((bytes[k + 1] ?? 0) << 16) | ((bytes[k + 2] ?? 0) << 8) | (bytes[k + 3] ?? 0))) >>> 0;
  return sum;
}
