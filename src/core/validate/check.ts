// Runs a Joi schema over a value from a person or a file, and turns what it says into one clear sentence.
import Joi from 'joi';
import { ValueError } from '../base/errors';
import { isInherited } from '../base/table';

export { Joi };

/** The value as the schema made it. Throws ValueError with the path of the first fault and a sentence about it. */
export function check<T>(schema: Joi.Schema, value: unknown, what: string): T {
  checkShape(value, what);
  const result = schema.validate(value, { abortEarly: true, convert: true, errors: { wrap: { label: false } } });
  if (result.error === undefined) return result.value as T;
  const fault = result.error.details[0];
  const path = fault.path.join('.');
  if (fault.type === 'object.unknown') throw new ValueError(path, `${what} has no key ${path}.`);
  throw new ValueError(path, `${what}: ${fault.message}.`);
}

/** Objects and lists one inside another: tables to their deepest take half of it. */
const DEEPEST = 90;

/**
 * What no schema says: that nothing nests without end, and that no key is one that every object inherits, which a look into a
 * record would find. Without recursion, as the value may be anything.
 */
export function checkShape(value: unknown, what: string): void {
  const open: { readonly value: unknown; readonly depth: number }[] = [{ value, depth: 0 }];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    if (next.value === null || typeof next.value !== 'object') continue;
    if (next.depth > DEEPEST) throw new ValueError('', `${what} nests too deep: tables stand in tables without end.`);
    const isList = Array.isArray(next.value);
    for (const [key, inner] of Object.entries(next.value)) {
      if (!isList && isInherited(key)) throw new ValueError(key, `${what} has a key “${key}”, which no name can be.`);
      if (inner !== null && typeof inner === 'object') open.push({ value: inner, depth: next.depth + 1 });
    }
  }
}

/** A name, tag or language: a word that a record may be asked for. */
export const word = (most: number): Joi.StringSchema =>
  Joi.string()
    .max(most)
    .custom((value: string, helpers) =>
      isInherited(value) ? helpers.message({ custom: `{{#label}} cannot be “${value}”` }) : value,
    );
