// The schema of the styles of tables.
import { TABLE_ROW_KINDS } from '../model/copy/streams';
import { TABLE_RULE_PLACES } from '../model/spec/tableStyle';
import { Joi, word } from './check';
import { flag, inkUse, number, object } from './fields';

const tag = word(12).min(1);
const ruleSchema = object({ weight: number(0, 12, 'pt'), ink: inkUse.allow(null).required() });

export const tableStyleSchema = object({
  name: word(60).min(1).required(),
  text: object(Object.fromEntries(TABLE_ROW_KINDS.map((kind) => [kind, tag.required()]))),
  rules: object(Object.fromEntries(TABLE_RULE_PLACES.map((place) => [place, ruleSchema]))),
  clear: number(0, 40, 'pt'),
  between: number(0, 40, 'pt'),
  gap: number(0.2, 10, 'em'),
  band: inkUse.allow(null).required(),
  repeatHead: flag(),
  continued: word(40).allow('').required(),
});

export const tablesSchema = Joi.object()
  .pattern(tag, tableStyleSchema)
  .min(1)
  .max(40)
  .custom((value: Record<string, unknown>, helpers) =>
    'TB' in value
      ? value
      : helpers.message({ custom: '{{#label}} needs the style TB: tables without another have it' }),
  )
  .required();
