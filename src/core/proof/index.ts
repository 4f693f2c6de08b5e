export { CHECKS, proofBook } from './checks';
export { measureQuality } from './quality/measureQuality';
