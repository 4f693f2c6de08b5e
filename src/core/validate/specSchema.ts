// The schema of the spec, key by key with unit, range and default: docs/formats.md is held against it by a test.
// In a spec.json a length is a number of points or a text such as "5.5in"; in a book it is kept with its unit.
import { ValueError } from '../base/errors';
import { settableLanguage } from '../model/copy/languages';
import { NOVEL_SPEC } from '../defaults/novelSpec';
import { SCRIPT_NAMES } from '../model/spec/scripts';
import { migrateSpec } from '../formats/migrateSpec';
import { MARK_SETS, MEANINGS, type Margins, type Spec } from '../model/spec/spec';
import { check, checkShape, Joi, word } from './check';
import { flag, inkUse, lengthSchema, number, object, oneOf, optional, whole } from './fields';
import { spotPatternFault } from '../looks/spotPatterns';
import { inksSchema } from './inksSchema';
import { tablesSchema } from './tablesSchema';
import {
  contentsSchema,
  furnitureSchema,
  indexSchema,
  notesSchema,
  numberingSchema,
  numberSchemeSchema,
} from './orderSchema';
import { pageSchema } from './pageSchema';

/** OpenType features by tag, each on, or off with a minus. */
const FEATURES = /^-?[a-z0-9]{4}(,-?[a-z0-9]{4})*$/;

const wordSpaceSchema = Joi.object({
  least: number(0.05, 1, 'em'),
  wished: number(0.05, 1, 'em'),
  most: number(0.05, 2, 'em'),
});

const openerVariant = Joi.alternatives(
  Joi.object({ sink: whole(0, 40, 'grid lines'), textStart: whole(1, 60, 'grid line') }),
)
  .allow(null)
  .required();

const paragraphRule = Joi.object({
  weight: number(0, 40, 'pt'),
  ink: inkUse,
  width: Joi.alternatives(number(0, 2000, 'pt'), Joi.string().valid('paragraph', 'words')).required(),
  offset: number(-200, 200, 'pt'),
}).allow(null);

function asPattern(value: string, helpers: Joi.CustomHelpers): unknown {
  const fault = spotPatternFault(value);
  return fault === null ? value : helpers.message({ custom: fault.replace(/\.$/, '') });
}

/** What can be changed of a style on one paragraph. */
export const localLookSchema = Joi.object({
  face: word(60),
  size: optional(number(4, 144, 'pt')),
  leading: optional(number(4, 200, 'pt')),
  weight: optional(whole(100, 900, 'weight')),
  italic: Joi.boolean(),
  caps: optional(oneOf('none', 'small', 'all', 'title')),
  tracking: optional(number(-100, 500, 'thousandths of an em')),
  ink: inkUse,
  firstIndent: optional(number(-200, 200, 'pt')),
  leftIndent: optional(number(0, 400, 'pt')),
  rightIndent: optional(number(0, 400, 'pt')),
  above: optional(number(0, 40, 'grid lines')),
  below: optional(number(0, 40, 'grid lines')),
  hyphenate: Joi.boolean(),
});

export const paragraphStyleSchema = Joi.object({
  name: Joi.string().min(1).max(80).required(),
  basedOn: word(12),
  meaning: optional(oneOf(...MEANINGS)),
  face: word(60),
  size: optional(number(4, 144, 'pt')),
  leading: Joi.alternatives(number(4, 200, 'pt'), Joi.object({ grid: whole(1, 12, 'grid lines') })).optional(),
  weight: optional(whole(100, 900, 'weight')),
  italic: Joi.boolean(),
  caps: optional(oneOf('none', 'small', 'all', 'title')),
  tracking: optional(number(-100, 500, 'thousandths of an em')),
  align: optional(oneOf('text', 'justify', 'left', 'right', 'centre', 'foreEdge', 'back', 'longest')),
  lastAlign: optional(oneOf('left', 'right', 'centre', 'justify')),
  features: Joi.string().pattern(FEATURES),
  firstIndent: Joi.alternatives(number(-200, 200, 'pt'), Joi.string().valid('text')).optional(),
  leftIndent: optional(number(0, 400, 'pt')),
  rightIndent: optional(number(0, 400, 'pt')),
  above: optional(number(0, 40, 'grid lines')),
  below: optional(number(0, 40, 'grid lines')),
  hyphenate: Joi.boolean(),
  withNext: Joi.boolean(),
  keepTogether: Joi.boolean(),
  keepSpace: Joi.boolean(),
  atFoot: Joi.boolean(),
  tabs: Joi.array()
    .items(
      Joi.object({
        at: Joi.alternatives(number(0, 2000, 'pt'), Joi.string().valid('end')).required(),
        kind: oneOf('left', 'right', 'centre', 'decimal'),
        leader: Joi.string().min(1).max(4),
      }),
    )
    .max(40),
  lineNumbers: optional(whole(0, 20, 'lines')),
  next: word(12),
  rise: optional(number(-100, 100, 'pt')),
  language: word(20),
  breakBefore: optional(oneOf('none', 'column', 'page', 'recto', 'verso')),
  drop: Joi.object({ lines: whole(2, 5, 'lines'), letters: whole(1, 4, 'letters') }).allow(null),
  lead: Joi.object({
    kind: oneOf('words', 'letters', 'line', 'mark'),
    count: whole(0, 400, 'words or letters'),
    mark: Joi.string().allow('').max(20).required(),
    style: word(12).allow(null).required(),
  }).allow(null),
  spots: Joi.array()
    .items(Joi.object({ pattern: Joi.string().custom(asPattern).required(), style: word(12).required() }))
    .max(40),
  wordSpace: wordSpaceSchema.allow(null),
  division: Joi.object({
    smallestWord: whole(4, 20, 'letters'),
    before: whole(1, 10, 'letters'),
    after: whole(1, 10, 'letters'),
    running: whole(0, 3, 'lines'),
    capitals: oneOf('dear', 'never'),
  }).allow(null),
  ink: inkUse,
  background: inkUse.allow(null),
  ruleAbove: paragraphRule,
  ruleBelow: paragraphRule,
  ornament: word(12).allow('', null),
  number: numberSchemeSchema,
  waits: Joi.boolean(),
});

export const characterStyleSchema = Joi.object({
  name: Joi.string().min(1).max(80).required(),
  basedOn: word(12),
  face: word(60),
  size: optional(number(3, 144, 'pt')),
  italic: optional(oneOf('on', 'opposite')),
  weight: optional(whole(100, 900, 'weight')),
  caps: optional(oneOf('none', 'small', 'all', 'title')),
  rise: optional(number(-100, 100, 'pt')),
  ink: inkUse,
  language: word(20),
  tracking: optional(number(-100, 500, 'thousandths of an em')),
  position: optional(oneOf('superior', 'inferior')),
  features: Joi.string().pattern(FEATURES),
  line: optional(oneOf('under', 'through')),
  asTyped: optional(oneOf('on', 'off')),
});

const tag = word(12).pattern(/^[A-Za-z0-9]{1,12}$/);

export const specSchema = object({
  name: Joi.string().min(1).max(80).required(),
  page: pageSchema,
  text: object({
    face: word(60).min(1).required(),
    size: lengthSchema(4, 72),
    leading: lengthSchema(4, 144),
    setting: oneOf('justified', 'ragged'),
    indent: lengthSchema(0, 200),
    wordSpace: wordSpaceSchema.allow(null).required(),
    hyphenation: object({
      on: flag(),
      smallestWord: whole(4, 20, 'letters'),
      before: whole(1, 10, 'letters'),
      after: whole(1, 10, 'letters'),
      running: whole(0, 3, 'lines'),
      capitals: oneOf('dear', 'never'),
      exceptions: Joi.array()
        .items(
          Joi.string()
            .pattern(/^[\p{L}\p{M}]+(-[\p{L}\p{M}]+)*$/u)
            .max(60),
        )
        .max(5000)
        .required(),
    }),
    lastLine: number(0, 20, 'em'),
    rag: number(0.5, 12, 'em'),
    letterWidth: number(0, 2.5, 'percent'),
    hangingPunctuation: number(0, 150, 'percent'),
    letterPlay: number(0, 10, 'thousandths of an em'),
    ties: flag(),
    liftedTies: Joi.array().items(Joi.string().min(3).max(80)).max(2000).required(),
    fallbacks: Joi.object()
      .pattern(Joi.string().valid(...Object.keys(SCRIPT_NAMES)), Joi.string().min(1).max(60))
      .required(),
  }),
  marks: object({ set: oneOf(...MARK_SETS), afterItalic: oneOf('roman', 'typed') }),
  pages: object({
    linesAtFoot: whole(1, 6, 'lines'),
    linesAtHead: whole(1, 6, 'lines'),
    chapterEnd: whole(1, 20, 'lines'),
    spreadShort: number(0, 10, 'price').allow(null),
    spreadLong: number(0, 10, 'price').allow(null),
    elastic: flag(),
    footFree: flag(),
    columns: whole(1, 4, 'columns'),
    columnGap: lengthSchema(0, 200),
    columnRule: lengthSchema(0, 6),
    columnShares: Joi.array().items(Joi.number().min(0.05).max(20)).min(1).max(4).allow(null).required(),
    balanceColumns: flag(),
    others: Joi.object()
      .pattern(
        Joi.string().min(1).max(40),
        Joi.object({
          columns: whole(1, 4, 'columns'),
          columnGap: lengthSchema(0, 200),
          margins: Joi.object({
            head: lengthSchema(0, 1000),
            foot: lengthSchema(0, 1000),
            back: lengthSchema(0, 1000),
            foreEdge: lengthSchema(0, 1000),
          }),
        }),
      )
      .required(),
  }),
  openers: object({
    sink: whole(0, 40, 'grid lines'),
    textStart: whole(1, 60, 'grid line'),
    chaptersStart: oneOf('any', 'recto'),
    dropLines: whole(0, 5, 'lines').invalid(1),
    dropLetters: whole(1, 4, 'letters'),
    leadWords: whole(0, 12, 'words'),
    part: openerVariant,
    front: openerVariant,
    short: openerVariant,
    shortUnder: whole(0, 5000, 'words'),
  }),
  furniture: furnitureSchema,
  folios: object({ front: oneOf('roman', 'arabic'), plates: oneOf('counted', 'uncounted') }),
  numbering: numberingSchema,
  notes: notesSchema,
  contents: contentsSchema,
  index: indexSchema,
  inks: inksSchema,
  tables: tablesSchema,
  styles: Joi.object().pattern(tag, paragraphStyleSchema).required(),
  characterStyles: Joi.object().pattern(tag, characterStyleSchema).required(),
});

/** Least measure, in em of the text: ten characters of an average face. */
const LEAST_MEASURE = 4.2;
/** Leading as a share of the size, at least and at most. */
const LEADING_SHARE = { least: 0.7, most: 3 };

/**
 * Checks one changed value of a spec that was right before, and what hangs on it: a control need not have the whole looked
 * through at every step. Throws ValueError.
 */
export function checkSpecChange(spec: Spec, path: readonly string[], what = 'The spec'): void {
  const schema = schemaAt(path);
  if (schema === null) {
    checkSpec(spec, what);
    return;
  }
  const value = path.reduce<unknown>((holder, key) => (holder as Record<string, unknown>)[key], spec);
  check(schema.label(path.join('.')), value, what);
  checkTogether(spec);
}

/** The schema of a path; null where it goes through names that people give. */
function schemaAt(path: readonly string[]): Joi.Schema | null {
  try {
    return (specSchema as Joi.ObjectSchema).extract([...path]);
  } catch {
    return null;
  }
}

/** Checks a whole spec, and that its margins leave room for type. Throws ValueError. */
export function checkSpec(value: unknown, what = 'The spec'): Spec {
  const spec = check<Spec>(specSchema, value, what);
  checkTogether(spec);
  return spec;
}

/** What values must be to each other. Throws ValueError. */
function checkTogether(spec: Spec): void {
  const others = Object.values(spec.pages.others).flatMap(({ margins }) => (margins === undefined ? [] : [margins]));
  for (const margins of [spec.page.margins, ...others]) checkMargins(spec, margins);
  const spaces = [spec.text.wordSpace, ...Object.values(spec.styles).map((style) => style.wordSpace)];
  for (const wordSpace of spaces)
    if (wordSpace && !(wordSpace.least <= wordSpace.wished && wordSpace.wished <= wordSpace.most))
      throw new ValueError('text.wordSpace', 'The word space must be wished between its least and its most.');
  const leading = spec.text.leading.pt / spec.text.size.pt;
  if (leading < LEADING_SHARE.least)
    throw new ValueError('text.leading', 'The leading is under 70 % of the size: lines would run into each other.');
  if (leading > LEADING_SHARE.most)
    throw new ValueError('text.leading', 'The leading is over 300 % of the size: lines would fall apart.');
}

/** Whether margins leave room for type. Throws ValueError. */
function checkMargins({ page: { trim }, text }: Spec, margins: Margins): void {
  const measure = trim.width.pt - margins.back.pt - margins.foreEdge.pt;
  if (measure < text.size.pt * LEAST_MEASURE)
    throw new ValueError('page.margins', 'The back and fore-edge margins leave no room for a line of ten characters.');
  const depth = trim.height.pt - margins.head.pt - margins.foot.pt;
  if (depth < text.size.pt)
    throw new ValueError('page.margins', 'The head and foot margins leave no room for a line of type.');
}

/** A spec.json of the command line: any part of a spec, laid over a starting spec. Throws ValueError. */
export function specFromFile(value: unknown, under: Spec = NOVEL_SPEC): Spec {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) {
    throw new ValueError('', 'The spec file does not hold an object.');
  }
  checkShape(value, 'The spec file');
  const current = migrateSpec(value as Readonly<Record<string, unknown>>);
  return checkSpec(laidOver(under, current), 'The spec file');
}

/** `over` laid on `under`, key by key; lengths, lists and plain values are taken whole. */
function laidOver(under: unknown, over: unknown): unknown {
  const isPlain = (value: unknown): value is Record<string, unknown> =>
    value !== null && typeof value === 'object' && !Array.isArray(value) && !('pt' in value) && !('grid' in value);
  if (!isPlain(under) || !isPlain(over)) return over;
  const result: Record<string, unknown> = { ...under };
  for (const [key, value] of Object.entries(over))
    result[key] = Object.hasOwn(under, key) ? laidOver(under[key], value) : value;
  return result;
}

/** A BCP 47 tag of a language with patterns. Throws ValueError. */
export function checkLanguage(value: string): string {
  const known = settableLanguage(value);
  if (known !== undefined) return known;
  throw new ValueError(
    'lang',
    `There are no hyphenation patterns for “${value}”: use the tag of a language that has some, such as en, de or pt.`,
  );
}
