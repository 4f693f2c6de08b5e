// Font files with nothing but layout tables, made of 16-bit values: rules written out one by one (OpenType 1.9, chapter 2,
// GSUB and GPOS). Offsets are in bytes.

/** A list of 16-bit values. */
export type Words = readonly number[];

export interface LookupParts {
  readonly type: number;
  readonly flag?: number;
  readonly subtables: readonly Words[];
}

const tagWords = (tag: string): number[] => [
  (tag.charCodeAt(0) << 8) | tag.charCodeAt(1),
  (tag.charCodeAt(2) << 8) | tag.charCodeAt(3),
];

/** Values with the parts after them, which `from` is told the byte offsets of. */
export function withParts(from: (offsets: number[]) => Words, parts: readonly Words[]): number[] {
  const size = from(parts.map(() => 0)).length * 2;
  let at = size;
  const offsets = parts.map((part) => {
    const own = at;
    at += part.length * 2;
    return own;
  });
  return [...from(offsets), ...parts.flat()];
}

export const coverage = (...glyphs: number[]): Words => [1, glyphs.length, ...[...glyphs].sort((a, b) => a - b)];
/** Class definition of ranges: first and last glyph, class. */
export const classes = (...ranges: readonly (readonly [number, number, number])[]): Words => [
  2,
  ranges.length,
  ...ranges.flat(),
];

/** A GSUB or GPOS table with one feature, which has the first lookup; the others are there to be named. */
export function layoutTable(feature: string, lookups: readonly LookupParts[]): Words {
  const lookup = ({ type, flag = 0, subtables }: LookupParts) =>
    withParts((offsets) => [type, flag, subtables.length, ...offsets], subtables);
  const lookupList = withParts((offsets) => [lookups.length, ...offsets], lookups.map(lookup));
  const featureList = withParts(([offset]) => [1, ...tagWords(feature), offset], [[0, 1, 0]]);
  const scriptList = [0];
  return withParts(
    ([scripts, features, list]) => [1, 0, scripts, features, list],
    [scriptList, featureList, lookupList],
  );
}

/** A file of the tables. */
export function layoutFont(tables: Readonly<Record<string, Words>>): Uint8Array {
  const entries = Object.entries(tables);
  let at = 12 + entries.length * 16;
  const directory: number[] = [];
  for (const [tag, words] of entries) {
    directory.push(
      ...tagWords(tag),
      0,
      0,
      at >>> 16,
      at & 0xffff,
      (words.length * 2) >>> 16,
      (words.length * 2) & 0xffff,
    );
    at += words.length * 2;
  }
  const all = [0, 1, entries.length, 0, 0, 0, ...directory, ...entries.flatMap(([, words]) => [...words])];
  const bytes = new Uint8Array(all.length * 2);
  const view = new DataView(bytes.buffer);
  all.forEach((word, k) => view.setUint16(k * 2, word));
  return bytes;
}
