export { migrate, MIGRATIONS, type PlainBook } from './migrations';
export { readProject, writeProject } from './projectFile';
