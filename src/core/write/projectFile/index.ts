export { readProject, writeProject, type ProjectContent } from './projectFile';
