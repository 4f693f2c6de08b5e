// Format 10: notes with a sign of their own; every note had a number.
import type { Migration } from '../plainBook';

export const from9: Migration = (book) => ({ ...book, format: 10 });
