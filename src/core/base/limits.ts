// What is read of a file at most. A book of half a million words has some 20,000 paragraphs and a million elements; what is far
// beyond that is no manuscript, and is refused before it fills the memory (docs/formats.md).
import { ImportError } from './errors';

/** Paragraphs, of all streams together. */
export const MOST_PARAGRAPHS = 100_000;
/** Elements of an XML part or a web page. */
export const MOST_ELEMENTS = 2_000_000;
/** Bytes of one XML part, unpacked. */
export const MOST_PART_BYTES = 64 * 1024 * 1024;
/** Bytes of a text (plain, Markdown); a million words are six. */
export const MOST_TEXT_BYTES = 24 * 1024 * 1024;
export const MOST_PICTURES = 5000;
/** Containers one inside another that keep their nesting; deeper ones are read as their text. */
export const DEEPEST = 100;
/** Tables one inside another. */
export const DEEPEST_TABLES = 6;
/** Deepest level of a list, from 0. */
export const DEEPEST_LIST = 8;

/** A refusal with what there was too much of, such as `200,000 paragraphs`. */
export const tooMuch = (most: number, what: string): ImportError =>
  new ImportError(
    'too-large',
    `This file holds more than ${String(most).replace(/\B(?=(\d{3})+$)/g, ',')} ${what}, so it was not opened.`,
  );
