// Facts of the faces that the book can be set in: the table made at build, and how a style finds its face in it.
import { table } from '../../base/table';
import type { FontUnit } from './length';
import type { WordSpace } from './spec';

/** The id of one face: family key, weight, and `i` for italic, such as `eb-garamond/400i`. */
export type FaceId = string;

export interface FaceRecord {
  readonly id: FaceId;
  readonly family: string;
  readonly familyName: string;
  readonly weight: number;
  readonly italic: boolean;
  /** File name under the fonts folder. */
  readonly file: string;
  readonly postScriptName: string;
  readonly unitsPerEm: number;
  readonly ascender: FontUnit;
  readonly descender: FontUnit;
  readonly capHeight: FontUnit;
  readonly xHeight: FontUnit;
  readonly italicAngle: number;
  /** xMin, yMin, xMax, yMax of the font's box. */
  readonly box: readonly [FontUnit, FontUnit, FontUnit, FontUnit];
  /** OS/2 fsType: 0 and 8 permit embedding with editing, 2 forbids it. */
  readonly embedding: number;
  /** Sorted code point ranges that the face covers: first, last, first, last ... both inclusive. */
  readonly coverage: readonly number[];
  /** Tags of its OpenType substitution and positioning features. */
  readonly features: readonly string[];
  /** Absent: by the table of what ships. */
  readonly kind?: FaceKind;
}

/** Kinds of faces, as typesetters sort them. */
export type FaceKind = 'oldstyle' | 'transitional' | 'modern' | 'slab' | 'sans' | 'script' | 'mono' | 'other';

/** A face of the person's own with its file. */
export interface OwnFont {
  readonly record: FaceRecord;
  readonly bytes: Uint8Array;
}

/** Whether two fonts are the same face from the same file, byte by byte. */
export const isSameFont = (a: OwnFont, b: OwnFont): boolean =>
  a === b ||
  (a.record.id === b.record.id &&
    a.bytes.length === b.bytes.length &&
    a.bytes.every((byte, at) => byte === b.bytes[at]));

export type FaceTable = readonly FaceRecord[];

/** Word-space limits per face, in em of its size (house rules, section 3; measured on the shipped faces). */
export const WORD_SPACES: Readonly<Record<string, WordSpace>> = table({
  'eb-garamond': { least: 0.15, wished: 0.2, most: 0.3 },
  'source-serif-4': { least: 0.175, wished: 0.225, most: 0.335 },
  spectral: { least: 0.185, wished: 0.24, most: 0.36 },
  alegreya: { least: 0.15, wished: 0.195, most: 0.295 },
});

/** Limits for a face without measured ones: 0.75, 0.97 and 1.45 times its own space, given in em. */
export function wordSpaceOf(family: string, ownSpace: number): WordSpace {
  return WORD_SPACES[family] ?? { least: ownSpace * 0.75, wished: ownSpace * 0.97, most: ownSpace * 1.45 };
}

/**
 * Limits where letters may not give and spaces take all that a line is off by: 0.65, 1.1 and 1.6 times the face's own space
 * (docs/decisions/010).
 */
export function wordSpaceAlone(ownSpace: number): WordSpace {
  const em = (times: number) => Math.round(ownSpace * times * 1e4) / 1e4;
  return { least: em(0.65), wished: em(1.1), most: em(1.6) };
}

/** Word spaces over which a line is loose, in em: one and a half times the face's own space (house rules, section 3). */
const LOOSE_OVER: Readonly<Record<string, number>> = table({
  'eb-garamond': 0.3,
  'source-serif-4': 0.355,
  spectral: 0.375,
  alegreya: 0.295,
});

export function looseOver(family: string, ownSpace: number): number {
  return LOOSE_OVER[family] ?? ownSpace * 1.5;
}

/** True when the face has a glyph for the code point. */
export function covers(face: FaceRecord, codePoint: number): boolean {
  const ranges = face.coverage;
  let low = 0;
  let high = ranges.length >> 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (codePoint > ranges[middle * 2 + 1]) low = middle + 1;
    else high = middle;
  }
  return low * 2 < ranges.length && codePoint >= ranges[low * 2];
}

/** Code points below this are looked up in a table: all of Latin, Greek, Cyrillic and the marks of text. */
const TABLED = 0x2100;
const coverageTables = new WeakMap<FaceRecord, Uint8Array>();

/** Coverage of the code points below 0x2100, one byte each, 1 for a glyph; made once per face. */
export function coverageTable(face: FaceRecord): Uint8Array {
  let table = coverageTables.get(face);
  if (table === undefined) {
    table = Uint8Array.from({ length: TABLED }, (_, codePoint) => (covers(face, codePoint) ? 1 : 0));
    coverageTables.set(face, table);
  }
  return table;
}

/** The face of a family nearest to the weight and slope; slope counts before weight. Undefined: no such family. */
export function maybeFace(table: FaceTable, family: string, weight: number, italic: boolean): FaceRecord | undefined {
  let best: FaceRecord | undefined;
  let bestDistance = Infinity;
  for (const face of table) {
    if (face.family !== family) continue;
    const distance = Math.abs(face.weight - weight) + (face.italic === italic ? 0 : 2000);
    if (distance < bestDistance) [best, bestDistance] = [face, distance];
  }
  return best;
}

/** Families that can be chosen as the body face, in the order in which they are offered. */
export const TEXT_FAMILIES = [
  'eb-garamond',
  'source-serif-4',
  'spectral',
  'alegreya',
  'crimson-pro',
  'libre-caslon-text',
];

/** Families looked through, in order, for a character that the wished face lacks. */
export const FALLBACK_FAMILIES = [
  'source-serif-4',
  'eb-garamond',
  'source-sans-3',
  'frank-ruhl-libre',
  'amiri',
  'noto-emoji',
  'walnut-ornaments',
];

/** Ornaments that ship have a face of their own: no text face lacks them. */
export const isShippedOrnament = (code: number): boolean => code >= 0xe701 && code <= 0xe70a;

/** A family by its key, where its name is not known: `own-fell-oak` is Fell Oak. */
export function familyInWords(family: string): string {
  return family
    .replace(/^own-/, '')
    .split('-')
    .map((word) => word.slice(0, 1).toUpperCase() + word.slice(1))
    .join(' ');
}
