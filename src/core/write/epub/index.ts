export { writeEpub } from './writeEpub';
