// The directory of a zip archive that is read by stretches (PKWARE APPNOTE 6.3.9), and its members one by one: an archive of any
// size needs the memory of its largest member.
import { inflateSync } from 'fflate';
import { ImportError } from './errors';
import type { ByteRange, ReadJob } from './fileJob';

export interface ZipEntry {
  readonly name: string;
  readonly method: number;
  /** Bytes in the archive, and unpacked as it announces them. */
  readonly packed: number;
  readonly size: number;
  /** Where its local header begins. */
  readonly at: number;
}

const [LOCAL, CENTRAL, END, END_64, LOCATOR_64] = [0x04034b50, 0x02014b50, 0x06054b50, 0x06064b50, 0x07064b50];
const [END_SIZE, LOCATOR_SIZE, MOST_COMMENT] = [22, 20, 0xffff];
const MOST_DIRECTORY = 64 * 1024 * 1024;
const [STORED, DEFLATED] = [0, 8];
const [MOST_32, MOST_16] = [0xffffffff, 0xffff];

const damaged = () => new ImportError('truncated', 'This file is damaged or cut short: its end is missing.');

/** The members of an archive of `size` bytes. Throws ImportError `truncated`. */
export function* readZipDirectory(size: number): ReadJob<ZipEntry[]> {
  const { count, range } = yield* directoryPlace(size);
  if (range.to > size || range.from > range.to || range.to - range.from > MOST_DIRECTORY) throw damaged();
  const bytes = yield range;
  const view = viewOf(bytes);
  const entries: ZipEntry[] = [];
  for (let at = 0; entries.length < count;) {
    if (at + 46 > bytes.length || view.getUint32(at, true) !== CENTRAL) throw damaged();
    const [nameLength, extraLength, commentLength] = [28, 30, 32].map((field) => view.getUint16(at + field, true));
    const end = at + 46 + nameLength + extraLength + commentLength;
    if (end > bytes.length) throw damaged();
    const extra = bytes.subarray(at + 46 + nameLength, at + 46 + nameLength + extraLength);
    const [whole, packed, start] = wide(
      [24, 20, 42].map((field) => view.getUint32(at + field, true)),
      extra,
    );
    if (start + packed > size) throw damaged();
    const name = new TextDecoder().decode(bytes.subarray(at + 46, at + 46 + nameLength));
    entries.push({ name, method: view.getUint16(at + 10, true), packed, size: whole, at: start });
    at = end;
  }
  return entries;
}

/** Where the directory is, and how many members it has. */
function* directoryPlace(size: number): ReadJob<{ readonly count: number; readonly range: ByteRange }> {
  const from = Math.max(0, size - END_SIZE - LOCATOR_SIZE - MOST_COMMENT);
  const tail = yield { from, to: size };
  const view = viewOf(tail);
  let end = tail.length - END_SIZE;
  while (end >= 0 && view.getUint32(end, true) !== END) end -= 1;
  if (end < 0) throw damaged();
  const count = view.getUint16(end + 10, true);
  const [length, start] = [view.getUint32(end + 12, true), view.getUint32(end + 16, true)];
  const locator = end - LOCATOR_SIZE;
  const isWide = count === MOST_16 || length === MOST_32 || start === MOST_32;
  if (!isWide || locator < 0 || view.getUint32(locator, true) !== LOCATOR_64)
    return { count, range: { from: start, to: start + length } };
  const at = Number(view.getBigUint64(locator + 8, true));
  if (at + 56 > size) throw damaged();
  const wideEnd = viewOf(yield { from: at, to: at + 56 });
  if (wideEnd.getUint32(0, true) !== END_64) throw damaged();
  const [many, long, first] = [32, 40, 48].map((field) => Number(wideEnd.getBigUint64(field, true)));
  return { count: many, range: { from: first, to: first + long } };
}

/** Sizes and offset, those of 32 set bits taken from the Zip64 extra field in their order (4.5.3). */
function wide(values: readonly number[], extra: Uint8Array): number[] {
  const view = viewOf(extra);
  let at = 0;
  while (at + 4 <= extra.length && view.getUint16(at, true) !== 1) at += 4 + view.getUint16(at + 2, true);
  let next = at + 4;
  return values.map((value) => {
    if (value !== MOST_32 || next + 8 > extra.length) return value;
    next += 8;
    return Number(view.getBigUint64(next - 8, true));
  });
}

/** Where the bytes of a member stand in the archive as they are; null when they are pressed. */
export function* storedRange(entry: ZipEntry, size: number): ReadJob<ByteRange | null> {
  const range = yield* packedRange(entry, size);
  return entry.method === STORED && entry.packed === entry.size ? range : null;
}

/** The bytes of a member. What gives more bytes than it announces is cut off there. Throws ImportError `truncated`. */
export function* readMember(entry: ZipEntry, size: number): ReadJob<Uint8Array> {
  const bytes = yield yield* packedRange(entry, size);
  if (entry.method === STORED) return bytes;
  if (entry.method !== DEFLATED) throw damaged();
  try {
    return inflateSync(bytes, { out: new Uint8Array(entry.size) });
  } catch {
    throw damaged();
  }
}

function* packedRange({ at, packed }: ZipEntry, size: number): ReadJob<ByteRange> {
  if (at + 30 > size) throw damaged();
  const head = viewOf(yield { from: at, to: at + 30 });
  if (head.getUint32(0, true) !== LOCAL) throw damaged();
  const from = at + 30 + head.getUint16(26, true) + head.getUint16(28, true);
  if (from + packed > size) throw damaged();
  return { from, to: from + packed };
}

const viewOf = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
