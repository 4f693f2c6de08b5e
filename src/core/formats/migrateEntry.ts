// Entries of the log that were written in an older format: undo must not bring back what today's format does not know.
import type { BookEdit, HistoryEntry } from '../model/copy/bookEdit';
import type { Plain } from './plainBook';
import { withAnchor, withOpenerMeaning, withOpenerMeanings } from './steps/from10';
import { asFormat12, pathOfFormat12 } from './steps/from11';
import { asFormat16 } from './steps/from15';
import { asFormat17 } from './steps/from16';

/** Rows of the log without a format were written before they had one. */
export const LOG_WITHOUT_FORMAT = 10;

const STEPS: Readonly<Record<number, (edit: BookEdit) => BookEdit>> = {
  10: (edit) => {
    if (edit.kind === 'setSpec' && edit.path.length === 0) return bothSides(edit, withOpenerMeanings);
    if (edit.kind === 'setSpec' && edit.path.length === 1 && edit.path[0] === 'styles')
      return bothSides(edit, (styles) => withOpenerMeanings({ styles }).styles);
    if (edit.kind === 'setStyle') return bothSides(edit, (style) => withOpenerMeaning(edit.tag, style));
    if (edit.kind === 'setPageTouches') {
      const [from, to] = [edit.from, edit.to].map((touches) =>
        touches.map((touch) => withAnchor(touch as unknown as Plain)),
      );
      return { ...edit, from, to } as unknown as BookEdit;
    }
    return edit;
  },
  11: (edit) => (edit.kind === 'setSpec' ? toFormat12(edit) : edit),
  15: (edit) => (edit.kind === 'setSpec' && GREW.has(edit.path.join('.')) ? inFormat16(edit) : edit),
  16: (edit) => (edit.kind === 'setSpec' && edit.path.length === 0 ? bothSides(edit, asFormat17) : edit),
};

/** Paths of what format 16 adds to. */
const GREW = new Set(['', 'inks', 'folios']);

const inFormat16 = (edit: Extract<BookEdit, { kind: 'setSpec' }>): BookEdit =>
  bothSides(edit, (value) => dig(asFormat16(nest(value, edit.path)), edit.path));

function toFormat12(edit: Extract<BookEdit, { kind: 'setSpec' }>): BookEdit {
  const path = pathOfFormat12(edit.path);
  return { ...bothSides(edit, (value) => dig(asFormat12(nest(value, edit.path)), path)), path } as BookEdit;
}

/** A value of a spec at its path, and out again. */
const nest = (value: unknown, path: readonly string[]): Plain =>
  path.reduceRight<unknown>((inner, key) => ({ [key]: inner }), value) as Plain;
const dig = (spec: Plain, path: readonly string[]): unknown =>
  path.reduce<unknown>((value, key) => (value as Plain)[key], spec);

function bothSides(edit: BookEdit & { from: unknown; to: unknown }, change: (value: Plain) => unknown): BookEdit {
  const side = (value: unknown) => (value === null ? null : change(value as Plain));
  return { ...edit, from: side(edit.from), to: side(edit.to) } as BookEdit;
}

/** The entry as one of today's format; one that is untouched keeps its identity. */
export function migrateEntry(entry: HistoryEntry, format: number): HistoryEntry {
  const steps = Object.entries(STEPS).filter(([step]) => Number(step) >= format);
  if (steps.length === 0) return entry;
  return { ...entry, edits: entry.edits.map((edit) => steps.reduce((current, [, change]) => change(current), edit)) };
}
