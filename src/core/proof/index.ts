export type { LineHit, PageRunner, ParagraphRunner } from './hits';
export { onLine, onParagraph, onStretch } from './hits';
export { findingOf } from './findingOf';
export { proofPages } from './proofPages';
export { PAGE_RUNNERS, PARAGRAPH_RUNNERS, runnersOf, type KindsOf } from './runners';
export { measureQuality } from './quality/measureQuality';
export type { FaceMeasures } from './quality/rivers';
export { lackingCharacters } from './lackingCharacters';
