export { FILE_LIMIT, IMPORTERS, readManuscript } from './importers';
export { knownLanguage, makeBook, type MakeBookOptions } from './makeBook';
