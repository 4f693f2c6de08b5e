// Format 5: pictures came into the text; a book of before has none.
import type { Migration } from '../plainBook';

export const from4: Migration = (book) => ({ ...book, format: 5 });
