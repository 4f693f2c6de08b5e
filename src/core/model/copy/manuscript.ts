// What a reader of files gives: the text as it came, before it is a book. Styles are the file's own names.
import type { Block, BlockId, PictureBytes, StreamId, StyleTag } from './streams';

export interface IncomingMetadata {
  readonly title?: string;
  readonly author?: string;
  readonly language?: string;
}

/** What a reader left out or changed, in words for the person, with how often and for what reason. */
export interface ImportRemark {
  readonly what: string;
  readonly count: number;
  readonly why: string;
}

/** How a style of the file looks, as far as the file says; lengths in points. */
export interface IncomingLook {
  readonly face?: string;
  readonly size?: number;
  readonly bold?: boolean;
  readonly italic?: boolean;
  readonly colour?: string;
  /** Points, or a multiple of the size where the file counts in lines. */
  readonly leading?: number;
  readonly leadingLines?: number;
  readonly firstIndent?: number;
  readonly leftIndent?: number;
  readonly rightIndent?: number;
  readonly above?: number;
  readonly below?: number;
  readonly align?: 'left' | 'right' | 'centre' | 'justify';
  readonly withNext?: boolean;
  readonly together?: boolean;
}

/** A paragraph style of the file: how often it is used, what it becomes with us, and the first words set in it. */
export interface IncomingStyle {
  readonly name: string;
  readonly count: number;
  readonly mappedTo: StyleTag;
  readonly sample: string;
  readonly look?: IncomingLook;
  /** Nothing of ours fits it: it has a tag of its own. */
  readonly waits?: boolean;
  /** Ids of its paragraphs, so that it can be mapped to another style later. */
  readonly blocks: readonly string[];
}

export interface IncomingNote {
  readonly kind: 'footnote' | 'endnote';
  /** A sign of its own in place of a number. */
  readonly mark?: string;
  readonly blocks: readonly Block[];
}

/** A picture as the file has it; width and height in pixels, 0 where the file does not say. */
export interface IncomingImage {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly alt: string;
}

/** What somebody remarked on a paragraph in the file: for the typesetter, never in the text. */
export interface IncomingComment {
  /** Id of the paragraph at which it stands. */
  readonly block: string;
  /** Who wrote it; empty when the file does not say. */
  readonly who: string;
  readonly text: string;
}

/** A heading with its level, from 1, as the file gives it. */
export interface IncomingHeading {
  readonly level: number;
  /** Id of its paragraph. */
  readonly block: string;
  readonly text: string;
}

/** What came in with a manuscript, as it is told when its book is made. */
export interface Arrival {
  readonly fileName: string;
  readonly words: number;
  readonly paragraphs: number;
  readonly headings: readonly { readonly level: number; readonly text: string }[];
  readonly footnotes: number;
  readonly endnotes: number;
  readonly tables: number;
  readonly lists: number;
  readonly images: readonly IncomingImage[];
  readonly styles: readonly IncomingStyle[];
  readonly comments: readonly IncomingComment[];
  readonly dropped: readonly ImportRemark[];
}

/** What a newer version of the copy came to; paragraphs by their first words. */
export interface ReplaceReport {
  readonly kept: number;
  readonly changed: readonly string[];
  readonly added: readonly string[];
  readonly gone: readonly string[];
  /** Touches whose paragraph is gone: which, and on what words. */
  readonly lost: readonly string[];
}

/** How a paragraph stands in the file, where its touches do not say. */
export interface BlockStand {
  readonly isCentred?: true;
  /** It begins a page. */
  readonly isOnNewPage?: true;
  /** It stands right under the line before, in a file that parts paragraphs by empty lines. */
  readonly isClose?: true;
}

/** A manuscript: one stream of blocks, its notes, and what the reader has to say. Style tags are ours already. */
export interface Manuscript {
  readonly metadata: IncomingMetadata;
  readonly blocks: readonly Block[];
  /** In the order of their references. */
  readonly notes: Readonly<Record<StreamId, IncomingNote>>;
  readonly styles: readonly IncomingStyle[];
  readonly images: readonly IncomingImage[];
  /** Bytes of the pictures that came in the file. */
  readonly pictures: PictureBytes;
  readonly headings: readonly IncomingHeading[];
  readonly comments: readonly IncomingComment[];
  /** Of paragraphs of which there is something to say. */
  readonly stands?: Readonly<Record<BlockId, BlockStand>>;
  /** Page and column breaks. */
  readonly pageBreaks: number;
  /** The next number for an id. */
  readonly nextId: number;
  readonly remarks: readonly ImportRemark[];
}
