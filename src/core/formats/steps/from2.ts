// Format 3: marks after italic words, and first words in small capitals, as they were before there was a choice.
import { part, withSpec, type Migration } from '../plainBook';

export const from2: Migration = (book) =>
  withSpec(book, 3, (spec) => ({
    ...spec,
    marks: { afterItalic: 'typed', ...part(spec, 'marks') },
    openers: { leadWords: 0, ...part(spec, 'openers') },
  }));
