// The door of core for the workers and the command line.
export { pictureAsPng } from './base/images/asPng';
export { simplifiedDrawing } from './base/images/decoders';
export { pictureKey } from './copy/pictureNames';
export { ImportError, InvariantError, ValueError } from './base/errors';
export {
  applyEdit,
  applyEdits,
  editsBetweenBooks,
  invertEdit,
  invertEdits,
  replaceCopy,
  setSpecEdit,
  takeNextFile,
} from './edit';
export { copyBaseOf, remappedBase, withBase } from './copy/copyBase';
export { partOfPiece } from './copy/firstPages';
export { FaceLibrary } from './fonts/faceLibrary';
export { HarfBuzz, HarfBuzzSubsetter, type Outline } from './fonts/harfbuzz';
export {
  arrivalOf,
  describeManuscript,
  IMPORTERS,
  knownLanguage,
  emptyBook,
  picturesMissing,
  withKnownPictures,
  withPicturesBeside,
  makeBook,
  manuscriptOf,
  mapStyles,
  readManuscript,
  type ManuscriptReport,
} from './import';
export { parseLength } from './measure/units';
export {
  addPatterns,
  createTypesetContext,
  composeSpecimen,
  displayPage,
  heldStarts,
  movedPages,
  tellMoved,
  needsOf,
  bookTies,
  wishCosts,
  paragraphFacts,
  qualityOf,
  spacingFacts,
  specimenBook,
  supplyIndex,
  typesetBook,
  typesetReach,
  ebookFacts,
  writePressPdf,
  writeScreenPdf,
  type Needs,
  type TypesetContext,
  type TypesetReach,
  pageTableOf,
  takeTrial,
  trialPages,
  tryEdits,
  type ComposedState,
  type Trial,
} from './typeset';
export { offersOf, TIDY_JOBS, tidyBook, tidyManuscript, type TidyChange, type TidyCount } from './tidy';
export { checkBook, checkLanguage, checkSpec, specFromFile } from './validate';
export { readProject, writeProject, type ProjectContent } from './write/projectFile';
export { COPY_KINDS, writeCopy, type CopyKind } from './write/copy';
export { writeEpub, type Ebook } from './write/epub';

export { OWN_PREFIX, ownFace } from './fonts/ownFont';
export { isWoff2, unpackWoff2 } from './fonts/woff2';
export { findAll, findInScope, replaceAll } from './find';
export { NotLinearError } from './base/errors';
export { fileBytes, readBytes, type FileJob, type ReadJob } from './base/fileJob';
export { Fingerprint, fingerprint } from './base/hash';
export { listChange } from './base/listChange';
export { lackingCharacters } from './proof';
