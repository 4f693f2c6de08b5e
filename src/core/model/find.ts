// Finding and replacing: what is asked, and what was found.
import type { BlockId, StreamId, StyleTag } from './streams';

/** What stands for characters that are not typed easily, in what is looked for and in what is put in its place. */
export const FIND_TOKENS: Readonly<Record<string, string>> = {
  '{paragraph}': '\n',
  '{line}': '\u2028',
  '{tab}': '\t',
  '{note}': '\uFFFC',
  '{em dash}': '—',
  '{en dash}': '–',
  '{no-break space}': '\u00A0',
  '{thin space}': '\u2009',
  '{en space}': '\u2002',
  '{em space}': '\u2003',
  '{soft hyphen}': '\u00AD',
};

export interface FindQuery {
  readonly words: string;
  /** The words are a regular expression of ECMAScript, with its flags `u` and `m`. */
  readonly isPattern: boolean;
  readonly wholeWords: boolean;
  readonly matchCase: boolean;
  /** Only in paragraphs of this style; null: in all. */
  readonly style: StyleTag | null;
  /** Only in this division and its notes; null: in the whole book. */
  readonly division: StreamId | null;
}

export interface FindHit {
  readonly stream: StreamId;
  readonly block: BlockId;
  /** Offset in the stream as one text, its paragraphs parted by line feeds; and its length. */
  readonly at: number;
  readonly length: number;
  readonly before: string;
  readonly found: string;
  readonly after: string;
}

export interface FindReplacement {
  /** Takes tokens, and of a pattern its groups as `$1`. */
  readonly words: string;
  /** Character style that the replacement takes; null: the look of what it replaces. */
  readonly style: StyleTag | null;
}
