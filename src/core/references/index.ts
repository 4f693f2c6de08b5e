export { notePlaces } from './notePlaces';
export { captionEntries, contentsEntries, type ContentsEntry, type Corrections } from './contentsEntries';
export { findPlaces, pageStarts, type PageOf } from './findPlaces';
export {
  CONTINUED_BLOCK,
  continuedEntries,
  INDEX_BLOCK,
  indexLocators,
  marksOf,
  rangeText,
  type PlacedMark,
} from './indexLocators';
export { readReferences, type ReferenceFacts } from './readReferences';
export { referenceText } from './referenceText';
export {
  copyOfPages,
  findLocators,
  type PageOfCopy,
  readSuppliedIndex,
  type FoundLocator,
  type LocatedPlace,
  type SuppliedEntry,
} from './suppliedIndex';
