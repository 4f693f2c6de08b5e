// The schema of the page of a spec.
import { Joi } from './check';
import { UNITS, flag, lengthSchema, number, object, oneOf, whole } from './fields';

const sides = (most: number) => ({
  head: lengthSchema(0, most),
  foot: lengthSchema(0, most),
  back: lengthSchema(0, most),
  foreEdge: lengthSchema(0, most),
});

const share = () => number(0.1, 100, 'parts');

const canonSchema = Joi.alternatives()
  .conditional('.kind', {
    switch: [
      { is: 'twoThirds', then: Joi.object({ kind: Joi.string().required() }) },
      { is: 'nths', then: Joi.object({ kind: Joi.string().required(), parts: whole(6, 12, 'parts') }) },
      {
        is: 'ratio',
        then: Joi.object({
          kind: Joi.string().required(),
          back: share(),
          head: share(),
          foreEdge: share(),
          foot: share(),
          part: lengthSchema(0.1, 500).allow(null),
        }),
      },
      { is: 'equal', then: Joi.object({ kind: Joi.string().required(), margin: lengthSchema(0, 1000).allow(null) }) },
    ],
    otherwise: Joi.object({
      kind: oneOf('bound'),
      binding: oneOf('adhesive', 'sewn'),
      table: Joi.array()
        .items(Joi.object({ upTo: whole(1, 10000, 'pages').allow(null), back: lengthSchema(0, 500) }))
        .min(1)
        .max(12)
        .required(),
    }),
  })
  .allow(null)
  .required();

export const pageSchema = object({
  trim: object({ width: lengthSchema(72, 2000), height: lengthSchema(72, 2000) }),
  margins: object(sides(1000)),
  facing: flag(),
  bindingAllowance: lengthSchema(0, 144),
  canon: canonSchema,
  bleed: object(sides(144)),
  sheetEdge: lengthSchema(0, 144),
  guides: Joi.array()
    .items(
      Joi.object({
        axis: oneOf('across', 'down'),
        at: lengthSchema(0, 2000),
        on: oneOf('recto', 'verso', 'mirrored', 'all'),
      }),
    )
    .max(60)
    .required(),
  unit: oneOf(...UNITS).allow(null),
  dpi: number(30, 2400, 'pixels an inch'),
});
