// What thunks and listeners work with besides the store; made once by the app, replaced in tests.
import type { BookRepository } from '../storage/bookRepository';
import type { FontRepository } from '../storage/fontRepository';
import type { FaceTable, OwnFont } from '../core/model/faces';
import type { PictureRepository } from '../storage/pictureRepository';
import type { PullRepository } from '../storage/pullRepository';
import type { TypesetClient, TypesetListener, WriteJob, WriteOrder } from '../worker/typesetClient';
import type { Book, Particulars } from '../core/model/book';
import type { PageCache } from './pageCache';
import type { PictureCache } from './pictureCache';

export interface LockService {
  tryLock(book: string, onLost: () => void): Promise<{ release: () => void } | null>;
  takeOver(book: string, onLost: () => void): Promise<{ release: () => void }>;
  onLetGo(book: string, letGo: () => void): () => void;
}

/** A manuscript that ships with the app, and what the invented press knows of its book besides. */
export interface DemoManuscript {
  readonly fileName: string;
  readonly bytes: Uint8Array;
  readonly particulars: Partial<Particulars>;
  /** Set up as a handbook: numbered heads, an index. */
  readonly isHandbook: boolean;
}

export interface Services {
  readonly repository: BookRepository;
  readonly pulls: PullRepository;
  readonly pictures: PictureRepository;
  readonly pictureCache: PictureCache;
  readonly fonts: FontRepository;
  /** Faces of the person's own, as they were read last. */
  ownFonts: readonly OwnFont[];
  /** The faces that ship. */
  readonly fetchFaces: () => Promise<FaceTable>;
  readonly locks: LockService;
  readonly pageCache: PageCache;
  /** The client of the open book. */
  client: TypesetClient | null;
  readonly createClient: (
    current: () => { book: Book; revision: number } | null,
    listener: TypesetListener,
  ) => TypesetClient;
  readonly startWriteJob: (order: WriteOrder, onProgress?: (share: number) => void) => WriteJob;
  /** The demonstration manuscripts, the one that comes first on the Shelf last. */
  readonly fetchDemos: () => Promise<readonly DemoManuscript[]>;
  readonly download: (fileName: string, bytes: Uint8Array<ArrayBuffer>, type: string) => void;
  readonly now: () => number;
  readonly newBookId: () => string;
}
