// Zip archives through fflate, with a stated limit against archives that unpack to something enormous.
import { unzipSync, zipSync, type Zippable } from 'fflate';
import { ImportError } from './errors';
import { MOST_PART_BYTES } from './limits';
import { table } from './table';

/** The most that an archive may unpack to, in bytes; a 1,000-page manuscript with pictures stays far below it. */
export const UNPACKED_LIMIT = 256 * 1024 * 1024;

/** True when the bytes start with the signature of a zip file (PKWARE APPNOTE 4.3.7). */
export function looksLikeZip(bytes: Uint8Array): boolean {
  return bytes.length > 3 && bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;
}

/**
 * Unpacks the members that `wanted` accepts. Sizes are counted as the archive announces them, before anything is unpacked; none
 * gives more bytes than it announces.
 * Throws ImportError `too-large` beyond `limit` bytes, `truncated` when the directory or a member is damaged.
 */
export function unpack(
  bytes: Uint8Array,
  wanted: (name: string) => boolean,
  limit = UNPACKED_LIMIT,
): Record<string, Uint8Array> {
  let announced = 0;
  let members: Record<string, Uint8Array>;
  const tooLarge = (most: number) =>
    new ImportError('too-large', `This file unpacks to more than ${most >> 20} MB, so it was not opened.`);
  try {
    members = unzipSync(bytes, {
      filter(member) {
        if (!wanted(member.name)) return false;
        // A member that claims to be small but is not is cut off by the decoder at its announced size.
        announced += member.originalSize;
        if (/\.(?:xml|rels|opf|x?html?|json)$/.test(member.name) && member.originalSize > MOST_PART_BYTES)
          throw tooLarge(MOST_PART_BYTES);
        if (announced > limit) throw tooLarge(limit);
        return true;
      },
    });
  } catch (error) {
    if (error instanceof ImportError) throw error;
    throw new ImportError('truncated', 'This file is damaged or cut short: its end is missing.');
  }
  // Names of members are words from outside.
  return table(members);
}

/** Packs members into a zip. Same members, same bytes: every entry carries one fixed date. */
export function pack(members: Record<string, Uint8Array>): Uint8Array {
  const entries: Zippable = {};
  for (const name of Object.keys(members)) entries[name] = [members[name], { level: 6, mtime: '1980-01-02T00:00:00' }];
  return zipSync(entries);
}

/** Packs an EPUB: its type first and unpacked, so that the file tells what it is (OCF 3.3, 4.2). */
export function packEpub(
  members: Record<string, string>,
  media: Record<string, Uint8Array> = {},
): Uint8Array<ArrayBuffer> {
  const mtime = '1980-01-02T00:00:00';
  const encoder = new TextEncoder();
  const entries: Zippable = { mimetype: [encoder.encode('application/epub+zip'), { level: 0, mtime }] };
  for (const name of Object.keys(members)) entries[name] = [encoder.encode(members[name]), { level: 6, mtime }];
  for (const name of Object.keys(media)) entries[name] = [media[name], { level: 0, mtime }];
  return zipSync(entries) as Uint8Array<ArrayBuffer>;
}
