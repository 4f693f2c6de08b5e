// The schema of a table in the copy.
import { EDITIONS } from '../model/copy/editions';
import { CELL_ALIGNS, TABLE_ROW_KINDS, type Table } from '../model/copy/streams';
import { Joi, word } from './check';

/** Columns or rows that a cell may cover. */
const MOST_SPANNED = 1000;

const span = () => Joi.number().integer().min(1).max(MOST_SPANNED);
const align = Joi.string().valid(...CELL_ALIGNS);

const columnLook = Joi.object({
  width: Joi.number().min(2).max(20_000),
  share: Joi.number().min(0.05).max(20),
  align,
  mark: word(4).min(1),
}).oxor('width', 'share');

const rowLook = Joi.object({
  kind: Joi.string()
    .valid(...TABLE_ROW_KINDS)
    .required(),
  breakBefore: Joi.boolean().valid(true),
});

const setting = Joi.object({
  place: Joi.string().valid('head', 'foot', 'next', 'page'),
  width: Joi.alternatives(Joi.string().valid('column'), Joi.number().min(10).max(20_000)),
  together: Joi.boolean().valid(true),
  onlyIn: Joi.string().valid(...EDITIONS),
});

/** `id`: of a block or a stream; `blocks`: of a cell. */
export const tableSchema = (id: Joi.Schema, blocks: Joi.Schema): Joi.Schema =>
  Joi.object({
    kind: Joi.string().valid('table').required(),
    id,
    style: word(12).required(),
    columns: Joi.number().integer().min(0).required(),
    rows: Joi.array()
      .items(Joi.array().items(Joi.object({ id, blocks, across: span(), down: span(), align })))
      .required(),
    rowLooks: Joi.array().items(rowLook),
    columnLooks: Joi.array().items(columnLook),
    setting,
  }).custom((value: Table, helpers) => {
    if (value.rowLooks !== undefined && value.rowLooks.length !== value.rows.length)
      return helpers.message({ custom: '{{#label}} has another number of rows than of looks of rows' });
    if (value.columnLooks !== undefined && value.columnLooks.length !== value.columns)
      return helpers.message({ custom: '{{#label}} has another number of columns than of looks of columns' });
    return value;
  });
