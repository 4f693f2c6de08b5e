// The schemas of what numbers and dresses a book: furniture, folio runs, numbering, contents and index.
import { TOKENS } from '../model/spec/furniture';
import { NOTE_NUMERALS, NOTE_PLACES, NOTE_POSITIONS, NOTE_RESTARTS } from '../model/spec/notes';
import { MOST_FOLIO, NUMERALS } from '../model/spec/numbering';
import { FURNITURE_ROLES } from '../model/spec/pageRoles';
import { Joi, word } from './check';
import { flag, inkUse, number, object, oneOf, whole } from './fields';

const tag = () => word(12).pattern(/^[A-Za-z0-9]{1,12}$/);
const numerals = () => oneOf(...NUMERALS);

/** A folio run: its first number is whole, from 1 to four figures. */
export const folioRunSchema = Joi.object({
  numerals: numerals(),
  start: whole(1, MOST_FOLIO, 'the first folio').allow(null),
  prefix: Joi.string().allow('').max(12).required(),
  hidden: Joi.boolean().required(),
});

const furniturePart = Joi.alternatives(
  Joi.object({ kind: Joi.string().valid('text').required(), text: Joi.string().max(200).required(), style: tag() }),
  Joi.object({ kind: Joi.string().valid('tab').required(), style: tag() }),
  Joi.object({ kind: Joi.string().valid('rule').required(), length: whole(1, 40, 'em'), style: tag() }),
  Joi.object({
    kind: Joi.string().valid('token').required(),
    token: oneOf(...TOKENS),
    level: Joi.number().integer().min(2).max(6),
    orElse: Joi.string().valid(...TOKENS),
    style: tag(),
  }),
);
const slot = Joi.object({ style: tag().required(), parts: Joi.array().items(furniturePart).max(20).required() });
const slots = Joi.object({ spine: slot.required(), centre: slot.required(), foreEdge: slot.required() });
const rule = Joi.object({ weight: number(0, 12, 'pt'), offset: number(-40, 40, 'pt'), ink: inkUse })
  .allow(null)
  .required();
const line = Joi.object({
  recto: slots.required(),
  verso: slots.allow(null).required(),
  distance: number(0, 20, 'grid lines'),
  ruleAbove: rule,
  ruleBelow: rule,
})
  .allow(null)
  .required();
const lines = () => object({ head: line, foot: line });
const roles = Object.fromEntries(
  FURNITURE_ROLES.map((role) => [role, role === 'section' ? lines().allow(null) : lines()]),
);

export const furnitureSchema = object({
  set: word(60).min(1).required(),
  sets: Joi.object()
    .pattern(Joi.string().min(1).max(60), object({ roles: object(roles) }))
    .min(1)
    .required(),
});

export const numberSchemeSchema = Joi.object({
  numerals: numerals(),
  before: Joi.string().allow('').max(40).required(),
  after: Joi.string().allow('').max(40).required(),
  whole: flag(),
  place: oneOf('runIn', 'hanging', 'ownLine'),
  gap: number(0, 12, 'em'),
  style: tag().allow(null).required(),
  restart: oneOf('above', 'part', 'never'),
}).allow(null);

export const numberingSchema = object({
  appendix: object({ numerals: numerals(), before: Joi.string().allow('').max(40).required() }),
  ordered: Joi.array().items(numerals()).min(1).max(6).required(),
  bullets: Joi.array().items(Joi.string().min(1).max(4)).min(1).max(6).required(),
});

/** Of one piece: its schema has no keys of its own in the spec's. */
const lineOf = Joi.alternatives(Joi.object({ source: tag().required(), entry: tag().required() }))
  .allow(null)
  .required();

export const contentsSchema = object({
  levels: Joi.array()
    .items(
      Joi.object({
        source: tag().required(),
        entry: tag().required(),
        number: flag(),
        arrangement: oneOf('leaders', 'white', 'after', 'first', 'runIn'),
      }),
    )
    .max(12)
    .required(),
  leader: Joi.string().allow('').max(4).required(),
  author: lineOf,
  description: lineOf,
});

export const indexSchema = object({
  order: oneOf('letters', 'words'),
  ranges: oneOf('elided', 'full'),
  subentries: oneOf('indented', 'runIn'),
  letterHeads: flag(),
});

/** The id of a kind of notes. */
export const noteKindId = () => word(24).pattern(/^[a-z][A-Za-z0-9]{0,23}$/);

const noteMark = Joi.object({
  before: Joi.string().allow('').max(8).required(),
  after: Joi.string().allow('').max(8).required(),
  position: oneOf(...NOTE_POSITIONS),
}).required();
const separator = Joi.object({
  kind: oneOf('space', 'short', 'full'),
  width: number(0, 600, 'pt'),
  weight: number(0.1, 6, 'pt'),
}).required();

const noteKindSchema = Joi.object({
  name: Joi.string().min(1).max(40).required(),
  place: oneOf(...NOTE_PLACES),
  numerals: oneOf(...NOTE_NUMERALS),
  signs: Joi.array().items(Joi.string().min(1).max(8)).max(60).required(),
  restart: oneOf(...NOTE_RESTARTS),
  first: whole(1, 9999, 'the first number'),
  reference: noteMark,
  number: noteMark,
  keyed: flag(),
  style: tag().required(),
  separator,
  continuation: separator,
  columns: whole(1, 3, 'columns'),
  runOn: flag(),
});

export const notesSchema = object({
  kinds: Joi.object().pattern(noteKindId(), noteKindSchema).min(1).max(24).required(),
  stand: oneOf('foot', 'text'),
  space: number(0.5, 6, 'grid lines'),
  columnGap: number(4, 60, 'pt'),
  heads: flag(),
  pageHeads: flag(),
  divisionHead: Joi.string().allow('').max(60).required(),
});
