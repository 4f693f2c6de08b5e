export { findAll, findInScope, MOST_HITS } from './find';
export { replaceAll, type Replaced } from './replace';
