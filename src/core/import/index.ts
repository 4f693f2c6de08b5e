export { arrivalOf, describeManuscript, type ManuscriptReport } from './describe';
export { emptyBook } from './emptyBook';
export { FILE_LIMIT, IMPORTERS, readManuscript } from './importers';
export { manuscriptOf } from './manuscriptOf';
export { knownLanguage, makeBook, type MakeBookOptions } from './makeBook';
export { picturesMissing, withKnownPictures, withPicturesBeside } from './picturesBeside';
export { mapStyles } from './mapStyles';
