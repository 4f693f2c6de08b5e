// A group of an RTF file that is open: where its text goes, and how it is set.
import { table } from '../../base/table';
import type { SpanLook } from '../paragraphBuilder';

export type Destination =
  | 'text'
  | 'skip'
  | 'stylesheet'
  | 'info'
  | 'marker'
  | 'bookmark'
  | 'title'
  | 'author'
  | 'fldinst'
  | 'pict'
  | 'comment'
  | 'commentBy'
  | 'fonttbl'
  | 'colortbl';

/** Destinations whose text is collected. */
export const WORDED = new Set<Destination>([
  'stylesheet',
  'title',
  'author',
  'comment',
  'commentBy',
  'marker',
  'bookmark',
]);

/** Groups inside the text that are collected for themselves. */
export const IN_TEXT: Readonly<Record<string, Destination>> = table({
  fonttbl: 'fonttbl',
  colortbl: 'colortbl',
  listtext: 'marker',
  pntext: 'marker',
  bkmkstart: 'bookmark',
});

export interface Group {
  destination: Destination;
  look: SpanLook;
  /** Number of the face, by whose page bytes are read; null: none was chosen. */
  face: number | null;
  hidden: boolean;
  deleted: boolean;
  /** Bytes of the replacement text after a Unicode character. */
  unicodeSkip: number;
  readonly opensNote: boolean;
  /** It holds the result of a field. */
  readonly isResult: boolean;
}
