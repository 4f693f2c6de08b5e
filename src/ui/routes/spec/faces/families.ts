// The faces by family, with what the open book does with each.
import { FAMILY_KINDS } from '../../../../core/defaults/familyNames';
import { covers, maybeFace, type FaceKind, type FaceRecord, type FaceTable } from '../../../../core/model/spec/faces';
import { SCRIPT_NAMES, type ScriptCode } from '../../../../core/model/spec/scripts';
import { eachStream, type Book } from '../../../../core/model/copy/book';
import type { DisplayList } from '../../../../core/model/composed/displayList';

export interface Family {
  readonly key: string;
  readonly name: string;
  readonly kind: FaceKind;
  readonly isOwn: boolean;
  readonly faces: readonly FaceRecord[];
  /** The upright face nearest to regular. */
  readonly roman: FaceRecord;
}

export const KIND_NAMES: Readonly<Record<FaceKind, string>> = {
  oldstyle: 'oldstyle',
  transitional: 'transitional',
  modern: 'modern',
  slab: 'slab',
  sans: 'sans',
  script: 'script',
  mono: 'mono',
  other: 'unsorted',
};

export function familiesOf(table: FaceTable): readonly Family[] {
  const byKey = new Map<string, FaceRecord[]>();
  for (const face of table) byKey.set(face.family, [...(byKey.get(face.family) ?? []), face]);
  return [...byKey].map(([key, faces]) => ({
    key,
    name: faces[0].familyName,
    kind: faces[0].kind ?? FAMILY_KINDS[key] ?? 'other',
    isOwn: key.startsWith('own-'),
    faces,
    roman: maybeFace(table, key, 400, false)!,
  }));
}

/** What of a book is set in each family: the text, and styles by their tags. */
export function familyUses({ spec }: Book): ReadonlyMap<string, readonly string[]> {
  const uses = new Map<string, string[]>();
  const note = (family: string | undefined, what: string) => {
    if (family !== undefined) uses.set(family, [...(uses.get(family) ?? []), what]);
  };
  note(spec.text.face, 'the text');
  for (const [script, face] of Object.entries(spec.text.fallbacks)) note(face, SCRIPT_NAMES[script as ScriptCode]);
  for (const [tag, { face }] of Object.entries(spec.styles)) note(face, tag);
  for (const [tag, { face }] of Object.entries(spec.characterStyles)) note(face, tag);
  return uses;
}

const characters = new WeakMap<Book['divisions'], readonly number[]>();

/** Code points of the book's text, each once. */
export function charactersOf(book: Book): readonly number[] {
  let known = characters.get(book.divisions);
  if (known === undefined) {
    const found = new Set<number>();
    for (const { blocks } of eachStream(book))
      for (const block of blocks)
        if (block.kind === 'paragraph') for (const char of block.text) found.add(char.codePointAt(0)!);
    known = [...found]
      .filter(
        (code) => code > 0x20 && !/[\s\u00AD\u200B-\u200F\u2028\u2060\uFEFF\uFFFC]/u.test(String.fromCodePoint(code)),
      )
      .sort((a, b) => a - b);
    characters.set(book.divisions, known);
  }
  return known;
}

/** Characters of the book that a face has no glyph for. */
export const lackedBy = (face: FaceRecord, codes: readonly number[]): readonly number[] =>
  codes.filter((code) => !covers(face, code));

/** Mean width of a character of text on composed pages, in em; 0 without text. */
export function characterWidth(lists: readonly DisplayList[], family: string): number {
  let [em, count] = [0, 0];
  for (const list of lists)
    for (const item of list.items) {
      if (item.source?.meaning !== 'body' || !item.face.startsWith(`${family}/`) || item.count < 8) continue;
      em += (item.endX - list.xs[item.first]) / item.size;
      count += item.text.length;
    }
  return count === 0 ? 0 : em / count;
}

/** What sizes are multiplied by, so that the letters of `to` are as high as those of `from`. */
export function xHeightFactor(from: FaceRecord, to: FaceRecord): number {
  const high = (face: FaceRecord) => face.xHeight / face.unitsPerEm;
  return high(to) > 0 ? high(from) / high(to) : 1;
}
