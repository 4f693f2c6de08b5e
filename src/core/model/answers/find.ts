// Finding and replacing: what is asked, and what was found.
import { table } from '../../base/table';
import type { BlockId, StreamId, StyleTag, TextTouches } from '../copy/streams';

/** What stands for characters that are not typed easily, in what is looked for and in what is put in its place. */
export const FIND_TOKENS: Readonly<Record<string, string>> = table({
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
  '{narrow no-break space}': '\u202F',
  '{hair space}': '\u200A',
  '{word joiner}': '\u2060',
});

/** Looked for by itself, it finds paragraphs without words. */
export const EMPTY_PARAGRAPH = '{empty paragraph}';

export interface FindQuery {
  readonly words: string;
  /** The words are a regular expression of ECMAScript, with its flags `u` and `m`. */
  readonly isPattern: boolean;
  readonly wholeWords: boolean;
  readonly matchCase: boolean;
  /** Only in paragraphs of this style; null: in all. */
  readonly style: StyleTag | null;
  /** Only what is wholly of this look; null: of any. Without words, each stretch of the look is found. */
  readonly look: FindLook | null;
  /** Only in this division and its notes; null: in the whole book. */
  readonly division: StreamId | null;
  /** Only inside these stretches: what is selected, or what was found before; null: anywhere. */
  readonly within: readonly FindRange[] | null;
  /** What would be put in its place, shown with each hit; null or absent: nothing is shown. */
  readonly put?: string | null;
}

/** A value that text is set with. */
export type AskedValue =
  | { readonly of: 'size'; readonly pt: number }
  /** Key of a family. */
  | { readonly of: 'face'; readonly family: string }
  /** Name of an ink, or `#rrggbb` of a colour that came with a file. */
  | { readonly of: 'ink'; readonly ink: string }
  /** A tag of LANGUAGES. */
  | { readonly of: 'language'; readonly tag: string };

/** A character style, a touch made by hand, or a value. */
export type FindLook =
  | { readonly kind: 'style'; readonly style: StyleTag }
  | { readonly kind: 'touch'; readonly touch: keyof TextTouches }
  /** Set with a value, whatever says so. */
  | { readonly kind: 'value'; readonly value: AskedValue };

/** Part of a paragraph's text, in UTF-16 units. */
export interface FindRange {
  readonly block: BlockId;
  readonly from: number;
  readonly to: number;
}

export interface FindHit {
  readonly stream: StreamId;
  readonly block: BlockId;
  /** Offset in the stream as one text, its paragraphs parted by line feeds; and its length. */
  readonly at: number;
  readonly length: number;
  /** Offset in the paragraph in which it begins. */
  readonly offset: number;
  readonly before: string;
  readonly found: string;
  readonly after: string;
  /** What would stand there instead. */
  readonly becomes?: string;
}

export interface FindReplacement {
  /** Takes tokens, and of a pattern its groups as `$1`. Empty: what is found is deleted. Null: the words stay as they are. */
  readonly words: string | null;
  /** Character style that the replacement takes; null: the look of what it replaces. */
  readonly style: StyleTag | null;
  /** Style of the paragraphs in which something is replaced; null: as they were. */
  readonly paragraphStyle: StyleTag | null;
}
