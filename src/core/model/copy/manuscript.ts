// What a reader of files gives: the text as it came, before it is a book. Styles are the file's own names.
import type { DivisionRole, Matter } from './book';
import type { Particulars } from './book';
import type { Block, BlockId, PictureBytes, PictureFacts, StreamId, StyleTag } from './streams';

export interface IncomingMetadata {
  readonly title?: string;
  readonly subtitle?: string;
  readonly author?: string;
  readonly language?: string;
  /** Of a file that says it; empty: nothing is said. */
  readonly more?: Pick<
    Particulars,
    'people' | 'publisher' | 'rights' | 'year' | 'isbnEbook' | 'isbnPrint' | 'series'
  > & {
    readonly description: string;
    readonly subjects: string;
  };
  /** The picture on its cover. */
  readonly cover?: PictureFacts;
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

/** A stretch of a paragraph of which two made versions. `before`: what stood there; `text`: what stands there now. */
export type MergedWords =
  | { readonly kind: 'same'; readonly text: string }
  | { readonly kind: 'desk' | 'author'; readonly text: string; readonly before: string }
  /** Both changed it: the desk's words stand, the author's are told. */
  | { readonly kind: 'both'; readonly text: string; readonly before: string; readonly author: string };

/** A change of a newer version, or one that stands beside it. */
export interface CopyChange {
  /** Where it is in the copy now; empty: nowhere any more. */
  readonly block: BlockId;
  /** First words of the paragraph. */
  readonly words: string;
}

/** A paragraph that both changed, or that one changed and the other took out. */
export interface CopyConflict extends CopyChange {
  readonly parts: readonly MergedWords[];
  /** The block as each would have it; null: not at all. */
  readonly desk: Block | null;
  readonly author: Block | null;
  /** As it stands until it is chosen otherwise: what each changed, the desk's words where both changed the same ones. */
  readonly together: Block | null;
  /** The block after which it stands where it is brought back; empty: at the beginning. */
  readonly after: BlockId;
  /** The stream in which it stands. */
  readonly stream: StreamId;
  /** Notes that the author's version refers to and the copy has not. */
  readonly notes: readonly NoteBlocks[];
}

export interface NoteBlocks {
  readonly id: StreamId;
  readonly kind: string;
  readonly blocks: readonly Block[];
}

/** What a newer version of the copy came to. */
export interface ReplaceReport {
  /** `two`: nothing tells what the desk changed, so that all changes count as the author's. */
  readonly ways: 'two' | 'three';
  /** Paragraphs that are as they were. */
  readonly kept: number;
  readonly author: readonly CopyChange[];
  readonly desk: readonly CopyChange[];
  readonly both: readonly CopyConflict[];
  readonly moved: readonly CopyChange[];
  readonly gone: readonly CopyChange[];
  /** Touches whose paragraph is gone: which, and on what words. */
  readonly lost: readonly string[];
}

/** How a paragraph stands in the file, where its touches do not say. */
export interface BlockStand {
  readonly isCentred?: true;
  /** It begins a page. */
  readonly isOnNewPage?: true;
  /** It begins a division of this role, as a copy of ours says. */
  readonly division?: { readonly role: DivisionRole; readonly matter: Matter };
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
  /** All its divisions are said where they begin: no head begins another. */
  readonly saysDivisions?: true;
  /** Page and column breaks. */
  readonly pageBreaks: number;
  /** The next number for an id. */
  readonly nextId: number;
  readonly remarks: readonly ImportRemark[];
}
