// What the state reaches outside of itself: database, workers, tabs, downloads, clock. Made once by the app, replaced in tests.
import type { DemoDress } from './shelf/dressDemo';
import type { BookRepository } from '../storage/bookRepository';
import type { FontRepository } from '../storage/fontRepository';
import type { FaceTable, OwnFont } from '../core/model/spec/faces';
import type { PictureRepository } from '../storage/pictureRepository';
import type { ProductRepository } from '../storage/productRepository';
import type { PullRepository } from '../storage/pullRepository';
import type { HeldLock, TabChannel, TabMessage, TakenOver } from '../storage/bookLock';
import type { TypesetClient, TypesetListener } from '../worker/typesetClient';
import type { WriteJob, WriteOrder } from '../worker/writeClient';
import type { Book, Particulars } from '../core/model/copy/book';

/** See storage/bookLock. */
export interface LockService {
  tryLock(book: string, onLost: () => void): Promise<HeldLock | null>;
  takeOver(book: string, onLost: () => void): Promise<TakenOver>;
  joinTabs(book: string, onMessage: (message: TabMessage) => void): TabChannel;
}

/** A manuscript that ships with the app, and what the invented press knows of its book besides. */
export interface DemoManuscript {
  readonly fileName: string;
  readonly bytes: Uint8Array;
  readonly particulars: Partial<Particulars>;
  /** Set up as a handbook: numbered heads, an index. */
  readonly isHandbook: boolean;
  /** Figures and ornaments that it is given besides; null: none. */
  readonly dress: DemoDress | null;
  /** The files of those figures, by their names. */
  readonly pictures: Readonly<Record<string, Uint8Array>>;
}

export interface Outside {
  readonly repository: BookRepository;
  readonly pulls: PullRepository;
  readonly pictures: PictureRepository;
  readonly products: ProductRepository;
  readonly fonts: FontRepository;
  /** Faces of the person's own, as they were read last. */
  ownFonts: readonly OwnFont[];
  /** The faces that ship. */
  readonly fetchFaces: () => Promise<FaceTable>;
  readonly locks: LockService;
  readonly createClient: (
    current: () => { book: Book; revision: number } | null,
    listener: TypesetListener,
  ) => TypesetClient;
  startWriteJob: (order: WriteOrder, onProgress?: (share: number) => void) => WriteJob;
  /** The demonstration manuscripts, the one that comes first on the Shelf last. */
  readonly fetchDemos: () => Promise<readonly DemoManuscript[]>;
  readonly download: (fileName: string, file: Blob, type: string) => void;
  readonly now: () => number;
  readonly newBookId: () => string;
}
