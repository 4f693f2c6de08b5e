// A font file of a person's own: its face as the table of faces has it, or why it cannot be used.
import { ImportError } from '../base/errors';
import type { FaceRecord } from '../model/spec/faces';
import { readSfnt, readSfntNames } from './sfnt';

/** The largest font file that is read, in bytes. */
const FILE_LIMIT = 32 * 1024 * 1024;

/** OS/2 fsType: bit 1 forbids embedding; bit 9 allows only bitmaps (OpenType 1.9, OS/2). */
const FORBIDDEN = 0x0002;
const BITMAP_ONLY = 0x0200;

/** Signatures of TrueType and of PostScript outlines (OpenType 1.9, table directory). */
const SIGNATURES = ['\u0000\u0001\u0000\u0000', 'OTTO', 'true'];

/** Families of one's own have keys that no shipped one has. */
export const OWN_PREFIX = 'own-';

/**
 * The face of a TTF or OTF file. Throws ImportError with a sentence: `too-large`, `not-a-document` for what is no
 * font or a collection, `damaged`, `unknown-kind` for one that may not be embedded.
 */
export function ownFace(fileName: string, bytes: Uint8Array): FaceRecord {
  if (bytes.length > FILE_LIMIT)
    throw new ImportError('too-large', `${fileName} is larger than ${FILE_LIMIT >> 20} MB, so it was not taken.`);
  if (!SIGNATURES.includes(String.fromCharCode(...bytes.subarray(0, 4))))
    throw new ImportError('not-a-document', `${fileName} is no font file that can be read: use TTF, OTF or WOFF2.`);
  try {
    const facts = readSfnt(bytes);
    const { family, weight, italic, permission, kind } = readSfntNames(bytes);
    if ((permission & FORBIDDEN) !== 0 || (permission & BITMAP_ONLY) !== 0)
      throw new ImportError(
        'unknown-kind',
        `${family} may not be embedded by the word of its maker, so no book can be set in it.`,
      );
    if (facts.unitsPerEm < 16 || facts.coverage.length === 0)
      throw new ImportError('damaged', `${fileName} is damaged: it has no characters.`);
    const key = `${OWN_PREFIX}${slugOf(family)}`;
    const height = facts.ascender - facts.descender || facts.unitsPerEm;
    return {
      ...facts,
      capHeight: facts.capHeight > 0 ? facts.capHeight : Math.round(height * 0.55),
      xHeight: facts.xHeight > 0 ? facts.xHeight : Math.round(height * 0.36),
      id: `${key}/${weight}${italic ? 'i' : ''}`,
      family: key,
      familyName: family,
      weight,
      italic,
      file: fileName,
      kind,
    };
  } catch (error) {
    if (error instanceof ImportError && error.code === 'damaged')
      throw new ImportError('damaged', `${fileName} is damaged: ${error.message.replace(/^This font file /, 'it ')}`);
    throw error;
  }
}

function slugOf(family: string): string {
  const slug = family
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 40);
  return slug || 'face';
}
