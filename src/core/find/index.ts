export { findAll, MOST_HITS, replaceAll, type Replaced } from './find';
