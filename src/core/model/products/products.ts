// What leaves: the products, what each is called, what its file is, and what a person chooses for it. Writers (`worker/writers`), schemas of
// the choices (`validate/productSchemas`) and cards (`ui/routes/send-out`) are records by these ids, complete or they do not compile.
import type { CopyKind } from '../copy/copyKinds';
import { FIRST_EBOOK, type EbookSettings } from './ebook';

export interface ProductKind {
  readonly title: string;
  /** What goes into it, for a person. */
  readonly what: string;
  /** On the button that writes it. */
  readonly action: string;
  readonly extension: string;
  /** Media type (RFC 6838). */
  readonly type: string;
}

const PDF = 'application/pdf';

export const PRODUCTS = {
  press: {
    title: 'Press PDF of the interior',
    what: 'Pages to the trim with their bleed, text in the inks of the spec, pictures in the colours they came in or in black alone, faces embedded as subsets.',
    action: 'Write the PDF',
    extension: '.pdf',
    type: PDF,
  },
  screen: {
    title: 'PDF for the screen',
    what: 'The same pages to the trim, with an outline; contents, index, cross-references and addresses lead where they say.',
    action: 'Write for the screen',
    extension: '-screen.pdf',
    type: PDF,
  },
  epub: {
    title: 'Ebook',
    what: 'An EPUB that takes the shape of any screen: contents, pages of the printed book, notes that open beside the text, index and references as links. Size, leading and colour stay the reader’s.',
    action: 'Write the ebook',
    extension: '.epub',
    type: 'application/epub+zip',
  },
  copy: {
    title: 'The copy, for its author',
    what: 'Text, notes, tables, lists and pictures with our styles, to correct and send back. The Word document comes back as the same copy.',
    action: 'Write the copy',
    extension: '',
    type: 'application/octet-stream',
  },
  project: {
    title: 'Project file',
    what: 'The whole book in one file: text, pictures, spec and particulars. It opens again to an identical book, here or in another browser.',
    action: 'Write the project file',
    extension: '.walnut',
    type: 'application/zip',
  },
} as const satisfies Readonly<Record<string, ProductKind>>;

export type ProductId = keyof typeof PRODUCTS;
export const PRODUCT_IDS = Object.keys(PRODUCTS) as readonly ProductId[];

/** A product of which nothing is chosen. */
export type NoSettings = Readonly<Record<string, never>>;

export interface ProductSettings {
  readonly press: NoSettings;
  readonly screen: NoSettings;
  readonly epub: EbookSettings;
  readonly copy: { readonly format: CopyKind };
  readonly project: NoSettings;
}

export const FIRST_SETTINGS: ProductSettings = {
  press: {},
  screen: {},
  epub: FIRST_EBOOK,
  copy: { format: 'docx' },
  project: {},
};

/** What a product is made of: the book as it is open, or a pull of it. */
export type ProductSource = { readonly kind: 'open' } | { readonly kind: 'pull'; readonly name: string };

/** Pages of a composed book by their index, from 0; `to` inclusive. */
export interface PageRange {
  readonly from: number;
  readonly to: number;
}

/** What is to be written; a member of a union by the product, so that its settings are those of it. */
export type ProductChoice = {
  [K in ProductId]: {
    readonly product: K;
    readonly settings: ProductSettings[K];
    /** The pages that it holds, of a product that has pages; absent: all. */
    readonly range?: PageRange;
    /** Name under which the settings are kept, where they were taken from there. */
    readonly preset?: string;
  };
}[ProductId];

/** A product that was written. Its bytes are not kept, they are the person's; what is kept tells them from others. */
export type MadeProduct = ProductChoice & {
  readonly source: ProductSource;
  /** Fingerprint of the book that it was written from (`bookFingerprint`): another one's product is out of date. */
  readonly book: string;
  /** Fingerprint of its bytes. */
  readonly hash: string;
  readonly bytes: number;
  /** 0 for a product without pages. */
  readonly pages: number;
  readonly fileName: string;
  /** Milliseconds since 1970. */
  readonly time: number;
  /** Of a file that was held against the book: what of it is in the file. Absent: it was not. */
  readonly counts?: readonly FileCount[];
};

/** How many of something the book has, and how many the file that was made of it. */
export interface FileCount {
  readonly what: string;
  readonly inBook: number;
  readonly inFile: number;
}
