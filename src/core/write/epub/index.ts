export { NO_FACTS, type EbookFace, type EbookFacts, type EbookIndexEntry, type PageStart } from './ebookFacts';
export type { Ebook } from './makeEbook';
export { writeEpub, type EbookOptions } from './writeEpub';
