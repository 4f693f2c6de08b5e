// The schema of the inks of a spec.
import { Joi, word } from './check';
import { number, object, oneOf } from './fields';

const percent = () => number(0, 100, 'percent');
const light = () => number(0, 255, 'of 255');

const colour = Joi.alternatives().conditional('.kind', {
  switch: [
    { is: 'grey', then: Joi.object({ kind: Joi.string().required(), k: percent() }) },
    {
      is: 'cmyk',
      then: Joi.object({ kind: Joi.string().required(), c: percent(), m: percent(), y: percent(), k: percent() }),
    },
  ],
  otherwise: Joi.object({ kind: oneOf('rgb'), r: light(), g: light(), b: light() }),
});

const named = (schema: Joi.Schema) => Joi.object().pattern(Joi.string().min(1).max(60), schema);

const tone = Joi.array()
  .items(percent())
  .length(5)
  .custom((value: number[], helpers) =>
    value.some((ink, k) => k > 0 && ink < value[k - 1])
      ? helpers.message({ custom: '{{#label}} never falls: what is darker in a picture has as much ink, or more' })
      : value,
  );

export const inksSchema = object({
  set: word(60).min(1).required(),
  sets: named(named(Joi.object({ colour: colour.required(), press: oneOf('k', 'cmyk', 'asis') })).max(200))
    .min(1)
    .max(40)
    .required(),
  pictures: object({ press: oneOf('asis', 'grey'), tone: tone.required() }),
});
