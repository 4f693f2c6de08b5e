// Format 15: figures may stand beside text, in frames, their captions above or beside them. What a book of format 14 says of its figures holds.
import type { Migration } from '../plainBook';

export const from14: Migration = (book) => ({ ...book, format: 15 });
