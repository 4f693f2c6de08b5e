// Format 4: what is done with the author's file is kept; of older books nothing is known of that.
import { part, type Migration } from '../plainBook';

export const from3: Migration = (book) => ({
  ...book,
  format: 4,
  source: { recipe: [], mapping: {}, ...part(book, 'source') },
});
