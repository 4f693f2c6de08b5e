// The messages between the main thread and the workers: all that the two sides share. A book crosses once, with `open`;
// after that only edits do. Big buffers are transferred.
import type { ListChange } from '../core/base/listChange';
import type { Book, Particulars } from '../core/model/copy/book';
import type { PictureKind } from '../core/model/copy/streams';
import type { BookEdit } from '../core/model/copy/bookEdit';
import type { FileCount, ProductChoice } from '../core/model/products/products';
import type { OwnFont } from '../core/model/spec/faces';
import type { DisplayList, GlyphOutline } from '../core/model/composed/displayList';
import type { FindHit, FindQuery, FindReplacement } from '../core/model/answers/find';
import type { Finding } from '../core/model/checks/finding';
import type { Arrival, Manuscript, ReplaceReport } from '../core/model/copy/manuscript';
import type { LackingCharacter } from '../core/model/answers/lacking';
import type {
  DivisionExtent,
  PageGeometry,
  PageRole,
  PageSide,
  StageTimes,
  TypesetBook,
} from '../core/model/composed/pages';
import type { PageTable } from '../core/model/composed/pageTable';
import type { ParagraphFacts, Wish, WishCost } from '../core/model/answers/paragraphFacts';
import type { CaptionPlace, HeadingPlace, NotePlaces, SectionPlace } from '../core/model/composed/referenceTable';
import type { SpacingFacts } from '../core/model/answers/spacingFacts';
import type { Spec } from '../core/model/spec/spec';
import type { SuppliedIndex } from '../core/model/answers/suppliedIndex';
import type { BookTie } from '../core/model/answers/ties';
import type { TidyChange, TidyOffer, TidyPlace } from '../core/model/answers/tidy';

/** Where the shipped assets are served, ending in a slash. */
export interface AssetBase {
  readonly base: string;
  /** Faces of the person's own, with their files. */
  readonly fonts?: readonly OwnFont[];
}

export type TypesetRequest =
  | ({ readonly kind: 'open'; readonly book: Book; readonly revision: number } & AssetBase)
  /** `trial`: the edits are those of a trial; when it is still the newest, its pages are taken as they were tried. */
  | {
      readonly kind: 'apply';
      readonly edits: readonly BookEdit[];
      readonly from: number;
      readonly to: number;
      readonly trial?: number;
    }
  /** What edits would do; nothing is changed. `most`: so many of the changed pages are drawn. */
  | { readonly kind: 'try'; readonly request: number; readonly edits: readonly BookEdit[]; readonly most: number }
  | { readonly kind: 'page'; readonly request: number; readonly page: number; readonly revision: number }
  | {
      readonly kind: 'locate';
      readonly request: number;
      readonly stream: string;
      readonly block: string;
      readonly offset: number;
    }
  | { readonly kind: 'paragraph'; readonly request: number; readonly stream: string; readonly block: string }
  /** How many pages each of some wishes for a paragraph would change. */
  | {
      readonly kind: 'wishes';
      readonly request: number;
      readonly stream: string;
      readonly block: string;
      readonly wishes: readonly Wish[];
    }
  /** Characters that the face of their paragraph lacks. */
  | { readonly kind: 'lacking'; readonly request: number }
  /** The page table of a revision. */
  | { readonly kind: 'pageTable'; readonly request: number; readonly revision: number }
  /** Ties by rule of the composed book. */
  | { readonly kind: 'ties'; readonly request: number }
  /** How often each rule of spacing and breaks decided in the composed book. */
  | { readonly kind: 'spacing'; readonly request: number }
  | { readonly kind: 'look'; readonly view: TextInView | null }
  | { readonly kind: 'find'; readonly request: number; readonly query: FindQuery }
  /** The answer to a question is not wanted any more. */
  | { readonly kind: 'stop'; readonly request: number }
  /** Replaces what a query finds; `only`: places as `stream at`, null for all. */
  | {
      readonly kind: 'replace';
      readonly request: number;
      readonly query: FindQuery;
      readonly replacement: FindReplacement;
      readonly only: readonly string[] | null;
    }
  /** What Tidy would do for the copy as it is. */
  | { readonly kind: 'tidyOffers'; readonly request: number }
  /** Runs jobs; `only`: the one place that is taken, `skipped`: those that are not. */
  | {
      readonly kind: 'tidy';
      readonly request: number;
      readonly jobs: readonly string[];
      readonly only: TidyPlace | null;
      readonly skipped: readonly TidyPlace[];
    };

/** The text at the head of what a person looks at, and the pages on which it stands as last composed. */
export interface TextInView {
  readonly stream: string;
  readonly block: string;
  readonly offset: number;
  readonly pages: readonly number[];
}

/** One row of the page table, as the deckle and the desk need it. */
export interface PageSummary {
  readonly index: number;
  readonly side: PageSide;
  readonly role: PageRole;
  readonly division: string;
  readonly folio: string;
  /** A blank that was made for the side of the division after it. */
  readonly isMade?: boolean;
  /** First text of the page; null for a page without any. */
  readonly start: { readonly stream: string; readonly block: string; readonly offset: number } | null;
}

export interface ComposedSummary {
  readonly revision: number;
  readonly pages: readonly PageSummary[];
  readonly geometry: PageGeometry;
  readonly extents: readonly DivisionExtent[];
  readonly headings: readonly HeadingPlace[];
  readonly sections: readonly SectionPlace[];
  readonly captions: readonly CaptionPlace[];
  /** Pages of the page touches; -1: the words are gone. */
  readonly touched: TypesetBook['touched'];
  /** Where notes are referred to. */
  readonly notes: NotePlaces;
  readonly findings: readonly Finding[];
  readonly words: number;
  readonly lines: number;
  readonly times: StageTimes;
  /** Characters that a full line of text holds on average, measured on the book's own lines; 0 when there are too few. */
  readonly charactersPerLine: number;
}

type SummaryLists = Pick<ComposedSummary, 'pages' | 'extents' | 'headings' | 'findings'>;

/** A summary told by what became of the lists of another one: a letter typed changes little of a long book's. */
export interface SummaryChange {
  /** Number of this summary, and of the one that it goes on from; null: from one with empty lists. */
  readonly number: number;
  readonly from: number | null;
  readonly facts: Omit<ComposedSummary, keyof SummaryLists>;
  readonly lists: { readonly [K in keyof SummaryLists]: ListChange<SummaryLists[K][number]> };
}

export type TypesetReply =
  | { readonly kind: 'progress'; readonly revision: number; readonly share: number }
  /** `isPart`: only the first pages are there. */
  | { readonly kind: 'composed'; readonly change: SummaryChange; readonly isPart: boolean }
  /** The pages in view, before the rest of the book is composed. */
  | {
      readonly kind: 'ahead';
      readonly revision: number;
      readonly pages: readonly { readonly page: number; readonly list: DisplayList }[];
      readonly outlines: readonly GlyphOutline[];
    }
  | {
      readonly kind: 'page';
      readonly request: number;
      /** Revision of the composed book that the page is of. */
      readonly revision: number;
      /** Null when that book has no such page. */
      readonly list: DisplayList | null;
      readonly outlines: readonly GlyphOutline[];
    }
  | { readonly kind: 'paragraph'; readonly request: number; readonly facts: ParagraphFacts | null }
  /** Null where that cannot be told; no costs at all when the book has changed meanwhile. */
  | { readonly kind: 'wishes'; readonly request: number; readonly costs: readonly (WishCost | null)[] }
  /** Null when the book changed meanwhile, or is not composed yet. */
  | {
      readonly kind: 'tried';
      readonly request: number;
      readonly trial: TrialAnswer | null;
      readonly outlines: readonly GlyphOutline[];
    }
  | { readonly kind: 'lacking'; readonly request: number; readonly characters: readonly LackingCharacter[] }
  /** Null when another revision is composed. */
  | { readonly kind: 'pageTable'; readonly request: number; readonly table: PageTable | null }
  | { readonly kind: 'ties'; readonly request: number; readonly ties: readonly BookTie[] }
  /** Null while the book has changed since it was composed. */
  | { readonly kind: 'spacing'; readonly request: number; readonly facts: SpacingFacts | null }
  | { readonly kind: 'tidyOffers'; readonly request: number; readonly offers: readonly TidyOffer[] }
  /** How far a question that takes long is. */
  | { readonly kind: 'share'; readonly request: number; readonly share: number }
  /** `problem`: what is wrong with the pattern. `isElsewhere`: it has to be run where it can be ended. */
  | ({ readonly kind: 'found'; readonly request: number; readonly isElsewhere?: boolean } & Found)
  | {
      readonly kind: 'replaced';
      readonly request: number;
      readonly revision: number;
      readonly edits: readonly BookEdit[];
      readonly count: number;
      readonly isElsewhere?: boolean;
    }
  /** The edits that do it, from the revision on. */
  | {
      readonly kind: 'tidied';
      readonly request: number;
      readonly revision: number;
      readonly edits: readonly BookEdit[];
      readonly changes: readonly TidyChange[];
    }
  | { readonly kind: 'located'; readonly request: number; readonly page: number }
  /** The question could not be answered: a fault of ours, told as one. The worker goes on. */
  | { readonly kind: 'refused'; readonly request: number; readonly message: string }
  | { readonly kind: 'failed'; readonly code: string; readonly message: string };

/** What edits would do to the pages, until the book changes. */
export interface TrialAnswer {
  /** Under which it can be taken. */
  readonly number: number;
  /** Indices of the pages that change, counted in the tried book, and how many pages that has. */
  readonly changed: readonly number[];
  readonly pageCount: number;
  readonly extents: readonly DivisionExtent[];
  /** The first page from which on all are in step again; null: none is. */
  readonly inStepFrom: number | null;
  readonly gained: readonly Finding[];
  readonly lost: readonly Finding[];
  readonly pages: readonly { readonly page: number; readonly list: DisplayList }[];
}

export interface Found {
  readonly hits: readonly FindHit[];
  /** Hits that the same query has outside its scope. */
  readonly outside: number;
  /** What is wrong with the pattern. */
  readonly problem: string | null;
}

/** Pictures by their hash. A Blob is a handle: what it holds is read when it is asked for. */
export type PictureBlobs = Readonly<Record<string, Blob>>;

/** A book, and its pictures. */
export interface WholeBook {
  readonly book: Book;
  readonly pictures: PictureBlobs;
}

/** A file by its name, without folders. */
export interface NamedFile {
  readonly name: string;
  readonly file: Blob;
}

/** One job of the write worker; it gets a book at a fixed revision and is stopped by being ended. */
export type WriteRequest = AssetBase &
  (
    | {
        readonly kind: 'import';
        readonly fileName: string;
        readonly file: Blob;
        readonly bookId: string;
        readonly particulars?: Partial<Particulars>;
        /** The file is a part of a book that is there. */
        readonly isPart?: boolean;
        /** Pictures that came beside the file: it may refer to them by name. */
        readonly beside?: readonly NamedFile[];
      }
    /** A book without a manuscript. */
    | { readonly kind: 'begin'; readonly bookId: string }
    /** A manuscript that goes into a book that is there. */
    | { readonly kind: 'read'; readonly fileName: string; readonly file: Blob }
    /** A newer version of the copy of a book, or of one of its divisions; mapping and recipe are the book's. */
    | {
        readonly kind: 'replaceCopy';
        readonly book: Book;
        /** The copy as it last came; null: that is not kept. */
        readonly copyBase: Book | null;
        readonly division: string | null;
        readonly fileName: string;
        readonly file: Blob;
        readonly beside?: readonly NamedFile[];
      }
    /** A pattern that may run for ever: found, or what it finds replaced. */
    | { readonly kind: 'find'; readonly book: Book; readonly query: FindQuery }
    | {
        readonly kind: 'replace';
        readonly book: Book;
        readonly query: FindQuery;
        readonly replacement: FindReplacement;
        readonly only: readonly string[] | null;
      }
    /** An index made from the pages of a pull, put into the book as it is now. */
    | {
        readonly kind: 'supplyIndex';
        readonly book: Book;
        readonly pull: Book;
        /** Its pages as they were kept; null of a pull that was kept without: it is composed. */
        readonly table: PageTable | null;
        readonly text: string;
      }
    /** A font file of the person's own, read. */
    | { readonly kind: 'readFont'; readonly fileName: string; readonly bytes: Uint8Array }
    | { readonly kind: 'openProject'; readonly file: Blob; readonly bookId: string }
    /** A picture of a kind that no browser shows, for the screen. */
    | { readonly kind: 'showPicture'; readonly file: Blob; readonly format: PictureKind }
    /** The first pages of the book's first chapter under each of some specs. */
    | { readonly kind: 'specimens'; readonly book: Book; readonly specs: readonly Spec[] }
    /** `date`: as ISO 8601, for the metadata. */
    | ({
        readonly kind: 'product';
        readonly date: string;
        /** For a project file: the copy as it last came. */
        readonly copyBase?: Book | undefined;
      } & ProductChoice &
        WholeBook)
  );

/** Two pages as a spec sets them. */
export interface Specimen {
  readonly lists: readonly DisplayList[];
}

export type WriteReply =
  | { readonly kind: 'progress'; readonly share: number }
  | {
      readonly kind: 'book';
      readonly book: Book;
      /** The copy as it came, which the book names; null: a project file had none. */
      readonly base: Book | null;
      readonly pictures: PictureBlobs;
      readonly arrival: Arrival | null;
      /** Names of the files beside it that it refers to. */
      readonly placed?: readonly string[];
      /** Faces of a person's own that a project file holds, and names of those that it needs besides. */
      readonly fonts?: readonly OwnFont[];
      readonly facesNeeded?: readonly string[];
    }
  /** Its pictures stand beside it, not in it. */
  | { readonly kind: 'manuscript'; readonly manuscript: Manuscript; readonly pictures: PictureBlobs }
  | ({ readonly kind: 'found' } & Found)
  | { readonly kind: 'edits'; readonly edits: readonly BookEdit[]; readonly count: number }
  | ({ readonly kind: 'index' } & SuppliedIndex)
  | {
      readonly kind: 'replaced';
      readonly edits: readonly BookEdit[];
      readonly report: ReplaceReport;
      /** The author's new copy, which the book names after the edits; null: none is kept. */
      readonly base: Book | null;
      readonly pictures: PictureBlobs;
      readonly arrival: Arrival;
    }
  | { readonly kind: 'font'; readonly font: OwnFont }
  /** As PNG. */
  | { readonly kind: 'picture'; readonly file: Blob }
  | { readonly kind: 'specimens'; readonly specimens: readonly Specimen[]; readonly outlines: readonly GlyphOutline[] }
  /** `hash`: fingerprint of its bytes. */
  | {
      readonly kind: 'file';
      readonly file: Blob;
      readonly pages: number;
      readonly hash: string;
      /** Of a file that was held against the book. */
      readonly counts?: readonly FileCount[];
    }
  | { readonly kind: 'failed'; readonly code: string; readonly message: string };
