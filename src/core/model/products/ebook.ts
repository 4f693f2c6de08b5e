// What a person chooses for the ebook.

/** `plain`: meaning alone, the look is the device's; `dressed`: with the book's faces, openers, ornaments and inks. */
export const EBOOK_LEVELS = ['plain', 'dressed'] as const;
export type EbookLevel = (typeof EBOOK_LEVELS)[number];

/** Where it opens the first time: at its cover, at the first page after it, or where the text begins. */
export const EBOOK_STARTS = ['cover', 'front', 'text'] as const;
export type EbookStart = (typeof EBOOK_STARTS)[number];

/** `cover`: the picture of the particulars, or one drawn from title and names where there is none. */
export const EBOOK_COVERS = ['cover', 'none'] as const;

/** How tables stand on screens that are too narrow for them: as they are, or row by row, each entry with its head. */
export const EBOOK_TABLES = ['rows', 'lists'] as const;

/** Whom the file is for; its name says it. */
export const EBOOK_USES = ['shop', 'readers', 'keep'] as const;
export type EbookUse = (typeof EBOOK_USES)[number];

/** How pictures come into it. `grey`: for screens without colours. */
export const EBOOK_PICTURES = ['colour', 'grey'] as const;

export interface EbookSettings {
  readonly level: EbookLevel;
  readonly opensAt: EbookStart;
  readonly use: EbookUse;
  readonly pictures: (typeof EBOOK_PICTURES)[number];
  /** Pixels along the longer side of a picture, at most. */
  readonly mostPixels: number;
  /** Thousands of bytes of a picture, at most. */
  readonly mostKilobytes: number;
  readonly cover: (typeof EBOOK_COVERS)[number];
  readonly tables: (typeof EBOOK_TABLES)[number];
}

export const LEAST_PIXELS = 400;
export const MOST_PIXELS = 6000;
export const LEAST_KILOBYTES = 20;
export const MOST_KILOBYTES = 20_000;

export const FIRST_EBOOK: EbookSettings = {
  level: 'dressed',
  opensAt: 'cover',
  use: 'readers',
  pictures: 'colour',
  mostPixels: 2000,
  mostKilobytes: 2000,
  cover: 'cover',
  tables: 'rows',
};

/** In the name of the file, before its kind. */
export const USE_SUFFIX: Readonly<Record<EbookUse, string>> = { shop: '-shop', readers: '', keep: '-keep' };
