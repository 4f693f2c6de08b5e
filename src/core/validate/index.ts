export { checkBook, checkParticulars, divisionSchema, noteSchema, particularsSchema } from './bookSchema';
export { check, Joi } from './check';
export { checkLanguage, checkSpec, paragraphStyleSchema, specFromFile, specSchema } from './specSchema';
