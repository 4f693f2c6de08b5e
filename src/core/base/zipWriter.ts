// Zip archives member by member (PKWARE APPNOTE 6.3.9): each member is given away as soon as it is made, pictures as they are.
// Beyond 4 GB or 65,535 members the directory is a Zip64 one (4.3.14).
import { deflateSync } from 'fflate';
import { concat } from './bytes';
import { ValueError } from './errors';
import type { FileJob } from './fileJob';

export interface ZipMember {
  readonly name: string;
  /** Bytes, or the picture of a hash, as it is or made another file. */
  readonly content: Uint8Array | { readonly asset: string; readonly convert?: (bytes: Uint8Array) => Uint8Array };
  /** Stands as it is; else it is pressed. Pictures are never pressed: they are already. */
  readonly asItIs?: boolean;
}

/** One fixed date, 2 January 1980, 0:00: same members, same bytes. */
const DATE = 0x22;
const [LOCAL, CENTRAL, END] = [0x04034b50, 0x02014b50, 0x06054b50];
const [END_64, LOCATOR_64] = [0x06064b50, 0x07064b50];
/** Names are UTF-8. */
const FLAGS = 0x0800;
const [STORED, DEFLATED] = [0, 8];
const [MOST_32, MOST_16] = [0xffffffff, 0xffff];

interface Written {
  readonly name: Uint8Array;
  readonly method: number;
  readonly crc: number;
  readonly packed: number;
  readonly size: number;
  readonly at: number;
}

/** Writes an archive. Throws ValueError where a picture cannot be had. */
export function* writeZip(members: Iterable<ZipMember>): FileJob {
  const encoder = new TextEncoder();
  const written: Written[] = [];
  let at = 0;
  for (const { name, content, asItIs = false } of members) {
    const isPicture = 'asset' in content;
    const read = isPicture ? yield { kind: 'picture', asset: content.asset } : content;
    if (read === undefined) throw new ValueError(name, 'A picture of this book could not be read.');
    const bytes = isPicture && content.convert !== undefined ? content.convert(read) : read;
    const asset = isPicture && content.convert === undefined ? content.asset : null;
    const isStored = asItIs || isPicture;
    const packed = isStored ? bytes : deflateSync(bytes, { level: 6 });
    const member: Written = {
      name: encoder.encode(name),
      method: isStored ? STORED : DEFLATED,
      crc: crc32(bytes),
      packed: packed.length,
      size: bytes.length,
      at,
    };
    written.push(member);
    const head = localHead(member);
    yield { kind: 'bytes', bytes: head };
    if (asset === null) yield { kind: 'bytes', bytes: packed };
    else yield { kind: 'copy', asset, from: 0, to: bytes.length };
    at += head.length + packed.length;
  }
  const directory = written.map(centralHead);
  for (const bytes of directory) yield { kind: 'bytes', bytes };
  const size = directory.reduce((sum, { length }) => sum + length, 0);
  yield { kind: 'bytes', bytes: endOf(written.length, size, at) };
}

/** Little-endian fields: [bytes, value] each. */
function fields(...values: readonly (readonly [2 | 4 | 8, number])[]): Uint8Array {
  const bytes = new Uint8Array(values.reduce((sum, [width]) => sum + width, 0));
  const view = new DataView(bytes.buffer);
  let at = 0;
  for (const [width, value] of values) {
    if (width === 2) view.setUint16(at, value, true);
    else if (width === 4) view.setUint32(at, value, true);
    else view.setBigUint64(at, BigInt(value), true);
    at += width;
  }
  return bytes;
}

/** 4.3.7. */
function localHead({ name, method, crc, packed, size }: Written): Uint8Array {
  const head = fields(
    [4, LOCAL],
    [2, 20],
    [2, FLAGS],
    [2, method],
    [2, 0],
    [2, DATE],
    [4, crc],
    [4, packed],
    [4, size],
  );
  return concat([head, fields([2, name.length], [2, 0]), name]);
}

/** 4.3.12; where the member begins beyond 4 GB, an extra field says it (4.5.3). */
function centralHead({ name, method, crc, packed, size, at }: Written): Uint8Array {
  const isFar = at >= MOST_32;
  const extra = isFar ? fields([2, 1], [2, 8], [8, at]) : new Uint8Array(0);
  const version = isFar ? 45 : 20;
  const head = fields(
    ...([
      [4, CENTRAL],
      [2, version],
      [2, version],
      [2, FLAGS],
      [2, method],
      [2, 0],
      [2, DATE],
    ] as const),
    ...([
      [4, crc],
      [4, packed],
      [4, size],
      [2, name.length],
      [2, extra.length],
    ] as const),
    ...([
      [2, 0],
      [2, 0],
      [2, 0],
      [4, 0],
      [4, isFar ? MOST_32 : at],
    ] as const),
  );
  return concat([head, name, extra]);
}

/** 4.3.16, with what 4.3.14 and 4.3.15 put before it where it is too small for the archive. */
function endOf(count: number, size: number, at: number): Uint8Array {
  const is64 = count >= MOST_16 || at >= MOST_32 || size >= MOST_32;
  const short = [Math.min(count, MOST_16), Math.min(size, MOST_32), Math.min(at, MOST_32)] as const;
  const end = fields([4, END], [2, 0], [2, 0], [2, short[0]], [2, short[0]], [4, short[1]], [4, short[2]], [2, 0]);
  if (!is64) return end;
  const end64 = fields(
    ...([
      [4, END_64],
      [8, 44],
      [2, 45],
      [2, 45],
      [4, 0],
      [4, 0],
    ] as const),
    ...([
      [8, count],
      [8, count],
      [8, size],
      [8, at],
    ] as const),
  );
  const locator = fields([4, LOCATOR_64], [4, 0], [8, at + size], [4, 1]);
  return concat([end64, locator, end]);
}

const TABLE = Int32Array.from({ length: 256 }, (_, byte) => {
  let value = byte;
  for (let k = 0; k < 8; k += 1) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  return value;
});

/** CRC-32 (ISO 3309) as zip has it. */
export function crc32(bytes: Uint8Array): number {
  let crc = -1;
  for (let k = 0; k < bytes.length; k += 1) crc = (crc >>> 8) ^ TABLE[(crc ^ bytes[k]) & 0xff];
  return ~crc >>> 0;
}
