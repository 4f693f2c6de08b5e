// What a person may choose for each product, and the record of a product that was made.
import { COPY_KINDS } from '../model/copy/copyKinds';
import { MOST_FACTS, OUTSIDE_SOURCES, type OutsideFact } from '../model/checks/outside';
import {
  EBOOK_COVERS,
  EBOOK_LEVELS,
  EBOOK_PICTURES,
  EBOOK_STARTS,
  EBOOK_TABLES,
  EBOOK_USES,
  FIRST_EBOOK,
  LEAST_KILOBYTES,
  LEAST_PIXELS,
  MOST_KILOBYTES,
  MOST_PIXELS,
} from '../model/products/ebook';
import { PRODUCT_IDS, type MadeProduct, type ProductId } from '../model/products/products';
import { check, Joi } from './check';

const NOTHING = Joi.object({}).required();
/** A choice that records of before it was there do not have. */
const oneOf = (values: readonly string[], first: string) =>
  Joi.string()
    .valid(...values)
    .default(first);

/** By product. */
export const SETTINGS_SCHEMAS: Readonly<Record<ProductId, Joi.ObjectSchema>> = {
  press: NOTHING,
  screen: NOTHING,
  epub: Joi.object({
    level: oneOf(EBOOK_LEVELS, FIRST_EBOOK.level),
    opensAt: oneOf(EBOOK_STARTS, FIRST_EBOOK.opensAt),
    use: oneOf(EBOOK_USES, FIRST_EBOOK.use),
    pictures: oneOf(EBOOK_PICTURES, FIRST_EBOOK.pictures),
    cover: oneOf(EBOOK_COVERS, FIRST_EBOOK.cover),
    tables: oneOf(EBOOK_TABLES, FIRST_EBOOK.tables),
    mostKilobytes: Joi.number().integer().min(LEAST_KILOBYTES).max(MOST_KILOBYTES).default(FIRST_EBOOK.mostKilobytes),
    mostPixels: Joi.number().integer().min(LEAST_PIXELS).max(MOST_PIXELS).default(FIRST_EBOOK.mostPixels),
  }).required(),
  copy: Joi.object({
    format: Joi.string()
      .valid(...COPY_KINDS)
      .required(),
  }).required(),
  project: NOTHING,
};

const hash = Joi.string()
  .pattern(/^[0-9a-f]{32}$/)
  .required();
const count = Joi.number().integer().min(0).required();
const productId = Joi.string()
  .valid(...PRODUCT_IDS)
  .required();

const madeSchema = Joi.object({
  product: productId,
  settings: Joi.object().required(),
  range: Joi.object({ from: count, to: count.min(Joi.ref('from')) }),
  preset: Joi.string().min(1).max(80),
  source: Joi.alternatives(
    Joi.object({ kind: Joi.string().valid('open').required() }),
    Joi.object({ kind: Joi.string().valid('pull').required(), name: Joi.string().min(1).max(200).required() }),
  ).required(),
  book: hash,
  hash,
  bytes: count,
  pages: count,
  fileName: Joi.string().min(1).max(300).required(),
  time: Joi.number().min(0).required(),
  counts: Joi.array()
    .items(Joi.object({ what: Joi.string().min(1).max(80).required(), inBook: count, inFile: count }))
    .max(50),
});

/** Checks the record of a product as it was kept. Throws ValueError. */
export function checkMadeProduct(value: unknown): MadeProduct {
  const made = check<MadeProduct>(madeSchema, value, 'The record of a product');
  const settings = check(SETTINGS_SCHEMAS[made.product], made.settings, 'The record of a product');
  return { ...made, settings } as MadeProduct;
}

const id = Joi.string().allow('').max(100).required();

const factsSchema = Joi.array()
  .items(
    Joi.object({
      source: Joi.string()
        .valid(...OUTSIDE_SOURCES)
        .required(),
      product: productId,
      hash,
      message: Joi.string().trim().min(1).max(500).required(),
      page: Joi.number().integer().min(0).allow(null).required(),
      place: Joi.object({ stream: id, block: id, from: count, to: count }).allow(null).required(),
    }),
  )
  .max(MOST_FACTS)
  .required();

/** Checks what was said of a file. Throws ValueError. */
export const checkOutsideFacts = (value: unknown): readonly OutsideFact[] =>
  check<readonly OutsideFact[]>(factsSchema, value, 'What was said of a file');
