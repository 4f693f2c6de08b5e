export { CHECKS, proofBook } from './checks';
export { measureQuality } from './quality/measureQuality';
export type { FaceMeasures } from './quality/rivers';
export { lackingCharacters } from './lackingCharacters';
