// The tags of paragraphs that nobody gave a style.
import type { StyleTag } from '../model/copy/streams';

/** What a paragraph bears that nobody gave a style: of text, and of a note. One of a note is set in the style of its kind. */
export const PLAIN_TEXT: StyleTag = 'TX';
export const PLAIN_NOTE: StyleTag = 'NT';
