export {
  checkBook,
  checkDivision,
  checkParticulars,
  divisionSchema,
  noteSchema,
  particularsSchema,
} from './bookSchema';
export { check, Joi } from './check';
export { lengthSchema } from './fields';
export { checkMadeProduct, checkOutsideFacts, SETTINGS_SCHEMAS } from './productSchemas';
export { partKind, partOfSpec, readSpecFile, withSpecPart, type SpecPart } from './keptSpec';
export {
  checkLanguage,
  checkSpec,
  checkSpecChange,
  paragraphStyleSchema,
  specFromFile,
  specSchema,
} from './specSchema';
