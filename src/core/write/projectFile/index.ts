export { readProject, writeProject } from './projectFile';
