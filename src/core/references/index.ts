export { contentsEntries, type ContentsEntry } from './contentsEntries';
export { headingWords, plainWords, readReferences } from './readReferences';
