export { CHECKS, proofBook } from './checks';
