// Runs a Joi schema over a value from a person or a file, and turns what it says into one clear sentence.
import Joi from 'joi';
import { ValueError } from '../base/errors';

export { Joi };

/** The value as the schema made it. Throws ValueError with the path of the first fault and a sentence about it. */
export function check<T>(schema: Joi.Schema, value: unknown, what: string): T {
  const result = schema.validate(value, { abortEarly: true, convert: true, errors: { wrap: { label: false } } });
  if (result.error === undefined) return result.value as T;
  const fault = result.error.details[0];
  const path = fault.path.join('.');
  if (fault.type === 'object.unknown') throw new ValueError(path, `${what} has no key ${path}.`);
  throw new ValueError(path, `${what}: ${fault.message}.`);
}
