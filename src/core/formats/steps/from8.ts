// Format 9: the depth of the rag became a setting; every rag had been four em deep.
import { part, withSpec, type Migration } from '../plainBook';

export const from8: Migration = (book) =>
  withSpec(book, 9, (spec) => ({ ...spec, text: { rag: 4, ...part(spec, 'text') } }));
