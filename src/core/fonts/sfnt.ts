// Reads the facts of a TrueType or OpenType file that the face table holds (OpenType 1.9: head, hhea, OS/2, cmap, GSUB,
// GPOS, post, name). Shaping and outlines are HarfBuzz's; nothing here knows text.
import { ImportError, isPastEnd } from '../base/errors';
import type { FaceKind, FaceRecord } from '../model/spec/faces';
import { tablesOf, type TableReader } from './tableReader';

type SfntFacts = Omit<FaceRecord, 'id' | 'family' | 'familyName' | 'weight' | 'italic' | 'file'>;

/** Reads a font file. Throws ImportError `damaged` when a table that must be there is missing or cut short. */
export function readSfnt(bytes: Uint8Array): SfntFacts {
  try {
    const table = tablesOf(bytes);
    const [head, hhea, os2, cmap, post] = ['head', 'hhea', 'OS/2', 'cmap', 'post'].map(table);
    if (!head || !hhea || !os2 || !cmap || !post) throw new ImportError('damaged', 'This font file lacks a table.');
    return {
      postScriptName: readPostScriptName(table('name')),
      unitsPerEm: head.u16(18),
      ascender: hhea.i16(4),
      descender: hhea.i16(6),
      capHeight: os2.i16(88),
      xHeight: os2.i16(86),
      italicAngle: post.i16(4) + post.u16(6) / 65536,
      box: [head.i16(36), head.i16(38), head.i16(40), head.i16(42)],
      embedding: os2.u16(8) & 0xf,
      coverage: readCoverage(cmap),
      features: [...new Set([...readFeatures(table('GSUB')), ...readFeatures(table('GPOS'))])].sort(),
    };
  } catch (error) {
    if (isPastEnd(error)) throw new ImportError('damaged', 'This font file is cut short.');
    throw error;
  }
}

/** What a file says of its family: its name, its weight and slope, and fsType whole. */
export interface SfntNames {
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
  readonly permission: number;
  readonly kind: FaceKind;
}

/** Reads names and style of a font file (OpenType 1.9: name 16 before 1; OS/2). Throws as readSfnt. */
export function readSfntNames(bytes: Uint8Array): SfntNames {
  try {
    const table = tablesOf(bytes);
    const os2 = table('OS/2');
    if (os2 === undefined) throw new ImportError('damaged', 'This font file lacks a table.');
    const names = table('name');
    const weight = Math.round(Math.min(900, Math.max(100, os2.u16(4))) / 100) * 100;
    return {
      family: readName(names, 16) ?? readName(names, 1) ?? 'Unnamed',
      weight,
      italic: (os2.u16(62) & 1) !== 0,
      permission: os2.u16(8),
      kind: kindOf(os2, table('post')),
    };
  } catch (error) {
    if (isPastEnd(error)) throw new ImportError('damaged', 'This font file is cut short.');
    throw error;
  }
}

/** The kind by PANOSE (OS/2) and fixed pitch (post), where the file says something. */
function kindOf(os2: TableReader, post: TableReader | undefined): FaceKind {
  const [family, serif, , proportion, contrast] = os2.bytes(32, 5);
  if ((post !== undefined && post.u32(12) !== 0) || (family === 2 && proportion === 9)) return 'mono';
  if (family === 3) return 'script';
  if (family !== 2 || serif < 2) return 'other';
  if (serif >= 11) return 'sans';
  if (serif === 6) return 'slab';
  if (serif === 7 || contrast >= 8) return 'modern';
  return serif === 4 || serif === 5 ? 'transitional' : 'oldstyle';
}

/** A name in the Windows encoding, English before others; undefined when there is none. */
function readName(name: TableReader | undefined, id: number): string | undefined {
  if (name === undefined) return undefined;
  const storage = name.u16(4);
  let found: string | undefined;
  for (let k = 0; k < name.u16(2); k += 1) {
    const record = 6 + k * 12;
    if (name.u16(record) !== 3 || name.u16(record + 6) !== id) continue;
    const raw = name.bytes(storage + name.u16(record + 10), name.u16(record + 8));
    let text = '';
    for (let at = 0; at + 1 < raw.length; at += 2) text += String.fromCharCode((raw[at] << 8) | raw[at + 1]);
    const isEnglish = name.u16(record + 4) === 0x409;
    if (text.trim() !== '' && (found === undefined || isEnglish)) found = text.trim().slice(0, 80);
  }
  return found;
}

/** Letters that a name of PostScript may have (name 6). */
function readPostScriptName(name: TableReader | undefined): string {
  return readName(name, 6)?.replace(/[^!-~]|[[\](){}<>/%]/g, '') || 'Unnamed';
}

/** Ranges of code points with a glyph, from the subtable of format 12 or else 4. */
function readCoverage(cmap: TableReader): number[] {
  const formats = new Map<number, number>();
  for (let k = 0; k < cmap.u16(2); k += 1) {
    const offset = cmap.u32(4 + k * 8 + 4);
    formats.set(cmap.u16(offset), offset);
  }
  const ranges: number[] = [];
  const add = (first: number, last: number) => {
    if (ranges.length > 0 && first === ranges[ranges.length - 1] + 1) ranges[ranges.length - 1] = last;
    else ranges.push(first, last);
  };
  const twelve = formats.get(12);
  const four = formats.get(4);
  if (twelve !== undefined) {
    for (let k = 0; k < cmap.u32(twelve + 12); k += 1) {
      const group = twelve + 16 + k * 12;
      add(cmap.u32(group), cmap.u32(group + 4));
    }
  } else if (four !== undefined) {
    const count = cmap.u16(four + 6) / 2;
    for (let k = 0; k < count; k += 1) {
      const last = cmap.u16(four + 14 + k * 2);
      const first = cmap.u16(four + 16 + count * 2 + k * 2);
      if (first !== 0xffff) add(first, Math.min(last, 0xfffe));
    }
  }
  return ranges;
}

function readFeatures(layout: TableReader | undefined): string[] {
  if (layout === undefined) return [];
  const list = layout.u16(6);
  return Array.from({ length: layout.u16(list) }, (_, k) => layout.tag(list + 2 + k * 6));
}
