// Zip archives of other programs, unpacked through fflate, with a stated limit against what unpacks to something enormous.
import { unzipSync } from 'fflate';
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
