// What the galley's editors ask of the screen around them.
import type { Book, Note } from '../../../../core/model/copy/book';
import type { TextSelection as BookSelection } from '../../../../core/model/copy/bookEdit';
import type { EditorView } from 'prosemirror-view';
import type {
  Block,
  BlockId,
  CrossReference,
  FigureId,
  FieldName,
  PictureFacts,
  PictureKind,
  StreamId,
  StyleTag,
} from '../../../../core/model/copy/streams';
import type { BlockPart } from '../../../../core/copy/textRange';
import type { Figure } from '../../../../core/model/copy/figures';
import type { CopySerializer, RecordKind } from '../../../../galley';
import type { GalleyChange } from '../../../../state/copy/galleyThunks';

/** A document of the galley: a stretch of the division, or the text of a note. */
export interface GalleyStream {
  readonly stream: StreamId;
  readonly view: EditorView;
  /** Place of its first block in the stream. */
  readonly firstBlock: number;
  readonly bookSelection: () => BookSelection;
  readonly sync: (all: readonly Block[], first: number, count: number) => void;
  readonly focusEnd: () => void;
  /** Opens the note of a reference for editing; false when the reference is not in this document. */
  readonly editNote: (note: StreamId) => boolean;
  readonly destroy: () => void;
}

export interface GalleyHost {
  readonly book: () => Book;
  readonly isReadOnly: () => boolean;
  /** Number of a note's reference; empty for one that has none. */
  readonly label: (note: StreamId) => string;
  readonly note: (note: StreamId) => Note | undefined;
  readonly setNoteKind: (note: StreamId, kind: string) => void;
  /** Whether a mark can be put in: what it leads to is known. */
  readonly isRecordKnown: (kind: RecordKind, id: string) => boolean;
  readonly figure: (id: FigureId) => Figure | undefined;
  readonly setFigure: (figure: Figure, name: string) => void;
  /** Puts a picture file beside those of a figure; answers why not, or null. */
  readonly addPart: (figure: FigureId, file: File) => Promise<string | null>;
  readonly dropPart: (figure: FigureId, at: number) => void;
  /** An editor of a text of a figure; what is typed into an empty one is of the style. */
  readonly textEditor: (mount: HTMLElement, stream: StreamId, name: string, style: StyleTag) => GalleyStream;
  /** An editor of a note's own text. */
  readonly noteEditor: (mount: HTMLElement, note: StreamId) => GalleyStream;
  readonly fieldWords: (field: FieldName) => string;
  /** What a cross-reference goes to, in words; empty when it is gone. */
  readonly referenceWords: (reference: CrossReference) => string;
  readonly change: (change: GalleyChange) => void;
  /** The selection of a stream has moved, or its text has changed. */
  readonly moved: (view: GalleyStream) => void;
  /** Backspace at the start of a document (-1), Delete at its end (1): true when the neighbour was joined. */
  readonly joinAcross: (view: GalleyStream, direction: -1 | 1) => boolean;
  /** The caret leaves a document upwards (-1) or downwards (1): true when another took it. */
  readonly leave: (view: GalleyStream, direction: -1 | 1) => boolean;
  /** Selects the whole division where it is more than one document; false where it is not. */
  readonly selectAll: (view: GalleyStream) => boolean;
  /** What of each block is in a selection over more than one document. */
  readonly rangeParts: () => readonly BlockPart[];
  /** Goes on selecting with Shift into the next document (1) or the one before (-1); false where there is none. */
  readonly extendAcross: (view: GalleyStream, direction: -1 | 1) => boolean;
  /** Goes to the style tag of a paragraph. */
  readonly goToTag: (block: BlockId) => boolean;
  /** Copy of another program, or files: put in at the caret. */
  readonly bringIn: (view: GalleyStream, name: string, bytes: Uint8Array) => void;
  /** Writes what is copied. */
  readonly copySerializer: CopySerializer;
  /** An address at which a picture can be shown; null when it is not here. */
  readonly pictureAddress: (asset: string, format: PictureKind) => Promise<string | null>;
  /** Keeps a picture that was chosen; null when it is none. */
  readonly keepPicture: (name: string, bytes: Uint8Array) => Promise<PictureFacts | null>;
  readonly folding: { readonly isFolded: (block: BlockId) => boolean; readonly toggle: (block: BlockId) => void };
}
