// Whether the words of a face may be shaped one by one and remembered: proved from its layout tables, never tried out.
// It holds when no rule of GSUB or GPOS sees across a space: then what HarfBuzz makes of `␣word␣` is what it makes of
// the word, and of the space before it, in any run. Conservative: of the features in use every lookup counts, whatever
// its script and language, and so does every lookup that a context of theirs names.
import { isPastEnd } from '../base/errors';
import { type TableReader, tablesOf } from './tableReader';

/** Lookup flags (OpenType 1.9, chapter 2): glyphs of a class are passed over as if they were not there. */
const IGNORE_BASE = 0x0002;
const IGNORE_LIGATURES = 0x0004;

/** Glyph classes of GDEF. */
const BASE = 1;
const LIGATURE = 2;
const MARK = 3;

const GSUB = { multiple: 2, alternate: 3, ligature: 4, context: 5, chained: 6, extension: 7, reverse: 8 };
const GPOS = { pair: 2, cursive: 3, markFirst: 4, markLast: 6, context: 7, chained: 8, extension: 9 };

/** Features that HarfBuzz applies to horizontal text without being asked (its default shaper; `frac` and its parts only at U+2044). */
const ALWAYS_ON =
  'rvrn ltra ltrm rand ccmp locl rlig calt clig liga rclt abvm blwm mark mkmk curs dist kern Harf HARF Buzz BUZZ'.split(
    ' ',
  );

/** What one lookup is asked with: its table, the glyph of the space, and where the lookups that its contexts name are told. */
interface Asked {
  readonly table: TableReader;
  readonly space: number;
  readonly named: number[];
}

/**
 * True when each word of a run in this face can be shaped with only the spaces at its sides, and the results joined.
 * `space`: the glyph of U+0020; `features`: as they are given to HarfBuzz, `smcp,-liga`. A file that is cut short, that
 * varies, or that has Apple's layout tables, is answered with false.
 */
export function wordsStandApart(bytes: Uint8Array, space: number, features: string): boolean {
  try {
    const table = tablesOf(bytes);
    if (['morx', 'mort', 'kerx', 'kern'].some((tag) => table(tag) !== undefined)) return false;
    const spaceClass = glyphClassOf(table('GDEF'), space);
    if (spaceClass === MARK) return false;
    const passedOver = (flag: number) =>
      ((flag & IGNORE_BASE) !== 0 && spaceClass === BASE) ||
      ((flag & IGNORE_LIGATURES) !== 0 && spaceClass === LIGATURE);
    const on = new Set([...ALWAYS_ON, ...features.split(',').map((one) => one.trim().slice(0, 4))]);
    return (
      everyLookup(table('GSUB'), space, GSUB.extension, on, passedOver, (asked, type, subtables) =>
        subtables.every((at) => substitutionIsLocal(asked, type, at)),
      ) && everyLookup(table('GPOS'), space, GPOS.extension, on, passedOver, positioningIsLocal)
    );
  } catch (error) {
    if (isPastEnd(error)) return false;
    throw error;
  }
}

/** Class of a glyph by GDEF; a face without classes has all its spacing glyphs as bases. */
function glyphClassOf(gdef: TableReader | undefined, glyph: number): number {
  const at = gdef === undefined ? 0 : gdef.u16(4);
  return gdef === undefined || at === 0 ? BASE : classOf(gdef, at, glyph);
}

/** Asks each lookup in use of the table with its subtables, extensions resolved. A flag that passes over the space ends it. */
function everyLookup(
  layout: TableReader | undefined,
  space: number,
  extension: number,
  features: ReadonlySet<string>,
  passedOver: (flag: number) => boolean,
  isLocal: (asked: Asked, type: number, subtables: readonly number[]) => boolean,
): boolean {
  if (layout === undefined) return true;
  const varies = layout.u16(2) > 0 && layout.u32(10) !== 0;
  if (varies) return false;
  const list = layout.u16(8);
  const waiting = lookupsOf(layout, features);
  const seen = new Set<number>();
  for (let index = waiting.pop(); index !== undefined; index = waiting.pop()) {
    if (seen.has(index) || index >= layout.u16(list)) continue;
    seen.add(index);
    const lookup = list + layout.u16(list + 2 + index * 2);
    if (passedOver(layout.u16(lookup + 2))) return false;
    let type = layout.u16(lookup);
    const subtables = offsets(layout, lookup, lookup + 4);
    if (type === extension) {
      type = subtables.length > 0 ? layout.u16(subtables[0] + 2) : type;
      for (let s = 0; s < subtables.length; s += 1) subtables[s] += layout.u32(subtables[s] + 4);
    }
    if (!isLocal({ table: layout, space, named: waiting }, type, subtables)) return false;
  }
  return true;
}

/** Indices of the lookups of the features. */
function lookupsOf(layout: TableReader, features: ReadonlySet<string>): number[] {
  const list = layout.u16(6);
  const found: number[] = [];
  for (let k = 0; k < layout.u16(list); k += 1) {
    const record = list + 2 + k * 6;
    if (!features.has(layout.tag(record))) continue;
    const feature = list + layout.u16(record + 4);
    for (let n = 0; n < layout.u16(feature + 2); n += 1) found.push(layout.u16(feature + 4 + n * 2));
  }
  return found;
}

/** A counted list of 16-bit offsets at `at`, each from `from`. */
function offsets(table: TableReader, from: number, at: number): number[] {
  return Array.from({ length: table.u16(at) }, (_, k) => from + table.u16(at + 2 + k * 2));
}

/** Place of a glyph in a coverage table; -1 when it is not there. */
function coverageIndex(table: TableReader, at: number, glyph: number): number {
  const count = table.u16(at + 2);
  if (table.u16(at) === 1) {
    for (let k = 0; k < count; k += 1) if (table.u16(at + 4 + k * 2) === glyph) return k;
    return -1;
  }
  for (let k = 0; k < count; k += 1) {
    const range = at + 4 + k * 6;
    if (glyph >= table.u16(range) && glyph <= table.u16(range + 2))
      return table.u16(range + 4) + glyph - table.u16(range);
  }
  return -1;
}

/** Tells the lookups that a rule names: a counted list of (place, lookup), `count` entries from `at`. */
function nameLookups({ table, named }: Asked, at: number, count: number): void {
  for (let k = 0; k < count; k += 1) named.push(table.u16(at + k * 4 + 2));
}

const isCovered = ({ table, space }: Asked, at: number) => coverageIndex(table, at, space) >= 0;

/** Class of a glyph in a class definition; 0 for one that it does not name. */
function classOf(table: TableReader, at: number, glyph: number): number {
  if (at === 0) return 0;
  if (table.u16(at) === 1) {
    const index = glyph - table.u16(at + 2);
    return index >= 0 && index < table.u16(at + 4) ? table.u16(at + 6 + index * 2) : 0;
  }
  for (let k = 0; k < table.u16(at + 2); k += 1) {
    const range = at + 4 + k * 6;
    if (glyph >= table.u16(range) && glyph <= table.u16(range + 2)) return table.u16(range + 4);
  }
  return 0;
}

/** No substitution changes the space, and contexts meet it only at their outer ends. */
function substitutionIsLocal(asked: Asked, type: number, at: number): boolean {
  const { table, space } = asked;
  if (type === GSUB.context || type === GSUB.chained) return contextIsLocal(asked, at, type === GSUB.chained);
  if (type === GSUB.reverse) {
    if (isCovered(asked, at + table.u16(at + 2))) return false;
    const behind = at + 4;
    const ahead = behind + 2 + table.u16(behind) * 2;
    return [behind, ahead].every((list) => meetsAtEnd(offsets(table, at, list).map((one) => isCovered(asked, one))));
  }
  if (isCovered(asked, at + table.u16(at + 2))) return false;
  if (type !== GSUB.ligature) return true;
  return offsets(table, at, at + 4).every((set) =>
    offsets(table, set, set).every((ligature) => {
      for (let k = 1; k < table.u16(ligature + 2); k += 1) if (table.u16(ligature + 2 + k * 2) === space) return false;
      return true;
    }),
  );
}

/** A list from the inside outwards: only its last place may be the space. */
const meetsAtEnd = (spaces: readonly boolean[]) =>
  spaces.lastIndexOf(true) < 0 || spaces.indexOf(true) === spaces.length - 1;

/** Context and chained context of both tables: the space in no input, and elsewhere only as the outermost glyph. */
function contextIsLocal(asked: Asked, at: number, isChained: boolean): boolean {
  const { table, space } = asked;
  const format = table.u16(at);
  if (format === 3) return coverageRuleIsLocal(asked, at, isChained);
  if (format !== 1 && format !== 2) return false;
  // Each place of a rule holds a glyph (format 1) or a class (format 2); `value` is what the space is there.
  const classAt = (offset: number) =>
    table.u16(at + offset) === 0 ? 0 : classOf(table, at + table.u16(at + offset), space);
  const [behind, input, ahead] =
    format === 1 ? [space, space, space] : isChained ? [classAt(4), classAt(6), classAt(8)] : [0, classAt(4), 0];
  const firstSpace = coverageIndex(table, at + table.u16(at + 2), space);
  const sets = at + (format === 1 ? 4 : isChained ? 10 : 6);
  for (let c = 0; c < table.u16(sets); c += 1) {
    if (table.u16(sets + 2 + c * 2) === 0) continue;
    const startsAtSpace = firstSpace >= 0 && (format === 1 ? firstSpace === c : input === c);
    for (const rule of offsets(table, at + table.u16(sets + 2 + c * 2), at + table.u16(sets + 2 + c * 2))) {
      if (startsAtSpace || !ruleIsLocal(asked, rule, isChained, behind, input, ahead)) return false;
    }
  }
  return true;
}

/** One rule of glyphs or classes (SequenceRule, ChainedSequenceRule and their class forms). */
function ruleIsLocal(
  asked: Asked,
  rule: number,
  isChained: boolean,
  behind: number,
  input: number,
  ahead: number,
): boolean {
  const { table } = asked;
  const list = (at: number, count: number, value: number) =>
    Array.from({ length: count }, (_, k) => table.u16(at + k * 2) === value);
  if (!isChained) {
    const own = table.u16(rule) - 1;
    nameLookups(asked, rule + 4 + own * 2, table.u16(rule + 2));
    return !list(rule + 4, own, input).includes(true);
  }
  const before = table.u16(rule);
  const middle = rule + 2 + before * 2;
  const own = table.u16(middle) - 1;
  const after = middle + 2 + own * 2;
  const records = after + 2 + table.u16(after) * 2;
  nameLookups(asked, records + 2, table.u16(records));
  return (
    meetsAtEnd(list(rule + 2, before, behind)) &&
    !list(middle + 2, own, input).includes(true) &&
    meetsAtEnd(list(after + 2, table.u16(after), ahead))
  );
}

/** A rule of coverages (format 3). */
function coverageRuleIsLocal(asked: Asked, at: number, isChained: boolean): boolean {
  const { table } = asked;
  const spaces = (list: number, count: number) =>
    Array.from({ length: count }, (_, k) => isCovered(asked, at + table.u16(list + k * 2)));
  if (!isChained) {
    nameLookups(asked, at + 6 + table.u16(at + 2) * 2, table.u16(at + 4));
    return !spaces(at + 6, table.u16(at + 2)).includes(true);
  }
  const behind = at + 2;
  const input = behind + 2 + table.u16(behind) * 2;
  const ahead = input + 2 + table.u16(input) * 2;
  const records = ahead + 2 + table.u16(ahead) * 2;
  nameLookups(asked, records + 2, table.u16(records));
  return (
    meetsAtEnd(spaces(behind + 2, table.u16(behind))) &&
    !spaces(input + 2, table.u16(input)).includes(true) &&
    meetsAtEnd(spaces(ahead + 2, table.u16(ahead)))
  );
}

/** Contexts as in substitution, pairs, and no glyph hung on the other side of a space. */
function positioningIsLocal(asked: Asked, type: number, subtables: readonly number[]): boolean {
  const { table } = asked;
  if (type === GPOS.context || type === GPOS.chained)
    return subtables.every((at) => contextIsLocal(asked, at, type === GPOS.chained));
  if (type === GPOS.pair) return pairsAreLocal(asked, subtables);
  // A cursive join of the space, or a space that hangs on another glyph as a mark does.
  if (type >= GPOS.cursive && type <= GPOS.markLast)
    return !subtables.some((at) => isCovered(asked, at + table.u16(at + 2)));
  return true;
}

/**
 * A pair moves its first glyph only, so both pairs of a space are known from its two neighbours apart. One with values
 * for the second glyph too ends after that glyph: beside a space the next pair would then be passed over or not.
 */
function pairsAreLocal(asked: Asked, subtables: readonly number[]): boolean {
  const { table } = asked;
  const hasSecond = subtables.filter((at) => table.u16(at + 6) !== 0);
  return hasSecond.length === 0 || !subtables.some((at) => isCovered(asked, at + table.u16(at + 2)));
}
