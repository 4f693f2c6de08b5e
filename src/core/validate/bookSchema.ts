// The schema of a book as it stands in a project file or the database.
import { ValueError } from '../base/errors';
import { LANGUAGES } from '../model/copy/languages';
import { BOOK_FORMAT, type Book, type Division, type Particulars } from '../model/copy/book';
import { FIRST_PARTS, MOST_FIRST_PIECES } from '../model/copy/firstPages';
import { MOST_PARTS } from '../model/copy/figureSetting';
import { ROLES } from '../model/copy/roles';
import { EDITIONS } from '../model/copy/editions';
import { PICTURE_KINDS, REFERENCE_SHOWS } from '../model/copy/streams';
import { check, Joi, word } from './check';
import { cropSchema, figureSettingKeys } from './figureSchema';
import { folioRunSchema, noteKindId } from './orderSchema';
import { checkSpec, localLookSchema, specSchema } from './specSchema';
import { tableSchema } from './tableSchema';
import { withUniqueIds } from './uniqueIds';

const id = Joi.string()
  .pattern(/^[a-z]\d{1,12}$/)
  .required();
const offset = Joi.number().integer().min(0).required();
const pixels = Joi.number().integer().min(0).max(1_000_000).required();
const points = Joi.number().min(0).max(20_000).required();
/** Most blocks of a caption. */
const MOST_TEXT_BLOCKS = 200;
const line = (most: number) => Joi.string().allow('').max(most).required();

const pictureFacts = {
  kind: Joi.string().valid('picture').required(),
  asset: Joi.string()
    .pattern(/^([0-9a-f]{32})?$/)
    .allow('')
    .required(),
  format: Joi.string()
    .valid(...PICTURE_KINDS)
    .required(),
  name: line(400),
  alt: line(4000),
  width: pixels,
  height: pixels,
  shownWidth: points,
  shownHeight: points,
};

export const particularsSchema = Joi.object({
  title: line(400),
  subtitle: line(400),
  shortTitle: line(200),
  people: Joi.array()
    .max(40)
    .items(
      Joi.object({
        name: line(200),
        role: Joi.string().valid('author', 'editor', 'translator', 'illustrator', 'foreword').required(),
      }),
    )
    .required(),
  publisher: line(200),
  place: line(200),
  year: line(20),
  edition: line(200),
  isbnPrint: line(40),
  isbnEbook: line(40),
  rights: line(2000),
  credits: line(2000),
  series: line(200),
  description: Joi.string().allow('').max(4000),
  subjects: Joi.string().allow('').max(1000),
  printAddress: Joi.string().allow('').max(2000),
  cover: Joi.object(pictureFacts),
  language: Joi.string()
    .valid(...Object.keys(LANGUAGES))
    .required(),
}).required();

const touches = Joi.object({
  italic: Joi.boolean(),
  bold: Joi.boolean(),
  underline: Joi.boolean(),
  strike: Joi.boolean(),
  face: word(80).min(1),
  size: Joi.number().min(1).max(400),
  colour: Joi.string().pattern(/^#[0-9a-f]{6}$/),
});

const span = Joi.object({
  from: offset,
  to: offset,
  style: word(12),
  touches,
  language: word(40),
  link: Joi.string().max(4000),
});

const inlineObject = Joi.alternatives(
  Joi.object({ at: offset, kind: Joi.string().valid('note').required(), note: id }),
  Joi.object({ at: offset, kind: Joi.string().valid('field').required(), field: word(40).required() }),
  Joi.object({ at: offset, kind: Joi.string().valid('break', 'tab').required() }),
  Joi.object({
    at: offset,
    kind: Joi.string().valid('reference').required(),
    target: word(20).required(),
    shows: Joi.string()
      .valid(...REFERENCE_SHOWS)
      .required(),
  }),
  Joi.object({
    at: offset,
    kind: Joi.string().valid('index').required(),
    term: line(200),
    sub: line(200),
    see: line(200),
    seeAlso: line(200),
    range: Joi.string().valid('here', 'from', 'to').required(),
  }),
  Joi.object({ at: offset, kind: Joi.string().valid('figure').required(), figure: id }),
  Joi.object({ at: offset, ...pictureFacts }),
);

const paragraph = Joi.object({
  kind: Joi.string().valid('paragraph').required(),
  id,
  style: word(12).required(),
  touches: Joi.object({
    align: Joi.string().valid('justify', 'left', 'right', 'centre'),
    direction: Joi.string().valid('ltr', 'rtl'),
    breakBefore: Joi.alternatives(Joi.boolean(), Joi.string().valid('column', 'recto', 'verso')),
    together: Joi.boolean(),
    lines: Joi.number().valid(-1, 1),
    spread: Joi.number().valid(-1, 0, 1),
    liftedTies: Joi.array().items(Joi.string().min(3).max(80)).max(200),
    look: localLookSchema,
    unnumbered: Joi.boolean(),
    section: Joi.string().allow('').max(200),
    onlyIn: Joi.string().valid(...EDITIONS),
  }),
  list: Joi.object({
    level: offset,
    ordered: Joi.boolean().required(),
    start: Joi.number().integer().min(0).max(9999),
  }),
  names: Joi.array().items(Joi.string().min(1).max(200)).max(20),
  text: Joi.string().allow('').required(),
  spans: Joi.array().items(span).required(),
  objects: Joi.array().items(inlineObject).required(),
});

const table = tableSchema(id, Joi.array().items(Joi.link('#block')).required());

const block = Joi.alternatives().conditional('.kind', { is: 'table', then: table, otherwise: paragraph }).id('block');

export const divisionSchema = Joi.object({
  id,
  role: Joi.string()
    .valid(...Object.keys(ROLES))
    .required(),
  matter: Joi.string().valid('front', 'body', 'back').required(),
  start: Joi.string().valid('any', 'recto', 'verso', 'same'),
  language: Joi.string().valid(...Object.keys(LANGUAGES)),
  listed: Joi.boolean().required(),
  sink: Joi.number().integer().min(0).max(40),
  furniture: word(60).min(1),
  run: folioRunSchema,
  shortTitle: Joi.string().allow('').max(200),
  notInPrint: Joi.boolean(),
  notInEbook: Joi.boolean(),
  noBlank: Joi.boolean(),
  placing: Joi.string().valid('head', 'third', 'middle', 'foot'),
  layout: word(40).min(1),
  corrections: Joi.object().pattern(Joi.string().max(20), Joi.string().allow('').max(2000)),
  blocks: Joi.array().items(block).required(),
});

export const noteSchema = Joi.object({
  id,
  kind: noteKindId().required(),
  mark: Joi.string().min(1).max(8),
  blocks: Joi.array().items(block).required(),
});

const figureText = Joi.object({ id, blocks: Joi.array().items(block).max(MOST_TEXT_BLOCKS).required() }).required();

export const figureSchema = Joi.object({
  id,
  parts: Joi.array()
    .items(Joi.object({ picture: Joi.object(pictureFacts).required(), crop: cropSchema }))
    .min(1)
    .max(MOST_PARTS)
    .required(),
  ...figureSettingKeys,
  caption: figureText,
  credit: figureText,
});

const anchorSchema = Joi.object({
  stream: id,
  block: id,
  from: offset,
  to: Joi.number().integer().min(Joi.ref('from')).required(),
  words: line(400),
  lost: Joi.string().pattern(/^[0-9a-f]{32}$/),
});

const pageTouchSchema = Joi.object({
  id,
  anchor: id,
  through: Joi.string().pattern(/^[a-z]\d{1,12}$/),
  hideHead: Joi.boolean(),
  hideFoot: Joi.boolean(),
  furniture: word(60).min(1),
  run: folioRunSchema,
  madeOn: Joi.number().integer().min(0).required(),
});

const firstPieceSchema = Joi.object({
  part: Joi.string()
    .valid(...FIRST_PARTS)
    .required(),
  words: line(80),
  ids: Joi.array().items(id).required(),
  kept: Joi.array().items(block).required(),
  isGuess: Joi.boolean().valid(true),
});

const bookSchema = Joi.object({
  format: Joi.number().valid(BOOK_FORMAT).required(),
  id: Joi.string().min(1).max(60).required(),
  nextId: Joi.number().integer().min(1).required(),
  particulars: particularsSchema,
  spec: specSchema,
  divisions: Joi.array().items(divisionSchema).required(),
  notes: Joi.object().pattern(Joi.string(), noteSchema).required(),
  figures: Joi.object().pattern(Joi.string(), figureSchema).required(),
  anchors: Joi.object()
    .pattern(/^[a-z]\d{1,12}$/, anchorSchema)
    .max(50_000)
    .required(),
  pageTouches: Joi.array().items(pageTouchSchema).max(5000).required(),
  source: Joi.object({
    recipe: Joi.array().items(Joi.string().max(60)).required(),
    mapping: Joi.object().pattern(Joi.string().max(400), Joi.string().max(12)).required(),
    firstPages: Joi.array().items(firstPieceSchema).max(MOST_FIRST_PIECES),
    base: Joi.string().pattern(/^[0-9a-f]{32}$/),
    styles: Joi.array().items(
      Joi.object({
        name: Joi.string().max(400).required(),
        mappedTo: word(12).required(),
        blocks: Joi.array().items(id),
      }),
    ),
  }).required(),
});

/** Checks a whole book; paragraphs that stand twice under one id get new ones. Throws ValueError. */
export function checkBook(value: unknown, what = 'The book'): Book {
  const book = check<Book>(bookSchema, value, what);
  for (const { anchor, through = anchor } of book.pageTouches)
    for (const tie of [anchor, through])
      if (book.anchors[tie] === undefined)
        throw new ValueError('pageTouches', `${what} has a page touch without its anchor ${tie}.`);
  return withUniqueIds({ ...book, spec: checkSpec(book.spec, what) }, what);
}

/** Checks a division. Throws ValueError. */
export function checkDivision(value: unknown): Division {
  return check<Division>(divisionSchema, value, 'The division');
}

export function checkParticulars(value: unknown): Particulars {
  return check<Particulars>(particularsSchema, value, 'The particulars');
}
