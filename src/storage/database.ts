// The database of this browser: its tables and the versions of their shape. Books have the model's format number too.
import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie';
import type { Book, Division, Note, Particulars, Source } from '../core/model/copy/book';
import type { Figure } from '../core/model/copy/figures';
import type { HistoryEntry } from '../core/model/copy/bookEdit';
import type { DisplayList, GlyphOutline } from '../core/model/composed/displayList';
import type { FaceRecord } from '../core/model/spec/faces';
import type { OutsideFact } from '../core/model/checks/outside';
import type { MadeProduct, ProductId } from '../core/model/products/products';
import type { Spec } from '../core/model/spec/spec';
import type { Block } from '../core/model/copy/streams';
import type { PullDivision } from './pullParts';
import type { PieceLayout } from './pieces';

/** The composed title page, kept for the Shelf. */
export interface CoverRecord {
  readonly revision: number;
  readonly list: DisplayList;
  readonly outlines: readonly GlyphOutline[];
  readonly pages: number;
}

export interface BookRecord {
  readonly id: string;
  readonly format: number;
  readonly nextId: number;
  readonly particulars: Particulars;
  readonly spec: Spec;
  readonly divisionIds: readonly string[];
  /** From format 4 on. */
  readonly source?: Source;
  /** Absent in records of formats before 11. */
  readonly anchors?: Book['anchors'];
  /** Absent in records of formats before 7. */
  readonly pageTouches?: Book['pageTouches'];
  /** Grows with every edit, undo and redo. */
  readonly revision: number;
  /** How many entries of the log are applied. */
  readonly cursor: number;
  /** Milliseconds since 1970 of the last change. */
  readonly touched: number;
  readonly words: number;
  readonly findings: number;
  readonly cover?: CoverRecord;
}

export interface DivisionRecord {
  readonly book: string;
  readonly division: string;
  /** Without its blocks when these are kept in pieces. */
  readonly value: Division;
  /** How the blocks of a long division lie in pieces. */
  readonly layout?: PieceLayout;
}

/** Some blocks of a long division. */
export interface PieceRecord {
  readonly book: string;
  readonly division: string;
  readonly piece: number;
  readonly blocks: readonly Block[];
}

export interface NoteRecord {
  readonly book: string;
  readonly note: string;
  readonly value: Note;
}

export interface FigureRecord {
  readonly book: string;
  readonly figure: string;
  readonly value: Figure;
}

export interface LogRecord {
  readonly book: string;
  /** From 1. */
  readonly number: number;
  readonly entry: HistoryEntry;
  /** The format of the book when it was written; absent in rows of formats before 11. */
  readonly format?: number;
}

/** A kept state of a book: a list of its parts. Divisions that several pulls have alike are stored once. */
export interface PullRecord {
  readonly book: string;
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly time: number;
  /** Of records before pieces, the spec too. */
  readonly head: Omit<Book, 'divisions' | 'notes' | 'figures' | 'spec'> & { readonly spec?: Spec };
  /** In running order; of records before pieces the hash of each whole, and one of all notes. */
  readonly divisions: readonly (PullDivision | string)[];
  readonly notes: readonly string[] | string;
  readonly spec?: string;
  /** Of records before format 14 absent. */
  readonly figures?: readonly string[];
  /** Hash of the table of its pages; null: it was kept before they were composed. Absent in older records. */
  readonly table?: string | null;
}

export interface PullPartRecord {
  readonly book: string;
  readonly hash: string;
  readonly value: unknown;
}

/** A picture, once for all books that have it; a Blob, so that its bytes stay on the disk until they are asked for. */
export interface PictureRecord {
  readonly hash: string;
  readonly blob: Blob;
}

/** A book that has a picture. A picture that nobody has goes. */
export interface PictureOwner {
  readonly hash: string;
  readonly book: string;
}

/** A face of the person's own, by its id. */
export interface FontRecord {
  readonly hash: string;
  readonly record: FaceRecord;
  readonly bytes: Uint8Array;
}

/** What is known of the last product of a kind that was written. */
export interface ProductRecord {
  readonly book: string;
  readonly product: ProductId;
  readonly made: MadeProduct;
  /** What was said of it; absent: nothing. */
  readonly facts?: readonly OutsideFact[];
}

export class WalnutDatabase extends Dexie {
  declare books: EntityTable<BookRecord, 'id'>;
  declare divisions: Table<DivisionRecord, [string, string]>;
  declare pieces: Table<PieceRecord, [string, string, number]>;
  declare notes: Table<NoteRecord, [string, string]>;
  declare figures: Table<FigureRecord, [string, string]>;
  declare log: Table<LogRecord, [string, number]>;
  declare blobs: EntityTable<PictureRecord, 'hash'>;
  declare pictureOwners: Table<PictureOwner, [string, string]>;
  declare fonts: EntityTable<FontRecord, 'hash'>;
  declare pulls: Table<PullRecord, [string, string]>;
  declare products: Table<ProductRecord, [string, string]>;
  declare pullParts: Table<PullPartRecord, [string, string]>;
  declare settings: EntityTable<{ readonly key: string; readonly value: unknown }, 'key'>;

  constructor(name = 'walnut-leaf') {
    super(name);
    this.version(1).stores({
      books: 'id, touched',
      divisions: '[book+division], book',
      notes: '[book+note], book',
      log: '[book+number], book',
      assets: 'hash',
      fonts: 'hash',
      pulls: '[book+name], book',
      settings: 'key',
    });
    this.version(2).stores({ pullParts: '[book+hash], book' });
    // Nothing was ever kept among the assets.
    this.version(3).stores({ assets: null, pictures: '[book+hash], book, hash' });
    this.version(4).stores({ pieces: '[book+division+piece], book, [book+division]' });
    this.version(5).stores({ products: '[book+product], book' });
    this.version(6).stores({ blobs: 'hash', pictureOwners: '[hash+book], book' }).upgrade(moveRows);
    this.version(7).stores({ pictures: null });
    this.version(8).stores({ figures: '[book+figure], book' });
  }
}

/** Pictures were rows of bytes, one for each book that had them. */
async function moveRows(transaction: Transaction): Promise<void> {
  const rows = transaction.table<{ readonly book: string; readonly hash: string; readonly bytes: Uint8Array }>(
    'pictures',
  );
  const keys = (await rows.toCollection().primaryKeys()) as unknown as [string, string][];
  for (const [book, hash] of keys) {
    const row = await rows.get([book, hash]);
    if (row === undefined) continue;
    await transaction.table('blobs').put({ hash, blob: new Blob([row.bytes as Uint8Array<ArrayBuffer>]) });
    await transaction.table('pictureOwners').put({ hash, book });
  }
}
