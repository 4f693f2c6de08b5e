// Specs kept by name or in a file: the whole, or its page or its type alone. A file of one is a spec.json of the command line.
import { ValueError } from '../base/errors';
import { specSetAs } from '../defaults/startingSpecs';
import { BOOK_FORMAT } from '../model/copy/book';
import { migrateSpec } from '../formats/migrateSpec';
import type { Spec } from '../model/spec/spec';
import { checkSpec, specFromFile } from './specSchema';

/** `page`: trim, margins, columns and what else is of the page. `type`: faces, sizes, styles, spacing of lines, openers. */
export type SpecPart = 'whole' | 'page' | 'type';

/** What of a spec a part is, as plain data. */
export function partOfSpec(spec: Spec, part: SpecPart): Record<string, unknown> {
  return { format: BOOK_FORMAT, ...valuesOf(spec, part) };
}

function valuesOf(spec: Spec, part: SpecPart): Record<string, unknown> {
  const { name, page, pages, text, openers, styles, characterStyles } = spec;
  switch (part) {
    case 'whole':
      return { ...spec };
    case 'page': {
      const { columns, columnGap, columnRule, columnShares, balanceColumns } = pages;
      return { name, page, pages: { columns, columnGap, columnRule, columnShares, balanceColumns } };
    }
    case 'type':
      return { name, text, openers, styles, characterStyles };
  }
}

/** Which part plain data is: with page and type, or neither, it is a whole one. */
export function partKind(value: Readonly<Record<string, unknown>>): SpecPart {
  const hasType = 'styles' in value || 'text' in value;
  if (hasType === 'page' in value) return 'whole';
  return hasType ? 'type' : 'page';
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

/**
 * The book's spec with a kept part laid over it. Styles of the part come whole; those that only the book knows stay, and so do its
 * divisions of words and lifted ties. Throws ValueError with a sentence when the part is none.
 */
export function withSpecPart(own: Spec, value: unknown): Spec {
  const laid = specFromFile(value, own);
  const part = migrateSpec(value as Readonly<Record<string, unknown>>);
  const whole = (key: 'styles' | 'characterStyles') => {
    const given = isObject(part[key]) ? part[key] : {};
    const named = Object.entries(given).filter(([, style]) => isObject(style) && 'name' in style);
    return { ...laid[key], ...Object.fromEntries(named) };
  };
  const made = checkSpec({ ...laid, styles: whole('styles'), characterStyles: whole('characterStyles') }, 'The spec');
  // What the part says of page and inks counts; the book's own words and marks stay.
  return { ...specSetAs(own, made), page: made.page, inks: made.inks };
}

/** The plain data of a spec file; throws ValueError when it is no JSON, or holds no spec that could be laid over `own`. */
export function readSpecFile(text: string, own: Spec): Record<string, unknown> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new ValueError('', 'The file is not a spec: it holds no JSON.');
  }
  if (!isObject(value)) throw new ValueError('', 'The file is not a spec: it holds no object.');
  withSpecPart(own, value);
  return value;
}
