// The kinds of values that schemas are made of: lengths, numbers with their range and unit, choices.
import { ValueError } from '../base/errors';
import { parseLength } from '../measure/units';
import type { Length } from '../model/spec/length';
import { Joi, word } from './check';

export const UNITS = ['pt', 'mm', 'cm', 'in', 'pica', 'px'];

/** A length from `least` to `most` points: typed text, points, or kept with its unit. */
export function lengthSchema(least: number, most: number): Joi.Schema {
  return Joi.any()
    .custom((value: unknown, helpers) => {
      let length: Length;
      if (typeof value === 'number') length = { pt: value, unit: 'pt' };
      else if (typeof value === 'string') {
        try {
          length = parseLength(value, 'pt');
        } catch (error) {
          if (!(error instanceof ValueError)) throw error;
          return helpers.message({ custom: `{{#label}} ${error.message.replace(/\.$/, '')}` });
        }
      } else {
        const kept = value as Length | null;
        const isKept =
          kept !== null && typeof kept === 'object' && typeof kept.pt === 'number' && UNITS.includes(kept.unit);
        if (!isKept || Object.keys(kept).length !== 2)
          return helpers.message({ custom: '{{#label}} must be a length such as "5.5in"' });
        length = kept;
      }
      if (!Number.isFinite(length.pt) || length.pt < least || length.pt > most) {
        return helpers.message({ custom: `{{#label}} must be from ${least} to ${most} pt` });
      }
      return length;
    })
    .required()
    .meta({ unit: 'length', least, most });
}

export const number = (least: number, most: number, unit: string) =>
  Joi.number().min(least).max(most).required().meta({ unit, least, most });
export const whole = (least: number, most: number, unit: string) => number(least, most, unit).integer();
export const oneOf = (...values: string[]) =>
  Joi.string()
    .valid(...values)
    .required();
export const flag = () => Joi.boolean().required();
export const optional = (schema: Joi.Schema) => schema.optional();
export const object = (keys: Joi.SchemaMap) => Joi.object(keys).required();

/** An ink by its name, at a tint. */
export const inkUse = Joi.object({ ink: word(60).min(1).required(), tint: number(0, 100, 'percent') });
